'use client';
/** The children whose cards this device has, side by side: each by its name and a sign of its own. */
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { SIGNS, signsOf } from './siblings-model';
import type { KeptCard } from './store';

const Row = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  & button {
    display: flex;
    align-items: center;
    gap: var(--space-3);
    min-height: 48px;
    padding: var(--space-2) var(--space-5);
    border: 1.5px solid var(--line-strong);
    border-radius: var(--radius-2);
    background: var(--sheet);
    color: var(--ink);
    font-size: var(--type-3);
    cursor: pointer;
  }
  & button[aria-current] {
    border: 2.5px solid var(--ink);
    font-weight: 700;
  }
`;

// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function Siblings({ kept, token, onOpen }: { kept: readonly KeptCard[]; token: string; onOpen: (token: string) => void }) {
  const { i18n } = useWords();
  const named = kept
    .flatMap((one) => (one.card.child ? [{ token: one.token, name: one.card.child.name, mark: one.card.mark ?? one.token }] : []))
    .sort((a, b) => a.name.localeCompare(b.name));
  const signs = signsOf(named.map(({ mark }) => mark));
  return (
    <Row aria-label={i18n.t('Who is playing?')}>
      {named.map((one, index) => (
        <button key={one.token} type="button" aria-current={one.token === token ? 'true' : undefined} onClick={() => onOpen(one.token)}>
          <svg width={24} height={24} viewBox="-12 -12 24 24" aria-hidden>
            <path d={SIGNS[signs[index]!]} fill="var(--band-3)" stroke="var(--ink)" strokeWidth={2} strokeLinejoin="round" />
          </svg>
          <bdi>{one.name}</bdi>
        </button>
      ))}
    </Row>
  );
}
