'use client';
import styled from 'styled-components';
import { counted } from '@/core/rules/telling/counted';
import { framesOf } from '@/core/rules/playing/frames';
import { useWords } from '@/features/languages/use-words';
import { Said, Score } from './counter-style';
import { FrameSheet } from './frame-sheet';
import { soFarOf } from './model';
import type { PlayInHand } from './use-play';

const SmallLine = styled.small`
  display: block;
  font-size: var(--type-3);
  margin-top: var(--space-2);
`;

/** What has been made so far. */
export function ScoreSoFar({ play }: { play: PlayInHand }) {
  const words = useWords();
  const { own } = words;
  const made = soFarOf(play);
  switch (made.is) {
    case 'frames':
      return (
        <>
          <FrameSheet frames={framesOf(play.program, play.events)} of={made.n} />
          <Carried carry={play.moves.carry} />
        </>
      );
    case 'counter':
      return (
        <Score aria-live="polite">
          <b>{made.value}</b>
          {counted(made.value, made.words, words)}
        </Score>
      );
    case 'score':
      return (
        <Score aria-live="polite">
          <b>{made.value ?? '–'}</b>
          {own(made.unit)}
          {made.beside.length > 0 && (
            <SmallLine>{made.beside.map((one) => `${one.value} ${counted(one.value, one.words, words)}`).join(', ')}</SmallLine>
          )}
        </Score>
      );
    case 'nothing':
      return null;
  }
}

/** What a strike or a spare gives to the balls that come. */
function Carried({ carry: [next, after] }: { carry: PlayInHand['moves']['carry'] }) {
  const { i18n } = useWords();
  if (next === 0) return null;
  return (
    <Said role="status">
      {after > 0
        ? i18n.t('The next two balls count a second time.')
        : next > 1
          ? i18n.t('The next ball counts three times.')
          : i18n.t('The next ball counts a second time.')}
    </Said>
  );
}
