'use client';
import type { Card, CardItem } from '@/contract/card';
import { useEffect, useState } from 'react';
import { v7 } from 'uuid';
import { goOf } from '@/core/reports/from-parts';
import type { Report } from '@/core/reports/report';
import { compile } from '@/core/rules/compile';
import { REPORT_FORMAT } from '@/core/rules/formats';
import { measure, type Result } from '@/core/rules/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/play';
import { replay } from '@/core/rules/replay';
import { lookForsOf, type Hand } from '@/core/sheet/teaching-points';
import type { Words } from '@/core/words/words';
import { markedLooks } from '../counter/look-fors';
import { CountScreen, PractiseScreen, SafetyScreen, type Counting } from './before-play';
import { Big, Bottom, Plain, Screen } from './home-style';
import { inHand, stopped, type InHand } from './in-hand';
import { PartsScreen } from './parts-screen';
import { OtherResultScreen, PlayScreen, WatchScreen } from './play-screen';
import { ReadAloud } from './read-aloud';
import { ReportScreen, SentScreen } from './report-screen';
import { ResultScreen } from './result-screen';
import { SetUpScreen } from './set-up-screen';
import { store, usualWays, type BegunGo, type Draft, type KeptGo, type KeptPlay, type Session, type Ways } from './store';
import { Top } from './top';
import { useWords } from '@/features/languages/use-words';
import { scoreWords, todayHere } from './words';

/** A go in the making: whose it is and how it is counted. */
interface Going {
  readonly counting: Counting;
  readonly player: number;
}

export type Step =
  | { readonly on: 'begun'; readonly item: CardItem; readonly go: BegunGo }
  | { readonly on: 'set-up' | 'safety' | 'practise' | 'count'; readonly item: CardItem; readonly formId: string; readonly played: Counting | null }
  | {
      readonly on: 'play';
      readonly item: CardItem;
      readonly formId: string;
      readonly going: Going;
      readonly already: readonly PlayEvent[];
      readonly key: string;
      /** What a clock for across the room had come to. */
      readonly fromMs?: number;
    }
  | { readonly on: 'parts'; readonly item: CardItem; readonly formId: string; readonly going: Going; readonly tookMs: number | null }
  | {
      readonly on: 'result';
      readonly item: CardItem;
      readonly formId: string;
      readonly going: Going;
      readonly events: readonly PlayEvent[];
      readonly result: Result;
    }
  | { readonly on: 'report'; readonly item: CardItem; readonly formId: string }
  | { readonly on: 'sent'; readonly item: CardItem; readonly formId: string; readonly playId: string };

export interface GoingProps {
  readonly card: Card;
  readonly token: string;
  readonly first: Step;
  readonly ways: Ways;
  readonly onWays: (ways: Ways) => void;
  readonly sessions: readonly Session[];
  readonly plays: readonly KeptPlay[];
  readonly refresh: () => Promise<void>;
  readonly sendWaiting: () => Promise<void>;
  readonly onCard: () => void;
}

/** Where a game that is opened begins: in the middle of a go that was begun, or with setting it out. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export async function firstStep(item: CardItem): Promise<Step> {
  const go = await store.begun(item.assignmentId);
  if (go && (go.events.some((event) => event.do === 'attempt') || (go.watchMs ?? 0) > 0)) return { on: 'begun', item, go };
  const session = await store.session(item.assignmentId);
  return { on: 'set-up', item, formId: session?.formId ?? item.forms[0]!.id, played: null };
}

/** From setting a game out to having sent it: loaded when the first game is opened, and in advance when there is time. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function Going({ card, token, first, ways, onWays: keepWays, sessions, plays, refresh, sendWaiting, onCard }: GoingProps) {
  const words = useWords();
  const { i18n } = words;
  const [step, setStep] = useState<Step>(first);
  useEffect(() => {
    window.scrollTo(0, 0);
  }, [step.on]);
  const name = card.child?.name ?? '';
  const side: Hand = ways.hand ?? card.child?.hand ?? 'right';
  const sessionOf = (item: CardItem): Session | undefined => sessions.find((one) => one.assignmentId === item.assignmentId);

  const start = (item: CardItem, formId: string, counting: Counting, player = 0) => {
    const going = { counting, player };
    if (counting === 'parts') setStep({ on: 'parts', item, formId, going, tookMs: null });
    else setStep({ on: 'play', item, formId, going, already: [], key: v7() });
  };
  const ended = async (item: CardItem, formId: string, going: Going, events: readonly PlayEvent[], result: Result) => {
    if (going.player === 0) {
      const held = await store.session(item.assignmentId);
      const session: Session = held ?? {
        assignmentId: item.assignmentId,
        token,
        playId: v7(),
        startedAt: new Date().toISOString(),
        formId,
        goes: [],
      };
      await store.endGo({
        ...session,
        formId,
        goes: [...session.goes, keptGo(inHand(item, formId, ways, words), going, ways, side, events, result)],
      });
      await refresh();
    } else await store.forgetBegun(item.assignmentId);
    setStep({ on: 'result', item, formId, going, events, result });
  };
  const send = async (item: CardItem, draft: Draft) => {
    const session = (await store.session(item.assignmentId))!;
    const play = playOf(session, item, draft, token);
    await store.handOver(play);
    await refresh();
    setStep({ on: 'sent', item, formId: session.formId, playId: play.playId });
    await sendWaiting();
  };

  switch (step.on) {
    case 'begun': {
      const { item, go } = step;
      const hand = inHand(item, go.formId, ways, words);
      const going: Going = { counting: go.watchMs === undefined ? go.counting : 'watch', player: go.player };
      const seconds = Math.floor((go.watchMs ?? 0) / 1000);
      const happened =
        go.watchMs === undefined
          ? scoreSoFar(hand, go, words)
          : i18n.t('{n, plural, one {The clock had run for 1 second} other {The clock had run for {n} seconds}}', { n: seconds });
      return (
        <Screen>
          <Top hand={hand} name={name} />
          <h1>{i18n.t('You were in the middle of a go')}</h1>
          <p>
            {happened}. {i18n.t('The clock stood still since then.')}
          </p>
          <ReadAloud words={[i18n.t('You were in the middle of a go'), happened, i18n.t('Go on with it, or start again?')].join('. ')} />
          <Bottom>
            <Big
              type="button"
              onClick={() =>
                setStep({
                  on: 'play',
                  item,
                  formId: go.formId,
                  going,
                  already: go.watchMs === undefined ? stopped(go.events) : [],
                  key: v7(),
                  ...(go.watchMs === undefined ? {} : { fromMs: go.watchMs }),
                })
              }
            >
              {i18n.t('Go on with it')}
            </Big>
            {go.watchMs !== undefined && (
              <Plain type="button" onClick={() => setStep({ on: 'parts', item, formId: go.formId, going, tookMs: go.watchMs! })}>
                {i18n.t('Write it down now')}
              </Plain>
            )}
            <Plain
              type="button"
              onClick={() => {
                void store.forgetBegun(item.assignmentId);
                setStep({ on: 'set-up', item, formId: go.formId, played: null });
              }}
            >
              {i18n.t('Start again')}
            </Plain>
          </Bottom>
        </Screen>
      );
    }
    default: {
      const { item, formId } = step;
      const hand = inHand(item, formId, ways, words);
      const to = (on: 'set-up' | 'safety' | 'practise' | 'count') => setStep({ on, item, formId, played: 'played' in step ? step.played : null });
      switch (step.on) {
        case 'set-up':
          return (
            <SetUpScreen
              hand={hand}
              name={name}
              ways={ways}
              onWays={keepWays}
              onForm={(id) => setStep({ ...step, formId: id })}
              onBack={onCard}
              // In the middle of a session the next go follows at once, when an adult has said yes today.
              onNext={() =>
                ways.agreedOn !== todayHere()
                  ? to('safety')
                  : step.played && step.played !== 'parts'
                    ? start(item, formId, step.played)
                    : to('practise')
              }
            />
          );
        case 'safety':
          return (
            <SafetyScreen
              hand={hand}
              name={name}
              onBack={() => to('set-up')}
              onNext={() => {
                keepWays({ ...ways, agreedOn: todayHere() });
                to('practise');
              }}
            />
          );
        case 'practise':
          return (
            <PractiseScreen
              hand={hand}
              name={name}
              side={side}
              onSide={(next) => keepWays({ ...ways, hand: next })}
              onBack={() => to('set-up')}
              onNext={() => to('count')}
            />
          );
        case 'count':
          return (
            <CountScreen
              hand={hand}
              name={name}
              ways={ways}
              onWays={keepWays}
              onBack={() => to('practise')}
              onStart={(counting) => start(item, formId, counting)}
            />
          );
        case 'parts':
          return (
            <PartsScreen
              token={token}
              hand={hand}
              name={name}
              tookMs={step.tookMs}
              onBack={() => to('count')}
              onDone={({ events, result }) => void ended(item, formId, { ...step.going, counting: 'parts' }, events, result)}
            />
          );
        case 'play':
          return step.going.counting === 'watch' ? (
            <WatchScreen
              key={step.key}
              hand={hand}
              name={name}
              player={step.going.player}
              cues={ways}
              fromMs={step.fromMs ?? 0}
              onDone={(tookMs) => setStep({ on: 'parts', item, formId, going: step.going, tookMs })}
            />
          ) : (
            <PlayScreen
              key={step.key}
              hand={hand}
              name={name}
              player={step.going.player}
              already={step.already}
              counting={step.going.counting}
              cues={ways}
              exerciseSwapped={card.exerciseSwapped}
              onDone={(events, result) => void ended(item, formId, step.going, events, result)}
            />
          );
        case 'result': {
          const { counting, player } = step.going;
          const again = (who: number) => start(item, formId, counting, who);
          const next = (player + 1) % ways.players;
          if (player > 0)
            return (
              <OtherResultScreen
                hand={hand}
                name={name}
                player={player}
                words={scoreWords(step.result.value, step.result.unit, words)}
                next={
                  next === 0 ? i18n.t('{name} again', { name: name || i18n.t('The first player') }) : i18n.t('Player {n} has a go', { n: next + 1 })
                }
                onNext={() => again(next)}
              />
            );
          return (
            <ResultScreen
              hand={hand}
              name={name}
              result={step.result}
              events={step.events}
              goes={sessionOf(item)?.goes.length ?? 1}
              players={hand.level.sides.n === 1 ? ways.players : 1}
              onForm={(id) => setStep({ on: 'set-up', item, formId: id, played: counting })}
              onSame={() => again(0)}
              onOthers={() => again(1)}
              onFinish={() => setStep({ on: 'report', item, formId })}
            />
          );
        }
        case 'report': {
          const session = sessionOf(item);
          return session ? (
            <ReportScreen
              hand={hand}
              name={name}
              goes={session.goes}
              draft={session.draft}
              onDraft={(draft) => void store.keepSession({ ...session, draft }).then(refresh)}
              onMore={() => to('set-up')}
              onSend={(draft) => void send(item, draft)}
            />
          ) : null;
        }
        case 'sent': {
          const play = plays.find((one) => one.playId === step.playId);
          return play ? (
            <SentScreen hand={hand} name={name} play={play} onTry={() => void sendWaiting()} onCard={onCard} onAgain={() => to('set-up')} />
          ) : null;
        }
      }
    }
  }
}

/** A go as it is kept and reported: its level, set-up, hand and way of counting. */
function keptGo(hand: InHand, going: Going, ways: Ways, side: Hand, events: readonly PlayEvent[], result: Result): KeptGo {
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
function playOf(session: Session, item: CardItem, draft: Draft, token: string): KeptPlay {
  const looks = markedLooks(lookForsOf(inHand(item, session.formId, usualWays('')).level), draft.marks);
  const report: Report = {
    format: REPORT_FORMAT,
    goes: session.goes.map(({ go }) => go),
    startedAt: session.startedAt,
    sentAt: new Date().toISOString(),
    ...(draft.felt ? { felt: draft.felt } : {}),
    ...(draft.initials ? { adultInitials: draft.initials.toLocaleUpperCase('en-GB') } : {}),
    ...(draft.word.trim() ? { word: draft.word.trim() } : {}),
    ...(looks.length > 0 ? { looks: { by: draft.markedBy, marks: looks } } : {}),
  };
  const better = item.game.parts.length > 1 ? item.game.card.better : item.game.parts[0]!.measure.better;
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

function scoreSoFar(hand: InHand, { events, counting }: BegunGo, words: Words): string {
  const compiled = compile(hand.level);
  if (!compiled.ok) return words.i18n.t('It had just begun');
  const { value, unit } = measure(compiled.value, replay(compiled.value, events, counting).state);
  return value === null || value === 0
    ? words.i18n.t('It had just begun')
    : words.i18n.t('You had {score}', { score: scoreWords(value, unit, words) });
}
