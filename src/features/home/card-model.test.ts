import { describe, expect, it } from 'vitest';
import type { CardWeek } from '@/contract/card';
import type { Uuid } from '@/contract/ids';
import { cardItem } from '../../../tests/examples/card-item';
import { starter } from '../../../tests/examples/starters';
import { diaryMinutes, diaryOf, isOpen, levelName, cardStandingOf } from './card-model';
import type { KeptPlay, Session, WaitingEntry } from './store';

const lamps = cardItem(starter('harbour-lamps'));
const stores = { ...cardItem(starter('harbour-stores')), assignmentId: 'of the stores' as never, received: 2 };
const weekOf = (...games: CardWeek['games']) => ({ id: 'week', number: 3, dueOn: '2027-03-05', games, diaryEntries: [] }) as unknown as CardWeek;
const play = (state: KeptPlay['state'], assignmentId: string = lamps.assignmentId, words = ''): KeptPlay =>
  ({ state, assignmentId, words, playId: `${state} ${words}` }) as KeptPlay;
const session = (goes: number, assignmentId: string = lamps.assignmentId) =>
  ({ assignmentId, goes: Array.from({ length: goes }) }) as unknown as Session;
const entry = (id: string, day: string, minutes: number, state: WaitingEntry['state'] = 'waiting', struck = false, weekId = 'week') =>
  ({ state, entry: { id, weekId, day, minutes, what: '', initials: '', struck } }) as unknown as WaitingEntry;
const nothing = { plays: [], sessions: [], entries: [] };

describe('a game of the week', () => {
  it('is open from its day on', () => {
    expect(isOpen({ opensOn: null }, '2027-03-01')).toBe(true);
    expect(isOpen({ opensOn: '2027-03-02' }, '2027-03-01')).toBe(false);
    expect(isOpen({ opensOn: '2027-03-02' }, '2027-03-02')).toBe(true);
  });

  it('is called by its level', () => {
    expect(levelName(lamps)).toBe('Paddle');
    expect(levelName({ ...lamps, levelId: 'gone' })).toBe('');
  });
});

describe('where a child stands in its week', () => {
  it('has nothing at first', () => {
    expect(cardStandingOf(weekOf(lamps), nothing)).toMatchObject({
      received: 0,
      latest: undefined,
      best: 11,
      begun: [],
      waitingReports: 0,
      refused: [],
    });
  });

  it('counts what the school has, by the card or by what this device heard since: never both', () => {
    expect(cardStandingOf(weekOf(stores), nothing).received).toBe(2);
    const plays = [play('received', lamps.assignmentId, '16:01'), play('received', lamps.assignmentId, '16:20')];
    expect(cardStandingOf(weekOf(lamps), { ...nothing, plays })).toMatchObject({ received: 2, latest: { words: '16:20' } });
    expect(cardStandingOf(weekOf(lamps, stores), { ...nothing, plays }).received).toBe(2);
  });

  it('tells what waits here, a report of another week too, and what was refused of this one', () => {
    const plays = [play('waiting'), play('waiting', 'of another week'), play('refused')];
    const entries = [entry('a', '2027-03-01', 10), entry('b', '2027-03-02', 5, 'waiting', false, 'another'), entry('c', '2027-03-02', 5, 'received')];
    const standing = cardStandingOf(weekOf(lamps), { ...nothing, plays, entries });
    expect(standing).toMatchObject({ waitingReports: 2, waitingEntries: 1 });
    expect(standing.refused).toHaveLength(1);
  });

  it('a go of a game that is not on the card any more is not out of sight: it was kept with its game', () => {
    const old = { ...session(1, 'gone from the card'), item: { ...lamps, assignmentId: 'gone from the card' as Uuid } };
    expect(cardStandingOf(weekOf(stores), { ...nothing, sessions: [old] }).begun.map(({ item }) => item.assignmentId)).toEqual([
      'gone from the card',
    ]);
  });

  it('tells goes that were played and not sent; an own best of a single game only', () => {
    const sessions = [session(2), session(0, stores.assignmentId), session(1, 'of another week')];
    const standing = cardStandingOf(weekOf(lamps, stores), { ...nothing, sessions });
    expect(standing.begun.map(({ item, session: { goes } }) => [item.assignmentId, goes.length])).toEqual([[lamps.assignmentId, 2]]);
    expect(standing.best).toBeNull();
  });
});

describe('the movement diary', () => {
  const week = { id: 'week', diaryEntries: [entry('a', '2027-03-03', 20).entry, entry('b', '2027-03-01', 10).entry] } as unknown as CardWeek;

  it('is what the school has with what waits here, by day', () => {
    const entries = [entry('c', '2027-03-02', 5), entry('d', '2027-03-02', 7, 'refused')];
    expect(diaryOf(week, entries).map(({ id }) => id)).toEqual(['b', 'c', 'a']);
    expect(diaryMinutes(week, entries)).toBe(35);
  });

  it('counts a line once that was changed here, and not one that was struck out', () => {
    const entries = [entry('a', '2027-03-03', 25), entry('b', '2027-03-01', 10, 'waiting', true)];
    expect(diaryOf(week, entries)).toHaveLength(2);
    expect(diaryMinutes(week, entries)).toBe(25);
  });
});
