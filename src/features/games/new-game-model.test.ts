import { describe, expect, it } from 'vitest';
import { SKILLS } from '@/core/sheet/teaching-points';
import { WAYS_OF } from '@/core/ways/begin';
import { wayById } from '@/core/ways/ways';
import { beginSchema, newGameSchema } from '@/contract/new-game';
import { ballsFor, firstChoice, seen, targetsFor, waysFor, withSkillChosen, withWayChosen } from './new-game-model';

const first = firstChoice(8);
const names = (groups: readonly { ids: readonly string[] }[]) => groups.flatMap(({ ids }) => ids);

describe('a new game while it is chosen', () => {
  it('can be sent as it stands, whichever of the nine movements is chosen, and as whichever way suits it', () => {
    for (const skill of SKILLS) {
      const chosen = withSkillChosen(first, skill);
      expect(waysFor(skill).map(({ id }) => id)).toContain(chosen.way);
      for (const way of WAYS_OF[skill]) expect(newGameSchema.validate(withWayChosen(chosen, way), { convert: false }).error).toBeUndefined();
    }
    expect(beginSchema.validate({ ...first, way: 'frames' }).error?.message).toMatch(/does not suit/);
  });
  it('keeps the way and what was chosen from the house where another movement plays it too', () => {
    const box = { ...first, target: 'box' as const, implement: 'foam-ball' as const, title: 'Gannet' };
    expect(withSkillChosen(box, 'overarm')).toEqual({ ...box, skill: 'overarm' });
    expect(withSkillChosen(box, 'roll')).toMatchObject({ skill: 'roll', way: WAYS_OF.roll[0], target: null, title: 'Gannet' });
  });
  it('shows what is in the house in groups, the usual first, and finds it by a part of its name', () => {
    const way = wayById('free-marks')!;
    expect(targetsFor(way, '').map(({ words }) => words)).toEqual(['Usual for it', 'Also']);
    expect(targetsFor(way, '')[0]!.ids[0]).toBe('bucket');
    expect(names(targetsFor(way, ' BOWL'))).toEqual(expect.arrayContaining(['mixing-bowl', 'small-bowl']));
    expect(targetsFor(way, 'bottle')).toEqual([]);
    expect(targetsFor(wayById('keep-up')!, '')).toEqual([]);
    expect(ballsFor(way, '').map(({ words }) => words)).toEqual(['Soft: indoors too', 'Hard: outdoors, or an adult decides']);
    expect(names(ballsFor(way, 'tennis'))).toEqual(['table-tennis-ball', 'tennis-ball']);
  });
  it('tells what its levels come to and of what, and where the floor allows no more', () => {
    const { levels, radii, of } = seen(first);
    const chances = levels.map(({ chance }) => chance!.chance);
    expect(chances).toHaveLength(3);
    expect(chances[0]! > chances[1]! && chances[1]! > chances[2]!).toBe(true);
    expect(radii.length).toBeGreaterThan(0);
    expect(of).toMatch(/succeed/);
    expect(seen(withSkillChosen(first, 'roll')).of).toMatch(/fall/);
    expect(seen({ ...first, floor: { widthM: 2, depthM: 2 } }).reached).toContain(false);
    for (const { chance, words } of seen(withSkillChosen(first, 'move')).levels)
      expect([chance, words]).toEqual([null, expect.stringMatching(/^par \d+/)]);
  });
});
