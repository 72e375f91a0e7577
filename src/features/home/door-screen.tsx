'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { TextButton } from '../counter/counter-style';
import { Big, Bottom, Plain, Screen, TopLine } from './home-style';
import { useWords } from '@/features/languages/use-words';
import { LanguagePicker } from './language-picker';
import type { KeptCard } from './store';
import { StepTitle } from './step-title';

const OneChild = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
`;

const Code = styled.label`
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  & input {
    width: 100%;
    min-height: 52px;
    padding: var(--space-3) var(--space-5);
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-size: var(--type-4);
  }
`;

/** The key in what a family typed or pasted: a whole link, or the code alone. */
function keyIn(written: string): string {
  const words = written.trim();
  const inLink = /[#&]k=([^&\s]+)/.exec(words)?.[1];
  return inLink ?? words.replace(/\s+/g, '');
}

/** Without a key in the link: the children whose card this device has opened, and a place for a code. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function DoorScreen({
  kept,
  onOpen,
  onForget,
}: {
  kept: readonly KeptCard[];
  onOpen: (token: string) => void;
  onForget: (token: string) => void;
}) {
  const { i18n } = useWords();
  const [code, setCode] = useState('');
  const [forgetting, setForgetting] = useState<string | null>(null);
  return (
    <Screen>
      <TopLine>
        <span>Lochside</span>
      </TopLine>
      <StepTitle>{kept.length > 0 ? i18n.t('Who is playing?') : i18n.t('Open your card')}</StepTitle>
      {kept.map(({ token, card }) => {
        const name = card.child?.name ?? i18n.t('A card from paper');
        return (
          <OneChild key={token}>
            <Plain type="button" onClick={() => onOpen(token)}>
              {name}
            </Plain>
            {forgetting === token ? (
              <p role="alert">
                {i18n.t('Everything kept here for {name} goes, with scores that were not sent.', { name })}{' '}
                <TextButton type="button" onClick={() => onForget(token)}>
                  {i18n.t('Take {name} off this device', { name })}
                </TextButton>{' '}
                <TextButton type="button" onClick={() => setForgetting(null)}>
                  {i18n.t('Keep (what was typed)', {}, { message: 'Keep' })}
                </TextButton>
              </p>
            ) : (
              <TextButton type="button" onClick={() => setForgetting(token)}>
                {i18n.t('Take {name} off this device', { name })}
              </TextButton>
            )}
          </OneChild>
        );
      })}
      <Code>
        {i18n.t('The link or code from your school')}
        <input value={code} autoComplete="off" autoCapitalize="none" spellCheck={false} onChange={(event) => setCode(event.target.value)} />
      </Code>
      <LanguagePicker />
      <Bottom>
        <Big type="button" disabled={keyIn(code).length < 8} onClick={() => onOpen(keyIn(code))}>
          {i18n.t('Open (a card, by its code)', {}, { message: 'Open' })}
        </Big>
      </Bottom>
    </Screen>
  );
}
