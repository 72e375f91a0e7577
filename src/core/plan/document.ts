/** A term's plan as it is kept: dates, classes, wishes, cells. What is solved is made from it and from what is known of the school. */
import { lessonIn, weeksOfTerm, type TermDates } from './calendar';
import { isSameCell, WEIGHTS, type Cell, type Expected, type Must, type PlanOffer, type Term, type TermPlan, type Weights } from './term';
import { EVENT_LEVEL, mustsOf, wantedLine, weighed, type Hardness, type Importance, type Wish } from './wishes';

export interface PlannedClass {
  readonly classId: string;
  /** The day of its lesson: 1 for Monday. */
  readonly weekday: number;
}

export interface PlannedCell {
  /** Under which its week is sent: once, however often it is pressed. */
  readonly sentAs: string;
  /** Null where a week is kept free. */
  readonly offerId: string | null;
  readonly levelId: string | null;
  readonly pinned: boolean;
}

export interface PlannedEvent {
  readonly id: string;
  readonly title: string;
  readonly games: readonly { readonly gameId: string; readonly levelId: string }[];
}

export interface TermDocument extends TermDates {
  readonly name: string;
  readonly classes: readonly PlannedClass[];
  /** How hard its first week should be, and its last. */
  readonly from: Hardness;
  readonly to: Hardness;
  readonly importance: Readonly<Record<keyof Weights, Importance>>;
  readonly wishes: readonly Wish[];
  readonly events: readonly PlannedEvent[];
  /** By class, then by week; null for nothing yet. */
  readonly cells: Readonly<Record<string, readonly (PlannedCell | null)[]>>;
}

/** What is known of the school: its games as offers, and what each class may be expected to do at each of their levels. */
export interface PlanFacts {
  /** `tries`: of its own, on which its chances rest; 0 where its age is asked. */
  readonly classes: readonly {
    readonly id: string;
    readonly name: string;
    readonly ageYears: number;
    readonly children: number;
    readonly tries: number;
    /** How its newest week fitted of which enough is known, in words: "71 of 92 tries hit in week 6 (Wade)". */
    readonly lately?: string;
  }[];
  readonly offers: readonly PlanOffer[];
  /** By class; then by offer and level. */
  readonly expected: Readonly<Record<string, readonly (readonly Expected[])[]>>;
  /** What the school lends: how many of what. */
  readonly cupboard: Readonly<Record<string, number>>;
  /** Games that a class has had this school year, outside this plan. */
  readonly played: Readonly<Record<string, readonly string[]>>;
}

export const cellAt = ({ cells }: Pick<TermDocument, 'cells'>, classId: string, week: number): PlannedCell | null => cells[classId]?.[week] ?? null;

/** The classes of a plan that are still there. */
export const classesOfPlan = ({ classes }: Pick<TermDocument, 'classes'>, facts: PlanFacts) =>
  classes.flatMap((planned) => {
    const known = facts.classes.find(({ id }) => id === planned.classId);
    return known ? [{ ...known, weekday: planned.weekday }] : [];
  });

const union = <T>(lists: readonly (readonly T[])[]): T[] => [...new Set(lists.flat())];

/** An event as something that can stand in a week: all of its games at once. Null where none of them is there any more. */
function eventOffer({ id, title, games }: PlannedEvent, offers: readonly PlanOffer[]): PlanOffer | null {
  const of = games.flatMap(({ gameId }) => offers.find((offer) => offer.id === gameId) ?? []);
  if (of.length === 0) return null;
  const lends: Record<string, number> = {};
  // Stations are gone round one after the other: of each thing as many as the game that needs most of it.
  for (const offer of of) for (const [thing, n] of Object.entries(offer.lends)) lends[thing] = Math.max(lends[thing] ?? 0, n);
  return {
    id,
    title,
    kind: 'event',
    skills: union(of.map(({ skills }) => skills)),
    way: 'event',
    levels: [{ id: EVENT_LEVEL, name: `${games.length} games` }],
    things: union(of.map(({ things }) => things)),
    lends,
    floorM: Math.max(...of.map(({ floorM }) => floorM)),
  };
}

/** The games, and the events that have some of them. */
export const offersOf = ({ events }: Pick<TermDocument, 'events'>, games: readonly PlanOffer[]): readonly PlanOffer[] => [
  ...games,
  ...events.flatMap((event) => eventOffer(event, games) ?? []),
];

/** Of all games of an event: the mean chance of those that aim, the minutes together. */
function expectedOfEvent({ games }: PlannedEvent, { offers, expected }: PlanFacts, classId: string): Expected {
  const of = games.flatMap(({ gameId, levelId }) => {
    const offer = offers.findIndex(({ id }) => id === gameId);
    const level = offers[offer]?.levels.findIndex(({ id }) => id === levelId) ?? -1;
    return expected[classId]?.[offer]?.[level] ?? [];
  });
  const chances = of.flatMap(({ chance }) => chance ?? []);
  return {
    chance: chances.length > 0 ? chances.reduce((sum, chance) => sum + chance, 0) / chances.length : null,
    minutes: of.reduce((sum, { minutes }) => sum + minutes, 0),
  };
}

/** Musts that are no wishes: days without a lesson, and what is pinned. */
const OFF = 'off';
export const pinId = (classId: string, week: number): string => `pin ${classId} ${week}`;

/**
 * What is solved. `isFixed` says of a cell that it is as it is: sent, or of a week that is over. Cells of games that are no longer on the shelf are
 * kept out: where they are fixed the week is, else something else is found for it.
 */
export function termToSolve(document: TermDocument, facts: PlanFacts, isFixed: (classId: string, week: number) => boolean): Term {
  const classes = classesOfPlan(document, facts);
  const mondays = weeksOfTerm(document);
  const events = document.events.flatMap((event) => {
    const offer = eventOffer(event, facts.offers);
    return offer ? [{ event, offer }] : [];
  });
  const offers = [...facts.offers, ...events.map(({ offer }) => offer)];
  const known = (cell: PlannedCell | null): Cell | null =>
    cell?.offerId && cell.levelId && offers.some(({ id, levels }) => id === cell.offerId && levels.some((level) => level.id === cell.levelId))
      ? { offerId: cell.offerId, levelId: cell.levelId }
      : null;
  const cellOf = (classId: string, week: number) => known(cellAt(document, classId, week));
  const musts: Must[] = document.wishes
    .filter((wish) => wish.kind !== 'event' || events.some(({ event }) => event.id === wish.eventId))
    .flatMap((wish) => mustsOf(wish, facts.offers, facts.played));
  for (const { id, weekday } of classes)
    for (const [week, monday] of mondays.entries()) {
      const cell = cellAt(document, id, week);
      const off = lessonIn(document, monday, weekday).off !== null;
      if (isFixed(id, week) || (cell?.pinned && !off))
        musts.push({ id: pinId(id, week), classIds: [id], kind: 'pinned', week, cell: cellOf(id, week) });
      else if (off) musts.push({ id: OFF, classIds: [id], kind: 'pinned', week, cell: null });
    }
  // What is pinned twice is pinned by the teacher’s own hand: the wish for an event gives way where the cell is something else.
  const isPinned = new Set(
    musts.flatMap((must) => (must.kind === 'pinned' && must.classIds?.length === 1 ? [`${must.classIds[0]} ${must.week}`] : [])),
  );
  const settled = musts.flatMap((must): Must[] => {
    if (must.kind !== 'pinned' || must.id === OFF || must.id.startsWith('pin ')) return [must];
    const classIds = (must.classIds ?? classes.map(({ id }) => id)).filter((id) => !isPinned.has(`${id} ${must.week}`));
    return classIds.length > 0 ? [{ ...must, classIds }] : [];
  });
  const line = wantedLine(document.from, document.to, mondays.length);
  const accepted = classes.map(({ id }) => mondays.map((_, week) => cellOf(id, week)));
  return {
    classes: classes.map(({ id, name, children }) => ({ id, name, borrowers: children })),
    weeks: mondays.map(() => ({ holiday: false })),
    offers,
    expected: classes.map(({ id }) => [...facts.expected[id]!, ...events.map(({ event }) => [expectedOfEvent(event, facts, id)])]),
    wanted: classes.map(() => line),
    musts: settled,
    weights: weighed(WEIGHTS, document.importance),
    ...(accepted.some((cells) => cells.some((cell) => cell !== null)) && { accepted }),
  };
}

export interface CellChange {
  readonly classId: string;
  readonly week: number;
  readonly from: Cell | null;
  readonly to: Cell | null;
}

/** What another plan has otherwise. */
export function changesTo(term: Term, before: TermPlan, after: TermPlan): CellChange[] {
  return term.classes.flatMap(({ id }, classIndex) =>
    term.weeks.flatMap((_, week) => {
      const [from, to] = [before[classIndex]![week] ?? null, after[classIndex]![week] ?? null];
      return isSameCell(from, to) ? [] : [{ classId: id, week, from, to }];
    }),
  );
}

/** The plan that a document holds, as far as it can be solved. */
export const planOf = (document: TermDocument, term: Term): TermPlan =>
  term.classes.map(({ id }) =>
    term.weeks.map((_, week) => {
      const cell = cellAt(document, id, week);
      return cell?.offerId && cell.levelId ? { offerId: cell.offerId, levelId: cell.levelId } : null;
    }),
  );

/** The same without cells of games that are not offered. */
export const knownPlan = (document: TermDocument, term: Term): TermPlan =>
  planOf(document, term).map((line) =>
    line.map((cell) =>
      cell && term.offers.some(({ id, levels }) => id === cell.offerId && levels.some((level) => level.id === cell.levelId)) ? cell : null,
    ),
  );

/** The document with a cell put somewhere; null takes it away. */
export function withCell(document: TermDocument, classId: string, week: number, cell: PlannedCell | null): TermDocument {
  const n = weeksOfTerm(document).length;
  const line = Array.from({ length: Math.max(n, document.cells[classId]?.length ?? 0) }, (_, at) =>
    at === week ? cell : cellAt(document, classId, at),
  );
  return { ...document, cells: { ...document.cells, [classId]: line } };
}

/** The document with changes taken over; each new cell gets an id of its own by `newId`. */
export const withChanges = (document: TermDocument, changes: readonly CellChange[], newId: () => string): TermDocument =>
  changes.reduce(
    (sum, { classId, week, to }) => withCell(sum, classId, week, to && { sentAs: newId(), offerId: to.offerId, levelId: to.levelId, pinned: false }),
    document,
  );

/** The same term another year: other dates, other classes for those that were, everything under ids of its own. */
export function copiedTo(
  document: TermDocument,
  {
    name,
    startsOn,
    endsOn,
    classFor,
  }: { readonly name: string; readonly startsOn: string; readonly endsOn: string; readonly classFor: (classId: string) => string | null },
  newId: () => string,
): TermDocument {
  const classes = document.classes.flatMap(({ classId, weekday }) => {
    const to = classFor(classId);
    return to ? [{ classId: to, weekday, was: classId }] : [];
  });
  const n = weeksOfTerm({ startsOn, endsOn }).length;
  const moved = (ids: readonly string[] | undefined) => ids?.flatMap((id) => classFor(id) ?? []);
  return {
    ...document,
    name,
    startsOn,
    endsOn,
    holidays: [],
    classes: classes.map(({ classId, weekday }) => ({ classId, weekday })),
    wishes: document.wishes
      .filter((wish) => wish.kind !== 'event' || wish.week < n)
      .flatMap((wish) => {
        const classIds = moved(wish.classIds);
        return classIds === undefined ? [wish] : classIds.length > 0 ? [{ ...wish, classIds }] : [];
      }),
    cells: Object.fromEntries(
      classes.map(({ classId, was }) => [
        classId,
        Array.from({ length: n }, (_, week) => {
          const cell = cellAt(document, was, week);
          return cell && { ...cell, sentAs: newId() };
        }),
      ]),
    ),
  };
}
