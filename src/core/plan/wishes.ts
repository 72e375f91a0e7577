/** What a teacher asks of a term, in sentences with slots; what a plan must keep because of them. */
import { SKILL_NAMES, type Skill } from '../sheet/teaching-points';
import type { Must, PlanOffer, Weights } from './term';

/** What is asked in a plan's own terms. */
type AskedAsIs = Extract<Must, { readonly kind: 'order' | 'often' | 'twice' | 'run' | 'minutes' | 'floor' }>;

/** A sentence; without `classIds` it is meant for every class. */
export type Wish = { readonly id: string; readonly classIds?: readonly string[] } & (
  | { readonly kind: 'weeks'; readonly skill: Skill; readonly least: number; readonly most: number | null }
  | AskedAsIs
  | { readonly kind: 'without'; readonly thing: string }
  | { readonly kind: 'cupboard'; readonly thing: string; readonly there: number }
  | { readonly kind: 'event'; readonly eventId: string; readonly week: number }
  | { readonly kind: 'played' }
);

export type WishKind = Wish['kind'];

/** What is asked of a term before a teacher says otherwise. */
export const USUAL_WISHES: readonly Wish[] = [
  { id: 'twice', kind: 'twice', within: 3 },
  { id: 'often', kind: 'often', most: 3 },
  { id: 'run', kind: 'run', most: 3 },
  { id: 'minutes', kind: 'minutes', most: 12 },
];

export const HARDNESS = ['easy', 'right', 'hard'] as const;
export type Hardness = (typeof HARDNESS)[number];

/** The chance of a try that such a week should have. Assumed: a level is right between a third and two thirds. */
const CHANCE_OF: Readonly<Record<Hardness, number>> = { easy: 0.65, right: 0.5, hard: 0.35 };

/** The wanted chance of each week, on a straight line from the first to the last. */
export const wantedLine = (from: Hardness, to: Hardness, weeks: number): number[] =>
  Array.from({ length: weeks }, (_, week) => CHANCE_OF[from] + ((CHANCE_OF[to] - CHANCE_OF[from]) * week) / Math.max(1, weeks - 1));

export const IMPORTANCE = ['none', 'less', 'usual', 'more'] as const;
export type Importance = (typeof IMPORTANCE)[number];
const FACTOR: Readonly<Record<Importance, number>> = { none: 0, less: 0.5, usual: 1, more: 2 };

export const weighed = (usual: Weights, by: Readonly<Record<keyof Weights, Importance>>): Weights => ({
  hardness: usual.hardness * FACTOR[by.hardness],
  movements: usual.movements * FACTOR[by.movements],
  variety: usual.variety * FACTOR[by.variety],
  things: usual.things * FACTOR[by.things],
  changes: usual.changes * FACTOR[by.changes],
});

export const EVENT_LEVEL = 'event';

/** The musts of a wish; several where it bars several games. `played`: the games that each class has had this school year. */
export function mustsOf(wish: Wish, offers: readonly PlanOffer[], played: Readonly<Record<string, readonly string[]>>): Must[] {
  const of = { id: wish.id, ...(wish.classIds && { classIds: wish.classIds }) };
  switch (wish.kind) {
    case 'weeks':
      return [{ ...of, kind: 'skill-weeks', skill: wish.skill, least: wish.least, most: wish.most }];
    case 'order':
    case 'often':
    case 'twice':
    case 'run':
    case 'minutes':
    case 'floor':
      return [wish];
    case 'without':
      return offers.filter(({ things }) => things.includes(wish.thing)).map(({ id }) => ({ ...of, kind: 'never', offerId: id, why: 'unwanted' }));
    case 'cupboard':
      return [{ id: wish.id, kind: 'cupboard', thing: wish.thing, there: wish.there }];
    case 'event':
      return [{ ...of, kind: 'pinned', week: wish.week, cell: { offerId: wish.eventId, levelId: EVENT_LEVEL } }];
    case 'played':
      return Object.entries(played)
        .filter(([classId]) => wish.classIds === undefined || wish.classIds.includes(classId))
        .flatMap(([classId, gameIds]) =>
          gameIds.map((offerId): Must => ({ id: wish.id, classIds: [classId], kind: 'never', offerId, why: 'played' })),
        );
  }
}

export interface NamesOfWish {
  readonly className: (id: string) => string;
  readonly eventTitle: (id: string) => string;
}

const times = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);
const weeks = (n: number) => `${n} ${n === 1 ? 'week' : 'weeks'}`;

/** The sentence of a wish, as it is told where it cannot be had. */
export function wishWords(wish: Wish, { className, eventTitle }: NamesOfWish): string {
  const whom = wish.classIds ? `, for ${wish.classIds.map(className).join(' and ')}` : '';
  return `${sentence(wish, eventTitle)}${whom}`;
}

function sentence(wish: Wish, eventTitle: NamesOfWish['eventTitle']): string {
  switch (wish.kind) {
    case 'weeks': {
      const { least, most, skill } = wish;
      const name = SKILL_NAMES[skill];
      if (most === null) return `At least ${weeks(least)} of ${name}`;
      return least === 0 ? (most === 0 ? `No ${name}` : `At most ${weeks(most)} of ${name}`) : `${least} to ${weeks(most)} of ${name}`;
    }
    case 'order':
      return `${SKILL_NAMES[wish.then]} not before ${SKILL_NAMES[wish.first]}`;
    case 'often':
      return `A game at most ${times(wish.most)}`;
    case 'twice':
      return `Each game again within ${weeks(wish.within - 1)}`;
    case 'run':
      return `The same movement at most ${weeks(wish.most)} running`;
    case 'minutes':
      return `A go takes at most ${wish.most} minutes`;
    case 'floor':
      return `At most ${wish.metres} m of clear floor`;
    case 'without':
      return `Nothing that needs a ${wish.thing}`;
    case 'cupboard':
      return `Of ${wish.thing} the school lends ${wish.there} at a time`;
    case 'event':
      return `${eventTitle(wish.eventId)} in week ${wish.week + 1}`;
    case 'played':
      return 'Nothing that was played this school year';
  }
}
