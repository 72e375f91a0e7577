'use client';
/** How a button looks, without what makes it one of the desk's: for pages that every visitor loads. */
import styled, { css } from 'styled-components';

export const buttonShape = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 0.5rem;
  min-height: 36px;
  padding: 0 1rem;
  border: 1.5px solid var(--ink);
  border-radius: var(--radius-1);
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

export const strongButton = css`
  background: var(--ink);
  color: var(--on-ink);
  &[data-hovered],
  &:hover {
    background: color-mix(in srgb, var(--ink) 86%, var(--tide));
  }
`;

/** A link that leads somewhere, drawn as a button. */
export const ButtonLink = styled.a<{ $strong?: boolean }>`
  ${buttonShape}
  ${({ $strong }) => $strong && strongButton}
`;

/** A button of the browser's own, drawn like the others. */
export const PlainButton = styled.button<{ $strong?: boolean }>`
  ${buttonShape}
  ${({ $strong }) => $strong && strongButton}
`;
