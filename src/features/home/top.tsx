'use client';
import type { InHand } from './in-hand';
import { TopLine } from './home-style';

/** Which game, in which form, and whose page it is. */
export function Top({ hand: { item, words }, name }: { hand: InHand; name: string }) {
  return (
    <TopLine>
      <span>
        {item.game.title} · {words}
      </span>
      <span>{name}</span>
    </TopLine>
  );
}
