import type { BodyForm } from '../motion/assumed';
import { REPORT_FORMAT } from '../rules/format/formats';
import type { Game } from '../rules/format/game';
import { compile } from '../rules/playing/compile';
import { levelById } from '../rules/format/level';
import { measure, type Result } from '../rules/playing/measure';
import { replay } from '../rules/playing/replay';
import { eventsFromFields, partFields } from './parts';
import type { Go, Report, UsedSetUp } from './report';

/** What a child was asked to play: enough to write a report of it. */
export interface Assigned {
  readonly game: Game;
  readonly levelId: string;
  readonly setUp: UsedSetUp & { readonly form: BodyForm };
}

export function goOf(
  assigned: Assigned,
  played: Pick<Go, 'counting' | 'hand' | 'events' | 'total'> & Partial<Pick<Go, 'unit' | 'otherHand' | 'players'>>,
): Go {
  const { form, implement, targets, distancesM } = assigned.setUp;
  return {
    level: assigned.levelId,
    otherHand: levelById(assigned.game, assigned.levelId).kit.hand === 'other',
    form,
    setUp: { implement, targets, distancesM },
    unit: assigned.game.parts[0]!.measure.unit,
    ...played,
  };
}

/** What the typed fields of a level come to, with the working; null for a level that the engine does not admit. */
export function workedOut(level: Game, typed: readonly (number | null)[]): Result | null {
  const compiled = compile(level);
  if (!compiled.ok) return null;
  return measure(compiled.value, replay(compiled.value, eventsFromFields(level, partFields(level), typed), 'parts').state);
}

/** A report of one go typed in from paper: the fields of the game at that level in their order, empty ones null; none at all is a total alone. */
export function reportFromFields(
  assigned: Assigned,
  level: Game,
  typed: readonly (number | null)[],
  total: number | null,
  unit: string,
  at: Date,
): Report {
  const events = typed.every((one) => one === null) ? [] : eventsFromFields(level, partFields(level), typed);
  return {
    format: REPORT_FORMAT,
    goes: [goOf(assigned, { counting: 'parts', hand: 'either', events, total, unit })],
    startedAt: at.toISOString(),
    sentAt: at.toISOString(),
  };
}
