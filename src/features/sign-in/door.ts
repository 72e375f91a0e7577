'use client';
/** The look of what stands before the desk: signing in, and coming in by a link. */
import styled from 'styled-components';

export const DoorPlace = styled.main`
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: var(--space-7);
  background:
    radial-gradient(circle at 72% 30%, var(--band-1) 0 14rem, transparent 14.05rem),
    radial-gradient(circle at 72% 30%, var(--band-2) 0 25rem, transparent 25.05rem),
    radial-gradient(circle at 72% 30%, var(--band-3) 0 40rem, transparent 40.05rem), var(--band-4);
`;

export const DoorSlip = styled.form`
  display: flex;
  flex-direction: column;
  gap: var(--space-6);
  width: min(100%, 380px);
  padding: var(--space-7);
  background: var(--paper);
  border: 1.5px solid var(--ink);
  border-top: 4px solid var(--gorse);
  & .about {
    color: var(--ink-soft);
    font-size: var(--type-2);
  }
`;
