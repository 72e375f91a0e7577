'use client';
import { useWords } from '@/features/languages/use-words';
import { scoreSoFar } from './going-model';
import { Big, Bottom, Plain, Screen } from './home-style';
import type { InHand } from './in-hand';
import { ReadAloud } from './read-aloud';
import type { BegunGo } from './store';
import { Top } from './top';

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
  const seconds = Math.floor((go.watchMs ?? 0) / 1000);
  const happened =
    go.watchMs === undefined
      ? scoreSoFar(hand, go, words)
      : i18n.t('{n, plural, one {The clock had run for 1 second} other {The clock had run for {n} seconds}}', { n: seconds });
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <h1>{i18n.t('You were in the middle of a go')}</h1>
      <p>
        {happened}. {i18n.t('The clock stood still since then.')}
      </p>
      <ReadAloud words={[i18n.t('You were in the middle of a go'), happened, i18n.t('Go on with it, or start again?')].join('. ')} />
      <Bottom>
        <Big type="button" onClick={onGoOn}>
          {i18n.t('Go on with it')}
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
