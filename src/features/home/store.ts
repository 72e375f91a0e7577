/**
 * What the phone keeps, in IndexedDB through idb: the last card of each link, the go and the session that were begun, reports and diary
 * entries that wait to be sent, and what the family said of its home. Nothing here leaves the phone but reports and the diary.
 */
import type { DiaryEntry } from '@/contract/diary';
import type { Card } from '@/contract/card';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { InventedPlan } from '@/core/invent/plan';
import type { AimedId } from '@/core/objects/catalogue';
import type { LookMark } from '@/core/reports/look-marks';
import type { Go, Report } from '@/core/reports/report';
import type { CountingWay, PlayEvent } from '@/core/rules/play';
import type { Hand } from '@/core/sheet/teaching-points';
import { forgetDraftsOf } from './use-draft';

export interface KeptPlay {
  readonly playId: string;
  readonly token: string;
  readonly assignmentId: string;
  readonly title: string;
  readonly report: Report;
  readonly state: 'waiting' | 'received' | 'refused';
  /** When the school received it, or why it did not take it. */
  readonly words: string;
  /** The child's best go of the session. */
  readonly total: number | null;
  readonly unit: string;
}

/** A go that ended and is not sent yet. */
export interface KeptGo {
  readonly go: Go;
  readonly value: number | null;
  readonly unit: string;
  readonly sum: string;
  /** "Wade, nearer" */
  readonly words: string;
}

/** A session: several goes of one game, until they are sent together. */
export interface Session {
  readonly assignmentId: string;
  readonly token: string;
  readonly playId: string;
  readonly startedAt: string;
  readonly formId: string;
  readonly goes: readonly KeptGo[];
  /** What was written so far of the end of the report. */
  readonly draft?: Draft;
}

export type Felt = 'hard' | 'right' | 'easy';

export interface Draft {
  readonly felt: Felt | null;
  readonly initials: string;
  readonly word: string;
  readonly marks: Readonly<Record<string, LookMark>>;
  readonly markedBy: 'child' | 'adult';
}

export const emptyDraft: Draft = { felt: null, initials: '', word: '', marks: {}, markedBy: 'child' };

/** A go in the middle of being played. */
export interface BegunGo {
  readonly assignmentId: string;
  readonly formId: string;
  readonly counting: CountingWay;
  /** Players in turn; 0 is the child. */
  readonly player: number;
  readonly events: readonly PlayEvent[];
  /** Nobody taps: what the clock for across the room had come to, milliseconds. */
  readonly watchMs?: number;
}

/** Under what a go of the child's own game is kept. */
export const ownGo = (token: string) => `own ${token}`;

export type PaceKind = 'steps' | 'sheets' | 'towels';

/** What a family said of its home, and how it likes to play; kept on this device alone. */
export interface Ways {
  readonly token: string;
  readonly have: readonly AimedId[];
  /** Longest clear line, metres; null for long enough. */
  readonly clearM: number | null;
  readonly pace: PaceKind;
  readonly hand: Hand | null;
  readonly sound: boolean;
  readonly speak: boolean;
  readonly shake: boolean;
  readonly players: number;
  /** The day on which an adult last said yes to the place. */
  readonly agreedOn: string;
}

export const usualWays = (token: string): Ways => ({
  token,
  have: [],
  clearM: null,
  pace: 'steps',
  hand: null,
  sound: false,
  speak: false,
  shake: true,
  players: 1,
  agreedOn: '',
});

export interface WaitingEntry {
  readonly token: string;
  readonly entry: DiaryEntry;
  readonly state: 'waiting' | 'received' | 'refused';
  readonly key: string;
}

/** A game that the child made, until the school has it. */
export interface WaitingInvention {
  readonly token: string;
  readonly key: string;
  readonly invention: { readonly id: string; readonly plan: InventedPlan; readonly score: number | null };
  readonly state: 'waiting' | 'received' | 'refused';
}

export interface KeptCard {
  readonly token: string;
  readonly card: Card;
  readonly at: string;
}

interface HomeDb extends DBSchema {
  cards: { key: string; value: KeptCard };
  plays: { key: string; value: KeptPlay; indexes: { token: string } };
  begun: { key: string; value: BegunGo };
  sessions: { key: string; value: Session };
  ways: { key: string; value: Ways };
  diary: { key: string; value: WaitingEntry; indexes: { token: string } };
  inventions: { key: string; value: WaitingInvention; indexes: { token: string } };
  plans: { key: string; value: { token: string; plan: InventedPlan } };
}

let opened: Promise<IDBPDatabase<HomeDb>> | undefined;

function db(): Promise<IDBPDatabase<HomeDb>> {
  opened ??= openDB<HomeDb>('lochside-home', 2, {
    upgrade(base, from) {
      if (from < 1) base.createObjectStore('plays', { keyPath: 'playId' }).createIndex('token', 'token');
      // Cards and begun goes of the first format are not read any more; plays that wait are.
      else for (const name of ['cards', 'begun'] as const) base.deleteObjectStore(name);
      base.createObjectStore('cards', { keyPath: 'token' });
      base.createObjectStore('begun', { keyPath: 'assignmentId' });
      base.createObjectStore('sessions', { keyPath: 'assignmentId' });
      base.createObjectStore('ways', { keyPath: 'token' });
      base.createObjectStore('diary', { keyPath: 'key' }).createIndex('token', 'token');
      base.createObjectStore('inventions', { keyPath: 'key' }).createIndex('token', 'token');
      base.createObjectStore('plans', { keyPath: 'token' });
    },
  });
  return opened;
}

export const store = {
  keepCard: async (token: string, card: Card) => void (await (await db()).put('cards', { token, card, at: new Date().toISOString() })),
  card: async (token: string) => (await db()).get('cards', token),
  cards: async () => (await db()).getAll('cards'),
  /** Takes a child off this device, with everything that was kept for it. */
  forgetChild: async (token: string) => {
    forgetDraftsOf(token);
    const base = await db();
    const held = await base.get('cards', token);
    const assignments = held?.card.weeks.flatMap((week) => week.games.map((game) => game.assignmentId)) ?? [];
    const plays = await base.getAllKeysFromIndex('plays', 'token', token);
    const entries = await base.getAllKeysFromIndex('diary', 'token', token);
    const own = await base.getAllKeysFromIndex('inventions', 'token', token);
    const all = base.transaction(['cards', 'plays', 'begun', 'sessions', 'ways', 'diary', 'inventions', 'plans'], 'readwrite');
    await Promise.all([
      all.objectStore('cards').delete(token),
      all.objectStore('ways').delete(token),
      all.objectStore('plans').delete(token),
      all.objectStore('begun').delete(ownGo(token)),
      ...own.map((key) => all.objectStore('inventions').delete(key)),
      ...plays.map((key) => all.objectStore('plays').delete(key)),
      ...entries.map((key) => all.objectStore('diary').delete(key)),
      ...assignments.flatMap((key) => [all.objectStore('begun').delete(key), all.objectStore('sessions').delete(key)]),
      all.done,
    ]);
  },
  plays: async (token: string) => (await db()).getAllFromIndex('plays', 'token', token),
  keepPlay: async (play: KeptPlay) => void (await (await db()).put('plays', play)),
  /** A session is handed over as a report that waits, in one step: neither can be lost nor be there twice. */
  handOver: async (play: KeptPlay) => {
    const both = (await db()).transaction(['plays', 'sessions'], 'readwrite');
    await Promise.all([both.objectStore('plays').put(play), both.objectStore('sessions').delete(play.assignmentId), both.done]);
  },
  keepBegun: async (go: BegunGo) => void (await (await db()).put('begun', go)),
  begun: async (assignmentId: string) => (await db()).get('begun', assignmentId),
  forgetBegun: async (assignmentId: string) => void (await (await db()).delete('begun', assignmentId)),
  session: async (assignmentId: string) => (await db()).get('sessions', assignmentId),
  keepSession: async (session: Session) => void (await (await db()).put('sessions', session)),
  /** A go ended: it moves from being played into the session, in one step. */
  endGo: async (session: Session) => {
    const both = (await db()).transaction(['sessions', 'begun'], 'readwrite');
    await Promise.all([both.objectStore('sessions').put(session), both.objectStore('begun').delete(session.assignmentId), both.done]);
  },
  ways: async (token: string) => (await (await db()).get('ways', token)) ?? usualWays(token),
  keepWays: async (ways: Ways) => void (await (await db()).put('ways', ways)),
  diary: async (token: string) => (await db()).getAllFromIndex('diary', 'token', token),
  inventions: async (token: string) => (await db()).getAllFromIndex('inventions', 'token', token),
  keepInvention: async (one: WaitingInvention) => void (await (await db()).put('inventions', one)),
  plan: async (token: string) => (await (await db()).get('plans', token))?.plan,
  keepPlan: async (token: string, plan: InventedPlan) => void (await (await db()).put('plans', { token, plan })),
  keepEntry: async (entry: WaitingEntry) => void (await (await db()).put('diary', entry)),
};
