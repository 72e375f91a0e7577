import { describe, expect, it } from 'vitest';
import { english } from '@/core/words/english';
import type { PlayEvent } from '@/core/rules/format/play';
import { cardItem } from '../../../tests/examples/card-item';
import { starter } from '../../../tests/examples/starters';
import {
  isAgreed,
  keptGo,
  meanwhile,
  placeOf,
  playOf,
  restBefore,
  scoreSoFar,
  sessionWith,
  stepAfterSetUp,
  stepToBeginWith,
  stepToGoOn,
  stepToPlay,
  withLastTime,
} from './going-model';
import { inHand } from './in-hand';
import { emptyDraft, usualWays, type BegunGo, type KeptGo, type Session } from './store';

const item = cardItem(starter('harbour-lamps'));
const ways = usualWays('t');
const hand = inHand(item, 'asked', ways);
const hit: PlayEvent = { do: 'attempt', t: 900, end: 'in' };
const begun = (more: Partial<BegunGo> = {}): BegunGo => ({
  assignmentId: item.assignmentId,
  formId: 'asked',
  counting: 'attempts',
  player: 0,
  events: [hit],
  ...more,
});
const now = new Date('2027-03-01T16:00:00Z');
const goWorth = (value: number | null): KeptGo => ({ go: {} as never, value, unit: 'points', sum: '', words: '' });

describe('a game that is opened', () => {
  it('begins with setting it out, in the form of the session', () => {
    expect(stepToBeginWith(item, undefined, undefined, ways)).toMatchObject({ on: 'set-up', formId: item.forms[0]!.id, played: null });
    expect(stepToBeginWith(item, undefined, { formId: 'seated' } as Session, ways)).toMatchObject({ formId: 'seated' });
  });

  it('goes on in the middle of a go, when anything had been seen or the clock had run', () => {
    expect(stepToBeginWith(item, begun(), undefined, ways).on).toBe('begun');
    expect(stepToBeginWith(item, begun({ events: [] }), undefined, ways).on).toBe('set-up');
    expect(stepToBeginWith(item, begun({ events: [], watchMs: 4000 }), undefined, ways).on).toBe('begun');
  });

  it('that was played before is asked whether all is the same; where a mark, a thing or the level is not, it is set out', () => {
    const played = withLastTime(ways, hand, 'successes');
    expect(stepToBeginWith(item, undefined, undefined, played)).toEqual({ on: 'again', item, formId: 'asked', counting: 'successes' });
    const farther = { ...item, setUp: { ...item.setUp, stepM: item.setUp.stepM * 1.3 } };
    for (const other of [
      stepToBeginWith(farther, undefined, undefined, played),
      stepToBeginWith({ ...item, levelId: 'level-2', forms: [{ ...item.forms[0]!, levelId: 'level-2' }] }, undefined, undefined, played),
      stepToBeginWith(item, undefined, undefined, { ...played, clearM: 0.6 }),
      stepToBeginWith(item, undefined, undefined, withLastTime(ways, hand, 'parts')),
    ])
      expect(other.on).toBe('set-up');
  });

  it('asks an adult anew on another day, with other things, along another line', () => {
    const agreed = { ...ways, agreedOn: '2027-03-01', agreedTo: placeOf(hand, ways) };
    expect(isAgreed(hand, agreed, '2027-03-01')).toBe(true);
    expect(isAgreed(hand, agreed, '2027-03-02')).toBe(false);
    expect(isAgreed(hand, { ...agreed, clearM: 3 }, '2027-03-01')).toBe(false);
    expect(isAgreed(inHand(cardItem(starter('heron-strike')), 'asked', ways), agreed, '2027-03-01')).toBe(false);
    // What a version before kept does not say to what.
    expect(isAgreed(hand, { ...ways, agreedOn: '2027-03-01' }, '2027-03-01')).toBe(false);
  });

  it('a rest of half its time stands before another long go of the same player', () => {
    const result = (t: number) => ({
      on: 'result' as const,
      item,
      formId: 'asked',
      going: { counting: 'attempts' as const, player: 0 },
      events: [hit, { ...hit, t }],
      result: {} as never,
    });
    expect(restBefore(result(90_000), 0)).toBe(45);
    expect(restBefore(result(59_000), 0)).toBe(0);
    expect(restBefore(result(600_000), 0)).toBe(60);
    expect(restBefore(result(90_000), 1)).toBe(0);
  });

  it('the last forty games are remembered, the latest among them', () => {
    const titled = (n: number) => inHand({ ...item, game: { ...item.game, title: `Game ${n}` } }, 'asked', ways);
    const many = Array.from({ length: 60 }, (_, n) => n).reduce((now, n) => withLastTime(now, titled(n), 'attempts'), ways);
    expect(Object.keys(many.lastTimes!)).toHaveLength(40);
    expect(Object.keys(many.lastTimes!).at(-1)).toBe('Game 59');
  });

  it('keeps what was tapped and how it was counted when it goes on', () => {
    expect(stepToGoOn(item, begun({ entering: { count: 12 } }), 0)).toMatchObject({
      on: 'play',
      going: { counting: 'attempts', player: 0 },
      before: { events: [hit, { do: 'pause' }], entering: { count: 12 } },
    });
    expect(stepToGoOn(item, begun({ events: [], watchMs: 4000 }), 0)).toMatchObject({
      going: { counting: 'watch' },
      fromMs: 4000,
      before: { events: [] },
    });
  });

  it('a count that was not written down yet is a go that was begun', () => {
    expect(stepToBeginWith(item, begun({ events: [], entering: { count: 12 } }), undefined, ways).on).toBe('begun');
    expect(scoreSoFar(hand, begun({ events: [], entering: { count: 12 } }), english)).toBe('You had counted 12');
  });
});

describe('unhappy at home: the clock of a go whose page was closed', () => {
  const at = 1_800_000_000_000;
  const minutes = (n: number) => at + n * 60_000;
  const cut = begun({ at, t: 2900 });

  it('ran on: no time is given back', () => {
    expect(meanwhile(cut, at + 40_000)).toEqual({ clock: 'ran', ms: 40_000 });
    // Two seconds after the last tap the page was still there; forty more went by.
    expect(stepToGoOn(item, cut, at + 40_000)).toMatchObject({ before: { events: [hit], ranOnMs: 42_000 } });
    expect(stepToGoOn(item, begun({ events: [], watchMs: 4000, at }), at + 40_000)).toMatchObject({ fromMs: 44_000 });
  });

  it('stood when it had been stopped', () => {
    const stopped = begun({ events: [hit, { do: 'pause', t: 2000 }], at, t: 2000 });
    expect(meanwhile(stopped, minutes(5))).toEqual({ clock: 'stood' });
    expect(stepToGoOn(item, stopped, minutes(5))).toMatchObject({ before: { events: stopped.events } });
  });

  it.each([
    ['after more than ten minutes', begun({ at, t: 2900 }), minutes(10) + 1],
    ['when the device’s clock was set back', begun({ at, t: 2900 }), at - 1],
    ['when a day has gone', begun({ at, t: 2900 }), minutes(24 * 60)],
    ['of a go that the version before kept', begun(), at],
  ])('is asked about %s, and stands until then', (_when, go, now) => {
    expect(meanwhile(go, now)).toEqual({ clock: 'unknown' });
    // Where it stood when it was kept: two seconds after the last tap, where that is known.
    expect(stepToGoOn(item, go, now)).toMatchObject({ before: { events: [hit, { do: 'pause', t: go.t ?? 900 }] } });
  });
});

describe('before a go', () => {
  const setUp = { on: 'set-up', item, formId: 'asked', played: null } as const;

  it('an adult says yes once a day', () => {
    expect(stepAfterSetUp(setUp, false).on).toBe('safety');
    expect(stepAfterSetUp(setUp, true).on).toBe('practise');
  });

  it('the next go of a session follows at once, counted as the last one was', () => {
    expect(stepAfterSetUp({ ...setUp, played: 'attempts' }, true)).toMatchObject({ on: 'play', going: { counting: 'attempts' } });
    expect(stepAfterSetUp({ ...setUp, played: 'attempts' }, false).on).toBe('safety');
    expect(stepAfterSetUp({ ...setUp, played: 'parts' }, true).on).toBe('practise');
  });

  it('parts are typed in without a counter', () => {
    expect(stepToPlay(item, 'asked', 'parts')).toMatchObject({ on: 'parts', tookMs: null });
    expect(stepToPlay(item, 'asked', 'watch', 1)).toMatchObject({ on: 'play', going: { counting: 'watch', player: 1 }, before: { events: [] } });
  });
});

describe('what a go that was cut off had come to', () => {
  it('is told, or that it had just begun', () => {
    expect(scoreSoFar(hand, begun(), english)).toMatch(/^You had \d+ point/);
    expect(scoreSoFar(hand, begun({ events: [] }), english)).toBe('It had just begun');
  });
});

describe('what is kept', () => {
  const result = { value: 7, unit: 'points', sum: '4 + 3' } as never;

  it('of a go: the hand that threw, the level and the set-up as they were', () => {
    const kept = keptGo(hand, { counting: 'watch', player: 0 }, ways, 'right', [hit], result);
    expect(kept).toMatchObject({ value: 7, unit: 'points', go: { counting: 'parts', hand: 'right', level: item.levelId, total: 7 } });
    const other = item.forms.find((form) => form.otherHand);
    if (!other) throw new Error('the starter has no form with the other hand');
    expect(keptGo(inHand(item, other.id, ways), { counting: 'attempts', player: 0 }, ways, 'right', [], result).go.hand).toBe('left');
  });

  it('of a session: its goes in order, under the play that it began as', () => {
    const first = sessionWith(undefined, { item, onCard: true }, 'token', 'asked', goWorth(3), now);
    const second = sessionWith(first, { item, onCard: true }, 'a newer token', 'seated', goWorth(5), new Date('2027-03-01T17:00:00Z'));
    expect(second).toMatchObject({ playId: first.playId, startedAt: now.toISOString(), formId: 'seated', token: 'token' });
    expect(second.goes.map(({ value }) => value)).toEqual([3, 5]);
  });

  it('of a report: what was said about it, and the best of its goes', () => {
    const session = {
      ...sessionWith(undefined, { item, onCard: true }, 'token', 'asked', goWorth(3), now),
      goes: [goWorth(3), goWorth(null), goWorth(8)],
    };
    const draft = { ...emptyDraft, felt: 'right' as const, initials: 'mt', word: ' fun ' };
    const play = playOf(session, item, draft, 'token', now);
    expect(play).toMatchObject({ state: 'waiting', total: 8, unit: 'points', report: { felt: 'right', adultInitials: 'MT', word: 'fun' } });
    expect(play.report.sentAt).toBe(now.toISOString());
    const plain = playOf({ ...session, goes: [goWorth(null)] }, item, emptyDraft, 'token', now);
    expect(plain.total).toBeNull();
    for (const left of ['felt', 'adultInitials', 'word', 'looks']) expect(plain.report).not.toHaveProperty(left);
  });

  it('of a race: the shortest time is the best', () => {
    const race = cardItem(starter('oilskin-dash'));
    const session = { ...sessionWith(undefined, { item: race, onCard: true }, 'token', 'asked', goWorth(41), now), goes: [goWorth(41), goWorth(38)] };
    expect(playOf(session, race, emptyDraft, 'token', now).total).toBe(38);
  });
});
