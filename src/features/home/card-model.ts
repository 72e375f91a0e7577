/** What the card of a week shows: what is open, what the school has, what waits in this device. No interface here. */
import type { Card, CardItem, CardWeek } from '@/contract/card';
import type { DiaryEntry } from '@/contract/diary';
import type { KeptCard, KeptPlay, Session, WaitingEntry } from './store';

/** A game is open from its day on; `today` is the device's, ISO 8601. */
export const isOpen = (item: Pick<CardItem, 'opensOn'>, today: string): boolean => item.opensOn === null || item.opensOn <= today;

export const levelName = (item: Pick<CardItem, 'game' | 'levelId'>): string =>
  item.game.levels.find((level) => level.id === item.levelId)?.name ?? '';

/** What the school has of the diary, with what still waits here, by day. */
export function diaryOf(week: Pick<CardWeek, 'id' | 'diaryEntries'>, entries: readonly WaitingEntry[]): readonly DiaryEntry[] {
  const mine = new Map(week.diaryEntries.map((entry) => [entry.id, entry]));
  for (const { entry, state } of entries) if (entry.weekId === week.id && state !== 'refused') mine.set(entry.id, entry);
  return [...mine.values()].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

export const diaryMinutes = (week: Pick<CardWeek, 'id' | 'diaryEntries'>, entries: readonly WaitingEntry[]): number =>
  diaryOf(week, entries)
    .filter((entry) => !entry.struck)
    .reduce((sum, entry) => sum + entry.minutes, 0);

export interface Standing {
  /** Reports that the school has, by the card or by what this device heard since. */
  readonly received: number;
  readonly latest: KeptPlay | undefined;
  /** Own best; null where there are several games, or none yet. */
  readonly best: number | null;
  /** Goes that were played and are not sent yet. */
  readonly begun: readonly { readonly session: Session; readonly item: CardItem }[];
  readonly waitingReports: number;
  readonly waitingEntries: number;
  readonly refused: readonly KeptPlay[];
}

/** Where a child stands in its week. */
export function cardStandingOf(
  week: CardWeek,
  { plays, sessions, entries }: { plays: readonly KeptPlay[]; sessions: readonly Session[]; entries: readonly WaitingEntry[] },
): Standing {
  const items = new Map<string, CardItem>(week.games.map((item) => [item.assignmentId, item]));
  const mine = (state: KeptPlay['state']) => plays.filter((play) => play.state === state && items.has(play.assignmentId));
  const received = mine('received');
  const atSchool = week.games.reduce((sum, item) => sum + item.received, 0);
  const [only, second] = week.games;
  return {
    received: Math.max(atSchool, received.length),
    latest: received.at(-1),
    best: only && !second ? only.best : null,
    begun: sessions.flatMap((session) => {
      const item = items.get(session.assignmentId) ?? session.item;
      return item && session.goes.length > 0 ? [{ session, item }] : [];
    }),
    // Of other weeks too: nothing that waits is out of sight.
    waitingReports: plays.filter((play) => play.state === 'waiting').length,
    waitingEntries: entries.filter((one) => one.state === 'waiting' && one.entry.weekId === week.id).length,
    refused: mine('refused'),
  };
}

/** The card with what can be done from it. */
export interface CardScreenProps {
  readonly card: Card;
  /** The day it is where the card is read, ISO 8601. */
  readonly today: string;
  readonly plays: readonly KeptPlay[];
  readonly underWay: boolean;
  readonly sessions: readonly Session[];
  readonly entries: readonly WaitingEntry[];
  readonly offline: string | null;
  /** The browser would not promise to keep what is stored. */
  readonly mayForget: boolean;
  /** The page cannot be opened without a connection from this address. */
  readonly onlyOnline?: boolean;
  /** Cards of this device, this one among them. */
  readonly kept: readonly KeptCard[];
  readonly token: string;
  readonly onOpen: (item: CardItem) => void;
  readonly onShow: (item: CardItem) => void;
  readonly onFinish: (item: CardItem) => void;
  readonly onDiary: (week: CardWeek) => void;
  readonly onInvent: () => void;
  readonly onWeeks: () => void;
  readonly onOthers: () => void;
  readonly onSibling: (token: string) => void;
  /** Hands over the due day as a calendar file; absent without a connection. */
  readonly onCalendar?: (() => void) | undefined;
}
