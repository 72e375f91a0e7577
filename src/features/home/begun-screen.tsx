'use client';
import { useState } from 'react';
import { useWords } from '@/features/languages/use-words';
import { clockText } from '@/features/counter/model';
import { meanwhile, scoreSoFar } from './going-model';
import { Big, Bottom, Plain, Screen } from './home-style';
import type { InHand } from './in-hand';
import { ReadAloud } from './read-aloud';
import type { BegunGo } from './store';
import { Top } from './top';
import { StepPicture } from './step-picture';
import { StepTitle } from './step-title';

/** A go that was cut off: gone on with, written down as far as it came, or begun again. */
export function BegunScreen({
  hand,
  name,
  go,
  onGoOn,
  onWriteDown,
  onAgain,
}: {
  hand: InHand;
  name: string;
  go: BegunGo;
  onGoOn: () => void;
  onWriteDown: () => void;
  onAgain: () => void;
}) {
  const words = useWords();
  const { i18n } = words;
  const [since] = useState(() => meanwhile(go, Date.now()));
  const clockRuns = hand.level.parts[0]!.clock.kind !== 'none';
  const seconds = Math.floor((go.watchMs ?? 0) / 1000);
  const happened =
    go.watchMs === undefined
      ? scoreSoFar(hand, go, words)
      : i18n.t('{n, plural, one {The clock had run for 1 second} other {The clock had run for {n} seconds}}', { n: seconds });
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('You were in the middle of a go')}</StepTitle>
      <StepPicture of="begun" />
      <p>
        {happened}.{' '}
        {!clockRuns
          ? ''
          : since.clock === 'stood'
            ? i18n.t('The clock stood still since then.')
            : since.clock === 'ran'
              ? i18n.t('The clock ran on since then: {time} so far.', { time: clockText(since.ms, true) })
              : i18n.t('That is a while ago. Go on where the clock stood only if you stopped playing then.')}
      </p>
      <ReadAloud words={[i18n.t('You were in the middle of a go'), happened, i18n.t('Go on with it, or start again?')].join('. ')} />
      <Bottom>
        <Big type="button" onClick={onGoOn}>
          {clockRuns && since.clock === 'unknown' ? i18n.t('Go on where the clock stood') : i18n.t('Go on with it')}
        </Big>
        {go.watchMs !== undefined && (
          <Plain type="button" onClick={onWriteDown}>
            {i18n.t('Write it down now')}
          </Plain>
        )}
        <Plain type="button" onClick={onAgain}>
          {i18n.t('Start again')}
        </Plain>
      </Bottom>
    </Screen>
  );
}
