'use client';
import styled from 'styled-components';

/** A remark at the place it concerns: a rule at its side tells a caution from a remark, and its words do too. */
export const Notice = styled.div<{ $tone?: 'remark' | 'open' | 'caution' }>`
  padding: var(--space-1) 0 var(--space-1) var(--space-5);
  border-left: 3px solid ${({ $tone }) => ($tone === 'caution' ? 'var(--rowan)' : $tone === 'open' ? 'var(--gorse)' : 'var(--tide)')};
  font-size: var(--type-2);
  color: ${({ $tone }) => ($tone === 'remark' ? 'var(--ink-soft)' : 'var(--ink)')};
`;

/** Said to a screen reader, not shown. */
export const Spoken = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  margin: -1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;
