/** Words on a drawing of the paper: none on another, none off the drawing, for every starter at every level, large, usual and small. */
import { describe, expect, it } from 'vitest';
import { resolveLevel } from '@/core/rules/format/level';
import { pacedGame } from '@/core/sheet/set-up';
import { english } from '@/core/words/english';
import { TRANSLATED } from '@/core/words/compiled/all';
import { boxOf, drawingOf, lieOnEachOther } from '@/server/paper/drawing';
import { starters } from '@/server/starters';

const french = TRANSLATED['fr']!;

const SIZES = [
  { widthPt: 262, heightPt: 168, fontPt: 8.5 },
  { widthPt: 520, heightPt: 260, fontPt: 12.75 },
  { widthPt: 150, heightPt: 104, fontPt: 8 },
];

describe('the words of a drawing on paper', () => {
  it.each(starters().map(({ id, game }) => [id, game] as const))('%s: lie on nothing else', (id, game) => {
    const wrong: string[] = [];
    let drawn = 0;
    for (const words of [english, french])
      for (const size of SIZES)
        for (const index of game.levels.keys()) {
          const found = drawingOf({ level: pacedGame(resolveLevel(game, index), 0.5), stepM: 0.5, ...size, words });
          if (!found) continue;
          drawn += 1;
          const boxes = found.labels.map((label) => ({ said: label.said, ...boxOf(label, size.fontPt) }));
          boxes.forEach((one, at) => {
            const where = `${words.tag} ${size.widthPt} level ${index}`;
            for (const other of boxes.slice(at + 1)) if (lieOnEachOther(one, other)) wrong.push(`${where}: “${one.said}” on “${other.said}”`);
            if (one.left < -1 || one.right > size.widthPt + 1) wrong.push(`${where}: “${one.said}” off the drawing`);
          });
        }
    expect(wrong, id).toEqual([]);
    if (Object.keys(game.course.places).length > 0) expect(drawn).toBeGreaterThan(0);
  });
});
