import type { Game } from '../format/game';
import { leversBetween, type Lever } from '../format/levers';
import type { Gap } from './gap';

const LEVER_WORDS: Readonly<Record<Lever, string>> = { space: 'the distances', task: 'the task', equipment: 'the things', people: 'the players' };

export function levers(game: Game): Gap[] {
  const gaps: Gap[] = [];
  for (let index = 1; index < game.levels.length; index += 1) {
    const between = leversBetween(game, index - 1, index);
    // Fewer places or pins than before lie elsewhere of necessity: that is one lever.
    const counted = [...between.keys()].filter(
      (lever) => !(lever === 'space' && between.get('equipment')?.some((pointer) => pointer.includes('/groups/'))),
    );
    if (counted.length < 2) continue;
    const level = game.levels[index]!;
    gaps.push({
      kind: 'levers',
      place: `/levels/${index}/set`,
      question: `${level.name} changes ${counted.map((lever) => LEVER_WORDS[lever]).join(' and ')} at once. Is that meant?`,
      why: 'When two things change, nobody knows which of them made it harder.',
      mends: counted.map((keep) => {
        const undone = counted.filter((lever) => lever !== keep).flatMap((lever) => between.get(lever)!);
        const before = game.levels[index - 1]!.set;
        const set = { ...level.set };
        for (const pointer of undone) {
          if (pointer in before) set[pointer] = before[pointer];
          else delete set[pointer];
        }
        return {
          label: `Change only ${LEVER_WORDS[keep]}`,
          game: { ...game, levels: game.levels.map((one, at) => (at === index ? { ...one, set } : one)) },
        };
      }),
    });
  }
  return gaps;
}
