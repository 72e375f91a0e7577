'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { readShortCode } from '@/core/codes/short-code';
import { TextButton } from '../counter/text-button';
import { Written } from '../counter/answers';
import { Big, Bottom, Plain, Screen, TopLine } from './home-style';
import { useWords } from '@/features/languages/use-words';
import { LanguagePicker } from './language-picker';
import { openCode } from './sending';
import type { KeptCard } from './store';
import { StepTitle } from './step-title';
import { linesWords } from './words';

const OneChild = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
`;

/** The key in what a family typed or pasted: a whole link, or the code alone. */
function keyIn(written: string): string {
  const words = written.trim();
  const inLink = /[#&]k=([^&\s]+)/.exec(words)?.[1];
  return inLink ?? words.replace(/\s+/g, '');
}

const MISTYPED = 'A letter of this code is not right.\nCompare it with the paper, letter by letter.';

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
  const words = useWords();
  const { i18n } = words;
  const [code, setCode] = useState('');
  const [problem, setProblem] = useState('');
  const [asking, setAsking] = useState(false);
  const openWritten = async () => {
    const typed = readShortCode(code);
    if (typed.is === 'no code') return onOpen(keyIn(code));
    if (typed.is === 'mistyped') return setProblem(MISTYPED);
    setAsking(true);
    const answer = await openCode(typed.code);
    setAsking(false);
    if ('token' in answer) onOpen(answer.token);
    else setProblem(answer.problem);
  };
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
      <Written
        label={i18n.t('The link or code from your school')}
        value={code}
        onChange={(written) => {
          setCode(written);
          setProblem('');
        }}
        problem={problem === '' ? '' : linesWords(problem, words)}
        autoComplete="off"
        autoCapitalize="none"
        spellCheck="false"
      />
      <LanguagePicker />
      <Bottom>
        <Big type="button" disabled={asking || keyIn(code).length < 8} onClick={() => void openWritten()}>
          {i18n.t('Open (a card, by its code)', {}, { message: 'Open' })}
        </Big>
      </Bottom>
    </Screen>
  );
}
