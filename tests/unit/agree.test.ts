/** What is said, what is tapped, what is worked out and what is written on the sheet are one game: every starter. */
import { describe, expect, it } from 'vitest';
import { eventsFromFields, partFields, type PartField } from '@/core/reports/parts';
import { mmPerUnit } from '@/core/rules/format/length-unit';
import { resolveLevel } from '@/core/rules/format/level';
import { compile } from '@/core/rules/playing/compile';
import { framesOf } from '@/core/rules/playing/frames';
import { measure } from '@/core/rules/playing/measure';
import { AT, type Program, type State } from '@/core/rules/playing/program';
import { randomPlay } from '@/core/rules/playing/random-play';
import { replay } from '@/core/rules/playing/replay';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { STARTERS } from '../examples/starters';

const PLAYS = 20;

/** What somebody who watched would write into the fields; null where the ball was not played. */
function figures(
  program: Program,
  state: State,
  fields: readonly PartField[],
  balls: readonly (number | null)[],
  seconds: number,
): (number | null)[] {
  const left = [...balls];
  return fields.map((field) => {
    const part = program.parts[field.part]!;
    const base = part.base + field.go * part.blockSize;
    switch (field.kind) {
      case 'row': {
        // One figure for a rule, or one for each mark that it may be tried from.
        const { tally, tallyGroup } = part.rows[field.row]!;
        const each = fields.filter((other) => other.kind === 'row' && other.part === field.part && other.row === field.row).length > 1;
        const marks = tallyGroup >= 0 ? part.groups[tallyGroup]!.n : 1;
        return each ? state[base + tally + field.at]! : state.subarray(base + tally, base + tally + marks).reduce((sum, n) => sum + n, 0);
      }
      case 'counter':
        return Math.round(state[base + part.counterOffset(field.counter)]! / mmPerUnit(part.part, part.part.measure));
      case 'ball':
        return left.shift() ?? null;
      default:
        return field.kind === 'minutes' ? Math.floor(seconds / 60) : field.kind === 'seconds' ? seconds : 1;
    }
  });
}

describe('sentences, counter, working and sheet', () => {
  // Against each other, a race and minutes are written as they ended: nothing is added up.
  const added = STARTERS.filter(({ game }) => game.sides.n === 1 && game.parts.every(({ measure: { of } }) => typeof of !== 'string'));
  it.each(added)('of $id come to the same', ({ game }) => {
    const level = resolveLevel(game, 0);
    const compiled = compile(level);
    if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
    const program = compiled.value;
    const said = sentencesOf(level, 'precise').map(plainText).join(' ').toLowerCase();
    for (const end of level.parts.flatMap(({ stages }) => stages.flatMap((stage) => stage.ends ?? [])))
      expect(said).toMatch(new RegExp(`${(end.says ?? end.label).toLowerCase()}|lands in|after a miss|falls over`));
    const fields = partFields(level);
    let compared = 0;
    for (let number = 0; number < PLAYS; number += 1) {
      const { events } = randomPlay(program, 5, number);
      const { state } = replay(program, events);
      const tapped = measure(program, state);
      if (tapped.value === null || tapped.finished === 'stopped' || state[AT.phase] === undefined) continue;
      if (tapped.parts.length === 1 && tapped.working.length > 0)
        expect(tapped.working.reduce((sum, line) => sum + line.times * line.each, 0)).toBe(tapped.value);
      const frames = fields.some(({ kind }) => kind === 'ball') ? framesOf(program, events) : [];
      const balls = frames.flatMap((frame, at) =>
        at === frames.length - 1 ? [0, 1, 2].map((ball) => frame.balls[ball] ?? null) : [frame.balls[0] ?? null, frame.balls[1] ?? null],
      );
      const typed = replay(program, eventsFromFields(level, fields, figures(program, state, fields, balls, tapped.seconds)), 'parts');
      expect(measure(program, typed.state).value, tapped.sum).toBe(tapped.value);
      compared += 1;
    }
    expect(compared).toBeGreaterThan(0);
  });
});
