'use client';
import styled from 'styled-components';

/** A button that is words alone. By itself: the first that a family loads needs no more of the counter. */
export const TextButton = styled.button`
  min-width: 44px;
  min-height: 44px;
  padding: 0 var(--space-1);
  border: 0;
  background: none;
  font-size: clamp(0.95rem, 4.6vw, 1.15rem);
  cursor: pointer;
  text-decoration: underline;
  text-decoration-color: var(--gorse);
  text-decoration-thickness: 3px;
  text-underline-offset: 6px;
`;
