/** Sends a week to a class: freezes the game's version and works out each child's set-up and par. */
import { distancesOf } from '@/core/course/geometry';
import { MODEL_VERSION } from '@/core/forecast/chances';
import { forecastSetUp } from '@/core/forecast/forecast-level';
import { shelfOf, type RackShelf } from '@/core/forecast/racks';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { stepLengthM } from '@/core/measure/stature';
import type { Game } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { throwerWith } from '@/core/motion/release';
import { readGame } from '@/core/rules/read-game';
import { pacedGame } from '@/core/sheet/set-up';
import { childrenOf, type Child } from '../db/children';
import { classById } from '../db/classes';
import { gameById, versionOf } from '../db/games';
import { newId, type Uuid } from '../db/ids';
import { transact } from '../db/pool';
import { audit, termAt } from '../db/schools';
import { addItem, addWeek, assign, type AssignedSetUp, type NewAssignment } from '../db/weeks';
import { notFound, Refused, refuse } from '../http/answer';

const PAR_PLAYS = 2000;

export interface WeekToSend {
  readonly schoolId: Uuid;
  readonly teacherId: Uuid | null;
  readonly classId: Uuid;
  readonly gameId: Uuid;
  readonly levelId: string;
  readonly dueOn: string;
  readonly warmUp: string;
  readonly diary: string;
  readonly note: string;
  /** Tables of pins that the desk has worked out, by layout: par is then the one that was shown there. */
  readonly racks: Readonly<Record<string, string>>;
  /** The day it is at the school. */
  readonly today: string;
}

export interface SentWeek {
  readonly id: Uuid;
  readonly number: number;
  readonly termId: Uuid;
  readonly children: number;
}

/** Each child's own set-up in whole half steps, and the par that goes with it; children alike share one forecast. */
function assignmentsFor(game: Game, levelId: string, children: readonly Child[], classAge: number, seed: number, shelf: RackShelf): NewAssignment[] {
  const level = resolveLevel(
    game,
    game.levels.findIndex((known) => known.id === levelId),
  );
  const pars = new Map<string, { par: number | null; parLow: number | null; parHigh: number | null; setUp: AssignedSetUp }>();
  return children.map((child) => {
    const ageYears = child.ageYears ?? classAge;
    const stepM = child.stepCm ? child.stepCm / 100 : stepLengthM(ageYears);
    const own = child.form === 'other-exercise' ? 'standing' : child.form;
    // A seated level is played seated by all; a child who always kneels kneels at every level.
    const form = throwerWith(level.kit, { ageYears, form: own }).form ?? own;
    const key = `${ageYears}|${stepM}|${form}`;
    let found = pars.get(key);
    if (!found) {
      const paced = pacedGame(level, stepM);
      const forecast = forecastSetUp(paced, { ageYears, form, plays: PAR_PLAYS, seed, shelf });
      found = {
        par: forecast?.par ?? null,
        parLow: forecast?.likelyLow ?? null,
        parHigh: forecast?.likelyHigh ?? null,
        setUp: {
          implement: paced.kit.implement,
          targets: Object.values(paced.course.targets).flatMap((list) => list.map((target) => target.object)),
          distancesM: distancesOf(paced).map((length) => Math.round(length * 1000) / 1000),
          stepM,
          ageYears,
          form,
        },
      };
      pars.set(key, found);
    }
    return { childId: child.id, levelId, ...found, modelVersion: MODEL_VERSION, seed };
  });
}

export async function sendWeek(week: WeekToSend, now: Date): Promise<SentWeek> {
  const [toClass, shelved] = await Promise.all([classById(week.schoolId, week.classId, week.today), gameById(week.schoolId, week.gameId)]);
  if (!toClass) throw notFound('class');
  if (!shelved) throw notFound('game');
  if (week.dueOn < week.today) throw refuse(400, '/dueOn', 'The due day has passed.', 'Choose today or a later day.');
  const read = readGame(shelved.game);
  if (!read.ok) throw new Refused(400, read.problems);
  if (!read.value.levels.some((level) => level.id === week.levelId))
    throw refuse(400, '/levelId', 'The game has no such level.', 'Choose one of its levels.');
  const children = await childrenOf(week.classId, week.today);
  if (children.length === 0) throw refuse(400, '/classId', 'There are no children in this class yet.', 'Add children first.');
  const seed = newId().readUInt32BE(12);
  const assignments = assignmentsFor(read.value, week.levelId, children, toClass.ageYears, seed, shelfOf(week.racks, shippedRacks));
  return transact(async (db) => {
    const term = await termAt(db, week.schoolId, week.today);
    const version = await versionOf(db, week.gameId, read.value, week.teacherId, now);
    const sent = await addWeek(db, { classId: week.classId, termId: term.id, dueOn: week.dueOn, note: week.note }, now);
    let position = 0;
    if (week.warmUp) await addItem(db, sent.id, { position: (position += 1), kind: 'warm-up', gameVersionId: null, words: week.warmUp });
    const item = await addItem(db, sent.id, { position: (position += 1), kind: 'game', gameVersionId: version.id, words: '' });
    if (week.diary) await addItem(db, sent.id, { position: position + 1, kind: 'diary', gameVersionId: null, words: week.diary });
    for (const assignment of assignments) await assign(db, item, assignment, now);
    await audit(
      db,
      {
        schoolId: week.schoolId,
        teacherId: week.teacherId,
        action: 'week sent',
        subject: sent.id,
        detail: { version: version.id, children: children.length },
      },
      now,
    );
    return { ...sent, termId: term.id, children: children.length };
  });
}
