'use client';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { Left, Time } from './counter-style';
import { clockText, isCrowded, triesAsked } from './model';
import type { PlayInHand } from './use-play';

const OfAll = styled.span`
  font-size: 0.45em;
  font-weight: 400;
`;

/** What the clock shows, read ten times a second; drawn again only when a second has gone. */
function useShownMs(play: PlayInHand): number {
  const { readShownMs } = play;
  const [, setSecond] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSecond(Math.ceil(readShownMs() / 1000)), 100);
    return () => clearInterval(timer);
  }, [readShownMs]);
  return readShownMs();
}

/** The time left or gone; where so many tries end the part, which of them is next. */
export function ClockFace({ play }: { play: PlayInHand }) {
  const { i18n } = useWords();
  const { moves, result, part } = play;
  const down = part.clockDownMs;
  const shownMs = useShownMs(play);
  const small = isCrowded(moves) || undefined;
  if (moves.waiting) return null;
  if (down > 0)
    return (
      <>
        <Time data-small={small} role="timer" aria-label={i18n.t('{time} left', { time: clockText(shownMs, false) })}>
          {clockText(shownMs, false)}
        </Time>
        <Left aria-hidden>
          <div data-fill style={{ width: `${(100 * shownMs) / down}%` }} />
        </Left>
      </>
    );
  if (part.part.clock.kind === 'up')
    return (
      <Time data-small={small} role="timer" aria-label={i18n.t('{time} so far', { time: clockText(shownMs, true) })}>
        {clockText(shownMs, true)}
      </Time>
    );
  const asked = triesAsked(part.part);
  if (asked === null || play.counting !== 'attempts') return null;
  const made = (result.parts[moves.part] ?? result).attempts % asked;
  return (
    <>
      <Time data-small={small}>
        {Math.min(asked, made + 1)}
        <OfAll> {i18n.t('of {n}', { n: asked })}</OfAll>
      </Time>
      <Left aria-hidden>
        <div data-fill style={{ width: `${(100 * made) / asked}%` }} />
      </Left>
    </>
  );
}
