'use client';
/** The rules of a game of one's own: a sentence with slots, and what each mark gives. */
import { INVENT_BALLS, INVENT_TARGETS, type InventedPlan } from '@/core/invent/plan';
import { AIMED, IMPLEMENTS } from '@/core/objects/catalogue';
import { OPEN_SLOTS, Slotted, useWords } from '@/features/languages/use-words';
import { Ruled } from '../home-style';
import { stopId, withPoints, withStop } from './model';
import { PointsRow, SlotLine } from './style';

const TRIES = [5, 10, 15];
const SECONDS = [30, 60, 90];
const POINTS = [1, 2, 3, 4, 5, 6, 8, 10];

interface RulesProps {
  readonly plan: InventedPlan;
  readonly onPlan: (plan: InventedPlan) => void;
}

interface SlotProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly choices: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
}

function Slot<T extends string>({ label, value, choices, onChange }: SlotProps<T>) {
  return (
    <select aria-label={label} value={value} onChange={(event) => onChange(event.target.value as T)}>
      {choices.map(([id, words]) => (
        <option key={id} value={id}>
          {words}
        </option>
      ))}
    </select>
  );
}

export function InventRules({ plan, onPlan }: RulesProps) {
  const { i18n, noun } = useWords();
  return (
    <SlotLine>
      <Slotted
        words={i18n.t('I throw a {ball} {how} at a {target}. I have {stop}. If I miss, {miss}.', OPEN_SLOTS)}
        slots={{
          ball: (
            <Slot
              label={i18n.t('What is thrown')}
              value={plan.ball}
              choices={INVENT_BALLS.map((id) => [id, noun(IMPLEMENTS[id].name)] as const)}
              onChange={(ball) => onPlan({ ...plan, ball })}
            />
          ),
          how: (
            <Slot
              label={i18n.t('How it is thrown')}
              value={plan.technique}
              choices={[
                ['underarm', i18n.t('underarm (how it is thrown)', {}, { message: 'underarm' })],
                ['overarm', i18n.t('overarm (how it is thrown)', {}, { message: 'overarm' })],
              ]}
              onChange={(technique) => onPlan({ ...plan, technique })}
            />
          ),
          target: (
            <Slot
              label={i18n.t('The target')}
              value={plan.target.object}
              choices={INVENT_TARGETS.map((id) => [id, noun(AIMED[id].name)] as const)}
              onChange={(object) => onPlan({ ...plan, target: { ...plan.target, object } })}
            />
          ),
          stop: (
            <Slot
              label={i18n.t('How long')}
              value={stopId(plan)}
              choices={[
                ...TRIES.map((n) => [`n${n}`, i18n.t('{n} throws', { n })] as const),
                ...SECONDS.map((n) => [`s${n}`, i18n.t('{n} seconds', { n })] as const),
              ]}
              onChange={(id) => onPlan(withStop(plan, id))}
            />
          ),
          miss: (
            <Slot
              label={i18n.t('After a miss')}
              value={plan.afterMiss}
              choices={[
                ['again', i18n.t('I throw again')],
                ['exercise', i18n.t('I tap my heels 4 times')],
              ]}
              onChange={(afterMiss) => onPlan({ ...plan, afterMiss })}
            />
          ),
        }}
      />
    </SlotLine>
  );
}

export function PointsOfMarks({ plan, onPlan, stepsOf }: RulesProps & { readonly stepsOf: (mark: InventedPlan['marks'][number]) => string }) {
  const { i18n } = useWords();
  return (
    <Ruled>
      {plan.marks.map((mark, index) => (
        <PointsRow key={index}>
          <span>{i18n.t('Mark {n}: {steps}', { n: index + 1, steps: stepsOf(mark) })}</span>
          <SlotLine as="span">
            <Slotted
              words={i18n.t('gives {points}', OPEN_SLOTS)}
              slots={{
                points: (
                  <Slot
                    label={i18n.t('Points from mark {n}', { n: index + 1 })}
                    value={`${mark.points}`}
                    choices={POINTS.map((n) => [`${n}`, `${n}`] as const)}
                    onChange={(points) => onPlan(withPoints(plan, index, Number(points)))}
                  />
                ),
              }}
            />
          </SlotLine>
        </PointsRow>
      ))}
    </Ruled>
  );
}
