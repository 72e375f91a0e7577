import type { DiaryEntry } from '@/contract/diary';
import type { Card } from '@/contract/card';
import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { GAME_FORMAT, REPORT_FORMAT } from '@/core/rules/format/formats';
import { readGame } from '@/core/rules/format/read-game';
import { emptyPlan } from '@/core/invent/plan';
import { tryEntries, tryInvention, trySending } from '@/features/home/sending';
import { ownGo, store, usualWays, type KeptPlay, type Session, type WaitingEntry } from '@/features/home/store';
import { forgetDraftsOf } from '@/features/home/use-draft';

const play = (change: Partial<KeptPlay> = {}): KeptPlay => ({
  playId: 'p1',
  token: 'one',
  assignmentId: 'a1',
  title: 'Otter Steps',
  report: { format: REPORT_FORMAT, goes: [], startedAt: '2027-03-01T16:00:00.000Z', sentAt: '2027-03-01T16:05:00.000Z' },
  state: 'waiting',
  words: '',
  total: 12,
  unit: 'points',
  ...change,
});
const session = (assignmentId: string, token: string): Session => ({
  assignmentId,
  token,
  playId: `p-${assignmentId}`,
  startedAt: '',
  formId: 'asked',
  goes: [],
});
const line = (id: string, weekId = 'w1', token = 'one'): WaitingEntry => ({
  key: id,
  token,
  state: 'waiting',
  entry: { id, weekId, day: '2027-03-02', what: 'Walked', minutes: 20, initials: '', struck: false } as unknown as DiaryEntry,
});
const card = (assignmentId: string) => ({ weeks: [{ games: [{ assignmentId }] }] }) as unknown as Card;

/** What this device had kept in the first format: a report that waits, and a card and a go that are not read any more. */
async function firstFormat(): Promise<void> {
  const base = await openDB('lochside-home', 1, {
    upgrade(old) {
      old.createObjectStore('cards', { keyPath: 'token' });
      old.createObjectStore('plays', { keyPath: 'playId' }).createIndex('token', 'token');
      old.createObjectStore('begun', { keyPath: 'assignmentId' });
    },
  });
  await base.put('plays', play({ playId: 'old' }));
  await base.put('cards', { token: 'one', card: {} });
  await base.put('begun', { assignmentId: 'a1', events: [] });
  base.close();
}

await firstFormat();

describe('unhappy at home: what the phone keeps', () => {
  it('a report that waited in the first format waits still; its card and its go are fetched and played anew', async () => {
    expect((await store.plays('one')).map((one) => one.playId)).toEqual(['old']);
    expect(await store.card('one')).toBeUndefined();
    expect(await store.begun('a1')).toBeUndefined();
  });

  it('a go that ends moves into the session in one step, a session into a report that waits', async () => {
    await store.keepBegun({ assignmentId: 'a1', formId: 'asked', counting: 'attempts', player: 0, events: [] });
    await store.endGo(session('a1', 'one'));
    expect(await store.begun('a1')).toBeUndefined();
    expect(await store.session('a1')).toMatchObject({ playId: 'p-a1' });
    await store.handOver(play({ playId: 'p-a1' }));
    expect(await store.session('a1')).toBeUndefined();
    expect((await store.plays('one')).map((one) => one.playId)).toContain('p-a1');
  });

  it('a card that was kept with games of format 1 is opened with games of today', async () => {
    const old: unknown = JSON.parse(readFileSync(new URL('../format-1/starters/buoys-aloft.json', import.meta.url), 'utf8'));
    await store.keepCard('kept before', { weeks: [{ games: [{ assignmentId: 'a8', game: old }] }] } as unknown as Card);
    const [game] = (await store.card('kept before'))!.card.weeks[0]!.games;
    expect(readGame(game!.game)).toMatchObject({ ok: true });
    expect(game!.game.format).toBe(GAME_FORMAT);
    await store.forgetChild('kept before');
  });

  const marked = (assignmentId: string, mark?: string, scope = 'card') =>
    ({ scope, ...(mark && { mark }), weeks: [{ games: [{ assignmentId }] }] }) as unknown as Card;

  it('what was left under an old link of the same child comes under the new one; another child’s stays where it is', async () => {
    await store.keepCard('old link', marked('c1', 'wren'));
    await store.keepCard('other child', marked('d1', 'robin'));
    await store.keepPlay(play({ playId: 'left', token: 'old link', assignmentId: 'c1', tried: 'link' }));
    await store.keepPlay(
      play({
        playId: 'refused before',
        token: 'old link',
        assignmentId: 'c1',
        state: 'refused',
        words: 'This link is not known, or it has been replaced.\nAsk.',
      }),
    );
    await store.keepPlay(
      play({ playId: 'not taken', token: 'old link', assignmentId: 'c1', state: 'refused', words: 'This game is not on the card.' }),
    );
    await store.keepPlay(play({ playId: 'robin’s', token: 'other child', assignmentId: 'd1' }));
    await store.keepEntry(line('old line', 'w1', 'old link'));
    await store.keepWays({ ...usualWays('old link'), players: 4 });
    await store.keepBegun({ assignmentId: ownGo('old link'), formId: 'asked', counting: 'attempts', player: 0, events: [] });
    // Another term: nothing that was sent is on both cards.
    expect(await store.takeOver('new link', marked('c2', 'wren'))).toBe(3);
    expect((await store.plays('new link')).map(({ playId, state, tried }) => [playId, state, tried]).sort()).toEqual([
      ['left', 'waiting', undefined],
      ['not taken', 'refused', undefined],
      ['refused before', 'waiting', undefined],
    ]);
    expect((await store.diary('new link')).map(({ key }) => key)).toEqual(['old line']);
    expect((await store.ways('new link')).players).toBe(4);
    expect(await store.begun(ownGo('new link'))).toBeDefined();
    expect(await store.card('old link')).toBeUndefined();
    expect((await store.plays('other child')).map(({ playId }) => playId)).toEqual(['robin’s']);
    expect(await store.takeOver('new link', marked('c2', 'wren'))).toBe(0);
  });

  it('a card that the version before kept is known by what was sent to the child; a slip stays beside the card', async () => {
    await store.keepCard('before marks', marked('e1'));
    await store.keepCard('slip', marked('e1', 'tern', 'slip'));
    await store.keepPlay(play({ playId: 'by card', token: 'before marks', assignmentId: 'e1' }));
    await store.keepPlay(play({ playId: 'by slip', token: 'slip', assignmentId: 'e1' }));
    expect(await store.takeOver('newest', marked('e1', 'tern'))).toBe(2);
    expect((await store.plays('newest')).map(({ playId }) => playId).sort()).toEqual(['by card', 'by slip']);
    expect(await store.card('before marks')).toBeUndefined();
    expect(await store.card('slip')).toBeDefined();
    await store.forgetChild('newest');
    await store.forgetChild('new link');
    await store.forgetChild('slip');
    await store.forgetChild('other child');
  });

  it('a session of a game that leaves the card keeps the game, so that it can still be sent', async () => {
    await store.keepCard('weeks', card('old game'));
    await store.keepSession(session('old game', 'weeks'));
    await store.keepCard('weeks', card('old game'));
    expect((await store.sessions('weeks'))[0]!.item).toBeUndefined();
    await store.keepCard('weeks', card('new game'));
    expect((await store.sessions('weeks'))[0]!.item).toMatchObject({ assignmentId: 'old game' });
    await store.forgetChild('weeks');
    expect(await store.sessions('weeks')).toEqual([]);
  });

  it('what is so of the home holds for every child of the device; how each plays is its own', async () => {
    await store.keepWays({ ...usualWays('isla'), players: 3, hand: 'left' });
    await store.keepWays({ ...usualWays('rory'), clearM: 2.4, have: ['bucket'], pace: 'towels', agreedOn: '2027-03-01', agreedTo: 'there' });
    expect(await store.ways('isla')).toMatchObject({ clearM: 2.4, have: ['bucket'], pace: 'towels', agreedTo: 'there', players: 3, hand: 'left' });
    expect(await store.ways('ailsa')).toMatchObject({ token: 'ailsa', clearM: 2.4, have: ['bucket'], players: 1, hand: null });
    for (const token of ['isla', 'rory']) await store.forgetChild(token);
  });

  it('two children are kept apart, and one who is taken off leaves the other whole', async () => {
    await store.keepCard('one', card('a1'));
    await store.keepCard('two', card('b1'));
    for (const [token, id] of [
      ['one', 'a1'],
      ['two', 'b1'],
    ] as const) {
      await store.keepSession(session(id, token));
      await store.keepBegun({ assignmentId: id, formId: 'asked', counting: 'attempts', player: 0, events: [] });
      await store.keepBegun({ assignmentId: ownGo(token), formId: 'asked', counting: 'attempts', player: 0, events: [] });
      await store.keepPlay(play({ playId: `play ${token}`, token }));
      await store.keepEntry(line(`line ${token}`, 'w1', token));
      await store.keepInvention({ key: `own ${token}`, token, state: 'waiting', invention: { id: 'i', plan: emptyPlan, score: 3 } });
      await store.keepPlan(token, { ...emptyPlan, title: token });
      await store.keepWays({ ...usualWays(token), players: 3 });
    }
    await store.forgetChild('one');
    const all = async (token: string, id: string) => [
      await store.card(token),
      await store.session(id),
      await store.begun(id),
      await store.begun(ownGo(token)),
      (await store.plays(token)).length,
      (await store.diary(token)).length,
      (await store.inventions(token)).length,
      await store.plan(token),
      (await store.ways(token)).players,
    ];
    expect(await all('one', 'a1')).toEqual([undefined, undefined, undefined, undefined, 0, 0, 0, undefined, 1]);
    expect((await all('two', 'b1')).every((kept) => kept !== undefined && kept !== 0)).toBe(true);
    expect((await store.cards()).map((one) => one.token)).toEqual(['two']);
  });

  it('what was being written for a child goes with the child, and only that', () => {
    const kept = new Map([
      ['lochside-draft one diary', '1'],
      ['lochside-draft one parts a1 asked', '2'],
      ['lochside-draft two diary', '3'],
      ['another', '4'],
    ]);
    const fake = new Proxy(
      { removeItem: (key: string) => kept.delete(key) },
      { ownKeys: () => [...kept.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
    );
    vi.stubGlobal('localStorage', fake);
    forgetDraftsOf('one');
    vi.unstubAllGlobals();
    expect([...kept.keys()]).toEqual(['lochside-draft two diary', 'another']);
  });
});

describe('unhappy at home: sending', () => {
  const asked: { url: string; body: { entries?: unknown[] } }[] = [];
  const answers = (...given: (Response | 'down')[]) =>
    vi.stubGlobal('fetch', async (url: string, init: { body: string }) => {
      asked.push({ url, body: JSON.parse(init.body) as { entries?: unknown[] } });
      const next = given.length > 1 ? given.shift()! : given[0]!;
      if (next === 'down') throw new TypeError('no connection');
      return next.clone();
    });
  const json = (body: unknown, status: number) => new Response(JSON.stringify(body), { status });
  beforeEach(() => {
    asked.length = 0;
  });
  afterEach(() => vi.unstubAllGlobals());

  it('is received only when the school has said so, and then kept as received', async () => {
    answers(json({ at: '2027-03-01T16:06:00.000Z' }, 201));
    expect(await trySending(play())).toMatchObject({ state: 'received', words: '2027-03-01T16:06:00.000Z' });
    expect((await store.plays('one')).find((one) => one.playId === 'p1')).toMatchObject({ state: 'received' });
  });

  it('goes on waiting without a connection, when the school is down, and when it is too busy', async () => {
    for (const [answer, tried] of [
      ['down', 'unreachable'],
      [json({}, 500), 'busy'],
      [json({}, 503), 'busy'],
      [json({}, 429), 'busy'],
      // Never refused for good: the newest link of the child takes it.
      [json({ problems: [{ reason: 'This link is not known.', fix: 'Ask.' }] }, 401), 'link'],
    ] as const) {
      answers(answer);
      expect(await trySending(play({ playId: 'p2' }))).toMatchObject({ state: 'waiting', tried });
      expect((await store.plays('one')).find((one) => one.playId === 'p2')).toMatchObject({ state: 'waiting', tried });
    }
  });

  it('tells in the words of the school why it was not taken', async () => {
    answers(json({ problems: [{ reason: 'This game is not on the card.', fix: 'Open the card again.' }] }, 404));
    expect(await trySending(play({ playId: 'p3' }))).toMatchObject({
      state: 'refused',
      words: 'This game is not on the card.\nOpen the card again.',
    });
    answers(new Response('<html>', { status: 400 }));
    expect(await trySending(play({ playId: 'p4' }))).toMatchObject({ state: 'refused', words: 'The school could not take this.' });
  });

  it('lines of the diary go week by week, fifty at once: what is wrong with one week does not keep back another', async () => {
    const many = Array.from({ length: 60 }, (_, n) => line(`many ${n}`, 'full'));
    answers(json({ problems: [{ reason: 'r', fix: 'f' }] }, 404), json({ received: true }, 201));
    expect(await tryEntries('one', [line('lost', 'gone'), ...many])).toBe(true);
    expect(asked.map(({ body }) => body.entries!.length)).toEqual([1, 50, 10]);
    const states = new Map((await store.diary('one')).map((one) => [one.key, one.state]));
    expect(states.get('lost')).toBe('refused');
    expect(many.every((one) => states.get(one.key) === 'received')).toBe(true);
  });

  it('lines wait on when the link was replaced', async () => {
    await store.keepEntry(line('under the old link', 'z'));
    answers(json({}, 401));
    expect(await tryEntries('one', [line('under the old link', 'z')])).toBe(false);
    expect((await store.diary('one')).find(({ key }) => key === 'under the old link')!.state).toBe('waiting');
  });

  it('lines wait on when the connection goes half-way', async () => {
    const two = [line('first', 'x'), line('second', 'y')];
    for (const one of two) await store.keepEntry(one);
    answers(json({ received: true }, 201), 'down');
    expect(await tryEntries('one', two)).toBe(true);
    const states = new Map((await store.diary('one')).map((one) => [one.key, one.state]));
    expect([states.get('first'), states.get('second')]).toEqual(['received', 'waiting']);
  });

  it('nothing is asked of the school when nothing waits', async () => {
    answers('down');
    expect(await tryEntries('one', [])).toBe(false);
    expect(asked).toEqual([]);
  });

  it('a game that a child made waits, is received, or is refused, as the school says', async () => {
    const waiting = { key: 'g1', token: 'three', state: 'waiting' as const, invention: { id: 'g1', plan: emptyPlan, score: null } };
    await store.keepInvention(waiting);
    const state = async () => (await store.inventions('three'))[0]!.state;
    answers('down');
    await tryInvention('three', waiting);
    expect(await state()).toBe('waiting');
    answers(json({}, 201));
    await tryInvention('three', waiting);
    expect(await state()).toBe('received');
    answers(json({}, 409));
    await tryInvention('three', waiting);
    expect(await state()).toBe('refused');
  });
});
