'use client';
/** Make your own: put things on a small floor, fill a few slots, name it, play it, send plan and score. */
import type { Uuid } from '@/contract/ids';
import type { CardItem } from '@/contract/card';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { v7 } from 'uuid';
import {
  emptyPlan,
  gameFromPlan,
  INVENT_BALLS,
  INVENT_FLOOR,
  INVENT_OBSTACLES,
  INVENT_TARGETS,
  MOST_MARKS,
  MOST_OBSTACLES,
  planGaps,
  type InventedPlan,
} from '@/core/invent/plan';
import { distanceM } from '@/core/course/geometry';
import { stepPace, toParts } from '@/core/measure/lengths';
import { AIMED, IMPLEMENTS, outlineWidthM } from '@/core/objects/catalogue';
import { compile } from '@/core/rules/compile';
import type { Result } from '@/core/rules/measure';
import type { PlayEvent } from '@/core/rules/play';
import { cautionsFor, setUpFor } from '@/core/sheet/set-up';
import { TextButton } from '../counter/counter-style';
import { WholeScore, Working } from '../counter/working';
import { Safe } from './before-play';
import { Big, Bottom, Plain, Ruled, Screen, TopLine } from './home-style';
import { inHand, stopped } from './in-hand';
import { PlayScreen } from './play-screen';
import { ReadAloud } from './read-aloud';
import { OPEN_SLOTS, Slotted, useWords } from '@/features/languages/use-words';
import { ownGo, store, usualWays, type BegunGo, type Ways } from './store';

const SIZE = 340;
const K = SIZE / INVENT_FLOOR.widthM;
const HEIGHT = INVENT_FLOOR.depthM * K;
const STEP_OF_KEYS_M = 0.1;

const Floor = styled.svg`
  display: block;
  width: 100%;
  border: 1.5px solid var(--ink);
  background: var(--band-1);
  touch-action: none;
  cursor: crosshair;
  & g[role='button'] {
    cursor: grab;
    outline: none;
  }
  &:focus-visible {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
  & g[role='button']:focus-visible .ring {
    stroke: var(--focus);
    stroke-width: 3;
  }
`;

const Palette = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  & button {
    min-height: 44px;
    padding: 0 12px;
    border: 1.5px solid var(--line-strong);
    border-radius: 6px;
    background: var(--sheet);
    color: inherit;
    cursor: pointer;
  }
  & button[aria-pressed='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 700;
  }
`;

const Slots = styled.p`
  line-height: 2.3;
  & select,
  & input {
    min-height: 44px;
    padding: 2px 8px;
    border: 0;
    border-bottom: 3px solid var(--gorse);
    background: var(--sheet);
    color: inherit;
    font: inherit;
    font-weight: 700;
  }
`;

type Picked = { readonly kind: 'target' } | { readonly kind: 'mark' | 'obstacle'; readonly index: number };

type Putting = 'target' | 'mark' | (typeof INVENT_OBSTACLES)[number];

type Step =
  | { readonly on: 'make' }
  | { readonly on: 'safety' }
  | { readonly on: 'begun'; readonly events: readonly PlayEvent[] }
  | { readonly on: 'play'; readonly already: readonly PlayEvent[]; readonly key: string }
  | { readonly on: 'result'; readonly events: readonly PlayEvent[]; readonly result: Result }
  | { readonly on: 'sent' };

export interface Invention {
  readonly id: string;
  readonly plan: InventedPlan;
  readonly score: number | null;
}

export interface InventScreenProps {
  readonly name: string;
  /** A game of the card, for the child's step and age. */
  readonly like: CardItem | undefined;
  readonly ways: Ways;
  readonly draft: InventedPlan | undefined;
  /** A go of it that was cut off. */
  readonly begun: BegunGo | undefined;
  readonly onDraft: (plan: InventedPlan) => void;
  /** Resolves when this device has kept it; sending follows. */
  readonly onSend: (invention: Invention) => Promise<void>;
  readonly onBack: () => void;
}

// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function InventScreen({ name, like, ways, draft, begun, onDraft, onSend, onBack }: InventScreenProps) {
  const words = useWords();
  const { i18n } = words;
  const [plan, setPlan] = useState<InventedPlan>(draft ?? emptyPlan);
  const [step, setStep] = useState<Step>(
    begun?.events.some((event) => event.do === 'attempt') ? { on: 'begun', events: begun.events } : { on: 'make' },
  );
  const play = (already: readonly PlayEvent[] = []) => setStep({ on: 'play', already, key: v7() });
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
      assignmentId: ownGo(ways.token) as Uuid,
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
  }, [game, setUp, ways.token, words]);

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
          <h1>{i18n.t('You were in the middle of a go')}</h1>
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
          cautions={cautionsFor(hand.level, words)}
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
          already={step.already}
          counting="attempts"
          cues={ways}
          exerciseSwapped={false}
          onDone={(events, result) => {
            void store.forgetBegun(hand.item.assignmentId);
            setStep({ on: 'result', events, result });
          }}
        />
      );
    case 'result': {
      const compiled = compile(hand.level);
      return (
        <Screen>
          {top}
          <WholeScore result={step.result} />
          {compiled.ok && <Working program={compiled.value} events={step.events} result={step.result} />}
          <p style={{ textAlign: 'center' }}>{i18n.t('Your own game. Is it too easy or too hard? Change it and try again.')}</p>
          <Plain type="button" onClick={() => play()}>
            {i18n.t('Play it again')}
          </Plain>
          <Plain type="button" onClick={() => setStep({ on: 'make' })}>
            {i18n.t('Change it')}
          </Plain>
          <Bottom>
            <Big
              type="button"
              onClick={() => {
                void onSend({ id: v7(), plan: { ...plan, title: plan.title.trim() }, score: step.result.value }).then(() => setStep({ on: 'sent' }));
              }}
            >
              {i18n.t('Show it to my teacher')}
            </Big>
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
          <h1>{i18n.t('On its way')}</h1>
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

function Making({
  name,
  plan,
  stepM,
  onPlan,
  onBack,
  onNext,
}: {
  name: string;
  plan: InventedPlan;
  stepM: number;
  onPlan: (plan: InventedPlan) => void;
  onBack: () => void;
  onNext: () => void;
}) {
  const words = useWords();
  const { i18n, own, noun, forms } = words;
  const [putting, setPutting] = useState<Putting>('mark');
  const [picked, setPicked] = useState<Picked | null>(null);
  const gaps = planGaps(plan);
  const inside = (xM: number, yM: number) => ({
    xM: Math.round(Math.min(INVENT_FLOOR.widthM - 0.15, Math.max(0.15, xM)) * 20) / 20,
    yM: Math.round(Math.min(INVENT_FLOOR.depthM - 0.15, Math.max(0.15, yM)) * 20) / 20,
  });
  const place = (xM: number, yM: number) => {
    const spot = inside(xM, yM);
    if (picked) return move(picked, spot.xM, spot.yM);
    if (putting === 'target') onPlan({ ...plan, target: { ...plan.target, ...spot } });
    else if (putting === 'mark') {
      if (plan.marks.length < MOST_MARKS) onPlan({ ...plan, marks: [...plan.marks, { ...spot, points: plan.marks.length + 1 }] });
    } else if (plan.obstacles.length < MOST_OBSTACLES) onPlan({ ...plan, obstacles: [...plan.obstacles, { ...spot, object: putting }] });
  };
  const move = (what: Picked, xM: number, yM: number) => {
    const spot = inside(xM, yM);
    if (what.kind === 'target') onPlan({ ...plan, target: { ...plan.target, ...spot } });
    else if (what.kind === 'mark') onPlan({ ...plan, marks: plan.marks.map((mark, at) => (at === what.index ? { ...mark, ...spot } : mark)) });
    else onPlan({ ...plan, obstacles: plan.obstacles.map((one, at) => (at === what.index ? { ...one, ...spot } : one)) });
  };
  const remove = (what: Picked) => {
    setPicked(null);
    if (what.kind === 'mark') onPlan({ ...plan, marks: plan.marks.filter((_, at) => at !== what.index) });
    if (what.kind === 'obstacle') onPlan({ ...plan, obstacles: plan.obstacles.filter((_, at) => at !== what.index) });
  };
  const same = (one: Picked) =>
    picked !== null && picked.kind === one.kind && (one.kind === 'target' || (picked as { index: number }).index === one.index);
  const thing = (what: Picked, label: string, spot: { xM: number; yM: number }, drawn: React.ReactNode) => (
    <g
      key={`${what.kind} ${'index' in what ? what.index : ''}`}
      role="button"
      tabIndex={0}
      aria-label={same(what) ? i18n.t('{thing}, picked up', { thing: label }) : label}
      transform={`translate(${spot.xM * K} ${spot.yM * K})`}
      onClick={(event) => {
        event.stopPropagation();
        setPicked(same(what) ? null : what);
      }}
      onKeyDown={(event) => {
        const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
        if (by) {
          event.preventDefault();
          move(what, spot.xM + by[0]! * STEP_OF_KEYS_M, spot.yM + by[1]! * STEP_OF_KEYS_M);
        } else if (event.key === 'Delete' || event.key === 'Backspace') remove(what);
        else if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          setPicked(same(what) ? null : what);
        }
      }}
    >
      <circle className="ring" r={22} fill={same(what) ? 'var(--gorse)' : 'transparent'} fillOpacity={0.35} stroke="transparent" />
      {drawn}
    </g>
  );
  const named = (name: string) => noun(name);
  const steps = (mark: { xM: number; yM: number }) => toParts(distanceM(mark, plan.target), stepPace(stepM), words).words;
  const select = <T extends string>(label: string, value: T, choices: readonly (readonly [T, string])[], onChange: (value: T) => void) => (
    <select aria-label={label} value={value} onChange={(event) => onChange(event.target.value as T)}>
      {choices.map(([id, label]) => (
        <option key={id} value={id}>
          {label}
        </option>
      ))}
    </select>
  );
  return (
    <Screen>
      <TopLine>
        <span>{i18n.t('A game of your own')}</span>
        <bdi>{name}</bdi>
      </TopLine>
      <h1>{i18n.t('Put it on the floor')}</h1>
      <p>
        {i18n.t('Choose a thing, then tap the floor. Tap a thing to pick it up, tap where it goes. With keys: Enter puts it down, arrows move it.')}
      </p>
      <ReadAloud
        words={i18n.t(
          'Put it on the floor. Choose a thing, then tap the floor. Tap a thing to pick it up, then tap where it goes. Give your game a name, then play it.',
        )}
      />
      <Palette role="group" aria-label={i18n.t('Things to put down')}>
        {(
          [
            ['mark', i18n.t('a mark to throw from')],
            ['target', i18n.t('the target')],
            ...INVENT_OBSTACLES.map((object) => [object, named(AIMED[object].name)] as const),
          ] as readonly (readonly [Putting, string])[]
        ).map(([id, label]) => (
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
      </Palette>
      <Floor
        viewBox={`0 0 ${SIZE} ${HEIGHT}`}
        aria-label={i18n.t('The floor from above')}
        role="group"
        tabIndex={0}
        onKeyDown={(event) => {
          // With the keys alone it is put down in the middle and moved from there.
          if (event.key !== 'Enter' || event.target !== event.currentTarget) return;
          event.preventDefault();
          place(INVENT_FLOOR.widthM / 2, INVENT_FLOOR.depthM / 2);
        }}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          place(((event.clientX - box.left) / box.width) * INVENT_FLOOR.widthM, ((event.clientY - box.top) / box.height) * INVENT_FLOOR.depthM);
          setPicked(null);
        }}
      >
        {plan.marks.map((mark, index) => (
          <line
            key={index}
            x1={mark.xM * K}
            y1={mark.yM * K}
            x2={plan.target.xM * K}
            y2={plan.target.yM * K}
            stroke="var(--ink)"
            strokeDasharray="2 6"
            strokeLinecap="round"
          />
        ))}
        {plan.obstacles.map((one, index) => {
          const wide = outlineWidthM(AIMED[one.object].shape) * K;
          return thing(
            { kind: 'obstacle', index },
            named(AIMED[one.object].name),
            one,
            <rect x={-wide / 2} y={-12} width={wide} height={24} fill="var(--band-3)" stroke="var(--ink)" strokeDasharray="4 3" />,
          );
        })}
        {thing(
          { kind: 'target' },
          i18n.t('the target, a {thing}', { ...forms('thing', AIMED[plan.target.object].name) }),
          plan.target,
          <rect
            x={(-outlineWidthM(AIMED[plan.target.object].shape) * K) / 2}
            y={-16}
            width={Math.max(10, outlineWidthM(AIMED[plan.target.object].shape) * K)}
            height={32}
            rx={4}
            fill="var(--sheet)"
            stroke="var(--heather)"
            strokeWidth={4}
          />,
        )}
        {plan.marks.map((mark, index) =>
          thing(
            { kind: 'mark', index },
            i18n.t('mark {n}, {steps} from the target', { n: index + 1, steps: steps(mark) }),
            mark,
            <>
              <rect x={-4} y={-15} width={8} height={30} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.5} />
              <text x={10} y={5} fontSize={15} fontWeight={700} fill="var(--ink)">
                {mark.points}
              </text>
            </>,
          ),
        )}
      </Floor>
      {picked && picked.kind !== 'target' && (
        <TextButton type="button" onClick={() => remove(picked)}>
          {i18n.t('Take it off the floor')}
        </TextButton>
      )}
      <Slots>
        <Slotted
          words={i18n.t('I throw a {ball} {how} at a {target}. I have {stop}. If I miss, {miss}.', OPEN_SLOTS)}
          slots={{
            ball: select(
              i18n.t('What is thrown'),
              plan.ball,
              INVENT_BALLS.map((id) => [id, named(IMPLEMENTS[id].name)] as const),
              (ball) => onPlan({ ...plan, ball }),
            ),
            how: select(
              i18n.t('How it is thrown'),
              plan.technique,
              [
                ['underarm', i18n.t('underarm (how it is thrown)', {}, { message: 'underarm' })] as const,
                ['overarm', i18n.t('overarm (how it is thrown)', {}, { message: 'overarm' })] as const,
              ],
              (technique) => onPlan({ ...plan, technique }),
            ),
            target: select(
              i18n.t('The target'),
              plan.target.object,
              INVENT_TARGETS.map((id) => [id, named(AIMED[id].name)] as const),
              (object) => onPlan({ ...plan, target: { ...plan.target, object } }),
            ),
            stop: select(
              i18n.t('How long'),
              plan.stop.kind === 'seconds' ? `s${plan.stop.s}` : `n${plan.stop.n}`,
              [
                ...[5, 10, 15].map((n) => [`n${n}`, i18n.t('{n} throws', { n })] as const),
                ...[30, 60, 90].map((n) => [`s${n}`, i18n.t('{n} seconds', { n })] as const),
              ],
              (chosen) =>
                onPlan({
                  ...plan,
                  stop: chosen.startsWith('s') ? { kind: 'seconds', s: Number(chosen.slice(1)) } : { kind: 'attempts', n: Number(chosen.slice(1)) },
                }),
            ),
            miss: select(
              i18n.t('After a miss'),
              plan.afterMiss,
              [['again', i18n.t('I throw again')] as const, ['exercise', i18n.t('I tap my heels 4 times')] as const],
              (afterMiss) => onPlan({ ...plan, afterMiss }),
            ),
          }}
        />
      </Slots>
      <Ruled>
        {plan.marks.map((mark, index) => (
          <li key={index} style={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', gap: 12 }}>
            <span>{i18n.t('Mark {n}: {steps}', { n: index + 1, steps: steps(mark) })}</span>
            <Slots as="span">
              <Slotted
                words={i18n.t('gives {points}', OPEN_SLOTS)}
                slots={{
                  points: select(
                    i18n.t('Points from mark {n}', { n: index + 1 }),
                    `${mark.points}`,
                    [1, 2, 3, 4, 5, 6, 8, 10].map((n) => [`${n}`, `${n}`] as const),
                    (points) => onPlan({ ...plan, marks: plan.marks.map((one, at) => (at === index ? { ...one, points: Number(points) } : one)) }),
                  ),
                }}
              />
            </Slots>
          </li>
        ))}
      </Ruled>
      <label style={{ display: 'flex', flexDirection: 'column', gap: 6 }}>
        <b>{i18n.t('What is it called?')}</b>
        <input
          value={plan.title}
          maxLength={40}
          onChange={(event) => onPlan({ ...plan, title: event.target.value })}
          style={{
            minHeight: 48,
            padding: '4px 12px',
            border: '2px solid var(--ink)',
            borderRadius: 8,
            background: 'var(--sheet)',
            color: 'inherit',
            font: 'inherit',
          }}
        />
        <small>{i18n.t('A name for the game, not of a person.')}</small>
      </label>
      {gaps.map((gap) => (
        <p key={gap} role="status" style={{ color: 'var(--ink-soft)' }}>
          {own(gap)}
        </p>
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
