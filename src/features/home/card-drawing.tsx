'use client';
import type { CardItem } from '@/contract/card';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { useWords } from '@/features/languages/use-words';
import { setUpFor } from '@/core/sheet/set-up';
import { inHand } from './in-hand';
import { SetUpDrawing } from './set-up-drawing';
import { usualWays } from './store';

/** The set-up of the card as it was asked. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function CardDrawing({ item }: { item: CardItem }) {
  const words = useWords();
  const { level, pace } = inHand(item, item.forms[0]!.id, usualWays(''));
  return <SetUpDrawing level={level} places={setUpFor(level, pace, words).places} values={readThrowRules(level)?.values ?? []} />;
}
