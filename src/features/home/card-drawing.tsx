'use client';
import type { CardItem } from '@/contract/card';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { useWords } from '@/features/languages/use-words';
import { setUpFor } from '@/core/sheet/set-up';
import { changedSince } from '@/core/levels/to-beat';
import { levelById } from '@/core/rules/format/level';
import { KeptNote } from './card-style';
import { inHand } from './in-hand';
import { SetUpDrawing } from './set-up-drawing';
import { usualWays } from './store';

/** The teacher's own score at this level, while the set-up with which it was made still stands. */
function ToBeat({ item: { game, levelId } }: { item: CardItem }) {
  const { i18n, figure, own } = useWords();
  const toBeat = game.levels.find(({ id }) => id === levelId)?.toBeat;
  if (!toBeat || changedSince(levelById(game, levelId), toBeat).length > 0) return null;
  const { value, unit, by, setUp } = toBeat;
  const score = `${value} ${own(unit)}`;
  const farM = Math.max(0, ...setUp.distancesM);
  return (
    <KeptNote>
      {farM > 0
        ? i18n.t('{by} made {score} here, from up to {length} m. Can you beat it?', { by, score, length: figure(farM, 1) })
        : i18n.t('{by} made {score} here. Can you beat it?', { by, score })}
    </KeptNote>
  );
}

/** The set-up of the card as it was asked. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function CardDrawing({ item }: { item: CardItem }) {
  const words = useWords();
  const { level, pace } = inHand(item, item.forms[0]!.id, usualWays(''));
  return (
    <>
      <SetUpDrawing level={level} places={setUpFor(level, pace, words).places} values={readThrowRules(level)?.values ?? []} />
      <ToBeat item={item} />
    </>
  );
}
