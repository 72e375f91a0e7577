/**
 * What the phone keeps: the last card of each link, the go and the session that were begun, reports and diary entries that wait to be sent,
 * and what the family said of its home. Nothing here leaves the phone but reports, the diary and games of the child's own.
 */
import type { DiaryEntry } from '@/contract/diary';
import type { Card, CardItem } from '@/contract/card';
import { GAME_FORMAT_1, saysItIs } from '@/core/rules/format/formats';
import type { Uuid } from '@/contract/ids';
import { openDB } from 'idb';
import type { InventedPlan } from '@/core/invent/plan';
import type { AimedId } from '@/core/objects/catalogue';
import type { LookMark } from '@/core/reports/look-marks';
import type { Go, Report } from '@/core/reports/report';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import type { Entering } from '@/features/counter/entering';
import type { Hand } from '@/core/sheet/teaching-points';
import { Device, type DeviceChange } from './device';
import { forgetDraftsOf, moveDrafts } from './use-draft';

/** Why something still waits: no connection, a school that is busy just now, a link that was replaced or has ended, a day on which enough came. */
export type NotYet = 'unreachable' | 'busy' | 'link' | 'today';

export interface KeptPlay {
  readonly playId: string;
  readonly token: string;
  readonly assignmentId: string;
  readonly title: string;
  readonly report: Report;
  readonly state: 'waiting' | 'received' | 'refused';
  /** Why the last try did not reach the school; absent before the first. */
  readonly tried?: NotYet;
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
  /** The game itself, where it is not on the card. */
  readonly item?: CardItem;
  readonly goes: readonly KeptGo[];
  /** What was written so far of the end of the report. */
  readonly draft?: HomeDraft;
}

export type Felt = 'hard' | 'right' | 'easy';

export interface HomeDraft {
  readonly felt: Felt | null;
  readonly initials: string;
  readonly word: string;
  readonly marks: Readonly<Record<string, LookMark>>;
  readonly markedBy: 'child' | 'adult';
}

export const emptyDraft: HomeDraft = { felt: null, initials: '', word: '', marks: {}, markedBy: 'child' };

/** A go in the middle of being played. */
export interface BegunGo {
  readonly assignmentId: string;
  readonly formId: string;
  readonly counting: CountingWay;
  /** Players in turn; 0 is the child. */
  readonly player: number;
  readonly events: readonly PlayEvent[];
  /** What was being entered and had not been written down. */
  readonly entering?: Entering;
  /** When this was kept by the device's clock, and what the clock of the go showed then; milliseconds. */
  readonly at?: number;
  readonly t?: number;
  /** Nobody taps: what the clock for across the room had come to, milliseconds. */
  readonly watchMs?: number;
}

/** Under what a go of the child's own game is kept. */
export const ownGo = (token: string) => `own ${token}`;

/** A game as it was last played here. */
export interface LastTime {
  readonly formId: string;
  readonly counting: CountingWay | 'watch';
  /** What stood where, to be told from another set-up. */
  readonly setUp: string;
}

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
  /** To which place and things that was; to others it is asked anew. Absent from what a version before kept. */
  readonly agreedTo?: string;
  /** How each game was last played here, by its title, the latest last. */
  readonly lastTimes?: Readonly<Record<string, LastTime>>;
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

/** What is so of the home, whichever child plays in it. */
const homeIn = ({ have, clearM, pace, agreedOn, agreedTo = '' }: Ways) => ({ have, clearM, pace, agreedOn, agreedTo });

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

/** What each store holds, by the key under which it is kept. */
interface Kept {
  readonly cards: KeptCard;
  readonly plays: KeptPlay;
  readonly begun: BegunGo;
  readonly sessions: Session;
  readonly ways: Ways;
  readonly diary: WaitingEntry;
  readonly inventions: WaitingInvention;
  readonly plans: { readonly token: string; readonly plan: InventedPlan };
}

const KEY_OF: { readonly [Name in keyof Kept]: keyof Kept[Name] & string } = {
  cards: 'token',
  plays: 'playId',
  begun: 'assignmentId',
  sessions: 'assignmentId',
  ways: 'token',
  diary: 'key',
  inventions: 'key',
  plans: 'token',
};

const device = new Device((lost) =>
  openDB('lochside-home', 2, {
    upgrade(base, from) {
      if (from < 1) base.createObjectStore('plays', { keyPath: KEY_OF.plays }).createIndex('token', 'token');
      // Cards and begun goes of the first format are not read any more; plays that wait are.
      else for (const name of ['cards', 'begun'] as const) base.deleteObjectStore(name);
      for (const name of ['cards', 'begun', 'sessions', 'ways', 'plans'] as const) base.createObjectStore(name, { keyPath: KEY_OF[name] });
      for (const name of ['diary', 'inventions'] as const) base.createObjectStore(name, { keyPath: KEY_OF[name] }).createIndex('token', 'token');
    },
    // Another window has a newer version of this page: it must not wait for this one.
    blocking: (_from, _to, event) => {
      (event.target as IDBDatabase).close();
      lost();
    },
    terminated: lost,
  }),
);

const get = <Name extends keyof Kept>(name: Name, key: string) => device.get<Kept[Name]>(name, key);
const all = <Name extends keyof Kept>(name: Name) => device.all<Kept[Name]>(name);
const put = <Name extends keyof Kept>(name: Name, value: Kept[Name]): DeviceChange => ({ store: name, key: value[KEY_OF[name]] as string, value });
const gone = (name: keyof Kept, key: string): DeviceChange => ({ store: name, key, value: null });
const ofToken = async <Name extends 'plays' | 'diary' | 'inventions' | 'sessions'>(name: Name, token: string) =>
  (await all(name)).filter((one) => one.token === token);

/** What a device of the version before kept of a report that came by a link that had been replaced: it waits for the newest link. */
const UNKNOWN_LINK = 'This link is not known';

const assignmentsOf = (card: Card | undefined) => card?.weeks.flatMap((week) => week.games.map((game) => game.assignmentId)) ?? [];

/**
 * A card that was kept by the version before holds games of format 1. What reads them comes when there are any: a page that has just been
 * loaded anew asks for it in the same breath. Without it the card is not there, and is asked of the school.
 */
async function todaysCard(held: KeptCard | undefined): Promise<KeptCard | undefined> {
  const games = held?.card.weeks.flatMap((week) => week.games) ?? [];
  if (!held || !games.some(({ game }) => saysItIs(GAME_FORMAT_1, game))) return held;
  try {
    const { todaysGame } = await import('@/core/rules/format/from-format-1');
    const weeks = held.card.weeks.map((week) => ({ ...week, games: week.games.map((item) => ({ ...item, game: todaysGame(item.game) })) }));
    return { ...held, card: { ...held.card, weeks } };
  } catch {
    return undefined;
  }
}

/** The same child: the school says so, or both cards hold something that was sent to it. */
function sameChild(one: Card, other: Card): boolean {
  if (one.mark !== undefined && other.mark !== undefined) return one.mark === other.mark;
  const mine = new Set(assignmentsOf(one));
  return assignmentsOf(other).some((id) => mine.has(id));
}

export const store = {
  /** Whether this device keeps what it is given. */
  keeping: device.keeping,
  onKeeping: device.onKeeping,
  /** A session of a game that leaves the card with this one keeps the game. */
  keepCard: async (token: string, card: Card) => {
    const [before, sessions] = await Promise.all([get('cards', token), ofToken('sessions', token)]);
    const stays = new Set(assignmentsOf(card));
    const games = before?.card.weeks.flatMap((week) => week.games) ?? [];
    const leaving = sessions.flatMap((session) => {
      const item = games.find(({ assignmentId }) => assignmentId === session.assignmentId);
      return item && !stays.has(item.assignmentId) && !session.item ? [put('sessions', { ...session, item })] : [];
    });
    return device.write([put('cards', { token, card, at: new Date().toISOString() }), ...leaving]);
  },
  card: async (token: string) => todaysCard(await get('cards', token)),
  cards: () => all('cards'),
  /**
   * What was left here under other links of the same child comes under this one: reports, diary, own games, ways of playing. A card that this
   * one takes the place of is let go of. How many reports and lines wait now that did not before.
   */
  takeOver: async (token: string, card: Card): Promise<number> => {
    const [cards, plays, sessions, diary, inventions, ownWays, ownPlan] = await Promise.all([
      all('cards'),
      all('plays'),
      all('sessions'),
      all('diary'),
      all('inventions'),
      get('ways', token),
      get('plans', token),
    ]);
    const others = cards.filter((one) => one.token !== token && sameChild(card, one.card));
    const tokens = new Set(others.map((one) => one.token));
    const mine = new Set(assignmentsOf(card));
    const changes: DeviceChange[] = [];
    let waiting = 0;
    for (const play of plays) {
      if (play.token === token || !(tokens.has(play.token) || mine.has(play.assignmentId as Uuid))) continue;
      const waits = play.state === 'waiting' || (play.state === 'refused' && play.words.startsWith(UNKNOWN_LINK));
      waiting += Number(waits);
      const { tried: _tried, ...rest } = play;
      changes.push(put('plays', waits ? { ...rest, token, state: 'waiting', words: '' } : { ...play, token }));
    }
    for (const entry of diary)
      if (tokens.has(entry.token)) {
        waiting += Number(entry.state === 'waiting');
        changes.push(put('diary', { ...entry, token }));
      }
    for (const one of sessions) if (tokens.has(one.token)) changes.push(put('sessions', { ...one, token }));
    for (const one of inventions) if (tokens.has(one.token)) changes.push(put('inventions', { ...one, token }));
    for (const { token: from, card: before } of others) {
      const [ways, plan, begun] = await Promise.all([get('ways', from), get('plans', from), get('begun', ownGo(from))]);
      if (ways && !ownWays) changes.push(put('ways', { ...ways, token }));
      if (plan && !ownPlan) changes.push(put('plans', { ...plan, token }));
      if (begun) changes.push(put('begun', { ...begun, assignmentId: ownGo(token) }), gone('begun', ownGo(from)));
      moveDrafts(from, token);
      // A slip stays beside the card: it has a code of its own.
      if (before.scope === card.scope) changes.push(gone('cards', from), gone('ways', from), gone('plans', from));
    }
    if (changes.length > 0) await device.write(changes);
    return waiting;
  },
  /** Takes a child off this device, with everything that was kept for it. */
  forgetChild: async (token: string) => {
    forgetDraftsOf(token);
    const held = await get('cards', token);
    const [plays, sessions, entries, own] = await Promise.all([
      ofToken('plays', token),
      ofToken('sessions', token),
      ofToken('diary', token),
      ofToken('inventions', token),
    ]);
    await device.write([
      gone('cards', token),
      gone('ways', token),
      gone('plans', token),
      gone('begun', ownGo(token)),
      ...own.map(({ key }) => gone('inventions', key)),
      ...plays.map(({ playId }) => gone('plays', playId)),
      ...entries.map(({ key }) => gone('diary', key)),
      ...[...assignmentsOf(held?.card), ...sessions.map(({ assignmentId }) => assignmentId)].flatMap((key) => [
        gone('begun', key),
        gone('sessions', key),
      ]),
    ]);
  },
  plays: (token: string) => ofToken('plays', token),
  keepPlay: (play: KeptPlay) => device.write([put('plays', play)]),
  /** A session is handed over as a report that waits, in one step: neither can be lost nor be there twice. */
  handOver: (play: KeptPlay) => device.write([put('plays', play), gone('sessions', play.assignmentId)]),
  keepBegun: (go: BegunGo) => device.write([put('begun', go)]),
  begun: (assignmentId: string) => get('begun', assignmentId),
  forgetBegun: (assignmentId: string) => device.write([gone('begun', assignmentId)]),
  session: (assignmentId: string) => get('sessions', assignmentId),
  /** Of this child: under its link, or of a game of its card. */
  sessions: async (token: string, card?: Card) => {
    const onCard = new Set<string>(assignmentsOf(card));
    return (await all('sessions')).filter((one) => one.token === token || onCard.has(one.assignmentId));
  },
  keepSession: (session: Session) => device.write([put('sessions', session)]),
  /** A go ended: it moves from being played into the session, in one step. */
  endGo: (session: Session) => device.write([put('sessions', session), gone('begun', session.assignmentId)]),
  /** What another child of this device said of the home holds for this one too. */
  ways: async (token: string) => {
    const [own, every] = await Promise.all([get('ways', token), all('ways')]);
    const [other] = every;
    return own ?? { ...usualWays(token), ...(other && homeIn(other)) };
  },
  keepWays: async (ways: Ways) => {
    const others = (await all('ways')).filter(({ token }) => token !== ways.token);
    return device.write([put('ways', ways), ...others.map((other) => put('ways', { ...other, ...homeIn(ways) }))]);
  },
  diary: (token: string) => ofToken('diary', token),
  inventions: (token: string) => ofToken('inventions', token),
  keepInvention: (one: WaitingInvention) => device.write([put('inventions', one)]),
  plan: async (token: string) => (await get('plans', token))?.plan,
  keepPlan: (token: string, plan: InventedPlan) => device.write([put('plans', { token, plan })]),
  keepEntry: (entry: WaitingEntry) => device.write([put('diary', entry)]),
};
