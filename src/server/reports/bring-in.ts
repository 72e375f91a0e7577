/** Scores out of files and messages: what each row or message means for this class, looked at before anything is written, then in one transaction. */
import type { RowOutcome, Looked, BroughtIn } from '@/contract/table';
import { newUuid, type Uuid } from '@/contract/ids';
import { createHash } from 'node:crypto';
import { reportFromFields, workedOut } from '@/core/reports/from-parts';
import { matchChild } from '@/core/reports/match-child';
import { partFields } from '@/core/reports/parts';
import { readMessage } from '@/core/reports/read-message';
import { gameMeant, guessColumns, levelMeant, readRow, type ColumnKind, type NamedGame, type RowReading } from '@/core/reports/read-table';
import type { Game } from '@/core/rules/format/game';
import { levelById } from '@/core/rules/format/level';
import { keyOfWritten } from '../db/access-keys';
import { dayWords } from '@/core/measure/days';
import { addBatch, broughtInAt, removeEmptyBatch } from '../db/batches';
import { childrenOf } from '../db/children';
import { newId, toText } from '../db/ids';
import { addIncoming, settleNew, type NewIncoming, type Reading, type Why } from '../db/incoming';
import { errorNumber } from '../db/patience';
import { DUPLICATE, transact } from '../db/pool';
import { storeReports, type NewReport } from '../db/reports';
import { gamesWithAssignments } from '../db/week-games';
import { versionBody, weeksOf, type ChildAssignment } from '../db/weeks';
import type { DroppedMessage } from '../files/read-dropped';
import { refuse } from '../http/answer';
import { breath } from '../progress/breath';
import { playsOfClass } from './plays';
import { judged, type Envelope } from './take-in';

/** A game of a week. */
interface GameToFill extends NamedGame {
  readonly id: Uuid;
  readonly weekId: Uuid;
  readonly game: Game;
  readonly byChild: ReadonlyMap<Uuid, ChildAssignment>;
}

/** All that a row or a message may mean in one class. */
export interface ClassToFill {
  readonly schoolId: Uuid;
  readonly classId: Uuid;
  readonly children: readonly { readonly id: Uuid; readonly name: string }[];
  /** The games that were sent, the newest week first. */
  readonly games: readonly GameToFill[];
}

export async function classToFill(schoolId: Uuid, classId: Uuid, today: string): Promise<ClassToFill> {
  const [children, weeks] = await Promise.all([childrenOf(classId, today), weeksOf(classId)]);
  const games = await gamesWithAssignments(weeks.map(({ id }) => id));
  const filled = await Promise.all(
    weeks.map(({ id: weekId, number }) =>
      Promise.all(
        (games.get(weekId) ?? []).map(async ({ itemId, title, byChild }): Promise<GameToFill[]> => {
          const first = byChild.values().next().value;
          return first ? [{ id: itemId, weekId, number, title, game: await versionBody(first.versionId), byChild }] : [];
        }),
      ),
    ),
  );
  return {
    schoolId,
    classId,
    children: children.map((child) => ({ id: child.id, name: `${child.firstName} ${child.initial}` })),
    games: filled.flat(2),
  };
}

interface Taken {
  readonly outcome: RowOutcome;
  readonly report: NewReport | null;
  readonly waiting: { readonly why: Why; readonly reading: Reading } | null;
}

const waitsFor = (row: RowReading, why: Why, childId: Uuid | null, sentence: string): Taken => ({
  outcome: {
    line: row.line,
    child: row.child,
    week: row.week,
    score: row.total === undefined ? '' : `${row.total ?? 'not finished'}`,
    kind: 'waits',
    sentence,
  },
  report: null,
  waiting: {
    why,
    reading: {
      child: row.child,
      childId,
      assignmentId: null,
      level: row.level,
      total: row.total ?? null,
      unit: row.unit,
      notFinished: row.total === null,
      week: row.week,
      game: row.game,
      spans: [],
      confidence: null,
      sentence,
    },
  },
});

/** What one row says in this class; the chosen game is meant where the row names no week and no game. */
async function takeRow(fill: ClassToFill, row: RowReading, chosen: Uuid, by: { teacherId: Uuid; batchId: Uuid }, now: Date): Promise<Taken> {
  const sent = row.week === null ? fill.games.filter((one) => one.weekId === fill.games.find(({ id }) => id === chosen)?.weekId) : fill.games;
  const meant = gameMeant(sent, row.week, row.game, chosen);
  const child = matchChild(row.child, fill.children);
  if (row.problems.length > 0) return waitsFor(row, 'unread', child.kind === 'one' ? child.id : null, row.problems.join(' '));
  if (child.kind !== 'one')
    return waitsFor(
      row,
      'unknown-child',
      null,
      row.child === ''
        ? 'No child is named.'
        : child.kind === 'several'
          ? `Several children are called ${row.child}.`
          : `There is no ${row.child} in this class.`,
    );
  const assignment = meant?.byChild.get(child.id);
  if (!meant || !assignment)
    return waitsFor(
      row,
      'which-week',
      child.id,
      row.game !== '' && !meant
        ? `${row.week === null ? 'This week' : `Week ${row.week}`} has no game “${row.game}”.`
        : row.week === null
          ? 'It does not say which week.'
          : `Week ${row.week} was not sent to this child.`,
    );
  const levelId = levelMeant(row.level, meant.game.levels, assignment.levelId);
  const level = levelById(meant.game, levelId ?? assignment.levelId);
  const some = row.cells.some((one) => one !== null);
  if (row.total === undefined && !some) return waitsFor(row, 'unread', child.id, 'There is no score in this row.');
  const setUp =
    row.distanceM === null || assignment.setUp.distancesM.length === 0
      ? assignment.setUp
      : { ...assignment.setUp, distancesM: assignment.setUp.distancesM.map((length) => (length * row.distanceM!) / assignment.setUp.distancesM[0]!) };
  const unit = row.unit ?? level.parts[0]!.measure.unit;
  const fields = partFields(level);
  const cells = some ? row.cells.slice(0, fields.length) : [];
  // Without a total the sum of the cells is what is sent.
  const total = row.total === undefined ? (workedOut(level, cells)?.value ?? null) : row.total;
  const made = reportFromFields({ game: meant.game, levelId: levelId ?? assignment.levelId, setUp }, level, cells, total, unit, now);
  const report = {
    ...made,
    goes: made.goes.map((go) => ({ ...go, ...(levelId === null ? { level: asLevelId(row.level) } : {}) })),
    ...(row.felt ? { felt: row.felt } : {}),
    ...(row.word ? { word: row.word } : {}),
  };
  const envelope: Envelope = {
    playId: newUuid(),
    assignmentId: assignment.id,
    report,
    ...(row.version === null ? {} : { gameVersion: row.version }),
  };
  const stored = await judged(
    { accessKeyId: null, enteredBy: by.teacherId, way: 'file', batchId: by.batchId },
    assignment,
    envelope,
    JSON.stringify(envelope),
    now,
  );
  return { outcome: outcomeOf(row, meant, stored, total, unit), report: stored, waiting: null };
}

/** A level that the game lacks, as an id of the format: what was written stays recognisable. */
const asLevelId = (written: string) =>
  `${/^\d/.test(written) ? 'level-' : ''}${written.toLocaleLowerCase('en-GB')}`
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 24) || 'unknown';

function outcomeOf(row: RowReading, { number }: GameToFill, report: NewReport, total: number | null, unit: string): RowOutcome {
  return {
    line: row.line,
    child: row.child,
    week: number,
    score: total === null ? 'not finished' : `${total} ${unit}`,
    kind: report.verdict.kind,
    sentence: report.verdict.reasons[0]?.sentence ?? '',
  };
}

export interface TableToBringIn {
  readonly name: string;
  readonly rows: readonly (readonly string[])[];
  /** One for each column; null has them guessed. */
  readonly columns: readonly ColumnKind[] | null;
  /** The game of a week (or the week, for its first) that is meant where a row names none. */
  readonly gameId: Uuid | null;
}

const columnsOf = (fill: ClassToFill, table: TableToBringIn) => {
  const chosen = fill.games.find((one) => one.id === table.gameId || one.weekId === table.gameId) ?? fill.games[0]!;
  const fields = partFields(levelById(chosen.game, chosen.game.levels[0]!.id));
  const [header] = table.rows as [readonly string[]];
  return { chosen, fields, header, columns: table.columns ?? guessColumns(header, fields) };
};

const LOOKED_AT = 60;

/** The first rows and what would become of them. Nothing is written. */
export async function lookAtTable(fill: ClassToFill, table: TableToBringIn, teacherId: Uuid, now: Date): Promise<Looked> {
  const { chosen, fields, header, columns } = columnsOf(fill, table);
  const by = { teacherId, batchId: newUuid() };
  const outcomes: RowOutcome[] = [];
  for (const [index, row] of table.rows.slice(1, LOOKED_AT + 1).entries())
    outcomes.push((await takeRow(fill, readRow(row, columns, fields.length, index + 2), chosen.id, by, now)).outcome);
  return { header, columns, cells: fields.map(({ label }) => label), gameId: chosen.id, outcomes };
}

const AT_ONCE = 200;

/** The same rows for the same game, not undone since, are brought in once. */
async function refuseTwice(classId: Uuid, content: Buffer): Promise<void> {
  const before = await broughtInAt(classId, content);
  if (before)
    throw refuse(
      409,
      '',
      `This file was brought in already, on ${dayWords(before.toISOString().slice(0, 10))}. Nothing was added.`,
      'Undo that one first, if it is to be read anew.',
    );
}

/**
 * All rows in one transaction: all of them or none. What they mean is worked out before it, so that no lock is held meanwhile; how far that
 * is, is told.
 */
export async function bringInTable(
  fill: ClassToFill,
  table: TableToBringIn,
  teacherId: Uuid,
  now: Date,
  onDone: (done: number, of: number) => void,
): Promise<BroughtIn> {
  const { chosen, fields, columns } = columnsOf(fill, table);
  const content = createHash('sha256')
    .update(JSON.stringify([table.rows, columns, chosen.id]))
    .digest();
  await refuseTwice(fill.classId, content);
  const batchId = toText(newId());
  const of = table.rows.length - 1;
  const reports: NewReport[] = [];
  const incoming: NewIncoming[] = [];
  for (const [index, row] of table.rows.slice(1).entries()) {
    const line = index + 2;
    const taken = await takeRow(fill, readRow(row, columns, fields.length, line), chosen.id, { teacherId, batchId }, now);
    if (taken.report) reports.push(taken.report);
    else incoming.push(waitingRow(fill, table.name, batchId, line, row, taken.waiting!));
    if ((index + 1) % AT_ONCE === 0) {
      onDone(index + 1, of);
      await breath();
    }
  }
  try {
    await transact(async (db) => {
      await addBatch(db, { id: batchId, schoolId: fill.schoolId, classId: fill.classId, teacherId, kind: 'file', name: table.name, content }, now);
      await storeReports(db, reports);
      await addIncoming(db, incoming, now);
    });
  } catch (error) {
    // Dropped twice at once: the other one is written.
    if (errorNumber(error) === DUPLICATE) await refuseTwice(fill.classId, content);
    throw error;
  }
  onDone(of, of);
  const counted = reports.filter(({ verdict }) => verdict.kind === 'clean').length;
  return { batchId, counted, doubts: reports.length - counted, waiting: incoming.length };
}

function waitingRow(
  fill: ClassToFill,
  name: string,
  batchId: Uuid,
  line: number,
  row: readonly string[],
  { why, reading }: NonNullable<Taken['waiting']>,
): NewIncoming {
  return {
    schoolId: fill.schoolId,
    classId: fill.classId,
    batchId,
    way: 'file',
    source: `${name}, line ${line}`,
    sourceHash: createHash('sha256').update(`${batchId} ${line}`).digest(),
    words: row.filter(Boolean).join(' · '),
    reading,
    why,
  };
}

/** The words of a message. */
export const textOf = ({ subject, text }: DroppedMessage) => [subject, text].filter(Boolean).join('\n\n');

/** What a message says in this class: always a proposal, but for the first use of a living slip code that judges clean. */
async function takeMessage(fill: ClassToFill, message: DroppedMessage, by: { teacherId: Uuid; batchId: Uuid }, seen: ReadonlySet<Uuid>, now: Date) {
  const text = textOf(message);
  const read = readMessage(
    text,
    fill.children,
    fill.games.map(({ title }) => title),
  );
  const key = read.code === null ? undefined : await keyOfWritten(read.code, now);
  const childId = key && fill.children.some((child) => child.id === key.childId) ? key.childId : read.childId;
  const meant = gameMeant(fill.games, read.week, read.game) ?? gameMeant(fill.games, read.week, '');
  const assignment = childId === null ? undefined : meant?.byChild.get(childId);
  const levelId = meant && assignment ? levelMeant(read.level, meant.game.levels, assignment.levelId) : null;
  // Of an event somebody says which game it is, where the words do not.
  const several = meant !== undefined && read.game === '' && fill.games.filter((one) => one.weekId === meant.weekId).length > 1;
  const total = read.notFinished ? null : (read.best ?? (read.scores.length > 0 ? Math.max(...read.scores) : null));
  const reading: Reading = {
    child: read.childWords,
    childId,
    assignmentId: assignment?.id ?? null,
    level: levelId ?? read.level,
    total,
    unit: null,
    notFinished: read.notFinished,
    week: read.week,
    game: read.game,
    spans: read.spans,
    confidence: read.confidence,
    sentence:
      total === null && !read.notFinished
        ? 'No score was found in the words.'
        : childId === null
          ? 'It does not say which child, or names several.'
          : !assignment
            ? `Week ${read.week ?? ''} was not sent to this child.`
            : several
              ? 'It does not say which of the games of the week.'
              : 'A message counts when somebody says yes: senders can be forged, and replies quote.',
  };
  const why: Why = childId === null ? 'unknown-child' : !assignment ? 'which-week' : total === null && !read.notFinished ? 'unread' : 'not-confirmed';
  if (key?.scope === 'slip' && assignment && meant && !several && levelId !== null && total !== null && !seen.has(assignment.id)) {
    const report = await messageReport(meant.game, assignment, levelId, total, by, now);
    if (report.verdict.kind === 'clean') return { text, reading, why, report };
  }
  return { text, reading, why, report: null };
}

async function messageReport(
  game: Game,
  assignment: ChildAssignment,
  levelId: string,
  total: number | null,
  by: { teacherId: Uuid; batchId: Uuid },
  now: Date,
): Promise<NewReport> {
  const level = levelById(game, levelId);
  const report = reportFromFields({ game, levelId, setUp: assignment.setUp }, level, [], total, level.parts[0]!.measure.unit, now);
  const envelope: Envelope = { playId: newUuid(), assignmentId: assignment.id, report };
  return judged(
    { accessKeyId: null, enteredBy: by.teacherId, way: 'message', batchId: by.batchId },
    assignment,
    envelope,
    JSON.stringify(envelope),
    now,
  );
}

/** Messages in one transaction. The same message again, by its id or its words, changes nothing. */
export async function bringInMessages(
  fill: ClassToFill,
  name: string,
  kind: 'file' | 'mailbox',
  messages: readonly DroppedMessage[],
  teacherId: Uuid,
  now: Date,
): Promise<BroughtIn & { readonly again: number }> {
  const seen = new Set((await playsOfClass(fill.classId)).map((play) => play.assignmentId));
  const batchId = toText(newId());
  const taken: { readonly incoming: NewIncoming; readonly report: NewReport | null }[] = [];
  for (const message of messages) {
    const { text, reading, why, report } = await takeMessage(fill, message, { teacherId, batchId }, seen, now);
    const sourceHash = createHash('sha256')
      .update(message.id === '' ? `${message.from}\n${message.sentAt}\n${text}` : `id ${message.id}`)
      .digest();
    const source = [message.from, message.sentAt.slice(0, 10)].filter(Boolean).join(', ');
    const incoming: NewIncoming = {
      schoolId: fill.schoolId,
      classId: fill.classId,
      batchId,
      way: 'message',
      source,
      sourceHash,
      words: text,
      reading,
      why,
    };
    taken.push({ incoming, report });
  }
  return transact(async (db) => {
    await addBatch(db, { id: batchId, schoolId: fill.schoolId, classId: fill.classId, teacherId, kind, name }, now);
    const countedFor = new Set<Uuid>();
    let waiting = 0;
    let again = 0;
    for (const { incoming, report } of taken) {
      if ((await addIncoming(db, [incoming], now)) === 0) again += 1;
      else if (report && !countedFor.has(report.assignmentId)) {
        const [reportId] = await storeReports(db, [report]);
        await settleNew(db, incoming.sourceHash, fill.schoolId, teacherId, reportId!, now);
        countedFor.add(report.assignmentId);
      } else waiting += 1;
    }
    const counted = countedFor.size;
    if (counted + waiting === 0) await removeEmptyBatch(db, batchId);
    return { batchId, counted, doubts: 0, waiting, again };
  });
}
