/**
 * A legal play drawn at random: every choice, every end and every exercise with a chance of its own, the time moving on like a child's.
 * For tests of the engine's laws and for filling a demonstration; it knows nothing of how likely anything is.
 */
import { drawU32, PURPOSE } from '../../random/draw';
import { AT, type Program, type State } from './program';
import { start } from './engine';
import { advance } from './replay';
import { nextMoves, type NextMoves } from './next-moves';
import type { CountingWay, PlayEvent } from '../format/play';

export interface RandomPlay {
  readonly events: readonly PlayEvent[];
  readonly state: State;
}

const MOST_EVENTS = 1500;

/** One go from its start to its end. The same seed and number give the same play. */
export function randomPlay(program: Program, seed: number, number: number, counting: CountingWay = 'attempts'): RandomPlay {
  const state = start(program, counting);
  const events: PlayEvent[] = [];
  let draws = 0;
  const draw = (below: number) => drawU32(seed, number, (draws += 1), PURPOSE.choice) % Math.max(1, below);
  let t = 0;
  const happen = (event: PlayEvent): boolean => {
    const refused = advance(program, state, event);
    if (refused === null) {
      events.push(event);
      t = event.t;
    }
    return refused === null;
  };
  for (let n = 0; n < MOST_EVENTS; n += 1) {
    const moves = nextMoves(program, state);
    if (moves.over) break;
    // As quick as a child may be, and no quicker.
    t +=
      (moves.owed?.kind === 'exercise' ? moves.owed.n * 700 : moves.task.technique === 'move' || moves.task.see === 'text' ? 3000 : 1500) +
      draw(2500);
    if (moves.waiting) {
      happen({ do: 'begin', t });
      continue;
    }
    if (moves.owed) {
      happen({ do: 'gateDone', t, gate: moves.owed.gate, ...(moves.owed.kind === 'face' ? { face: draw(moves.owed.faces?.length ?? 2) } : {}) });
      continue;
    }
    for (const choice of [moves.choice, moves.aim]) {
      if (choice && choice.options.length > 0) happen({ do: 'choose', t, group: choice.group, to: choice.options[draw(choice.options.length)]! });
    }
    const down = program.parts[moves.part]!.clockDownMs;
    if (moves.atWhistle) t = Math.max(t, state[AT.clockT]! + down);
    if (happen({ do: 'attempt', t, ...seen(moves, draw) })) continue;
    // The time is up: the next player, or the end of the part.
    if (moves.swapAtMs !== null && happen({ do: 'swap', t })) continue;
    if (!happen({ do: 'finish', t, why: 'time' })) break;
  }
  if (!nextMoves(program, state).over) happen({ do: 'finish', t: t + 1, why: 'stopped' });
  return { events, state };
}

function seen(moves: NextMoves, draw: (below: number) => number): Omit<Extract<PlayEvent, { do: 'attempt' }>, 'do' | 't'> {
  const flags = moves.flags.filter(() => draw(4) === 0).map((flag) => flag.id);
  const flagged = flags.length > 0 ? { flags } : {};
  switch (moves.task.see) {
    case 'end':
    case 'text':
      return { end: moves.ends[draw(moves.ends.length)]!.id, ...flagged };
    case 'felled': {
      const all = draw(3) === 0;
      const felled = moves.standing.filter(() => all || draw(2) === 0);
      return { felled, ...(moves.keepsOne && felled.length > 1 && { kept: felled[draw(felled.length)]! }), ...flagged };
    }
    case 'count':
      return { count: draw(8), ...flagged };
    case 'length':
      return { lengthMm: draw(2000), ...flagged };
    case 'face':
      return { face: draw(moves.task.faces?.length ?? 2), ...flagged };
  }
}
