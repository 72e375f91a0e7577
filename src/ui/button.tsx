'use client';
import type { Ref } from 'react';
import { Button as AriaButton, type ButtonProps } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { useAlive } from './use-alive';

/** Disabled until the page is alive: a press that would be lost cannot be made. */
function AliveButton({ isDisabled, ...rest }: ButtonProps & { ref?: Ref<HTMLButtonElement> }) {
  const alive = useAlive();
  return <AriaButton {...rest} {...(!alive ? { isDisabled: true } : isDisabled !== undefined && { isDisabled })} />;
}

const shape = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 0.5rem;
  min-height: 36px;
  padding: 0 1rem;
  border: 1.5px solid var(--ink);
  border-radius: 4px;
  background: transparent;
  color: var(--ink);
  font-weight: 600;
  line-height: 1.1;
  text-decoration: none;
  cursor: pointer;
  white-space: nowrap;
  &[data-hovered],
  &:hover {
    background: color-mix(in srgb, var(--ink) 8%, transparent);
  }
  &[data-disabled],
  &:disabled {
    opacity: 0.5;
    cursor: default;
  }
`;

const strong = css`
  background: var(--ink);
  color: var(--on-ink);
  &[data-hovered],
  &:hover {
    background: color-mix(in srgb, var(--ink) 86%, var(--tide));
  }
`;

export const Button = styled(AliveButton)<{ $strong?: boolean }>`
  ${shape}
  ${({ $strong }) => $strong && strong}
`;

/** A link that leads somewhere, drawn as a button. */
export const ButtonLink = styled.a<{ $strong?: boolean }>`
  ${shape}
  ${({ $strong }) => $strong && strong}
`;

/** A small act inside text or a list: underlined, like a slot. */
export const QuietButton = styled(AliveButton)`
  padding: 2px 0;
  border: 0;
  border-bottom: 2px solid var(--gorse);
  background: none;
  color: var(--ink);
  cursor: pointer;
  min-height: 24px;
  &[data-hovered] {
    border-bottom-color: var(--ink);
  }
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
`;
