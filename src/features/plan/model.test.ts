import { describe, expect, it } from 'vitest';
import { newUuid } from '@/contract/ids';
import type { SentCell } from '@/contract/term-plan';
import { weekSchema } from '@/contract/week';
import { WEIGHTS, type PlanOffer } from '@/core/plan/term';
import { brokenBy } from '@/core/plan/broken';
import { changesTo, knownPlan, planOf, termToSolve, withCell, withChanges, type PlanFacts, type TermDocument } from '@/core/plan/document';
import { EVENT_LEVEL, USUAL_WISHES } from '@/core/plan/wishes';
import {
  noSteps,
  cellWords,
  isFixed,
  linesOf,
  mayChangeCell,
  mustWords,
  newWish,
  stepForward,
  withStep,
  stepBack,
  weekToSend,
  withChosen,
  withFreshIds,
  withLevelBy,
  withPinned,
  withSwapped,
} from './model';

const [P2, P4] = [newUuid(), newUuid()];
const offer = (title: string, skill: PlanOffer['skills'][number], things: readonly string[] = ['sock ball']): PlanOffer => ({
  id: newUuid(),
  title,
  kind: 'game',
  skills: [skill],
  way: 'so many tries',
  levels: ['Paddle', 'Wade', 'Swim'].map((name, index) => ({ id: `level-${index + 1}`, name })),
  things,
  lends: Object.fromEntries(things.map((thing) => [thing, 2])),
  floorM: 2,
});
const [kelp, pins] = [offer('Kelp Kettle', 'underarm'), offer('Loch Frames', 'roll', ['soft ball', 'bottle'])];
const event = { id: newUuid(), title: 'Loch day', games: [kelp, pins].map(({ id }) => ({ gameId: id, levelId: 'level-1' })) };

const facts: PlanFacts = {
  classes: [
    { id: P2, name: 'P2', ageYears: 6, children: 20, tries: 0 },
    { id: P4, name: 'P4', ageYears: 8, children: 25, tries: 120 },
  ],
  offers: [kelp, pins],
  expected: Object.fromEntries([P2, P4].map((id) => [id, [kelp, pins].map(() => [0.7, 0.5, 0.1].map((chance) => ({ chance, minutes: 3 })))])),
  cupboard: {},
  played: {},
};
/** Monday 5 October 2026 to Friday 6 November, the third week off; P2 on Mondays, P4 on Thursdays. */
const empty: TermDocument = {
  name: 'Autumn',
  startsOn: '2026-10-05',
  endsOn: '2026-11-06',
  holidays: [{ from: '2026-10-19', to: '2026-10-21', name: 'Harvest' }],
  classes: [
    { classId: P2, weekday: 1 },
    { classId: P4, weekday: 4 },
  ],
  from: 'easy',
  to: 'right',
  importance: { hardness: 'usual', movements: 'usual', variety: 'usual', things: 'usual', changes: 'usual' },
  wishes: USUAL_WISHES,
  events: [event],
  cells: {},
};
const screen = (document: TermDocument, sent: readonly SentCell[] = [], today = '2026-10-06') => ({ document, facts, sent, pars: [], today });
const cell = (document: TermDocument, line: number, week: number, sent: readonly SentCell[] = [], today?: string) =>
  linesOf(screen(document, sent, today))[line]!.cells[week]!;
const at = (classId: string, week: number) => ({ classId, week });
const put = (document: TermDocument, classId: string, week: number, of: PlanOffer = kelp, levelId = 'level-2') =>
  withChosen(document, at(classId, week), { offerId: of.id, levelId });

describe('a plan on its screen', () => {
  it('has a cell for each lesson; a holiday is land for whose day it is, and no other', () => {
    const lines = linesOf(screen(empty));
    expect(lines.map(({ name, cells }) => [name, cells.length])).toEqual([
      ['P2', 5],
      ['P4', 5],
    ]);
    expect(cell(empty, 0, 2)).toMatchObject({ kind: 'land', land: 'Harvest', on: '2026-10-19' });
    expect(cell(empty, 1, 2)).toMatchObject({ kind: 'empty', on: '2026-10-22' });
  });

  it('is deeper where fewer succeed', () => {
    const document = put(put(empty, P2, 0, kelp, 'level-1'), P2, 1, kelp, 'level-3');
    expect([cell(document, 0, 0).band, cell(document, 0, 1).band]).toEqual([2, 5]);
    expect(cellWords(cell(document, 0, 1), (day) => day)).toEqual(['P2, week 2, 2026-10-12:', 'about 1 in 10, pinned']);
  });

  it('what was sent, or is over, stays as it is', () => {
    const document = put(put(empty, P2, 0), P2, 1);
    const { sentAs } = document.cells[P2]![1]!;
    const sent = [{ sentAs, weekId: newUuid(), number: 1, dueOn: '2026-10-18', takenBack: false } as unknown as SentCell];
    expect(isFixed(cell(document, 0, 1, sent))).toBe(true);
    expect(isFixed(cell(document, 0, 1))).toBe(false);
    expect(isFixed(cell(document, 0, 0, [], '2026-10-12'))).toBe(true);
    expect(mayChangeCell(cell(document, 0, 2))).toBe(false);
    expect(withSwapped(document, cell(document, 0, 1, sent), cell(document, 1, 1))).toBe(document);
    const term = termToSolve(document, facts, (classId, week) => classId === P2 && week === 1);
    expect(term.musts.filter(({ kind }) => kind === 'pinned').map((must) => must.id)).toContain(`pin ${P2} 1`);
  });

  it('what was taken back may be sent again, as another week', () => {
    const document = put(empty, P2, 1);
    const { sentAs } = document.cells[P2]![1]!;
    const takenBack = [{ sentAs, weekId: newUuid(), number: 1, dueOn: '2026-10-18', takenBack: true } as unknown as SentCell];
    expect(isFixed(cell(document, 0, 1, takenBack))).toBe(false);
    const fresh = withFreshIds(document, takenBack);
    expect(fresh.cells[P2]![1]).toMatchObject({ offerId: kelp.id, pinned: true });
    expect(fresh.cells[P2]![1]!.sentAs).not.toBe(sentAs);
    expect(withFreshIds(document, [])).toBe(document);
  });

  it('two cells change places, of different classes too, and stay where they were put; a copy is sent as one of its own', () => {
    const document = put(empty, P2, 0);
    const swapped = withSwapped(document, cell(document, 0, 0), cell(document, 1, 1));
    expect(swapped.cells[P2]![0]).toBeNull();
    expect(swapped.cells[P4]![1]).toEqual({ ...document.cells[P2]![0], pinned: true });
    const copied = put(document, P4, 0);
    expect(copied.cells[P4]![0]!.sentAs).not.toBe(document.cells[P2]![0]!.sentAs);
  });

  it('is made easier and harder by a level as far as there is one, pinned and let go, stepBack and done again', () => {
    const document = put(empty, P2, 0);
    expect(cell(withLevelBy(document, cell(document, 0, 0), -1), 0, 0).level!.name).toBe('Paddle');
    const hardest = withLevelBy(document, cell(document, 0, 0), 1);
    expect(withLevelBy(hardest, cell(hardest, 0, 0), 1)).toBe(hardest);
    expect(cell(withPinned(document, at(P2, 0), false), 0, 0).pinned).toBe(false);
    const steps = withStep(withStep(noSteps(empty), document), hardest);
    expect([stepBack(steps).now, stepForward(stepBack(steps)).now, stepBack(stepBack(stepBack(steps))).now]).toEqual([document, hardest, empty]);
  });

  it('becomes weeks to send with everything filled: due the day before the next lesson, an event with its games and things', () => {
    const document = put({ ...empty, wishes: [...empty.wishes, { id: 'lent', kind: 'cupboard', thing: 'bottle', there: 60 }] }, P4, 1, pins);
    const week = weekToSend(screen(document), cell(document, 1, 1))!;
    expect(weekSchema.validate(week).error).toBeUndefined();
    expect(week).toMatchObject({
      sentAs: document.cells[P4]![1]!.sentAs,
      dueOn: '2026-10-21',
      title: '',
      games: [{ gameId: pins.id, levelId: 'level-2' }],
    });
    expect(week.kit).toEqual([
      { name: 'soft balls', n: 2, from: 'home' },
      { name: 'bottles', n: 2, from: 'school' },
    ]);
    const day = withChosen(empty, at(P2, 0), { offerId: event.id, levelId: EVENT_LEVEL });
    const sent = weekToSend(screen(day), cell(day, 0, 0))!;
    expect(weekSchema.validate(sent).error).toBeUndefined();
    expect(sent).toMatchObject({ title: 'Loch day', games: event.games });
    expect(weekToSend(screen(empty), cell(empty, 0, 0))).toBeNull();
  });
});

describe('what is solved', () => {
  it('has the wishes of each class, days off as free weeks, pins before wishes for events, games that are gone left out', () => {
    const wishes = [...USUAL_WISHES, { id: 'day', kind: 'event' as const, eventId: event.id, week: 1 }];
    const gone = { sentAs: newUuid(), offerId: newUuid(), levelId: 'level-1', pinned: false };
    const document = withCell(put({ ...empty, wishes }, P2, 1), P4, 0, gone);
    const term = termToSolve(document, facts, () => false);
    expect(term.offers.map(({ title }) => title)).toEqual(['Kelp Kettle', 'Loch Frames', 'Loch day']);
    expect(term.musts.filter(({ id }) => id === 'day')).toMatchObject([{ classIds: [P4], week: 1 }]);
    expect(term.musts.filter(({ id }) => id === 'off')).toMatchObject([{ classIds: [P2], week: 2, cell: null }]);
    expect(term.accepted![1]![0]).toBeNull();
    expect(term.weights).toEqual(WEIGHTS);
    expect(term.wanted[0]!.map((chance) => Math.round(100 * chance))).toEqual([65, 61, 57, 54, 50]);
    // A pinned game that stands alone breaks no wish; the week that the event was wished for has something else.
    expect(brokenBy(term, knownPlan(document, term)).map(({ mustId }) => mustId)).toEqual(['day']);
  });

  it('changes a document cell by cell, each under an id of its own', () => {
    const document = put(put(empty, P2, 0), P2, 1);
    const term = termToSolve(document, facts, () => false);
    const before = planOf(document, term);
    const after = before.map((line, index) =>
      index === 0 ? line.map((one, week) => (week === 1 ? { offerId: pins.id, levelId: 'level-1' } : one)) : line,
    );
    const changes = changesTo(term, before, after);
    expect(changes).toMatchObject([{ classId: P2, week: 1, to: { offerId: pins.id } }]);
    const changed = withChanges(document, changes, newUuid);
    expect(changed.cells[P2]![0]).toBe(document.cells[P2]![0]);
    expect(changed.cells[P2]![1]).toMatchObject({ offerId: pins.id, pinned: false });
  });

  it('says each must in words, and offers no wish that cannot be filled', () => {
    const document = put({ ...empty, wishes: [{ id: 'w', classIds: [P4], kind: 'weeks', skill: 'roll', least: 2, most: 3 }] }, P2, 0);
    expect(mustWords('w', screen(document))).toBe('2 to 3 weeks of roll, for P4');
    expect(mustWords(`pin ${P2} 0`, screen(document))).toBe('Kelp Kettle in week 1 of P2');
    expect(newWish('event', screen({ ...empty, events: [] }))).toBeNull();
    expect(newWish('event', screen(empty))).toMatchObject({ eventId: event.id, week: 4 });
  });
});
