'use client';
/** Making a game of one's own: what is on the floor, its rules, its name, and what is still missing. */
import { useState } from 'react';
import { distanceM } from '@/core/course/geometry';
import { INVENT_OBSTACLES, planGaps, type InventedPlan } from '@/core/invent/plan';
import { stepPace, toParts } from '@/core/measure/lengths';
import { AIMED } from '@/core/objects/catalogue';
import { useWords } from '@/features/languages/use-words';
import { Written } from '../../counter/answers';
import { TextButton } from '../../counter/text-button';
import { Big, Bottom, Screen, TopLine } from '../home-style';
import { ReadAloud } from '../read-aloud';
import { InventFloor } from './invent-floor';
import { InventRules, PointsOfMarks } from './invent-rules';
import { withTakenOff, type InventPick, type Putting } from './model';
import { GapNote, ThingBar } from './style';
import { StepTitle } from '../step-title';

interface MakingProps {
  readonly name: string;
  readonly plan: InventedPlan;
  readonly stepM: number;
  readonly onPlan: (plan: InventedPlan) => void;
  readonly onBack: () => void;
  readonly onNext: () => void;
}

export function Making({ name, plan, stepM, onPlan, onBack, onNext }: MakingProps) {
  const words = useWords();
  const { i18n, own, noun } = words;
  const [putting, setPutting] = useState<Putting>('mark');
  const [picked, setPicked] = useState<InventPick | null>(null);
  const gaps = planGaps(plan);
  const stepsOf = (mark: InventedPlan['marks'][number]) => toParts(distanceM(mark, plan.target), stepPace(stepM), words).words;
  const things: readonly (readonly [Putting, string])[] = [
    ['mark', i18n.t('a mark to throw from')],
    ['target', i18n.t('the target')],
    ...INVENT_OBSTACLES.map((object) => [object, noun(AIMED[object].name)] as const),
  ];
  return (
    <Screen>
      <TopLine>
        <span>{i18n.t('A game of your own')}</span>
        <bdi>{name}</bdi>
      </TopLine>
      <StepTitle>{i18n.t('Put it on the floor')}</StepTitle>
      <p>
        {i18n.t('Choose a thing, then tap the floor. Tap a thing to pick it up, tap where it goes. With keys: Enter puts it down, arrows move it.')}
      </p>
      <ReadAloud
        words={i18n.t(
          'Put it on the floor. Choose a thing, then tap the floor. Tap a thing to pick it up, then tap where it goes. Give your game a name, then play it.',
        )}
      />
      <ThingBar role="group" aria-label={i18n.t('Things to put down')}>
        {things.map(([id, label]) => (
          <button
            key={id}
            type="button"
            aria-pressed={putting === id && picked === null}
            onClick={() => {
              setPicked(null);
              setPutting(id);
            }}
          >
            {label}
          </button>
        ))}
      </ThingBar>
      <InventFloor plan={plan} stepsOf={stepsOf} putting={putting} picked={picked} onPick={setPicked} onPlan={onPlan} />
      {picked && picked.kind !== 'target' && (
        <TextButton
          type="button"
          onClick={() => {
            setPicked(null);
            onPlan(withTakenOff(plan, picked));
          }}
        >
          {i18n.t('Take it off the floor')}
        </TextButton>
      )}
      <InventRules plan={plan} onPlan={onPlan} />
      <PointsOfMarks plan={plan} onPlan={onPlan} stepsOf={stepsOf} />
      <Written
        label={<b>{i18n.t('What is it called?')}</b>}
        value={plan.title}
        onChange={(title) => onPlan({ ...plan, title })}
        hint={i18n.t('A name for the game, not of a person.')}
        maxLength={40}
      />
      {gaps.map((gap) => (
        <GapNote key={gap} role="status">
          {own(gap)}
        </GapNote>
      ))}
      <TextButton type="button" onClick={onBack}>
        {i18n.t('Back to the card')}
      </TextButton>
      <Bottom $inSight>
        <Big type="button" disabled={gaps.length > 0} onClick={onNext}>
          {i18n.t('Play it')}
        </Big>
      </Bottom>
    </Screen>
  );
}
