/** The open interface: another program of the school asks what was sent and hands in reports, with a key of the school. */
import type { Uuid } from '@/contract/ids';
import Joi from 'joi';
import { schoolKeyLimit } from '../auth/limits';
import { hashToken, SCHOOL_KEY_PATTERN } from '../auth/tokens';
import { childrenOf } from '../db/children';
import type { ClassSummary } from '../db/classes';
import { noteUse, schoolOfKey, type SchoolOfKey } from '../db/school-keys';
import { gamesWithAssignments } from '../db/week-games';
import { assignmentsOfSchool, versionBody, weeksOf } from '../db/weeks';
import { Refused, refuse } from '../http/answer';
import { bearerOf, foundOrRefused } from '../http/bearer';
import type { Game } from '@/core/rules/format/game';
import { envelopeSchema, receipt, takeIn, type Envelope } from './take-in';

const unknownKey = () =>
  refuse(401, 'authorization', 'This key is not known, or it has been withdrawn.', 'Ask a teacher of the school for a new one.');

/** Whose key the request shows; refuses it otherwise, and after too many wrong ones for a while. */
export async function schoolAsking(request: Request, now: Date): Promise<SchoolOfKey> {
  const key = bearerOf(request, SCHOOL_KEY_PATTERN, unknownKey);
  const found = await foundOrRefused(await schoolOfKey(hashToken(key)), key, schoolKeyLimit, 'wrong keys', unknownKey);
  await noteUse(found.id, now);
  return found;
}

const MOST_REPORTS = 50;

export const reportsSchema = Joi.object<{ reports: readonly Envelope[] }>({
  reports: Joi.array().items(envelopeSchema).min(1).max(MOST_REPORTS).required(),
});

/**
 * Takes reports in one by one, each acknowledged only when it is stored; the same play again is acknowledged and stored once. Before anything
 * is stored every one of them must be of a child of this school; what is wrong with one alone (another report of the same play) is told there.
 */
export async function takeInByKey({ id, schoolId }: SchoolOfKey, reports: readonly Envelope[], now: Date): Promise<unknown[]> {
  const known = await assignmentsOfSchool(
    schoolId,
    reports.map(({ assignmentId }) => assignmentId),
  );
  const assignments = reports.map(({ assignmentId }, index) => {
    const found = known.get(assignmentId);
    if (!found)
      throw refuse(
        404,
        `/reports/${index}/assignmentId`,
        'Nothing with this id was sent to a child of this school.',
        'Take the ids from /api/v1/assignments.',
      );
    return found;
  });
  const answers: unknown[] = [];
  for (const [index, envelope] of reports.entries()) {
    try {
      const sender = { accessKeyId: null, enteredBy: null, sentBy: id, way: 'api' as const };
      const received = await takeIn(sender, assignments[index]!, envelope, JSON.stringify(envelope), now);
      answers.push({ playId: envelope.playId, ...receipt(received) });
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      answers.push({
        playId: envelope.playId,
        received: false,
        problems: error.problems.map((problem) => ({ ...problem, place: `/reports/${index}${problem.place}` })),
      });
    }
  }
  return answers;
}

/** What was sent to a class: the games of its weeks, and of each child what was asked, newest week first. */
export async function sentToClass(of: ClassSummary, today: string): Promise<unknown> {
  const [weeks, children] = await Promise.all([weeksOf(of.id), childrenOf(of.id, today)]);
  const names = new Map(children.map((child) => [child.id, `${child.firstName} ${child.initial}`]));
  const sentGames = await gamesWithAssignments(weeks.map(({ id }) => id));
  const games = new Map<Uuid, Game>();
  const sent = weeks.map((week) => ({
    number: week.number,
    dueOn: week.dueOn,
    games: (sentGames.get(week.id) ?? []).map(({ title, byChild }) => ({
      title,
      assignments: [...byChild.values()]
        .filter(({ childId }) => names.has(childId))
        .map(({ id, childId, versionId, levelId, setUp, par }) => ({
          assignmentId: id,
          child: { id: childId, name: names.get(childId)! },
          gameVersionId: versionId,
          level: levelId,
          setUp,
          par,
        })),
    })),
  }));
  for (const { gameVersionId } of sent.flatMap((week) => week.games).flatMap((game) => game.assignments))
    if (!games.has(gameVersionId)) games.set(gameVersionId, await versionBody(gameVersionId));
  return { format: 'lochside.sent/1', class: { id: of.id, name: of.name }, weeks: sent, games: Object.fromEntries(games) };
}
