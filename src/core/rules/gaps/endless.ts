import type { Game, Part } from '../format/game';
import { compile } from '../playing/compile';
import { allRows } from '../format/rows';
import { AT, B, Phase } from '../playing/program';
import { attempt, start } from '../playing/engine';
import type { Change, Gap } from './gap';

const MANY_TRIES = 400;

/** True when the part ends by itself even if every try goes wrong in the same way, whichever way that is. */
function surelyEnds(game: Game, part: Part): boolean {
  if (part.clock.kind === 'down' || part.measure.of === 'minutes' || part.measure.of === 'done') return true;
  const compiled = compile({ ...game, parts: [part], sides: { n: 1, turn: 'none' } });
  if (!compiled.ok) return true;
  const program = compiled.value;
  const { stages, rows } = program.parts[0]!;
  const replayed = (end: string) =>
    allRows(part).some(
      (row) => (row.validity === 'again' || row.validity === 'never') && row.if.some(([operand, , value]) => operand === 'end' && value === end),
    );
  const failing = part.stages.flatMap((task) => (task.ends ?? []).filter((end) => end.as !== 'success' && !replayed(end.id)).map((end) => end.id));
  const ways = failing.length > 0 ? failing : ['nothing'];
  return ways.every((way) => {
    const state = start(program);
    for (let tries = 0; tries < MANY_TRIES && state[AT.phase] === Phase.playing; tries += 1) {
      for (const gate of program.parts[0]!.gates) state[state[AT.base]! + gate.offset] = 0;
      const task = stages[state[state[AT.base]! + B.stage]!]!;
      const end = task.ends.indexOf(way);
      const fitting =
        task.hasEnds && (task.endMask & (1 << Math.max(0, end))) === 0 ? task.ends.findIndex((_, index) => task.endMask & (1 << index)) : end;
      if (attempt(program, state, 0, task.hasEnds ? fitting : 0, 0) !== 0 || rows.length === 0) return false;
    }
    return state[AT.phase] !== Phase.playing;
  });
}

export function endless(game: Game, part: Part, at: string, change: Change): Gap[] {
  if (surelyEnds(game, part)) return [];
  // A race against the watch is over when the child gives up; it is then written down as not finished.
  if (part.measure.of === 'clock' && part.stop.length > 0) return [];
  const stopAt = (n: number) => change(`End after ${n} tries`, { stop: [...part.stop, { if: [['attempts', '>=', n]], why: 'attempts' }] });
  return [
    {
      kind: 'endless',
      place: `${at}/stop`,
      question: 'When does it end if it does not go well?',
      why: 'A child for whom it does not go well would never come to the end.',
      mends: [
        stopAt(20),
        stopAt(40),
        change('End after five minutes', { clock: { ...part.clock, kind: 'down', s: 300, inFlight: part.clock.inFlight ?? 'landed' } }),
      ],
    },
  ];
}
