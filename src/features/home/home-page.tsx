'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { goOf } from '@/core/reports/from-parts';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import type { Report } from '@/core/reports/report';
import { compile } from '@/core/rules/compile';
import { replay } from '@/core/rules/replay';
import { REPORT_FORMAT } from '@/core/rules/formats';
import { measure, type Result } from '@/core/rules/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/play';
import { pacedGame } from '@/core/sheet/set-up';
import type { Hand } from '@/core/sheet/teaching-points';
import type { Card, CardItem } from '@/server/home/card';
import { Big, Bottom, Plain, Screen, TopLine } from './home-style';
import { PlayScreen } from './play-screen';
import { CardScreen, levelOf, PartsScreen, PractiseScreen, ResultScreen, SafetyScreen, SentScreen, SetUpScreen, Top, type Felt } from './screens';
import { trySending } from './sending';
import { store, type BegunGo, type KeptPlay } from './store';

type Step =
  | { readonly on: 'card' }
  | { readonly on: 'set-up' | 'safety' | 'practise' | 'parts'; readonly item: CardItem }
  | { readonly on: 'begun'; readonly item: CardItem; readonly go: BegunGo }
  | {
      readonly on: 'play';
      readonly item: CardItem;
      readonly playId: string;
      readonly startedAt: string;
      readonly already: readonly PlayEvent[];
      readonly counting: CountingWay;
    }
  | {
      readonly on: 'result';
      readonly item: CardItem;
      readonly playId: string;
      readonly startedAt: string;
      readonly events: readonly PlayEvent[];
      readonly result: Result;
      readonly counting: CountingWay;
    }
  | { readonly on: 'sent'; readonly item: CardItem; readonly playId: string };

type Loaded =
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly words: string }
  | { readonly kind: 'card'; readonly card: Card; readonly offline: string | null };

const RETRY_MS = 15_000;

function tokenInLink(): string {
  return new URLSearchParams(window.location.hash.slice(1)).get('k') ?? '';
}

/** The child's page: one route with its own steps, so that nothing has to be fetched between them. */
export function HomePage() {
  const [token, setToken] = useState<string | null>(null);
  const [loaded, setLoaded] = useState<Loaded>({ kind: 'loading' });
  const [plays, setPlays] = useState<readonly KeptPlay[]>([]);
  const [step, setStep] = useState<Step>({ on: 'card' });
  const [agreed, setAgreed] = useState(false);
  const [hand, setHand] = useState<Hand>('right');
  const [sound, setSound] = useState(false);
  const sending = useRef(false);

  const load = useCallback(async (key: string) => {
    try {
      const response = await fetch('/api/v1/home/card', { headers: { authorization: `Bearer ${key}` } });
      if (response.ok) {
        const card = (await response.json()) as Card;
        setLoaded({ kind: 'card', card, offline: null });
        if (card.child?.hand) setHand(card.child.hand);
        await store.keepCard(key, card);
        return;
      }
      if (response.status < 500) {
        const body = (await response.json().catch(() => ({}))) as { problems?: { reason: string; fix: string }[] };
        setLoaded({ kind: 'failed', words: body.problems?.[0] ? `${body.problems[0].reason} ${body.problems[0].fix}` : 'This link does not open.' });
        return;
      }
    } catch {
      // No connection: what the phone kept is shown instead.
    }
    const kept = await store.card(key);
    setLoaded(
      kept
        ? { kind: 'card', card: kept.card, offline: 'There is no connection. You can play; the score is kept here and sent later.' }
        : { kind: 'failed', words: 'There is no connection, and this device has not opened the card before. Try again when there is one.' },
    );
  }, []);

  const sendWaiting = useCallback(
    async (key: string) => {
      if (sending.current) return;
      sending.current = true;
      try {
        const waiting = (await store.plays(key)).filter((play) => play.state === 'waiting');
        const results = [];
        for (const play of waiting) results.push(await trySending(play));
        setPlays(await store.plays(key));
        if (results.some((play) => play.state === 'received')) void load(key);
      } finally {
        sending.current = false;
      }
    },
    [load],
  );

  useEffect(() => {
    const open = () => {
      const key = tokenInLink();
      setToken(key);
      setStep({ on: 'card' });
      if (key === '') return setLoaded({ kind: 'failed', words: 'Open this page with the link or code from your school.' });
      void load(key);
      void sendWaiting(key);
    };
    open();
    window.addEventListener('hashchange', open);
    return () => window.removeEventListener('hashchange', open);
  }, [load, sendWaiting]);

  useEffect(() => {
    if (!token) return;
    const again = () => void sendWaiting(token);
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [token, sendWaiting]);

  useEffect(() => {
    window.scrollTo(0, 0);
  }, [step.on]);

  if (loaded.kind === 'loading')
    return (
      <Screen>
        <p role="status">One moment …</p>
      </Screen>
    );
  if (loaded.kind === 'failed')
    return (
      <Screen>
        <TopLine>
          <span>Lochside</span>
        </TopLine>
        <h1>This does not open</h1>
        <p>{loaded.words}</p>
        {token && (
          <Bottom>
            <Big type="button" onClick={() => void load(token)}>
              Try again
            </Big>
          </Bottom>
        )}
      </Screen>
    );

  const { card, offline } = loaded;
  const name = card.child?.name ?? '';
  const open = async (item: CardItem) => {
    const go = await store.begun(item.assignmentId);
    setStep(go && go.events.some((event) => event.do === 'attempt') ? { on: 'begun', item, go } : { on: 'set-up', item });
  };
  const begin = (item: CardItem, counting: CountingWay = 'attempts') =>
    setStep({ on: 'play', item, playId: v7(), startedAt: new Date().toISOString(), already: [], counting });
  const send = async (from: Extract<Step, { on: 'result' }>, felt: Felt | null, initials: string, looks: Report['looks']) => {
    const go = goOf(
      { game: from.item.game, levelId: from.item.levelId, setUp: from.item.setUp },
      { counting: from.counting, hand, events: from.events, total: from.result.value, unit: from.result.unit },
    );
    const report: Report = {
      format: REPORT_FORMAT,
      goes: [go],
      startedAt: from.startedAt,
      sentAt: new Date().toISOString(),
      ...(felt ? { felt } : {}),
      ...(initials ? { adultInitials: initials.toLocaleUpperCase('en-GB') } : {}),
      ...(looks ? { looks } : {}),
    };
    const kept: KeptPlay = {
      playId: from.playId,
      token: token!,
      assignmentId: from.item.assignmentId,
      title: from.item.game.title,
      report,
      state: 'waiting',
      words: '',
      total: from.result.value,
      unit: from.result.unit,
    };
    await store.keepPlay(kept);
    await store.forgetBegun(from.item.assignmentId);
    setPlays(await store.plays(token!));
    setStep({ on: 'sent', item: from.item, playId: from.playId });
    await sendWaiting(token!);
  };

  switch (step.on) {
    case 'card':
      return <CardScreen card={card} plays={plays} offline={offline} onOpen={(item) => void open(item)} />;
    case 'begun':
      return (
        <Screen>
          <Top item={step.item} name={name} />
          <h1>You were in the middle of a go</h1>
          <p>{scoreSoFar(step.item, step.go.events)}. The clock stood still since then.</p>
          <Bottom>
            <Big
              type="button"
              onClick={() =>
                setStep({
                  on: 'play',
                  item: step.item,
                  playId: step.go.playId,
                  startedAt: step.go.startedAt,
                  already: stopped(step.go.events),
                  counting: step.go.counting ?? 'attempts',
                })
              }
            >
              Go on with it
            </Big>
            <Plain
              type="button"
              onClick={() => {
                void store.forgetBegun(step.item.assignmentId);
                setStep({ on: 'set-up', item: step.item });
              }}
            >
              Start again
            </Plain>
          </Bottom>
        </Screen>
      );
    case 'set-up':
      return (
        <SetUpScreen item={step.item} name={name} onBack={() => setStep({ on: 'card' })} onNext={() => setStep({ on: 'safety', item: step.item })} />
      );
    case 'safety':
      return (
        <SafetyScreen
          item={step.item}
          name={name}
          agreed={agreed}
          onBack={() => setStep({ on: 'set-up', item: step.item })}
          onNext={() => {
            setAgreed(true);
            setStep({ on: 'practise', item: step.item });
          }}
        />
      );
    case 'practise':
      return (
        <PractiseScreen
          item={step.item}
          name={name}
          hand={hand}
          onHand={setHand}
          sound={sound}
          onSound={setSound}
          onBack={() => setStep({ on: 'safety', item: step.item })}
          onStart={(counting) => begin(step.item, counting)}
          onParts={() => setStep({ on: 'parts', item: step.item })}
        />
      );
    case 'parts':
      return (
        <PartsScreen
          item={step.item}
          name={name}
          onBack={() => setStep({ on: 'practise', item: step.item })}
          onDone={(typed) => {
            const { level } = levelOf(step.item);
            const events = eventsFromFields(level, partFields(level), typed);
            setStep({
              on: 'result',
              item: step.item,
              playId: v7(),
              startedAt: new Date().toISOString(),
              events,
              result: resultOf(step.item, events, 'parts'),
              counting: 'parts',
            });
          }}
        />
      );
    case 'play':
      return (
        <PlayScreen
          key={step.playId}
          item={step.item}
          name={name}
          playId={step.playId}
          startedAt={step.startedAt}
          already={step.already}
          counting={step.counting}
          sound={sound}
          exerciseSwapped={card.exerciseSwapped}
          onDone={(events, result) =>
            setStep({ on: 'result', item: step.item, playId: step.playId, startedAt: step.startedAt, events, result, counting: step.counting })
          }
        />
      );
    case 'result':
      return (
        <ResultScreen
          item={step.item}
          name={name}
          result={step.result}
          events={step.events}
          onAgain={() => begin(step.item)}
          onSend={(felt, initials, looks) => void send(step, felt, initials, looks)}
        />
      );
    case 'sent': {
      const play = plays.find((one) => one.playId === step.playId);
      return play ? (
        <SentScreen
          item={step.item}
          name={name}
          play={play}
          onTry={() => void sendWaiting(token!)}
          onCard={() => setStep({ on: 'card' })}
          onAgain={() => begin(step.item)}
        />
      ) : null;
    }
  }
}

function resultOf(item: CardItem, events: readonly PlayEvent[], counting: CountingWay = 'attempts'): Result {
  const compiled = compile(pacedGame(levelOf(item).level, item.setUp.stepM));
  if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
  return measure(compiled.value, replay(compiled.value, events, counting).state);
}

function scoreSoFar(item: CardItem, events: readonly PlayEvent[]): string {
  const { value, unit } = resultOf(item, events);
  return value === null || value === 0 ? 'It had just begun' : `You had ${value} ${unit}`;
}

/** The events with the clock stopped after the last one, so that going on begins from there. */
function stopped(events: readonly PlayEvent[]): readonly PlayEvent[] {
  const last = events.at(-1);
  return !last || last.do === 'pause' ? events : [...events, { do: 'pause', t: last.t }];
}
