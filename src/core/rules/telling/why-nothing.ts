/** Why a try gave nothing, in the words of the rule that says so. */
import { english } from '../../words/english';
import type { Words } from '../../words/words';
import type { Cond, Row } from '../format/game';
import type { PlayEvent } from '../format/play';
import { allRows } from '../format/rows';
import { holds, popCount } from '../playing/effects';
import { AT, B, Look, type PartProgram, type Program, type State } from '../playing/program';
import { catalogueIn } from './languages';
import { plainText } from './sentences';
import { RuleWords } from './tell-rows';
import { joined } from './tell-tokens';

export interface Nothing {
  /** It is played again, it does not count, or it went well and something else is still missing. */
  readonly why: 'again' | 'gone' | 'not-yet';
  /** What happened, or what is missing: "2 or more fall", "all are down". */
  readonly what: string;
}

/** What a condition looks at that lies in the try itself; all others look at how the go stands. */
const OF_THE_TRY: ReadonlySet<Look> = new Set([Look.end, Look.seen, Look.flag]);

/** `before` and `after` are the states around an event that was taken; null where it was no try, gave something, or simply missed. */
export function whyNothing(program: Program, before: State, after: State, event: PlayEvent, words: Words = english): Nothing | null {
  if (event.do !== 'attempt') return null;
  const part = program.parts[before[AT.part]!]!;
  const language = catalogueIn(words);
  const rules = new RuleWords(program.game, part.part, `/parts/${part.index}`, language, 'child');
  const say = (conds: readonly Cond[]) =>
    plainText(
      joined(
        conds.map((cond) => rules.cond(cond, '')),
        language.general.and,
      ),
    );
  const spoke = after[AT.row]! < 0 ? undefined : allRows(part.part)[after[AT.row]!];
  if (spoke && spoke.validity !== 'counts') return { why: spoke.validity === 'gone' ? 'gone' : 'again', what: say(spoke.if) };
  if ((spoke && spoke.do.length > 0) || !wentWell(part, before, after, event)) return null;
  const missing = firstMissing(part, before, after, event);
  return missing.length > 0 ? { why: 'not-yet', what: say(missing) } : null;
}

const stageAt = (part: PartProgram, state: State) => part.stages[state[state[AT.base]! + B.stage]!]!;

function wentWell(part: PartProgram, before: State, after: State, event: Extract<PlayEvent, { do: 'attempt' }>): boolean {
  const task = stageAt(part, before);
  return task.hasEnds ? (task.successMask & (1 << task.ends.indexOf(event.end!))) !== 0 : task.see === 'felled' && after[AT.fell]! !== 0;
}

/** Of the first rule that would have given something for such a try, what does not hold. */
function firstMissing(part: PartProgram, before: State, after: State, event: Extract<PlayEvent, { do: 'attempt' }>): readonly Cond[] {
  const base = before[AT.base]!;
  const task = stageAt(part, before);
  const end = task.hasEnds ? task.ends.indexOf(event.end!) : -1;
  const seen = task.see === 'felled' ? popCount(after[AT.fell]!) : end;
  const rowsOf = allRows(part.part);
  const own = new Set<Row>([...(part.part.stages[before[base + B.stage]!]!.rows ?? []), ...part.part.rows]);
  for (const { index, conds } of part.rows) {
    const row = rowsOf[index]!;
    if (!own.has(row) || row.validity !== 'counts' || row.do.length === 0) continue;
    const fails = conds.map((cond) => !holds(cond, after, base, end, seen, 0));
    if (conds.some((cond, at) => fails[at]! && OF_THE_TRY.has(cond.look))) continue;
    const missing = row.if.filter((_, at) => fails[at]);
    if (missing.length > 0) return missing;
  }
  return [];
}
