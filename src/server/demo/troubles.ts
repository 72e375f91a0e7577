/** Fifteen kinds of trouble in the week that is coming in: one report of each, by the ways in which such reports come. */
import { newUuid, type Uuid } from '@/contract/ids';
import { reportFromFields, workedOut } from '@/core/reports/from-parts';
import type { Go, Report } from '@/core/reports/report';
import { compile } from '@/core/rules/playing/compile';
import { levelById } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import { toText } from '../db/ids';
import { firstRow, transact } from '../db/pool';
import { storeReports } from '../db/reports';
import { hashToken } from '../auth/tokens';
import { tokenFor } from '../db/access-keys';
import { assignmentsOfChild, versionBody, type AssignmentInWeek, type ChildAssignment } from '../db/weeks';
import { bringInTable, classToFill } from '../reports/bring-in';
import { playsOfChild } from '../reports/plays';
import { judged, type Envelope, type Sender } from '../reports/take-in';

export interface TroubledWeek {
  readonly schoolId: Uuid;
  readonly teacherId: Uuid;
  readonly classId: Uuid;
  readonly termId: Uuid;
  readonly weekId: Uuid;
  /** A week long past. */
  readonly closedWeekId: Uuid;
  readonly children: readonly { readonly id: Uuid; readonly name: string }[];
  readonly serverKey: string;
  readonly today: string;
}

/** The trade's name of each trouble, in the order of the children who have it. */
export const TROUBLES = [
  'a wrong sum',
  'the bonus of a spare left out',
  'more hits than attempts',
  'a total that cannot be reached',
  'a second ball higher than the pins left',
  'no unit on a time',
  'a wrong level named',
  'the set-up nearer than sent',
  'the same play by link and on paper',
  'an unknown child',
  'a closed week',
  'an older version of the game',
  'far beyond the child’s own spread',
  'faster than the clock allows',
  'not finished',
] as const;

/** The child of that trouble. */
const BEYOND = 12;

/** The games of the week by their place: throws against the clock, a fixed number of throws, frames, a race. */
const [CLOCK, THROWS, FRAMES, RACE] = [0, 1, 2, 3] as const;

export async function addTroubles(of: TroubledWeek, now: Date): Promise<void> {
  const week = { ...of, children: await withOneWellKnown(of.children) };
  const at = (hours: number) => new Date(now.getTime() - hours * 3_600_000);
  const asked = async (index: number, game: number, weekId = week.weekId): Promise<ChildAssignment> => {
    const all: readonly AssignmentInWeek[] = await assignmentsOfChild(week.children[index]!.id, week.termId);
    return all.filter((one) => one.weekId === weekId)[game]!;
  };
  const store = async (sender: Sender, assignment: ChildAssignment, report: Report, when: Date) => {
    const envelope: Envelope = { playId: newUuid(), assignmentId: assignment.id, report };
    const stored = await judged(sender, assignment, envelope, JSON.stringify(envelope), when);
    await transact((db) => storeReports(db, [stored]));
  };
  const onPaper: Sender = { accessKeyId: null, enteredBy: week.teacherId, way: 'paper' };
  const byLink = async (childId: Uuid, when: Date): Promise<Sender> => {
    const token = await transact((db) => tokenFor(db, week.serverKey, childId, week.termId, 'card', when));
    const key = (await firstRow<{ id: Buffer }>('SELECT id FROM access_keys WHERE token_hash = ?', [hashToken(token)]))!;
    return { accessKeyId: toText(key.id), enteredBy: null, way: 'link' };
  };
  /** The cells of a sheet as they were written, with the total that stands below them; undefined takes the right one. */
  const sheet = async (
    assignment: ChildAssignment,
    cells: readonly (number | null)[],
    total: number | null | undefined,
    when: Date,
    change: Partial<Go> = {},
  ) => {
    const game = await versionBody(assignment.versionId);
    const level = levelById(game, assignment.levelId);
    const right = workedOut(level, cells)?.value ?? null;
    const made = reportFromFields(
      { game, levelId: assignment.levelId, setUp: assignment.setUp },
      level,
      cells,
      total === undefined ? right : total,
      level.parts[0]!.measure.unit,
      when,
    );
    return { ...made, goes: made.goes.map((go) => ({ ...go, ...change })) };
  };
  const hits = (...cells: readonly number[]) => cells;

  const sum = await asked(0, CLOCK);
  await store(
    await byLink(week.children[0]!.id, at(50)),
    sum,
    await sheet(sum, hits(4, 3, 1), (await rightTotal(sum, hits(4, 3, 1))) + 10, at(50)),
    at(50),
  );

  // Six pins: 4 and 2 is a spare, of which the next ball counts a second time; the sheet adds the pins alone.
  const spare = await asked(1, FRAMES);
  const balls = [4, 2, 3, 1, ...Array.from({ length: 8 }, () => [2, 1]).flat(), null, null];
  await store(onPaper, spare, await sheet(spare, balls, 4 + 2 + 3 + 1 + 8 * 3, at(44)), at(44));

  const many = await asked(2, THROWS);
  await store(onPaper, many, await sheet(many, hits(9, 4, 1), undefined, at(43)), at(43));

  const unreachable = await asked(3, CLOCK);
  await store(await byLink(week.children[3]!.id, at(42)), unreachable, await sheet(unreachable, [], 1, at(42)), at(42));

  const pins = await asked(4, FRAMES);
  await store(onPaper, pins, await sheet(pins, [4, 4, ...Array.from({ length: 9 }, () => [2, 1]).flat(), null, null], 35, at(41)), at(41));

  const timed = await asked(5, RACE);
  await store(onPaper, timed, await sheet(timed, [], 72, at(40), { unit: '' }), at(40));

  const nearer = await asked(7, CLOCK);
  const half = { ...nearer.setUp, distancesM: nearer.setUp.distancesM.map((length) => Math.round(length * 500) / 1000) };
  await store(
    onPaper,
    nearer,
    await sheet(nearer, hits(6, 5, 4), undefined, at(38), {
      setUp: { implement: half.implement, targets: half.targets, distancesM: half.distancesM },
    }),
    at(38),
  );

  const twice = await asked(8, CLOCK);
  await store(await byLink(week.children[8]!.id, at(37)), twice, await sheet(twice, hits(3, 2, 2), undefined, at(37)), at(37));
  await store(onPaper, twice, await sheet(twice, hits(3, 2, 2), undefined, at(20)), at(20));

  const closed = await asked(10, 0, week.closedWeekId);
  await store(await byLink(week.children[10]!.id, at(30)), closed, await sheet(closed, hits(2, 2, 1), undefined, at(30)), at(30));

  const beyond = await asked(BEYOND, CLOCK);
  const far = Math.max(30, ...(await playsOfChild(week.children[BEYOND]!.id)).map((play) => play.counts ?? 0));
  await store(onPaper, beyond, await sheet(beyond, hits(0, 0, Math.ceil((2.4 * far) / 5)), undefined, at(27)), at(27));

  const fast = await asked(13, THROWS);
  await store(await byLink(week.children[13]!.id, at(26)), fast, await hurried(fast, at(26)), at(26));

  const unfinished = await asked(14, CLOCK);
  await store(onPaper, unfinished, await sheet(unfinished, hits(2, 1, 0), null, at(25)), at(25));

  // A clipboard as a file: a level that the game lacks, a name that nobody has, a version that was sent before.
  await bringInTable(
    await classToFill(week.schoolId, week.classId, week.today),
    {
      name: 'clipboard.csv',
      rows: [
        ['Child', 'Level', 'Score', 'Version'],
        [week.children[6]!.name, 'level 7', '14', ''],
        ['Ailssa', '', '12', ''],
        [week.children[11]!.name, '', '16', '1'],
      ],
      columns: ['child', 'level', 'total', 'version'],
      gameId: week.weekId,
    },
    week.teacherId,
    at(10),
    () => undefined,
  );
}

/** Whose scores are known best stands where the trouble needs them: far beyond the child's own. */
async function withOneWellKnown(children: TroubledWeek['children']): Promise<TroubledWeek['children']> {
  const known = await Promise.all(
    children
      .slice(0, TROUBLES.length)
      .map(
        async (child) => (await playsOfChild(child.id)).filter((play) => play.counts !== null && play.asAsked && play.levelId === 'level-2').length,
      ),
  );
  const best = known.indexOf(Math.max(...known));
  return children.map((child, index) => (index === BEYOND ? children[best]! : index === best ? children[BEYOND]! : child));
}

async function rightTotal(assignment: ChildAssignment, cells: readonly number[]): Promise<number> {
  return workedOut(levelById(await versionBody(assignment.versionId), assignment.levelId), cells)!.value!;
}

/** All throws tapped one upon the other, half a second apart. */
async function hurried(assignment: ChildAssignment, when: Date): Promise<Report> {
  const game = await versionBody(assignment.versionId);
  const level = levelById(game, assignment.levelId);
  const compiled = compile(level);
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  const success = level.parts[0]!.stages[0]!.ends!.find((end) => end.as === 'success')!;
  const events = Array.from({ length: 12 }, (_, index) => ({ do: 'attempt' as const, t: 500 * (index + 1), end: success.id }));
  const { value } = measure(compiled.value, replay(compiled.value, events).state);
  const made = reportFromFields({ game, levelId: assignment.levelId, setUp: assignment.setUp }, level, [], value, level.parts[0]!.measure.unit, when);
  return { ...made, goes: made.goes.map((go) => ({ ...go, counting: 'attempts', events })) };
}
