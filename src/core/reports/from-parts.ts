import type { BodyForm } from '../motion/release';
import { REPORT_FORMAT } from '../rules/formats';
import type { Game, Part } from '../rules/game';
import type { PlayEvent } from '../rules/play';
import type { Go, Report, UsedSetUp } from './report';

/** What a child was asked to play: enough to write a report of it. */
export interface Assigned {
  readonly game: Game;
  readonly levelId: string;
  readonly setUp: UsedSetUp & { readonly form: BodyForm };
}

/** The events of a go of which only the successes from each mark are known. Nothing says how many missed. */
export function eventsFromParts(part: Part, hits: readonly number[]): PlayEvent[] {
  const success = part.tasks[0]!.ends?.find((end) => end.as === 'success')?.id;
  const row = part.rows.findIndex((candidate) => candidate.if.some(([operand, , value]) => operand === 'end' && value === success));
  const events: PlayEvent[] = hits.flatMap((n, mark) => (n > 0 ? [{ do: 'tally' as const, t: 0, row, at: mark, n }] : []));
  const timed = part.clock.kind === 'down';
  return [...events, { do: 'finish', t: timed ? part.clock.s * 1000 : 0, why: timed ? 'time' : 'stopped' }];
}

export function goOf(assigned: Assigned, played: Pick<Go, 'counting' | 'hand' | 'events' | 'total'>): Go {
  const { form, implement, targets, distancesM } = assigned.setUp;
  return {
    level: assigned.levelId,
    otherHand: false,
    form,
    setUp: { implement, targets, distancesM },
    unit: assigned.game.parts[0]!.measure.unit,
    ...played,
  };
}

/** A report of one go typed in from paper. */
export function reportFromParts(assigned: Assigned, hits: readonly number[], total: number, at: Date): Report {
  const events = eventsFromParts(assigned.game.parts[0]!, hits);
  return {
    format: REPORT_FORMAT,
    goes: [goOf(assigned, { counting: 'parts', hand: 'either', events, total })],
    startedAt: at.toISOString(),
    sentAt: at.toISOString(),
  };
}
