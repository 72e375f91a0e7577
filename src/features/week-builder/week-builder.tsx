'use client';
/** Builds a week: what is around it, its game or games in their order, levels, kit; seen in both forms before it is sent. */
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useWatch } from 'react-hook-form';
import type { Card } from '@/contract/card';
import { cardSchema } from '@/contract/card-schema';
import { CardToLookAt } from '@/features/home/card-to-look-at';
import { todayHere } from '@/features/home/words';
import { parRestsWords } from '@/core/progress/skill-words';
import { Button, QuietButton } from '@/ui/button';
import { Select } from '@/ui/field';
import { GamePicker } from '../games/game-picker';
import type { ShelfGame } from '../games/shelf-game';
import { FormDay, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { Empty, Page, PageHead } from '@/ui/page';
import { send } from '@/ui/post';
import { useRead } from '@/ui/reads';
import { saveFile } from '@/ui/save-file';
import { useSettled } from '@/ui/use-settled';
import { makePdf } from '@/ui/make-pdf';
import { WeekAround } from './around';
import { ChildByChild } from './child-by-child';
import { GamesInOrder } from './games-in-order';
import { KitList } from './kit-list';
import {
  askedPlan,
  bodyOf,
  firstPlan,
  isEvent,
  isMixed,
  keptPlan,
  planWords,
  weekPlanSchema,
  withClass,
  withGame,
  type AskedPlan,
  type BuilderClass,
  type BuilderGame,
  type Plan,
  othersOf,
} from './model';
import { Add, Block, ClassRow, Columns, Phone, Soft } from './style';
import { MOST_GAMES_OF_A_WEEK } from '@/contract/week';

const DRAFT = 'lochside-week-plan';
/** One that was begun, while a link asked for another. */
const ASIDE = 'lochside-week-plan-aside';
/** The preview follows when nothing has been changed for so long. */
const PREVIEW_AFTER_MS = 500;

export interface WeekBuilderProps {
  readonly today: string;
  /** What the link asks for that led here. */
  readonly asked: AskedPlan;
  readonly mayChange: boolean;
  readonly classes: readonly BuilderClass[];
  readonly games: readonly BuilderGame[];
  /** The same as the shelf shows them. */
  readonly shelf: readonly ShelfGame[];
}

export function WeekBuilder(props: WeekBuilderProps) {
  const { classes, games } = props;
  if (classes.length > 0 && games.length > 0) return <Builder {...props} />;
  return (
    <Page $width={900}>
      <PageHead>
        <h1>Build a week</h1>
      </PageHead>
      <Empty>
        <p>
          {games.length === 0
            ? 'There is no game on the shelf yet. Make one or take a starter.'
            : 'There is no class yet. Make one and add its children.'}
        </p>
      </Empty>
    </Page>
  );
}

function Builder({ today, mayChange, classes, games, shelf, asked }: WeekBuilderProps) {
  const router = useRouter();
  const form = useSchemaForm(weekPlanSchema, firstPlan(classes, today));
  const { control, reset, setValue } = form;
  const plan = useWatch({ control }) as Plan;
  /** As it is at this moment: what was shown last may be a change behind. */
  const planNow = () => form.getValues() as Plan;
  const put = (change: Partial<Plan>) => {
    for (const [key, value] of Object.entries(change)) setValue(key as keyof Plan, value as never, { shouldDirty: true });
  };

  // A plan that was begun is there again after a reload. What a link asks for comes before it, and puts it aside.
  const [aside, setAside] = useState<Plan | null>(null);
  const begun = useRef(false);
  useEffect(() => {
    const kept = keptPlan(localStorage.getItem(DRAFT), classes, games, today);
    const wanted = begun.current ? null : askedPlan(asked, classes, games, today);
    begun.current = true;
    if (wanted) window.history.replaceState(null, '', '/weeks/new');
    if (wanted && kept && kept.games.length > 0) localStorage.setItem(ASIDE, JSON.stringify(kept));
    setAside(keptPlan(localStorage.getItem(ASIDE), classes, games, today));
    const first = wanted ?? kept;
    if (first) reset(first);
  }, [asked, classes, games, today, reset]);
  const letGo = () => {
    localStorage.removeItem(ASIDE);
    setAside(null);
  };
  const keeping = useRef(false);
  useEffect(() => {
    if (keeping.current) localStorage.setItem(DRAFT, JSON.stringify(plan));
    keeping.current = true;
  }, [plan]);

  const chosen = classes.find((one) => one.id === plan.classId);
  const body = useMemo(() => bodyOf(plan, chosen), [plan, chosen]);
  const settled = useSettled(body, PREVIEW_AFTER_MS);
  const some = plan.games.length > 0;
  const seen = useRead(some && settled.games.length > 0 && mayChange ? '/api/v1/weeks/preview' : null, cardSchema, { body: settled });

  const [problem, setProblem] = useState('');
  const [onPaper, setOnPaper] = useState(false);
  const [picking, setPicking] = useState(false);
  const previewPaper = async () => {
    setOnPaper(true);
    const made = await makePdf('/api/v1/weeks/preview/paper', body, () => undefined, new AbortController().signal);
    setOnPaper(false);
    setProblem(made.problem);
    if (made.ok) saveFile(made.pdf, 'preview.pdf');
  };
  const submit = form.handleSubmit(async () => {
    const answer = await send<{ id: string }>('POST', '/api/v1/weeks', body);
    if (!tookIt(form, answer) || !answer.value) return;
    localStorage.removeItem(DRAFT);
    router.push(`/weeks/${answer.value.id}`);
  });
  const sending = form.formState.isSubmitting;
  const ready = mayChange && some && !sending && !onPaper;

  return (
    <Page>
      <PageHead>
        <h1>Build a week</h1>
        <span className="about">kept on this computer until it is sent</span>
        <Button isDisabled={!ready} onPress={() => void previewPaper()}>
          {onPaper ? 'Making it …' : 'See it on paper'}
        </Button>
        <Button $strong isDisabled={!ready} onPress={() => void submit()}>
          {sending ? 'Sending …' : chosen ? `Send to ${chosen.name}` : 'Send'}
        </Button>
      </PageHead>
      <FormProblem form={form} />
      {aside && (
        <Notice>
          The plan that was begun before ({planWords(aside, classes, games)}) was put aside.{' '}
          <QuietButton
            onPress={() => {
              reset(aside);
              letGo();
            }}
          >
            Bring it back
          </QuietButton>{' '}
          <QuietButton onPress={letGo}>Let it go</QuietButton>
        </Notice>
      )}
      {(problem || seen.error) && (
        <Notice $tone="caution" role="alert">
          {problem || seen.error?.message}
        </Notice>
      )}
      <Columns>
        <div>
          <Block>
            <ClassRow>
              <Select
                label="Class"
                value={plan.classId}
                choices={classes.map((one) => ({ value: one.id, label: `${one.name}, ${one.children.length} children` }))}
                onChange={(classId) => put(withClass(planNow(), classId))}
              />
              <FormDay control={control} name="dueOn" label="Due on" least={today} />
              {isEvent(plan) && <FormText control={control} name="title" label="What the event is called" maxLength={60} />}
            </ClassRow>
            {chosen && <Soft>{parRestsWords({ attempts: chosen.ownTries }, othersOf(plan, games))}</Soft>}
          </Block>
          <Block>
            <h2>
              {isEvent(plan) ? 'Games, in their order' : 'Game'} <small>one, or up to twenty for an event with one card</small>
            </h2>
            {some && <GamesInOrder plan={plan} games={games} mixed={isMixed(chosen)} onPlan={put} />}
            <Add>
              <Button isDisabled={plan.games.length >= MOST_GAMES_OF_A_WEEK} onPress={() => setPicking(true)}>
                {some ? 'Add a game' : 'Choose a game'}
              </Button>
            </Add>
            {picking && (
              <GamePicker
                title={some ? 'Add a game' : 'Choose a game'}
                games={shelf}
                {...(chosen && { ageYears: chosen.ageYears })}
                onClose={() => setPicking(false)}
                onPick={(id) => {
                  put(
                    withGame(
                      planNow(),
                      games.find((game) => game.id === id)!,
                    ),
                  );
                  setPicking(false);
                }}
              />
            )}
            {chosen && some && <ChildByChild plan={plan} of={chosen} games={games} onPlan={put} />}
          </Block>
          <Block>
            <h2>Around it</h2>
            <WeekAround control={control} put={put} />
          </Block>
          <Block>
            <h2>
              Kit <small>what the home finds, what the school sends</small>
            </h2>
            <KitList kit={plan.kit} classSize={chosen?.children.length ?? 0} onKit={(kit) => put({ kit })} />
          </Block>
        </div>
        <Preview card={some ? (seen.data ?? null) : null} />
      </Columns>
    </Page>
  );
}

function Preview({ card }: { card: Card | null }) {
  return (
    <Phone>
      <h2>On a phone{card?.child ? `, for ${card.child.name}` : ''}</h2>
      <div aria-label="Preview of the card" role="region" tabIndex={0}>
        {card ? (
          <CardToLookAt card={card} today={todayHere()} />
        ) : (
          <p className="none">Choose a game, and the card of a child of this class is shown here.</p>
        )}
      </div>
    </Phone>
  );
}
