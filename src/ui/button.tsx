'use client';
import type { Ref } from 'react';
import { Button as AriaButton, type ButtonProps } from 'react-aria-components';
import styled from 'styled-components';
import { buttonShape, strongButton } from './button-look';
import { useAlive } from './use-alive';

export { ButtonLink } from './button-look';

/** Disabled until the page is alive: a press that would be lost cannot be made. */
function AliveButton({ isDisabled, ...rest }: ButtonProps & { ref?: Ref<HTMLButtonElement> }) {
  const alive = useAlive();
  return <AriaButton {...rest} {...(!alive ? { isDisabled: true } : isDisabled !== undefined && { isDisabled })} />;
}

export const Button = styled(AliveButton)<{ $strong?: boolean }>`
  ${buttonShape}
  ${({ $strong }) => $strong && strongButton}
`;

/** A small act inside text or a list: underlined, like a slot. */
export const QuietButton = styled(AliveButton)`
  padding: var(--space-1) 0;
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
