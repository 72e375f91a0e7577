'use client';
import type { DiaryEntry } from '@/contract/diary';
import type { CardItem } from '@/contract/card';
import { lazy, Suspense, useCallback, useEffect, useState } from 'react';
import type { InventedPlan } from '@/core/invent/plan';
import { CardScreen } from './card-screen';
import type { GoingStep } from './going-model';
import { Big, Bottom, Plain, Screen, TopLine } from './home-style';
import { fetchCalendar } from './sending';
import { ownGo, store, usualWays, type BegunGo, type Ways } from './store';
import { useCard } from './use-card';
import { InFamilyLanguage, useWords, useWordsSettled } from '@/features/languages/use-words';
import { useKept } from './use-kept';
import { WaitingHere } from './waiting-here';
import { linesWords, todayHere } from './words';
import { OnOwnPage, StepTitle } from './step-title';
import { FirstSight, useTapOnFirstSight } from './first-sight';

/** What is not needed for the card comes when it is opened, and in advance when the device has time: then it is there without a connection. */
const later = {
  going: async () => {
    const { Going, firstStep } = await import('./going');
    return { default: Going, firstStep };
  },
  diary: async () => {
    const { DiaryScreen } = await import('./diary-screen');
    return { default: DiaryScreen };
  },
  door: async () => {
    const { DoorScreen } = await import('./door-screen');
    return { default: DoorScreen };
  },
  show: async () => {
    const { ShowScreen } = await import('./show-screen');
    return { default: ShowScreen };
  },
  weeks: async () => {
    const { MyWeeksScreen } = await import('./my-weeks-screen');
    return { default: MyWeeksScreen };
  },
  invent: async () => {
    const { InventScreen } = await import('./invent/invent-screen');
    return { default: InventScreen };
  },
};
const MyWeeksScreen = lazy(later.weeks);
const Going = lazy(later.going);
const DiaryScreen = lazy(later.diary);
const InventScreen = lazy(later.invent);
const DoorScreen = lazy(later.door);
const ShowScreen = lazy(later.show);

type View =
  | { readonly on: 'card' }
  | { readonly on: 'invent'; readonly draft: InventedPlan | undefined; readonly begun: BegunGo | undefined; readonly borrowed: boolean }
  | { readonly on: 'diary'; readonly weekId: string }
  | { readonly on: 'weeks' }
  | { readonly on: 'show'; readonly item: CardItem }
  | { readonly on: 'going'; readonly first: GoingStep };

const CARD: View = { on: 'card' };

const NOT_COME = /*i18n*/ 'The rest of this page has not come: the connection broke. Try again once there is one.';

function Moment() {
  const { i18n } = useWords();
  return (
    <Screen>
      <div role="status">
        <StepTitle>{i18n.t('One moment …')}</StepTitle>
      </div>
    </Screen>
  );
}

/** The child's page: one route with its own steps, so that nothing has to be fetched between them. */
export function HomePage() {
  return (
    <InFamilyLanguage>
      <OnOwnPage value>
        <ChildsPage />
      </OnOwnPage>
    </InFamilyLanguage>
  );
}

function ChildsPage() {
  const words = useWords();
  const { i18n } = words;
  const settled = useWordsSettled();
  const [view, setView] = useState<View>(CARD);
  const [ways, setWays] = useState<Ways>(() => usualWays(''));
  const [isWhole, setWhole] = useState(true);
  const opened = useCallback(() => setView(CARD), []);
  const { token, loaded, plays, entries, sessions, underWay, load, refresh, sendWaiting } = useCard(opened);
  const { mayForget, onlyOnline, kept, forget } = useKept(token, loaded.kind === 'card', later);

  useEffect(() => {
    if (token !== '') void store.ways(token).then(setWays);
  }, [token]);

  useEffect(() => {
    window.scrollTo(0, 0);
  }, [view.on]);

  const openKey = (key: string) => {
    window.location.hash = key === '' ? '' : `k=${key}`;
  };

  useTapOnFirstSight(loaded.kind === 'card' && settled);

  if (loaded.kind === 'loading' || !settled) return <FirstSight />;
  if (loaded.kind === 'door')
    return (
      <Suspense fallback={<Moment />}>
        <DoorScreen kept={kept} onOpen={openKey} onForget={(key) => void forget(key)} />
      </Suspense>
    );
  if (loaded.kind === 'failed')
    return (
      <Screen>
        <TopLine>
          <span>Lochside</span>
        </TopLine>
        <StepTitle>{i18n.t('This does not open')}</StepTitle>
        <p>{linesWords(loaded.words, words)}</p>
        <WaitingHere plays={plays} entries={entries} name={kept.find((one) => one.token === token)?.card.child?.name ?? ''} />
        <Bottom>
          <Big type="button" onClick={() => void load()}>
            {i18n.t('Try again')}
          </Big>
          <Plain type="button" onClick={() => openKey('')}>
            {i18n.t('Another link or code')}
          </Plain>
        </Bottom>
      </Screen>
    );

  const { card, offline } = loaded;
  const keepWays = (next: Ways) => {
    setWays(next);
    void store.keepWays(next);
  };
  const open = async (item: CardItem) => {
    const going = await later.going().catch(() => null);
    setWhole(going !== null);
    if (going) setView({ on: 'going', first: await going.firstStep(item, ways) });
  };
  const finish = (item: CardItem) => {
    const session = sessions.find((one) => one.assignmentId === item.assignmentId);
    setView({ on: 'going', first: { on: 'report', item, formId: session?.formId ?? item.forms[0]!.id } });
  };
  const invent = async () => {
    const [draft, begun] = await Promise.all([store.plan(token), store.begun(ownGo(token))]);
    setView({ on: 'invent', draft, begun, borrowed: false });
  };
  const write = async (entry: DiaryEntry) => {
    await store.keepEntry({ key: entry.id, token, entry, state: 'waiting' });
    await refresh();
    await sendWaiting();
  };

  switch (view.on) {
    case 'card':
      return (
        <CardScreen
          card={card}
          today={todayHere()}
          plays={plays}
          underWay={underWay}
          sessions={sessions}
          entries={entries}
          offline={isWhole ? offline : NOT_COME}
          mayForget={mayForget}
          onlyOnline={onlyOnline}
          kept={kept}
          token={token}
          onOpen={(item) => void open(item)}
          onShow={(item) => setView({ on: 'show', item })}
          onFinish={finish}
          onDiary={({ id }) => setView({ on: 'diary', weekId: id })}
          onInvent={() => void invent()}
          onWeeks={() => setView({ on: 'weeks' })}
          onOthers={() => openKey('')}
          onSibling={openKey}
          onCalendar={offline === null ? () => void fetchCalendar(token) : undefined}
        />
      );
    case 'show':
      return (
        <Suspense fallback={<Moment />}>
          <ShowScreen
            item={view.item}
            formId={sessions.find((one) => one.assignmentId === view.item.assignmentId)?.formId ?? view.item.forms[0]!.id}
            ways={ways}
            side={ways.hand ?? card.child?.hand ?? 'right'}
            name={card.child?.name ?? ''}
            onBack={() => setView(CARD)}
          />
        </Suspense>
      );
    case 'diary':
      return (
        <Suspense fallback={<Moment />}>
          <DiaryScreen
            token={token}
            week={card.weeks.find((one) => one.id === view.weekId)!}
            name={card.child?.name ?? ''}
            entries={entries}
            onAdd={(entry) => void write(entry)}
            onStrike={(entry) => void write({ ...entry, struck: true })}
            onBack={() => setView(CARD)}
          />
        </Suspense>
      );
    case 'weeks':
      return (
        <Suspense fallback={<Moment />}>
          <MyWeeksScreen
            token={token}
            card={card}
            name={card.child?.name ?? ''}
            onOpen={(item) => void open(item)}
            onPlan={(draft) => setView({ on: 'invent', draft, begun: undefined, borrowed: true })}
            onBack={() => setView(CARD)}
          />
        </Suspense>
      );
    case 'invent':
      return (
        <Suspense fallback={<Moment />}>
          <InventScreen
            name={card.child?.name ?? ''}
            like={card.weeks[0]?.games[0]}
            ways={ways}
            onQuiet={() => keepWays({ ...ways, speak: false })}
            draft={view.draft}
            begun={view.begun}
            borrowed={view.borrowed}
            onDraft={(plan) => void (!view.borrowed && store.keepPlan(token, plan))}
            onSend={async (invention) => {
              await store.keepInvention({ key: invention.id, token, invention, state: 'waiting' });
              void sendWaiting();
            }}
            onBack={() => setView(CARD)}
          />
        </Suspense>
      );
    case 'going':
      return (
        <Suspense fallback={<Moment />}>
          <Going
            card={card}
            token={token}
            first={view.first}
            ways={ways}
            onWays={keepWays}
            sessions={sessions}
            plays={plays}
            underWay={underWay}
            refresh={refresh}
            sendWaiting={sendWaiting}
            onCard={() => setView(CARD)}
          />
        </Suspense>
      );
  }
}
