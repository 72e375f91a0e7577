'use client';
import { useWords } from '@/features/languages/use-words';
import type { InHand } from './in-hand';
import { TopLine } from './home-style';

/** Which game, in which form, and whose page it is. */
export function Top({ hand: { item, words }, name }: { hand: InHand; name: string }) {
  const { own } = useWords();
  return (
    <TopLine>
      <span>
        {own(item.game.title)} · {words}
      </span>
      <bdi>{name}</bdi>
    </TopLine>
  );
}
