/** What the phone keeps: the last card of each link, a go that was begun, and plays that wait to be sent. IndexedDB through idb. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Report } from '@/core/reports/report';
import type { CountingWay, PlayEvent } from '@/core/rules/play';
import type { Card } from '@/server/home/card';

export interface KeptPlay {
  readonly playId: string;
  readonly token: string;
  readonly assignmentId: string;
  readonly title: string;
  readonly report: Report;
  readonly state: 'waiting' | 'received' | 'refused';
  /** When the school received it, or why it did not take it. */
  readonly words: string;
  readonly total: number | null;
  readonly unit: string;
}

export interface BegunGo {
  readonly assignmentId: string;
  readonly playId: string;
  readonly startedAt: string;
  readonly counting?: CountingWay;
  readonly events: readonly PlayEvent[];
}

interface HomeDb extends DBSchema {
  cards: { key: string; value: { token: string; card: Card; at: string } };
  plays: { key: string; value: KeptPlay; indexes: { token: string } };
  begun: { key: string; value: BegunGo };
}

let opened: Promise<IDBPDatabase<HomeDb>> | undefined;

function db(): Promise<IDBPDatabase<HomeDb>> {
  opened ??= openDB<HomeDb>('lochside-home', 1, {
    upgrade(base) {
      base.createObjectStore('cards', { keyPath: 'token' });
      base.createObjectStore('plays', { keyPath: 'playId' }).createIndex('token', 'token');
      base.createObjectStore('begun', { keyPath: 'assignmentId' });
    },
  });
  return opened;
}

export const store = {
  keepCard: async (token: string, card: Card) => void (await (await db()).put('cards', { token, card, at: new Date().toISOString() })),
  card: async (token: string) => (await db()).get('cards', token),
  keepPlay: async (play: KeptPlay) => void (await (await db()).put('plays', play)),
  plays: async (token: string) => (await db()).getAllFromIndex('plays', 'token', token),
  keepBegun: async (go: BegunGo) => void (await (await db()).put('begun', go)),
  begun: async (assignmentId: string) => (await db()).get('begun', assignmentId),
  forgetBegun: async (assignmentId: string) => void (await (await db()).delete('begun', assignmentId)),
};
