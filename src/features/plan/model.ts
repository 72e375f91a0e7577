/** A plan on its screen: what each cell shows, how it is changed, what is sent of it. No interface here. */
import { newUuid, type Uuid } from '@/contract/ids';
import type { KitThing } from '@/contract/assignment';
import type { ParOfCell, SentCell } from '@/contract/term-plan';
import type { WeekBody } from '@/contract/week';
import { bandOf } from '@/core/forecast/depth';
import { dueAfter, lessonIn, weeksOfTerm } from '@/core/plan/calendar';
import { cellAt, classesOfPlan, offersOf, pinId, withCell, type PlanFacts, type PlannedCell, type TermDocument } from '@/core/plan/document';
import type { Cell, PlanOffer } from '@/core/plan/term';
import { EVENT_LEVEL, wishWords, type Wish, type WishKind } from '@/core/plan/wishes';
import type { Skill } from '@/core/sheet/teaching-points';
import { english } from '@/core/words/english';
import { USUAL_DIARY, USUAL_WARM_UP } from '../weeks/usual-week';

export interface CellView {
  readonly classId: string;
  readonly className: string;
  readonly week: number;
  /** The day of the lesson, ISO 8601. */
  readonly on: string;
  /** `gone`: a game that is no longer on the shelf. */
  readonly kind: 'land' | 'empty' | 'free' | 'planned' | 'gone';
  /** Of land: the name of the holiday; empty outside the term. */
  readonly land: string;
  readonly offer: PlanOffer | null;
  readonly level: { readonly id: string; readonly name: string } | null;
  readonly skill: Skill | null;
  readonly chance: number | null;
  readonly band: 1 | 2 | 3 | 4 | 5 | null;
  readonly minutes: number | null;
  readonly par: string | null;
  readonly pinned: boolean;
  /** The id of its cell, under which it is sent; null for nothing yet. */
  readonly sentAs: string | null;
  readonly sent: SentCell | null;
  readonly isPast: boolean;
}

export interface PlanOnScreen {
  readonly document: TermDocument;
  readonly facts: PlanFacts;
  readonly sent: readonly SentCell[];
  readonly pars: readonly ParOfCell[];
  readonly today: string;
}

export interface ClassLine {
  readonly id: string;
  readonly name: string;
  readonly children: number;
  readonly cells: readonly CellView[];
}

/** The lines of a plan, classes in their order, each with a cell for every week. */
export function linesOf({ document, facts, sent, pars, today }: PlanOnScreen): ClassLine[] {
  const mondays = weeksOfTerm(document);
  const offers = offersOf(document, facts.offers);
  return classesOfPlan(document, facts).map(({ id, name, children, weekday }) => ({
    id,
    name,
    children,
    cells: mondays.map((monday, week): CellView => {
      const { on, off } = lessonIn(document, monday, weekday);
      const planned = cellAt(document, id, week);
      const offer = offers.find((one) => one.id === planned?.offerId) ?? null;
      const level = offer?.levels.find((one) => one.id === planned?.levelId) ?? null;
      const index = facts.offers.findIndex((one) => one.id === offer?.id);
      const expected = level && offer ? (facts.expected[id]?.[index]?.[offer.levels.indexOf(level)] ?? null) : null;
      const par = pars.find((one) => one.classId === id && one.week === week);
      const kind = planned ? (planned.offerId === null ? 'free' : offer && level ? 'planned' : 'gone') : off === null ? 'empty' : 'land';
      return {
        classId: id,
        className: name,
        week,
        on,
        kind,
        land: off ?? '',
        offer,
        level,
        skill: offer?.skills[0] ?? null,
        chance: expected?.chance ?? null,
        band: expected?.chance == null ? null : bandOf(expected.chance),
        minutes: expected?.minutes ?? null,
        par: kind === 'planned' && par ? `${par.par} ${par.unit}` : null,
        pinned: planned?.pinned ?? false,
        sentAs: planned?.sentAs ?? null,
        sent: sent.find(({ sentAs, takenBack }) => sentAs === planned?.sentAs && !takenBack) ?? null,
        isPast: dueAfter(on) < today,
      };
    }),
  }));
}

/** What is as it is: sent, or over. */
export const isFixed = ({ sent, isPast }: Pick<CellView, 'sent' | 'isPast'>): boolean => sent !== null || isPast;

export const mayChangeCell = (cell: CellView): boolean => !isFixed(cell) && cell.kind !== 'land';

const planned = (cell: Cell | null, pinned: boolean): PlannedCell => ({
  sentAs: newUuid(),
  offerId: cell?.offerId ?? null,
  levelId: cell?.levelId ?? null,
  pinned,
});

/** A game put into a cell by hand stays there: it is pinned. Null keeps the week free. */
export const withChosen = (document: TermDocument, { classId, week }: Pick<CellView, 'classId' | 'week'>, cell: Cell | null): TermDocument =>
  withCell(document, classId, week, planned(cell, true));

export const withPinned = (document: TermDocument, { classId, week }: Pick<CellView, 'classId' | 'week'>, pinned: boolean): TermDocument => {
  const cell = cellAt(document, classId, week);
  return cell ? withCell(document, classId, week, { ...cell, pinned }) : document;
};

/** One level easier (−1) or harder (1), where there is one. */
export function withLevelBy(document: TermDocument, { classId, week, offer, level }: CellView, by: -1 | 1): TermDocument {
  const other = offer && level ? offer.levels[offer.levels.indexOf(level) + by] : undefined;
  return other ? withChosen(document, { classId, week }, { offerId: offer!.id, levelId: other.id }) : document;
}

/** Two cells change places; of different classes too. */
export function withSwapped(document: TermDocument, one: CellView, other: CellView): TermDocument {
  if (!mayChangeCell(one) || !mayChangeCell(other)) return document;
  const [a, b] = [cellAt(document, one.classId, one.week), cellAt(document, other.classId, other.week)];
  return withCell(withCell(document, one.classId, one.week, b && { ...b, pinned: true }), other.classId, other.week, a && { ...a, pinned: true });
}

/** Cells whose week was taken back get ids of their own: what is sent again is another week. The same document where there are none. */
export function withFreshIds(document: TermDocument, sent: readonly SentCell[]): TermDocument {
  const gone = new Set<string>(sent.flatMap(({ sentAs, takenBack }) => (takenBack ? [sentAs] : [])));
  const isGone = (cell: PlannedCell | null) => cell !== null && gone.has(cell.sentAs);
  if (!Object.values(document.cells).some((line) => line.some(isGone))) return document;
  return {
    ...document,
    cells: Object.fromEntries(
      Object.entries(document.cells).map(([classId, line]) => [classId, line.map((cell) => (isGone(cell) ? { ...cell!, sentAs: newUuid() } : cell))]),
    ),
  };
}

export interface Undoable<T> {
  readonly past: readonly T[];
  readonly now: T;
  readonly future: readonly T[];
}

const MOST_STEPS = 100;

export const noSteps = <T>(now: T): Undoable<T> => ({ past: [], now, future: [] });
export const withStep = <T>({ past, now }: Undoable<T>, next: T): Undoable<T> => ({ past: [...past, now].slice(-MOST_STEPS), now: next, future: [] });
export const stepBack = <T>(of: Undoable<T>): Undoable<T> =>
  of.past.length === 0 ? of : { past: of.past.slice(0, -1), now: of.past.at(-1)!, future: [of.now, ...of.future] };
export const stepForward = <T>(of: Undoable<T>): Undoable<T> =>
  of.future.length === 0 ? of : { past: [...of.past, of.now], now: of.future[0]!, future: of.future.slice(1) };

/** A new sentence, to be filled. */
export function newWish(kind: WishKind, { document, facts }: Pick<PlanOnScreen, 'document' | 'facts'>): Wish | null {
  const id = newUuid();
  const thing = [...new Set(facts.offers.flatMap(({ things }) => things))].sort()[0];
  // What is in the cupboard and not asked for yet.
  const lent = Object.entries(facts.cupboard).find(([name]) => !document.wishes.some((wish) => wish.kind === 'cupboard' && wish.thing === name));
  switch (kind) {
    case 'weeks':
      return { id, kind, skill: 'underarm', least: 2, most: null };
    case 'order':
      return { id, kind, first: 'underarm', then: 'roll' };
    case 'often':
      return { id, kind, most: 3 };
    case 'twice':
      return { id, kind, within: 3 };
    case 'run':
      return { id, kind, most: 3 };
    case 'minutes':
      return { id, kind, most: 12 };
    case 'floor':
      return { id, kind, metres: 3 };
    case 'without':
      return thing === undefined ? null : { id, kind, thing };
    case 'cupboard':
      return lent !== undefined ? { id, kind, thing: lent[0], there: lent[1] } : thing === undefined ? null : { id, kind, thing, there: 30 };
    case 'event': {
      const [event] = document.events;
      return event ? { id, kind, eventId: event.id, week: weeksOfTerm(document).length - 1 } : null;
    }
    case 'played':
      return { id, kind };
  }
}

/** Something that must be, in words: a wish, a day without a lesson, a cell that is pinned. */
export function mustWords(id: string, { document, facts }: Pick<PlanOnScreen, 'document' | 'facts'>): string {
  const className = (classId: string) => facts.classes.find((one) => one.id === classId)?.name ?? 'a class';
  const wish = document.wishes.find((one) => one.id === id);
  if (wish)
    return wishWords(wish, { className, eventTitle: (eventId) => document.events.find((event) => event.id === eventId)?.title ?? 'An event' });
  const mondays = weeksOfTerm(document);
  for (const { classId } of document.classes)
    for (const [week] of mondays.entries())
      if (pinId(classId, week) === id) {
        const offerId = cellAt(document, classId, week)?.offerId;
        const title = offersOf(document, facts.offers).find((offer) => offer.id === offerId)?.title;
        return `${title ?? 'Nothing'} in week ${week + 1} of ${className(classId)}`;
      }
  return 'Days without a lesson';
}

/** The game of a cell, or of an event its games. */
function gamesIn({ document }: Pick<PlanOnScreen, 'document'>, { offer, level }: CellView): WeekBody['games'] {
  if (!offer || !level) return [];
  if (level.id === EVENT_LEVEL)
    return (document.events.find(({ id }) => id === offer.id)?.games ?? []).map((game) => ({ ...game, gameId: game.gameId as Uuid }));
  return [{ gameId: offer.id as Uuid, levelId: level.id }];
}

/** What each home has to find, and what the school sends. */
function kitOf({ document }: Pick<PlanOnScreen, 'document'>, { offer }: CellView): readonly KitThing[] {
  const lent = new Set(document.wishes.flatMap((wish) => (wish.kind === 'cupboard' ? [wish.thing] : [])));
  return (offer?.things ?? []).map((name) => {
    const n = offer!.lends[name] ?? 1;
    return { name: english.noun(name, n), n, from: lent.has(name) ? 'school' : 'home' };
  });
}

/** A cell as a week to send, everything filled; null where there is nothing to send. It is due the day before the next lesson. */
export function weekToSend(screen: Pick<PlanOnScreen, 'document'>, cell: CellView): WeekBody | null {
  const sentAs = cellAt(screen.document, cell.classId, cell.week)?.sentAs;
  const games = gamesIn(screen, cell);
  if (!sentAs || games.length === 0 || cell.kind !== 'planned') return null;
  const isEvent = games.length > 1;
  const kit = kitOf(screen, cell);
  return {
    sentAs: sentAs as Uuid,
    classId: cell.classId as Uuid,
    games,
    title: isEvent ? cell.offer!.title : '',
    kit: isEvent || kit.some(({ from }) => from === 'school') ? kit : [],
    dueOn: dueAfter(cell.on),
    warmUp: USUAL_WARM_UP,
    diary: USUAL_DIARY,
    film: '',
    note: '',
    racks: {},
  };
}

/** "Harbour lamps, Lamplighter" */
export const titleOf = ({ offer, level, kind }: Pick<CellView, 'offer' | 'level' | 'kind'>): string => {
  if (kind === 'planned') return `${offer!.title}, ${level!.name}`;
  return kind === 'free' ? 'kept free' : kind === 'gone' ? 'a game that is no longer on the shelf' : 'nothing yet';
};

/** What a screen reader hears of a cell before and after what is seen in it. */
export const cellWords = (
  { className, week, on, chance, pinned, sent }: CellView,
  dayWords: (day: string) => string,
): readonly [before: string, after: string] => [
  `${className}, week ${week + 1}, ${dayWords(on)}:`,
  [chance === null ? null : `about ${Math.round(10 * chance)} in 10`, pinned && 'pinned', sent && 'sent'].filter(Boolean).join(', '),
];
