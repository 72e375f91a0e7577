'use client';
import type { Card, CardItem } from '@/contract/card';
import { lazy, Suspense, useEffect, useState } from 'react';
import type { Result } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import type { Hand } from '@/core/sheet/teaching-points';
import { useWords } from '@/features/languages/use-words';
import { AgainScreen } from './again-screen';
import { CountScreen, PractiseScreen, SafetyScreen } from './before-play';
import { BegunScreen } from './begun-screen';
import {
  howBegun,
  isOnCard,
  isAgreed,
  keptGo,
  placeOf,
  restBefore,
  playOf,
  sessionWith,
  stepAfterSetUp,
  stepToBeginWith,
  stepToGoOn,
  stepToPlay,
  withLastTime,
  withSum,
  type Counting,
  type GoInTheMaking,
  type GoingStep,
} from './going-model';
import { inHand, type InHand } from './in-hand';
import { PartsScreen } from './parts-screen';
import { OtherResultScreen, PlayScreen, WatchScreen } from './play-screen';
import { ReportScreen, SentScreen } from './report-screen';
import { RestScreen } from './rest-screen';
import { ResultScreen } from './result-screen';
import { SetUpScreen } from './set-up-screen';
import { store, type HomeDraft, type KeptPlay, type Session, type Ways } from './store';
import { scoreWords, todayHere } from './words';

/** What shows the game is not needed to play it. */
const ShowScreen = lazy(async () => {
  const { ShowScreen: Shown } = await import('./show-screen');
  return { default: Shown };
});

export interface GoingProps {
  readonly card: Card;
  readonly token: string;
  readonly first: GoingStep;
  readonly ways: Ways;
  readonly onWays: (ways: Ways) => void;
  readonly sessions: readonly Session[];
  readonly plays: readonly KeptPlay[];
  readonly underWay: boolean;
  readonly refresh: () => Promise<void>;
  readonly sendWaiting: () => Promise<void>;
  readonly onCard: () => void;
}

/** Where a game that is opened begins. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export async function firstStep(item: CardItem, ways: Ways): Promise<GoingStep> {
  return stepToBeginWith(item, await store.begun(item.assignmentId), await store.session(item.assignmentId), ways);
}

/** From setting a game out to having sent it: loaded when the first game is opened, and in advance when there is time. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function Going({ card, token, first, ways, onWays: keepWays, sessions, plays, underWay, refresh, sendWaiting, onCard }: GoingProps) {
  const words = useWords();
  const { i18n } = words;
  const [step, setStep] = useState<GoingStep>(first);
  useEffect(() => {
    window.scrollTo(0, 0);
  }, [step.on]);
  const name = card.child?.name ?? '';
  const side: Hand = ways.hand ?? card.child?.hand ?? 'right';
  const sessionOf = (item: CardItem): Session | undefined => sessions.find((one) => one.assignmentId === item.assignmentId);

  const start = (item: CardItem, formId: string, counting: Counting, player = 0, now = ways) => {
    keepWays(withLastTime(now, inHand(item, formId, now, words), counting));
    setStep(stepToPlay(item, formId, counting, player));
  };
  const ended = async (item: CardItem, formId: string, going: GoInTheMaking, events: readonly PlayEvent[], result: Result) => {
    if (going.player === 0) {
      const go = keptGo(inHand(item, formId, ways, words), going, ways, side, events, result);
      await store.endGo(sessionWith(await store.session(item.assignmentId), { item, onCard: isOnCard(card, item) }, token, formId, go, new Date()));
      await refresh();
    } else await store.forgetBegun(item.assignmentId);
    setStep({ on: 'result', item, formId, going, events, result });
  };
  const agreed = (hand: InHand): Ways => ({ ...ways, agreedOn: todayHere(), agreedTo: placeOf(hand, ways) });
  /** What the child made of the go that was ended just now. */
  const added = async (item: CardItem, sum: number) => {
    const session = await store.session(item.assignmentId);
    if (!session) return;
    await store.keepSession(withSum(session, sum));
    await refresh();
  };
  /** What is kept now: another window may have played on, or ended it. */
  const goOn = async (item: CardItem) => {
    const go = await store.begun(item.assignmentId);
    setStep(go ? stepToGoOn(item, go, Date.now()) : await firstStep(item, ways));
  };
  const send = async (item: CardItem, draft: HomeDraft) => {
    // Another window may have sent it meanwhile.
    const session = await store.session(item.assignmentId);
    if (!session) return onCard();
    const play = playOf(session, item, draft, token, new Date());
    await store.handOver(play);
    await refresh();
    setStep({ on: 'sent', item, formId: session.formId, playId: play.playId });
    await sendWaiting();
  };

  switch (step.on) {
    case 'begun': {
      const { item, go } = step;
      return (
        <BegunScreen
          hand={inHand(item, go.formId, ways, words)}
          name={name}
          go={go}
          onGoOn={() => void goOn(item)}
          onWriteDown={() => setStep({ on: 'parts', item, formId: go.formId, going: howBegun(go), tookMs: go.watchMs ?? null })}
          onAgain={() => {
            void store.forgetBegun(item.assignmentId);
            setStep({ on: 'set-up', item, formId: go.formId, played: null });
          }}
        />
      );
    }
    default: {
      const { item, formId } = step;
      const hand = inHand(item, formId, ways, words);
      const to = (on: 'set-up' | 'safety' | 'practise' | 'show' | 'count') =>
        setStep({ on, item, formId, played: 'played' in step ? step.played : null });
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
              onNext={() => setStep(stepAfterSetUp(step, isAgreed(hand, ways, todayHere())))}
            />
          );
        case 'again':
          return (
            <AgainScreen
              hand={hand}
              name={name}
              agreed={isAgreed(hand, ways, todayHere())}
              onSame={() => start(item, formId, step.counting, 0, agreed(hand))}
              onOther={() => to('set-up')}
              onBack={onCard}
            />
          );
        case 'safety':
          return (
            <SafetyScreen
              hand={hand}
              name={name}
              onBack={() => to('set-up')}
              onNext={() => {
                keepWays(agreed(hand));
                to('practise');
              }}
            />
          );
        case 'show':
          return (
            <Suspense>
              <ShowScreen item={item} formId={formId} ways={ways} side={side} name={name} onBack={() => to('practise')} />
            </Suspense>
          );
        case 'practise':
          return (
            <PractiseScreen
              hand={hand}
              name={name}
              side={side}
              onSide={(next) => keepWays({ ...ways, hand: next })}
              onShow={() => to('show')}
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
              onQuiet={() => keepWays({ ...ways, speak: false })}
              fromMs={step.fromMs ?? 0}
              onDone={(tookMs) => setStep({ on: 'parts', item, formId, going: step.going, tookMs })}
              onCard={onCard}
            />
          ) : (
            <PlayScreen
              key={step.key}
              hand={hand}
              name={name}
              player={step.going.player}
              before={step.before}
              counting={step.going.counting}
              cues={ways}
              onQuiet={() => keepWays({ ...ways, speak: false })}
              exerciseSwapped={card.exerciseSwapped}
              onDone={(events, result) => void ended(item, formId, step.going, events, result)}
              onCard={onCard}
            />
          );
        case 'result': {
          const { counting, player } = step.going;
          const again = (who: number) => {
            const seconds = restBefore(step, who);
            if (seconds > 0) setStep({ on: 'rest', item, formId, going: { counting, player: who }, seconds });
            else start(item, formId, counting, who);
          };
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
              onAdded={(sum) => void added(item, sum)}
            />
          );
        }
        case 'rest':
          return (
            <RestScreen hand={hand} name={name} seconds={step.seconds} onNext={() => start(item, formId, step.going.counting, step.going.player)} />
          );
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
            <SentScreen
              hand={hand}
              name={name}
              play={play}
              underWay={underWay}
              onTry={() => void sendWaiting()}
              onCard={onCard}
              onAgain={() => to('set-up')}
            />
          ) : null;
        }
      }
    }
  }
}
