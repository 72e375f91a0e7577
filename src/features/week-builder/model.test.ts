import { describe, expect, it } from 'vitest';
import type { Uuid } from '@/contract/ids';
import { MOST_GAMES_OF_A_WEEK, weekSchema } from '@/contract/week';
import {
  askedPlan,
  bodyOf,
  firstPlan,
  isMixed,
  keptPlan,
  levelOfChild,
  orderOf,
  usualLevel,
  withClass,
  withGame,
  withGameChanged,
  withGameShifted,
  withGamesMoved,
  withLevelsByEvidence,
  withoutGame,
  withOwnLevel,
  type BuilderClass,
  type BuilderGame,
  type Plan,
} from './model';

const uuid = (n: number) => `00000000-0000-4000-8000-${`${n}`.padStart(12, '0')}` as Uuid;
const TODAY = '2026-11-27';

const game = (n: number, title: string, things: BuilderGame['things']): BuilderGame => ({
  id: uuid(n),
  title,
  ageYears: 8,
  levels: [
    { id: 'paddle', name: 'Paddle', seconds: 60 },
    { id: 'swim', name: 'Swim', seconds: 150 },
  ],
  things,
  runs: title === 'Kelp Kettle',
});
const quay = game(1, 'Lantern Quay', [{ n: 3, name: 'cups' }]);
const kettle = game(2, 'Kelp Kettle', [
  { n: 5, name: 'cups' },
  { n: 1, name: 'bucket' },
]);
const shelf = [quay, kettle];

const child = (n: number, ageYears: number) => ({ id: uuid(n), name: `Child ${n}`, ageYears });
const terns: BuilderClass = { id: uuid(100), name: 'P3 Terns', ageYears: 7, ownTries: 0, children: [child(11, 7), child(12, 8)] };
const empty: BuilderClass = { ...terns, id: uuid(101), name: 'P1 Plovers', children: [] };
const classes = [empty, terns];

const plan = (): Plan => withGame(withGame(firstPlan(classes, TODAY), quay, 'quay'), kettle, 'kettle');
const order = ({ games }: Plan) => games.map((one) => one.key);
const sent = (of: Plan) => bodyOf(of, terns);

describe('a week while it is planned', () => {
  it('begins with the first class that has children, due in a week', () => {
    expect(firstPlan(classes, TODAY)).toMatchObject({ classId: terns.id, dueOn: '2026-12-04', games: [] });
  });

  it('lists of each thing as many as the game that needs most of it', () => {
    expect(plan().kit).toEqual([
      { name: 'cups', n: 5, from: 'home' },
      { name: 'bucket', n: 1, from: 'home' },
    ]);
  });

  it('takes no more than twenty games', () => {
    const full = Array.from({ length: MOST_GAMES_OF_A_WEEK + 1 }).reduce<Plan>((sum) => withGame(sum, quay), firstPlan(classes, TODAY));
    expect(full.games).toHaveLength(MOST_GAMES_OF_A_WEEK);
  });

  it('moves a game one place, or several to a place; at the ends nothing moves', () => {
    const three = withGame(plan(), quay, 'again');
    expect(order(withGameShifted(three, 'quay', 1))).toEqual(['kettle', 'quay', 'again']);
    expect(order(withGameShifted(three, 'quay', -1))).toEqual(order(three));
    expect(order(withGameShifted(three, 'again', 1))).toEqual(order(three));
    expect(order(withGamesMoved(three, new Set(['quay', 'kettle']), 'after', 'again'))).toEqual(['again', 'quay', 'kettle']);
    expect(order(withGamesMoved(three, new Set(['quay', 'kettle']), 'before', 'kettle'))).toEqual(order(three));
    expect(order(withoutGame(three, 'kettle'))).toEqual(['quay', 'again']);
  });

  it('gives children to seven years the younger level, and any child its own', () => {
    const mixed = withGameChanged(plan(), 'quay', { levelId: 'swim', youngerLevelId: 'paddle' });
    expect(isMixed(terns)).toBe(true);
    expect(mixed.games.map((one) => usualLevel(one, 7))).toEqual(['paddle', 'paddle']);
    expect(sent(mixed).games[0]!.levels).toEqual({ [uuid(11)]: 'paddle' });
    const own = withOwnLevel(mixed, 'quay', uuid(12), 'paddle');
    expect(sent(own).games[0]!.levels).toEqual({ [uuid(11)]: 'paddle', [uuid(12)]: 'paddle' });
    expect(sent(withOwnLevel(own, 'quay', uuid(12), null))).toEqual(sent(mixed));
  });

  it('forgets what was said of single children when the class is another', () => {
    expect(withClass(withOwnLevel(plan(), 'quay', uuid(12), 'swim'), empty.id).games[0]!.own).toEqual({});
  });
});

describe('a plan that a link asks for', () => {
  it('of a cell of the term is sent under the id of the cell, on its due day; what is no id or has passed is not taken over', () => {
    const of = { classId: terns.id, gameId: quay.id, levelId: 'swim' };
    const asked = askedPlan({ ...of, sentAs: uuid(9), dueOn: '2026-12-13' }, classes, [quay, kettle], TODAY)!;
    expect(asked).toMatchObject({ classId: terns.id, sentAs: uuid(9), dueOn: '2026-12-13', games: [{ gameId: quay.id, levelId: 'swim' }] });
    const odd = askedPlan({ ...of, sentAs: 'cell', dueOn: '2026-01-01' }, classes, [quay, kettle], TODAY)!;
    expect(odd.sentAs).not.toBe('cell');
    expect(odd.dueOn).toBe('2026-12-04');
    expect(askedPlan({}, classes, [quay], TODAY)).toBeNull();
  });
});

describe('what is sent of a plan', () => {
  it('has a title, opening days and the kit for an event', () => {
    const event = sent(withGameChanged(plan(), 'kettle', { opensOn: '2026-12-01' }));
    expect(event.title).toBe('Games of the week');
    expect(event.games.map((one) => one.opensOn)).toEqual([null, '2026-12-01']);
    expect(event.kit).toHaveLength(2);
  });

  it('has none of them for one game, but the kit where the school sends a thing', () => {
    const one = withGameChanged(withoutGame(plan(), 'kettle'), 'quay', { opensOn: '2026-12-01' });
    expect(sent({ ...one, title: 'Quay day' })).toMatchObject({ title: '', kit: [] });
    expect(sent(one).games[0]!.opensOn).toBeNull();
    expect(sent({ ...one, kit: [{ name: 'balloon', n: 1, from: 'school' }] }).kit).toHaveLength(1);
  });

  it('asks for a film alone only where a film is asked for', () => {
    expect(sent({ ...plan(), film: ' ', filmAlone: true })).toMatchObject({ film: '', filmAlone: false });
    expect(sent({ ...plan(), film: 'of one throw', filmAlone: true })).toMatchObject({ film: 'of one throw', filmAlone: true });
  });

  it('is taken by the server as it stands', () => {
    expect(weekSchema.validate(sent(plan())).error).toBeUndefined();
  });
});

describe('a plan kept on this computer', () => {
  const kept = (of: unknown, on = TODAY) => keptPlan(JSON.stringify(of), classes, shelf, on);

  it('is there again as it was', () => {
    const before = plan();
    expect(kept(before)).toEqual(before);
  });

  it('loses games that are no longer on the shelf, and is due in a week where its day has passed', () => {
    expect(order(keptPlan(JSON.stringify(plan()), classes, [kettle], TODAY)!)).toEqual(['kettle']);
    expect(kept(plan(), '2026-12-05')!.dueOn).toBe('2026-12-12');
  });

  it('gives its games keys where an earlier version kept none', () => {
    const games = plan().games.map(({ key: _none, ...rest }) => rest);
    const keys = order(kept({ ...plan(), games })!);
    expect(new Set(keys).size).toBe(2);
    expect(keys.every(Boolean)).toBe(true);
  });

  it('is none where its class is gone, or what is kept is no plan', () => {
    expect(keptPlan(JSON.stringify(plan()), [empty], shelf, TODAY)).toBeNull();
    for (const text of [null, 'null', '{', '[]', '7']) expect(keptPlan(text, classes, shelf, TODAY)).toBeNull();
  });
});

describe('what was reported', () => {
  it('fills in the levels of children that it speaks for, and leaves the others as they were', () => {
    const of = { ...terns, children: [child(1, 8), child(2, 8), child(3, 8)] };
    const before = withOwnLevel(withGame(firstPlan(classes, TODAY), quay, 'a'), 'a', uuid(3), 'swim');
    const known = [
      {
        gameId: quay.id,
        children: [
          { childId: uuid(1), levelId: 'swim', why: '19 of 20 at 2.5 m: Swim, after Paddle' },
          { childId: uuid(2), levelId: 'paddle', why: '9 of 20 at 2.5 m: Paddle again' },
          { childId: uuid(3), levelId: null, why: 'nothing is known yet' },
        ],
      },
    ];
    const filled = withLevelsByEvidence(before, of, known);
    const planned = filled.games.find(({ key }) => key === 'a')!;
    expect(of.children.map((one) => levelOfChild(planned, one))).toEqual(['swim', 'paddle', 'swim']);
    // What is the level of all anyway is not their own.
    expect(Object.keys(planned.own).sort()).toEqual([uuid(1), uuid(3)]);
  });
  it('says how long an event takes in its order', () => {
    const event = plan();
    const { minutes, slots } = orderOf(event, shelf);
    // 3 cups: 2 to set out, 1 to play; 6 things: 3 to set out; it is the last, so nobody rests after it.
    expect(slots).toEqual([
      { setUpMinutes: 2, playMinutes: 1, restMinutes: 1 },
      { setUpMinutes: 3, playMinutes: 1, restMinutes: 0 },
    ]);
    expect(minutes).toBe(8);
    expect(orderOf(withGameShifted(event, 'quay', 1), shelf).slots[0]!.restMinutes).toBe(3);
  });
});
