'use client';
import { useEffect } from 'react';
import styled from 'styled-components';
import { Volume2 } from 'lucide-react';
import { TextButton } from '../counter/text-button';
import { useWords } from '@/features/languages/use-words';
import { useAlive } from '@/ui/use-alive';
import { say } from './cues';

const Loud = styled(Volume2)`
  vertical-align: -3px;
`;

/** Says the words of the screen aloud, where the device can; else nothing is there. */
export function ReadAloud({ words }: { words: string }) {
  const { i18n, tag } = useWords();
  const can = useAlive() && 'speechSynthesis' in window;
  useEffect(() => () => window.speechSynthesis?.cancel(), []);
  if (!can) return null;
  return (
    <TextButton type="button" onClick={() => say(words, tag)}>
      <Loud size={18} aria-hidden /> {i18n.t('Read aloud')}
    </TextButton>
  );
}
