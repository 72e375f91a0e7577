'use client';
/** The score as a text to copy, for a message to the school: the way that is left when nothing else gets through. */
import styled from 'styled-components';
import { useState } from 'react';
import { useWords } from '@/features/languages/use-words';
import { Plain } from './home-style';
import type { KeptPlay } from './store';
import { scoreTextOf } from './words';

const Text = styled.textarea`
  width: 100%;
  padding: var(--space-4);
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-2);
  background: var(--sheet);
  font: inherit;
`;

export function ScoreText({ name, play }: { name: string; play: KeptPlay }) {
  const words = useWords();
  const { i18n } = words;
  const [copied, setCopied] = useState(false);
  const text = scoreTextOf(name, play, words);
  const copy = () =>
    navigator.clipboard.writeText(text).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <>
      <p>{i18n.t('You can also send the school this text in a message:')}</p>
      <Text readOnly rows={2} aria-label={i18n.t('The score as a text')} value={text} onFocus={(event) => event.currentTarget.select()} />
      {'clipboard' in navigator && (
        <Plain type="button" onClick={() => void copy()}>
          {copied ? i18n.t('Copied (the text of a score)', {}, { message: 'Copied' }) : i18n.t('Copy the text')}
        </Plain>
      )}
    </>
  );
}
