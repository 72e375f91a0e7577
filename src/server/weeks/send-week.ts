/** Sends a week to a class: freezes the game's version and works out each child's set-up and par. */
import { createHash } from 'node:crypto';
import type { GameToSend, WeekBody } from '@/contract/week';
import type { Uuid } from '@/contract/ids';
import type { AssignedSetUp } from '@/contract/assignment';
import type { Card, CardItem } from '@/contract/card';
import { MODEL_VERSION } from '@/core/forecast/chances';
import { forecastSetUp } from '@/core/forecast/forecast-level';
import { ofClass } from '@/core/progress/by-family';
import type { Fitted } from '@/core/progress/fit';
import { shelfOf } from '@/core/forecast/racks';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { stepLengthM } from '@/core/measure/stature';
import type { Game } from '@/core/rules/format/game';
import { levelById } from '@/core/rules/format/level';
import { throwerWith } from '@/core/motion/release';
import { readGame } from '@/core/rules/format/read-game';
import { eventOrder } from '@/core/levels/event-order';
import { homeForms } from '@/core/levels/home-forms';
import { usedSetUpOf, type HomeForm } from '@/core/sheet/home-form';
import { pacedGame } from '@/core/sheet/set-up';
import { cache } from '../caches';
import { childrenOf, type Child } from '../db/children';
import { classById, type ClassSummary } from '../db/classes';
import { gameById, versionOf } from '../db/games';
import { newId, toText } from '../db/ids';
import { addNotice } from '../db/outbox';
import { transact } from '../db/pool';
import { audit, termAt } from '../db/schools';
import { addHomeForms } from '../db/home-forms';
import { addItem, addWeek, weekSentAs, assign, type NewAssignment } from '../db/weeks';
import { inOrder } from '../games/expectations';
import { notFound, Refused, refuse } from '../http/answer';
import { breath } from '../progress/breath';
import { fitsByOthers } from '../games/measured';
import { fitOfClass, forForecast } from '../progress/fit-of-class';
import type { Sheet, SheetOf, WeekOnPaper } from '../paper/job';
import { weekNotice } from './notices';

const PAR_PLAYS = 2000;
/** Other levels are forecast more roughly: they only tell a child what is likely. */
const OTHER_PAR_PLAYS = 600;

export interface WeekToSend extends WeekBody {
  readonly schoolId: Uuid;
  readonly teacherId: Uuid | null;
  /** The day it is at the school. */
  readonly today: string;
}

const asksFilmAlone = ({ film, filmAlone = false }: WeekToSend) => filmAlone && film !== '';

export interface SentWeek {
  readonly id: Uuid;
  readonly number: number;
  readonly termId: Uuid;
  readonly children: number;
}

type Assigned = Omit<NewAssignment, 'homeFormsId'> & { readonly forms: readonly HomeForm[] };

type Shared = Pick<Assigned, 'par' | 'parLow' | 'parHigh' | 'restsOn' | 'luckShare' | 'fitSkill' | 'setUp' | 'forms'>;

/** By everything that it is worked out from: the preview of a week, the week itself, and the same game sent to another class. */
const workedOut = cache<Shared>('set-ups of children', 500);

/**
 * Each child's own set-up in whole half steps, the par that goes with it, and the forms in which it may be played; children alike share
 * one working out. The plays are drawn by the game itself, so that what was shown in a preview is what is sent.
 */
async function assignmentsFor(
  game: Game,
  levelOf: (child: Child) => string,
  children: readonly Child[],
  classAge: number,
  racks: WeekToSend['racks'],
  fitted: Fitted | undefined,
): Promise<Assigned[]> {
  const calibrated = fitted && { fitted };
  const shelf = shelfOf(racks, shippedRacks);
  const ofGame = createHash('sha256').update(JSON.stringify(game)).digest();
  const seed = ofGame.readUInt32BE(0);
  const from = createHash('sha256')
    .update(ofGame)
    .update(JSON.stringify([MODEL_VERSION, Object.entries(racks).sort(), fitted ?? null]))
    .digest('base64url');
  const assigned: Assigned[] = [];
  for (const child of children) {
    const levelId = levelOf(child);
    const level = levelById(game, levelId);
    const ageYears = child.ageYears ?? classAge;
    const stepM = child.stepCm ? child.stepCm / 100 : stepLengthM(ageYears);
    const own = child.form === 'other-exercise' ? 'standing' : child.form;
    // A seated level is played seated by all; a child who always kneels kneels at every level.
    const form = throwerWith(level.kit, { ageYears, form: own }).form ?? own;
    const key = [from, levelId, ageYears, stepM, own].join('|');
    let found = workedOut.get(key);
    if (!found) {
      await breath();
      const paced = pacedGame(level, stepM);
      const forecast = forecastSetUp(paced, { ageYears, form, plays: PAR_PLAYS, seed, shelf, ...calibrated });
      const setUp: AssignedSetUp = { ...usedSetUpOf(paced), stepM, ageYears, form };
      const forms = homeForms({
        game,
        levelId,
        ageYears,
        form: own,
        of: ofClass(level, fitted),
        paced: (one) => pacedGame(one, stepM),
        askedPar: forecast.par,
        parOf: (one) =>
          forecastSetUp(one, {
            ageYears,
            form: throwerWith(one.kit, { ageYears, form: own }).form ?? own,
            plays: OTHER_PAR_PLAYS,
            seed,
            shelf,
            ...calibrated,
          }).par,
      });
      await breath();
      found = {
        par: forecast.par,
        parLow: forecast.likelyLow,
        parHigh: forecast.likelyHigh,
        restsOn: forecast.restsOn,
        luckShare: forecast.luckShare,
        // What others measured says nothing of how steady this class is.
        fitSkill: fitted && !fitted.others ? (ofClass(level, fitted).skill ?? null) : null,
        setUp,
        forms,
      };
      workedOut.set(key, found);
    }
    assigned.push({ childId: child.id, levelId, ...found, modelVersion: MODEL_VERSION, seed });
  }
  return assigned;
}

/** A game of a week as it is read, with what stands for the fit of a class that has not reported enough. */
interface ReadToSend {
  readonly game: Game;
  readonly others: Fitted | undefined;
}

/** The game of a week, with its levels checked. */
async function gameToSend(schoolId: Uuid, { gameId, levelId, levels = {} }: GameToSend, place: string): Promise<ReadToSend> {
  const shelved = await gameById(schoolId, gameId);
  if (!shelved) throw notFound('game');
  const read = readGame(shelved.game);
  if (!read.ok) throw new Refused(400, read.problems);
  for (const asked of [levelId, ...Object.values(levels)])
    if (!read.value.levels.some((level) => level.id === asked))
      throw refuse(400, `${place}/levelId`, `“${read.value.title}” has no such level.`, 'Choose one of its levels.');
  return { game: read.value, others: (await fitsByOthers(schoolId, [shelved])).get(shelved.id) };
}

interface WorkedWeek {
  readonly toClass: ClassSummary;
  readonly children: readonly Child[];
  readonly games: readonly Game[];
  /** By game, then by child. */
  readonly worked: readonly (readonly Assigned[])[];
}

/** Everything of a week that is worked out before anything is written; throws what is wrong with it. `only` narrows it to one child. */
async function workedWeek(week: WeekToSend, only?: (children: readonly Child[]) => Child): Promise<WorkedWeek> {
  const toClass = await classById(week.schoolId, week.classId, week.today);
  if (!toClass) throw notFound('class');
  if (week.dueOn < week.today) throw refuse(400, '/dueOn', 'The due day has passed.', 'Choose today or a later day.');
  const read = await Promise.all(week.games.map((game, index) => gameToSend(week.schoolId, game, `/games/${index}`)));
  week.games.forEach(({ opensOn }, index) => {
    if (opensOn && opensOn > week.dueOn)
      throw refuse(400, `/games/${index}/opensOn`, 'A game would open after it is due.', 'Choose an earlier day to open it, or a later due day.');
  });
  const all = await childrenOf(week.classId, week.today);
  if (all.length === 0) throw refuse(400, '/classId', 'There are no children in this class yet.', 'Add children first.');
  const children = only ? [only(all)] : all;
  const fitted = forForecast(await fitOfClass(week.classId), new Date(`${week.dueOn}T12:00:00Z`));
  const worked: Assigned[][] = [];
  for (const [index, { game, others }] of read.entries()) {
    const { levelId, levels = {} } = week.games[index]!;
    worked.push(await assignmentsFor(game, (child) => levels[child.id] ?? levelId, children, toClass.ageYears, week.racks, fitted ?? others));
  }
  return { toClass, children, games: read.map(({ game }) => game), worked };
}

/** How a week would look to one child of the class, its card and its sheets; nothing is written. */
export async function previewWeek(week: WeekToSend, childId: Uuid | null): Promise<{ card: Card; sheets: readonly Sheet[] }> {
  const { children, games, worked } = await workedWeek(week, (all) => all.find((child) => child.id === childId) ?? all[0]!);
  const child = children[0]!;
  const name = `${child.firstName} ${child.initial}`;
  const words = { warmUp: week.warmUp, diary: week.diary, film: week.film, filmAlone: asksFilmAlone(week), page: week.page ?? '' };
  const items = games.map((game, index): CardItem => {
    const { levelId, setUp, forms, par } = worked[index]![0]!;
    return {
      assignmentId: toText(newId()),
      opensOn: week.games[index]!.opensOn ?? null,
      game,
      levelId,
      setUp,
      forms,
      par,
      best: null,
      received: 0,
    };
  });
  const card: Card = {
    scope: 'card',
    child: { name, hand: child.hand },
    exerciseSwapped: child.form === 'other-exercise',
    weeks: [
      {
        id: toText(newId()),
        number: 0,
        dueOn: week.dueOn,
        note: week.note,
        title: week.title,
        kit: week.kit,
        ...words,
        games: items,
        diaryEntries: [],
      },
    ],
  };
  const onSheet: WeekOnPaper = { number: null, dueOn: week.dueOn, note: week.note, ...words };
  const of: SheetOf = { name, hand: child.hand ?? 'right', stepM: items[0]!.setUp.stepM };
  const paper = items.map((item) => ({
    title: item.game.title,
    levelName: item.game.levels.find((level) => level.id === item.levelId)!.name,
    aim: item.game.aim,
    level: pacedGame(levelById(item.game, item.levelId), item.setUp.stepM),
  }));
  const { slots } = eventOrder(
    paper.length === 1 ? [] : await Promise.all(items.map((item) => inOrder(item.game, item.levelId, item.setUp.ageYears))),
  );
  const sheets: Sheet[] =
    paper.length === 1
      ? [{ kind: 'home', of, game: paper[0]!, week: onSheet, par: items[0]!.par, slip: null }]
      : [
          {
            kind: 'event',
            of,
            title: week.title || 'This week',
            week: onSheet,
            games: paper.map((game, index) => ({ ...game, opensOn: items[index]!.opensOn, slip: null, slot: slots[index] ?? null })),
            kit: week.kit,
          },
        ];
  return { card, sheets };
}

export async function sendWeek(week: WeekToSend, now: Date): Promise<SentWeek> {
  const { toClass, children, games, worked } = await workedWeek(week);
  return transact(async (db) => {
    // Sent again, by another press or a line that broke off before the answer: it is the same week.
    const before = week.sentAs && (await weekSentAs(db, week.classId, week.sentAs));
    if (before) return before;
    const term = await termAt(db, week.schoolId, week.today);
    const sent = await addWeek(
      db,
      { classId: week.classId, termId: term.id, dueOn: week.dueOn, note: week.note, title: week.title, kit: week.kit, sentAs: week.sentAs ?? null },
      now,
    );
    let position = 0;
    const addWords = async (kind: 'warm-up' | 'diary', words: string) => {
      if (words) await addItem(db, sent.id, { position: (position += 1), kind, gameVersionId: null, words });
    };
    await addWords('warm-up', week.warmUp);
    const versions: Uuid[] = [];
    const items: Uuid[] = [];
    for (const [index, game] of games.entries()) {
      const { gameId, opensOn } = week.games[index]!;
      const version = await versionOf(db, gameId, game, week.teacherId, now);
      versions.push(version.id);
      const item = await addItem(db, sent.id, {
        position: (position += 1),
        kind: 'game',
        gameVersionId: version.id,
        words: '',
        opensOn: opensOn ?? null,
      });
      items.push(item);
    }
    // Children who are alike share their forms.
    const kept = worked.flatMap((ofGame, index) => [...new Set(ofGame.map(({ forms }) => forms))].map((forms) => ({ itemId: items[index]!, forms })));
    const keptIds = await addHomeForms(db, kept);
    const formsId = new Map(kept.map(({ forms }, index) => [forms, keptIds[index]!]));
    await assign(
      db,
      worked.flatMap((ofGame, index) =>
        ofGame.map(({ forms, ...assignment }) => ({ ...assignment, itemId: items[index]!, homeFormsId: formsId.get(forms)! })),
      ),
      now,
    );
    if (week.film)
      await addItem(db, sent.id, { position: (position += 1), kind: 'film', gameVersionId: null, words: week.film, filmAlone: asksFilmAlone(week) });
    if (week.page) await addItem(db, sent.id, { position: (position += 1), kind: 'page', gameVersionId: null, words: week.page });
    await addWords('diary', week.diary);
    const [title] = week.title ? [week.title] : games.map((game) => game.title);
    const announced = { className: toClass.name, number: sent.number, dueOn: week.dueOn, title: title!, note: week.note };
    await addNotice(db, { schoolId: week.schoolId, weekId: sent.id, kind: 'week', ...weekNotice(announced) }, now);
    await audit(
      db,
      {
        schoolId: week.schoolId,
        teacherId: week.teacherId,
        action: 'week sent',
        subject: sent.id,
        detail: { versions, children: children.length },
      },
      now,
    );
    return { ...sent, termId: term.id, children: children.length };
  });
}
