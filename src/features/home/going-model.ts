/** The steps from setting a game out to having sent it, and what is kept of a go and of a session. No interface here. */
import type { Card, CardItem } from '@/contract/card';
import { v7 } from 'uuid';
import { goOf } from '@/core/reports/from-parts';
import { markedLooks } from '@/core/reports/marked-looks';
import type { Report } from '@/core/reports/report';
import { compile } from '@/core/rules/playing/compile';
import { betterOf } from '@/core/rules/playing/better';
import { REPORT_FORMAT } from '@/core/rules/format/formats';
import { measure, type Result } from '@/core/rules/playing/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { replay } from '@/core/rules/playing/replay';
import { lookForsOf, type Hand } from '@/core/sheet/teaching-points';
import type { Words } from '@/core/words/words';
import { allUsed } from '@/core/rules/format/used';
import { isEntering } from '@/features/counter/entering';
import type { Before } from '@/features/counter/use-play';
import { inHand, stopped, type InHand } from './in-hand';
import { usualWays, type BegunGo, type HomeDraft, type KeptGo, type KeptPlay, type LastTime, type Session, type Ways } from './store';
import { scoreWords } from './words';

/** How a go is counted; `watch` is a clock for across the room, with the parts typed in afterwards. */
export type Counting = CountingWay | 'watch';

/** A go in the making: whose it is and how it is counted. */
export interface GoInTheMaking {
  readonly counting: Counting;
  readonly player: number;
}

const FROM_THE_START: Before = { events: [] };

export type GoingStep =
  | { readonly on: 'begun'; readonly item: CardItem; readonly go: BegunGo }
  | { readonly on: 'again'; readonly item: CardItem; readonly formId: string; readonly counting: Counting }
  | {
      readonly on: 'set-up' | 'safety' | 'practise' | 'show' | 'count';
      readonly item: CardItem;
      readonly formId: string;
      readonly played: Counting | null;
    }
  | {
      readonly on: 'play';
      readonly item: CardItem;
      readonly formId: string;
      readonly going: GoInTheMaking;
      readonly before: Before;
      readonly key: string;
      /** What a clock for across the room had come to. */
      readonly fromMs?: number;
    }
  | { readonly on: 'parts'; readonly item: CardItem; readonly formId: string; readonly going: GoInTheMaking; readonly tookMs: number | null }
  | {
      readonly on: 'result';
      readonly item: CardItem;
      readonly formId: string;
      readonly going: GoInTheMaking;
      readonly events: readonly PlayEvent[];
      readonly result: Result;
    }
  | { readonly on: 'rest'; readonly item: CardItem; readonly formId: string; readonly going: GoInTheMaking; readonly seconds: number }
  | { readonly on: 'report'; readonly item: CardItem; readonly formId: string }
  | { readonly on: 'sent'; readonly item: CardItem; readonly formId: string; readonly playId: string };

/** The place and the things to which an adult says yes: what is played with, aimed at and in the way, and how long the clear line is. */
export function placeOf({ level }: InHand, { clearM }: Ways): string {
  const targets = Object.values(level.course.targets).flatMap((list) => list.map(({ object }) => object));
  const obstacles = (level.course.obstacles ?? []).map(({ object }) => object);
  return JSON.stringify([[...new Set([...allUsed(level), ...targets, ...obstacles])].sort(), level.course.floor.surface, clearM]);
}

/** Whether an adult has said yes today, to just this. */
export const isAgreed = (hand: InHand, ways: Ways, today: string): boolean => ways.agreedOn === today && ways.agreedTo === placeOf(hand, ways);

const setUpOf = ({ used, form }: InHand): string => JSON.stringify([form.levelId, used]);

/** So many games are remembered. */
const MOST_REMEMBERED = 40;

/** With how a game is played just now as its last time; a go that is only written down says nothing of how to play. */
export function withLastTime(ways: Ways, hand: InHand, counting: Counting): Ways {
  if (counting === 'parts') return ways;
  const { [hand.item.game.title]: _before, ...others } = ways.lastTimes ?? {};
  const kept = Object.entries(others).slice(1 - MOST_REMEMBERED);
  return { ...ways, lastTimes: { ...Object.fromEntries(kept), [hand.item.game.title]: { formId: hand.form.id, counting, setUp: setUpOf(hand) } } };
}

/** How this game was last played here, where that can be done again: the same form, things and marks. */
function lastTimeOf(item: CardItem, ways: Ways): LastTime | undefined {
  const last = ways.lastTimes?.[item.game.title];
  if (!last || !item.forms.some(({ id }) => id === last.formId)) return undefined;
  return setUpOf(inHand(item, last.formId, ways)) === last.setUp ? last : undefined;
}

/** Where a game that is opened begins: in the middle of a go that was begun, as it was played last time, or with setting it out. */
export function stepToBeginWith(item: CardItem, go: BegunGo | undefined, session: Session | undefined, ways: Ways): GoingStep {
  if (go && (go.events.some((event) => event.do === 'attempt') || (go.watchMs ?? 0) > 0 || isEntering(go.entering ?? {})))
    return { on: 'begun', item, go };
  const last = lastTimeOf(item, ways);
  if (last) return { on: 'again', item, formId: last.formId, counting: last.counting };
  return { on: 'set-up', item, formId: session?.formId ?? item.forms[0]!.id, played: null };
}

/** A go as long as this is followed by a rest of half its time, of these seconds at least and at most. Assumed. */
const LONG_GO_MS = 60_000;
const REST_S = [20, 60] as const;

/** Seconds of rest before the next go; none after a short one, or when somebody else plays next. */
export function restBefore({ events, going }: Extract<GoingStep, { readonly on: 'result' }>, next: number): number {
  const tookMs = events.at(-1)?.t ?? 0;
  if (going.player !== next || tookMs < LONG_GO_MS) return 0;
  return Math.min(REST_S[1], Math.max(REST_S[0], Math.round(tookMs / 2000)));
}

/** A go is counted while it is played, or its parts are typed in when it is over. */
export function stepToPlay(item: CardItem, formId: string, counting: Counting, player = 0): GoingStep {
  const going = { counting, player };
  if (counting === 'parts') return { on: 'parts', item, formId, going, tookMs: null };
  return { on: 'play', item, formId, going, before: FROM_THE_START, key: v7() };
}

/** In the middle of a session the next go follows at once, when an adult has said yes today. */
export function stepAfterSetUp(step: Extract<GoingStep, { readonly played: unknown }>, agreedToday: boolean): GoingStep {
  if (!agreedToday) return { ...step, on: 'safety' };
  return step.played && step.played !== 'parts' ? stepToPlay(step.item, step.formId, step.played) : { ...step, on: 'practise' };
}

/** How a go that was cut off had been counted. */
export const howBegun = (go: BegunGo): GoInTheMaking => ({ counting: go.watchMs === undefined ? go.counting : 'watch', player: go.player });

/** A page that was closed for longer than this is asked about; so is a device whose clock was set back. Assumed. */
const LONGEST_GAP_MS = 600_000;

/** What the clock of a go did while its page was closed: it stood, it ran on for so long, or only the family knows. */
export type Meanwhile = { readonly clock: 'stood' } | { readonly clock: 'ran'; readonly ms: number } | { readonly clock: 'unknown' };

export function meanwhile(go: BegunGo, nowMs: number): Meanwhile {
  if (go.events.at(-1)?.do === 'pause') return { clock: 'stood' };
  const gap = go.at === undefined ? -1 : nowMs - go.at;
  return gap < 0 || gap > LONGEST_GAP_MS ? { clock: 'unknown' } : { clock: 'ran', ms: gap };
}

/** Goes on with it: what was tapped and entered stays; the clock ran on, or stands where it stood. */
export function stepToGoOn(item: CardItem, go: BegunGo, nowMs: number): GoingStep {
  const since = meanwhile(go, nowMs);
  const ran = since.clock === 'ran' ? since.ms : 0;
  const step = { on: 'play', item, formId: go.formId, going: howBegun(go), key: v7() } as const;
  if (go.watchMs !== undefined) return { ...step, before: FROM_THE_START, fromMs: go.watchMs + ran };
  const lastT = go.events.at(-1)?.t ?? 0;
  const before =
    since.clock === 'ran' ? { events: go.events, ranOnMs: Math.max(0, (go.t ?? lastT) - lastT) + ran } : { events: stopped(go.events, go.t) };
  return { ...step, before: { ...before, ...(go.entering && { entering: go.entering }) } };
}

/** Whether the card has this game: one that was opened from the child's weeks may be older. */
export const isOnCard = ({ weeks }: Pick<Card, 'weeks'>, { assignmentId }: CardItem): boolean =>
  weeks.some(({ games }) => games.some((game) => game.assignmentId === assignmentId));

/** The session that a go belongs to: the one that is kept, or a new one. */
export function sessionWith(
  held: Session | undefined,
  { item, onCard }: { readonly item: CardItem; readonly onCard: boolean },
  token: string,
  formId: string,
  go: KeptGo,
  now: Date,
): Session {
  const session = held ?? { assignmentId: item.assignmentId, token, playId: v7(), startedAt: now.toISOString(), goes: [] };
  return { ...session, ...(!onCard && { item }), formId, goes: [...session.goes, go] };
}

/** With the child's own sum of the go that came last. */
export const withSum = (session: Session, sum: number): Session => ({
  ...session,
  goes: session.goes.map((kept, index) => (index === session.goes.length - 1 ? { ...kept, go: { ...kept.go, added: sum } } : kept)),
});

/** A go as it is kept and reported: its level, set-up, hand and way of counting. */
export function keptGo(hand: InHand, going: GoInTheMaking, ways: Ways, side: Hand, events: readonly PlayEvent[], result: Result): KeptGo {
  const counting: CountingWay = going.counting === 'watch' ? 'parts' : going.counting;
  const { otherHand } = hand.form;
  const go = goOf(
    { game: hand.item.game, levelId: hand.form.levelId, setUp: hand.used },
    {
      counting,
      hand: otherHand ? (side === 'right' ? 'left' : 'right') : side,
      otherHand,
      events,
      total: result.value,
      unit: result.unit,
      ...(ways.players > 1 && hand.level.sides.n === 1 ? { players: ways.players } : {}),
    },
  );
  return { go, value: result.value, unit: result.unit, sum: result.sum, words: hand.words };
}

/** The report of a session, kept until the school has it. */
export function playOf(session: Session, item: CardItem, draft: HomeDraft, token: string, sentAt: Date): KeptPlay {
  const looks = markedLooks(lookForsOf(inHand(item, session.formId, usualWays('')).level), draft.marks);
  const report: Report = {
    format: REPORT_FORMAT,
    goes: session.goes.map(({ go }) => go),
    startedAt: session.startedAt,
    sentAt: sentAt.toISOString(),
    ...(draft.felt ? { felt: draft.felt } : {}),
    ...(draft.initials ? { adultInitials: draft.initials.toLocaleUpperCase('en-GB') } : {}),
    ...(draft.word.trim() ? { word: draft.word.trim() } : {}),
    ...(looks.length > 0 ? { looks: { by: draft.markedBy, marks: looks } } : {}),
  };
  const better = betterOf(item.game);
  const values = session.goes.flatMap(({ value }) => (value === null ? [] : [value]));
  return {
    playId: session.playId,
    token,
    assignmentId: session.assignmentId,
    title: item.game.title,
    report,
    state: 'waiting',
    words: '',
    total: values.length === 0 ? null : better === 'high' ? Math.max(...values) : Math.min(...values),
    unit: session.goes[0]?.unit ?? '',
  };
}

/** What a go that was begun had come to. */
export function scoreSoFar(hand: InHand, { events, counting, entering }: BegunGo, words: Words): string {
  if (entering?.count) return words.i18n.t('{n, plural, one {You had counted 1} other {You had counted {n}}}', { n: entering.count });
  const compiled = compile(hand.level);
  if (!compiled.ok) return words.i18n.t('It had just begun');
  const { value, unit } = measure(compiled.value, replay(compiled.value, events, counting).state);
  return value === null || value === 0
    ? words.i18n.t('It had just begun')
    : words.i18n.t('You had {score}', { score: scoreWords(value, unit, words) });
}
