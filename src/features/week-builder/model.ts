/** A week while it is planned: what is in it, how it is changed, what is sent. No interface here. */
import Joi from 'joi';
import { isUuid, newUuid, type Uuid } from '@/contract/ids';
import type { KitThing } from '@/contract/assignment';
import { MOST_GAMES_OF_A_WEEK, weekSchema, type WeekBody } from '@/contract/week';
import type { LevelsOfGameForClass } from '@/contract/levels-for-class';
import type { OthersMeasured } from '@/core/progress/fit';
import { eventOrder } from '@/core/levels/event-order';
import { dayPlus, isDay } from '@/core/measure/days';
import { USUAL_DIARY, USUAL_WARM_UP } from '../weeks/usual-week';

export interface BuilderClass {
  readonly id: Uuid;
  readonly name: string;
  readonly ageYears: number;
  /** Tries of its own that the par of a week will rest on; 0 while they are too few. */
  readonly ownTries: number;
  readonly children: readonly { readonly id: Uuid; readonly name: string; readonly ageYears: number }[];
}

export interface BuilderGame {
  readonly id: Uuid;
  readonly title: string;
  readonly ageYears: number;
  /** From the easiest; seconds of one go. */
  readonly levels: readonly { readonly id: string; readonly name: string; readonly seconds: number }[];
  readonly things: readonly { readonly n: number; readonly name: string }[];
  /** Whether it makes one breathless. */
  readonly runs: boolean;
  /** What others measured with it. */
  readonly others?: OthersMeasured;
}

export interface PlannedGame {
  /** Its own in this plan: a game may be in a week twice. */
  readonly key: string;
  readonly gameId: Uuid;
  readonly levelId: string;
  /** For children to seven years, where it is another. */
  readonly youngerLevelId: string | null;
  /** By child, where it is neither. */
  readonly own: Readonly<Record<string, string>>;
  readonly opensOn: string;
}

export interface Plan {
  /** Under which it is sent: once, however often it is pressed. */
  readonly sentAs: Uuid;
  readonly classId: Uuid;
  readonly dueOn: string;
  readonly title: string;
  readonly games: readonly PlannedGame[];
  readonly warmUp: string;
  readonly diary: string;
  readonly film: string;
  readonly filmAlone: boolean;
  readonly page: string;
  readonly note: string;
  readonly kit: readonly KitThing[];
}

/** The limits of what is sent hold for the plan too. */
export const weekPlanSchema = Joi.object<Plan>({
  sentAs: weekSchema.extract('sentAs'),
  classId: weekSchema.extract('classId'),
  dueOn: weekSchema.extract('dueOn'),
  title: weekSchema.extract('title'),
  games: Joi.array().items(Joi.object().unknown()).min(1).max(MOST_GAMES_OF_A_WEEK).required(),
  warmUp: weekSchema.extract('warmUp'),
  diary: weekSchema.extract('diary'),
  film: weekSchema.extract('film'),
  filmAlone: Joi.boolean(),
  page: weekSchema.extract('page'),
  note: weekSchema.extract('note'),
  kit: weekSchema.extract('kit'),
});

const YOUNGER_TO = 7;
const DUE_AFTER_DAYS = 7;

export function firstPlan(classes: readonly BuilderClass[], today: string): Plan {
  const first = classes.find((one) => one.children.length > 0) ?? classes[0];
  return {
    sentAs: newUuid(),
    classId: first?.id ?? ('' as Uuid),
    dueOn: dayPlus(today, DUE_AFTER_DAYS),
    title: '',
    games: [],
    warmUp: USUAL_WARM_UP,
    diary: USUAL_DIARY,
    film: '',
    filmAlone: false,
    page: '',
    note: '',
    kit: [],
  };
}

/** A plan that was kept on this computer, as far as its class and games are still there; null for none. */
export function keptPlan(text: string | null, classes: readonly BuilderClass[], games: readonly BuilderGame[], today: string): Plan | null {
  let kept: Plan | null;
  try {
    kept = JSON.parse(text ?? 'null') as Plan | null;
  } catch {
    return null;
  }
  if (!kept || !Array.isArray(kept.games) || !classes.some((one) => one.id === kept.classId)) return null;
  return {
    ...kept,
    // A plan of the version before has none.
    sentAs: kept.sentAs ?? newUuid(),
    page: kept.page ?? '',
    dueOn: kept.dueOn < today ? dayPlus(today, DUE_AFTER_DAYS) : kept.dueOn,
    games: kept.games.filter((one) => games.some((game) => game.id === one.gameId)).map((one) => ({ ...one, key: one.key ?? newUuid() })),
  };
}

/** "P4 Dippers: Lantern Quay, Ferry fares" */
export function planWords(plan: Plan, classes: readonly BuilderClass[], games: readonly BuilderGame[]): string {
  const titles = plan.games.flatMap(({ gameId }) => games.find(({ id }) => id === gameId)?.title ?? []);
  return `${classes.find(({ id }) => id === plan.classId)?.name ?? ''}: ${titles.join(', ')}`;
}

/** What a link to the builder asks for. */
export interface AskedPlan {
  readonly classId?: string;
  readonly gameId?: string;
  readonly levelId?: string;
  /** Of a cell of a term's plan: the id under which its week is sent, and the day on which it is due. */
  readonly sentAs?: string;
  readonly dueOn?: string;
}

/** The plan that a link asks for, as far as it names what there is; null for none. */
export function askedPlan(
  { classId, gameId, levelId, sentAs, dueOn }: AskedPlan,
  classes: readonly BuilderClass[],
  games: readonly BuilderGame[],
  today: string,
): Plan | null {
  const of = classes.find((one) => one.id === classId);
  const game = games.find((one) => one.id === gameId);
  if (!of && !game) return null;
  const begun = {
    ...firstPlan(classes, today),
    ...(of && { classId: of.id }),
    ...(sentAs && isUuid(sentAs) && { sentAs }),
    ...(dueOn && isDay(dueOn) && dueOn >= today && { dueOn }),
  };
  if (!game) return begun;
  const plan = withGame(begun, game);
  return game.levels.some(({ id }) => id === levelId) ? withGameChanged(plan, plan.games[0]!.key, { levelId: levelId! }) : plan;
}

export const isEvent = ({ games }: Pick<Plan, 'games'>): boolean => games.length > 1;

/** True where children to seven years and older ones are in one class: levels may differ by age. */
export const isMixed = (of: BuilderClass | undefined): boolean =>
  of !== undefined && of.children.some((child) => child.ageYears <= YOUNGER_TO) && of.children.some((child) => child.ageYears > YOUNGER_TO);

/** What others measured with the first game of which they did. */
export const othersOf = ({ games }: Pick<Plan, 'games'>, known: readonly BuilderGame[]): OthersMeasured | undefined =>
  games.map(({ gameId }) => known.find(({ id }) => id === gameId)?.others).find((others) => others !== undefined);

/** One more game at its first level, with what it needs. */
export function withGame(plan: Plan, game: BuilderGame, key: string = newUuid()): Plan {
  if (plan.games.length >= MOST_GAMES_OF_A_WEEK) return plan;
  const planned: PlannedGame = { key, gameId: game.id, levelId: game.levels[0]!.id, youngerLevelId: null, own: {}, opensOn: '' };
  return { ...plan, games: [...plan.games, planned], kit: withThings(plan.kit, game.things) };
}

/** Another class: what was said of single children of the one before is gone. */
export const withClass = (plan: Plan, classId: Uuid): Plan => ({ ...plan, classId, games: plan.games.map((one) => ({ ...one, own: {} })) });

export const withGameChanged = (plan: Plan, key: string, change: Partial<PlannedGame>): Plan => ({
  ...plan,
  games: plan.games.map((one) => (one.key === key ? { ...one, ...change } : one)),
});

export const withoutGame = (plan: Plan, key: string): Plan => ({ ...plan, games: plan.games.filter((one) => one.key !== key) });

/** Games taken to a place: before or after another. */
export function withGamesMoved(plan: Plan, moved: ReadonlySet<string>, where: 'before' | 'after', other: string): Plan {
  if (moved.has(other)) return plan;
  const taken = plan.games.filter((one) => moved.has(one.key));
  const rest = plan.games.filter((one) => !moved.has(one.key));
  const at = rest.findIndex((one) => one.key === other) + (where === 'after' ? 1 : 0);
  return { ...plan, games: [...rest.slice(0, at), ...taken, ...rest.slice(at)] };
}

/** One place earlier (−1) or later (1). */
export function withGameShifted(plan: Plan, key: string, by: -1 | 1): Plan {
  const at = plan.games.findIndex((one) => one.key === key);
  const other = plan.games[at + by];
  return other ? withGamesMoved(plan, new Set([key]), by < 0 ? 'before' : 'after', other.key) : plan;
}

/** A level of its own for a child; null for the level that is usual for its age. */
export function withOwnLevel(plan: Plan, key: string, childId: string, levelId: string | null): Plan {
  const { [childId]: _gone, ...rest } = plan.games.find((one) => one.key === key)?.own ?? {};
  return withGameChanged(plan, key, { own: levelId === null ? rest : { ...rest, [childId]: levelId } });
}

export const usualLevel = ({ levelId, youngerLevelId }: PlannedGame, ageYears: number): string =>
  ageYears <= YOUNGER_TO ? (youngerLevelId ?? levelId) : levelId;

/** The level that a child of this plan plays: its own, else that of its age. */
export const levelOfChild = (planned: PlannedGame, child: { readonly id: string; readonly ageYears: number }): string =>
  planned.own[child.id] ?? usualLevel(planned, child.ageYears);

/** Each child's own level where what was reported speaks for one; others keep what they have. */
export function withLevelsByEvidence(plan: Plan, of: BuilderClass, known: readonly LevelsOfGameForClass[]): Plan {
  return plan.games.reduce((filled, { key, gameId }) => {
    const levels = known.find((one) => one.gameId === gameId)?.children ?? [];
    return of.children.reduce((sum, child) => {
      const levelId = levels.find(({ childId }) => childId === child.id)?.levelId;
      const planned = sum.games.find((one) => one.key === key)!;
      return levelId === undefined || levelId === null
        ? sum
        : withOwnLevel(sum, key, child.id, levelId === usualLevel(planned, child.ageYears) ? null : levelId);
    }, filled);
  }, plan);
}

/** How long an event takes in its order, at the level of all. */
export function orderOf(plan: Plan, games: readonly BuilderGame[]): ReturnType<typeof eventOrder> {
  return eventOrder(
    plan.games.map(({ gameId, levelId }) => {
      const game = games.find(({ id }) => id === gameId);
      return {
        seconds: game?.levels.find(({ id }) => id === levelId)?.seconds ?? 0,
        things: (game?.things ?? []).reduce((sum, { n }) => sum + n, 0),
        runs: game?.runs ?? false,
      };
    }),
  );
}

/** The kit with the things of one more game: of each thing as many as the game that needs most of it. */
function withThings(kit: readonly KitThing[], things: BuilderGame['things']): readonly KitThing[] {
  return things.reduce<readonly KitThing[]>((sum, { n, name }) => {
    const known = sum.find((one) => one.name === name);
    if (known) return sum.map((one) => (one === known ? { ...one, n: Math.max(one.n, n) } : one));
    return [...sum, { name, n, from: 'home' }];
  }, kit);
}

/** What is sent: levels by child are told only where they are not the level of all; the kit only of an event, or where the school sends some. */
export function bodyOf(plan: Plan, of: BuilderClass | undefined): Omit<WeekBody, 'racks'> {
  const event = isEvent(plan);
  return {
    sentAs: plan.sentAs,
    classId: plan.classId,
    dueOn: plan.dueOn,
    title: event ? plan.title.trim() || 'Games of the week' : '',
    games: plan.games.map((planned) => ({
      gameId: planned.gameId,
      levelId: planned.levelId,
      levels: Object.fromEntries(
        (of?.children ?? []).flatMap((child) => {
          const level = planned.own[child.id] ?? usualLevel(planned, child.ageYears);
          return level === planned.levelId ? [] : [[child.id, level] as const];
        }),
      ),
      opensOn: event && planned.opensOn ? planned.opensOn : null,
    })),
    kit: event || plan.kit.some((thing) => thing.from === 'school') ? plan.kit : [],
    warmUp: plan.warmUp.trim(),
    diary: plan.diary.trim(),
    film: plan.film.trim(),
    filmAlone: plan.filmAlone && plan.film.trim() !== '',
    page: plan.page.trim(),
    note: plan.note.trim(),
  };
}
