'use client';
/** Make your own: put things on a small floor, fill a few slots, name it, play it, send plan and score. */
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';
import type { CardItem } from '@/contract/card';
import type { Uuid } from '@/contract/ids';
import { emptyPlan, gameFromPlan, type InventedPlan } from '@/core/invent/plan';
import { compile } from '@/core/rules/playing/compile';
import type { Result } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { setUpFor } from '@/core/sheet/set-up';
import { useWords } from '@/features/languages/use-words';
import { TextButton } from '../../counter/text-button';
import { WholeScore, Working } from '../../counter/working';
import { Safe } from '../before-play';
import { Big, Bottom, Plain, Screen, TopLine } from '../home-style';
import { inHand, stopped } from '../in-hand';
import type { Before } from '../../counter/use-play';
import { PlayScreen } from '../play-screen';
import { ownGo, store, usualWays, type BegunGo, type Ways } from '../store';
import { Making } from './making';
import { AskedLine } from './style';
import { StepTitle } from '../step-title';
import { scoreWords } from '../words';

type Step =
  | { readonly on: 'make' }
  | { readonly on: 'safety' }
  | { readonly on: 'begun'; readonly events: readonly PlayEvent[] }
  | { readonly on: 'play'; readonly before: Before; readonly key: string }
  | { readonly on: 'result'; readonly events: readonly PlayEvent[]; readonly result: Result }
  | { readonly on: 'sent' };

export interface InventedGame {
  readonly id: string;
  readonly plan: InventedPlan;
  readonly score: number | null;
}

export interface InventScreenProps {
  readonly name: string;
  /** A game of the card, for the child's step and age. */
  readonly like: CardItem | undefined;
  readonly ways: Ways;
  /** The voice is switched off. */
  readonly onQuiet: () => void;
  readonly draft: InventedPlan | undefined;
  /** Somebody else's of the class: it is played, and nothing of it is sent or kept. */
  readonly borrowed: boolean;
  /** A go of it that was cut off. */
  readonly begun: BegunGo | undefined;
  readonly onDraft: (plan: InventedPlan) => void;
  /** Resolves when this device has kept it; sending follows. */
  readonly onSend: (invention: InventedGame) => Promise<void>;
  readonly onBack: () => void;
}

// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function InventScreen({ name, like, ways, onQuiet, draft, borrowed, begun, onDraft, onSend, onBack }: InventScreenProps) {
  const words = useWords();
  const { i18n } = words;
  const [plan, setPlan] = useState<InventedPlan>(draft ?? emptyPlan);
  const [step, setStep] = useState<Step>(
    begun?.events.some((event) => event.do === 'attempt') ? { on: 'begun', events: begun.events } : { on: 'make' },
  );
  const play = (events: readonly PlayEvent[] = []) => setStep({ on: 'play', before: { events }, key: v7() });
  const put = (next: InventedPlan) => {
    setPlan(next);
    onDraft(next);
  };
  const setUp = useMemo(
    () => like?.setUp ?? { implement: plan.ball, targets: [], distancesM: [], stepM: 0.5, ageYears: 8, form: 'standing' as const },
    [like, plan.ball],
  );
  const game = useMemo(() => gameFromPlan(plan), [plan]);
  const hand = useMemo(() => {
    const item: CardItem = {
      // A go of somebody else's game never takes the place of one of the child's own.
      assignmentId: (borrowed ? `${ownGo(ways.token)} borrowed` : ownGo(ways.token)) as Uuid,
      opensOn: null,
      game,
      levelId: 'level-1',
      setUp,
      forms: [{ id: 'asked', change: { kind: 'as-asked' }, towards: 'as-asked', levelId: 'level-1', otherHand: false, things: [], par: null }],
      par: null,
      best: null,
      received: 0,
    };
    return inHand(item, 'asked', usualWays(ways.token), words);
  }, [game, setUp, ways.token, words, borrowed]);

  const top = (
    <TopLine>
      <span>{plan.title}</span>
      <bdi>{name}</bdi>
    </TopLine>
  );

  switch (step.on) {
    case 'make':
      return <Making name={name} plan={plan} stepM={setUp.stepM} onPlan={put} onBack={onBack} onNext={() => setStep({ on: 'safety' })} />;
    case 'begun':
      return (
        <Screen>
          {top}
          <StepTitle>{i18n.t('You were in the middle of a go')}</StepTitle>
          <p>{i18n.t('It was your own game. The clock stood still since then.')}</p>
          <Bottom>
            <Big type="button" onClick={() => play(stopped(step.events))}>
              {i18n.t('Go on with it')}
            </Big>
            <Plain
              type="button"
              onClick={() => {
                void store.forgetBegun(hand.item.assignmentId);
                setStep({ on: 'make' });
              }}
            >
              {i18n.t('Change the game')}
            </Plain>
          </Bottom>
        </Screen>
      );
    case 'safety': {
      const { directions } = setUpFor(hand.level, hand.pace, words);
      return (
        <Safe
          top={top}
          title={i18n.t('Set it out, with an adult')}
          directions={directions}
          level={hand.level}
          go={i18n.t('Start (a go, button)', {}, { message: 'Start' })}
          onBack={() => setStep({ on: 'make' })}
          onNext={() => play()}
        />
      );
    }
    case 'play':
      return (
        <PlayScreen
          key={step.key}
          hand={hand}
          name={name}
          player={0}
          before={step.before}
          counting="attempts"
          cues={ways}
          onQuiet={onQuiet}
          exerciseSwapped={false}
          onDone={(events, result) => {
            void store.forgetBegun(hand.item.assignmentId);
            setStep({ on: 'result', events, result });
          }}
          onCard={onBack}
        />
      );
    case 'result': {
      const compiled = compile(hand.level);
      return (
        <Screen>
          {top}
          <StepTitle unseen>{i18n.t('Your score: {score}', { score: scoreWords(step.result.value, step.result.unit, words) })}</StepTitle>
          <WholeScore result={step.result} />
          {compiled.ok && <Working program={compiled.value} events={step.events} result={step.result} />}
          {!borrowed && <AskedLine>{i18n.t('Your own game. Is it too easy or too hard? Change it and try again.')}</AskedLine>}
          <Plain type="button" onClick={() => play()}>
            {i18n.t('Play it again')}
          </Plain>
          <Plain type="button" onClick={() => setStep({ on: 'make' })}>
            {i18n.t('Change it')}
          </Plain>
          <Bottom>
            {!borrowed && (
              <Big
                type="button"
                onClick={() => {
                  void onSend({ id: v7(), plan: { ...plan, title: plan.title.trim() }, score: step.result.value }).then(() =>
                    setStep({ on: 'sent' }),
                  );
                }}
              >
                {i18n.t('Show it to my teacher')}
              </Big>
            )}
            <TextButton type="button" onClick={onBack}>
              {i18n.t('Back to the card')}
            </TextButton>
          </Bottom>
        </Screen>
      );
    }
    case 'sent':
      return (
        <Screen>
          {top}
          <StepTitle>{i18n.t('On its way')}</StepTitle>
          <p>{i18n.t('Your game and your score go to your teacher as soon as there is a connection. Perhaps the whole class will play it.')}</p>
          <Bottom>
            <Big type="button" onClick={onBack}>
              {i18n.t('Back to the card')}
            </Big>
          </Bottom>
        </Screen>
      );
  }
}
