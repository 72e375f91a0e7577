'use client';
/** What comes before the clock: safety with an adult, practice, and how to count. */
import { useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { CircleCheck, Hand as HandIcon, Pencil } from 'lucide-react';
import type { Game } from '@/core/rules/format/game';
import { compile } from '@/core/rules/playing/compile';
import { catalogueIn } from '@/core/rules/telling/languages';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { cautionsFor } from '@/core/sheet/set-up';
import { isHanded, skillsOf, teachingPoints, type Hand } from '@/core/sheet/teaching-points';
import { tile } from '../counter/counter-style';
import { TextButton } from '../counter/text-button';
import { Footprints } from '../drawing/footprints';
import { MovementLoop } from '../drawing/movement';
import { Exercise } from '../drawing/exercise';
import type { Counting } from './going-model';
import { Cautions } from './cautions';
import { Bottom, Plain, Ruled, Screen } from './home-style';
import { OneOf, Tick, YesOrNo } from '../counter/answers';
import type { InHand } from './in-hand';
import { ReadAloud } from './read-aloud';
import type { Ways } from './store';
import { useWords } from '@/features/languages/use-words';
import { Top } from './top';
import { BackButton, OnButton } from './step-buttons';
import { StepPicture } from './step-picture';
import { StepTitle } from './step-title';

const Word = styled.b`
  && {
    min-width: 96px;
    font-size: var(--type-5);
  }
`;

const Fault = styled.small`
  && {
    color: var(--ink-soft);
  }
`;

const Rule = styled.li`
  && {
    display: flex;
    align-items: center;
    gap: var(--space-4);
  }
`;

export interface BeforeProps {
  readonly hand: InHand;
  readonly name: string;
  readonly onBack: () => void;
  readonly onNext: () => void;
}

export function SafetyScreen({ hand, name, onBack, onNext }: BeforeProps) {
  const words = useWords();
  const { i18n } = words;
  return (
    <Safe
      top={<Top hand={hand} name={name} />}
      title={i18n.t('Safe to play?')}
      directions={[]}
      level={hand.level}
      go={i18n.t('Go on')}
      onBack={onBack}
      onNext={onNext}
    />
  );
}

/** The yes of the adult who is there. */
export function AdultSaysYes({ yes, onYes }: { yes: boolean; onYes: (yes: boolean) => void }) {
  const { i18n } = useWords();
  return (
    <Tick yes={yes} onYes={onYes}>
      {i18n.t('An adult says yes to this place')}
    </Tick>
  );
}

/** What to take care of, looked at with an adult, who says yes to the place. */
export function Safe({
  top,
  title,
  directions,
  level,
  go,
  onBack,
  onNext,
}: {
  top: ReactNode;
  title: string;
  directions: readonly string[];
  level: Game;
  go: string;
  onBack: () => void;
  onNext: () => void;
}) {
  const words = useWords();
  const { i18n } = words;
  const [yes, setYes] = useState(false);
  return (
    <Screen>
      {top}
      <StepTitle>{title}</StepTitle>
      {directions.length > 0 && (
        <Ruled>
          {directions.map((direction) => (
            <li key={direction}>{direction}</li>
          ))}
        </Ruled>
      )}
      <StepPicture of="safe" />
      <p>{i18n.t('Look at this with an adult.')}</p>
      <Cautions level={level} />
      <ReadAloud words={[...directions, ...cautionsFor(level, words)].join(' ')} />
      <Bottom>
        <AdultSaysYes yes={yes} onYes={setYes} />
        <OnButton disabled={!yes} onPress={onNext}>
          {go}
        </OnButton>
        <BackButton onPress={onBack} />
      </Bottom>
    </Screen>
  );
}

const Row = styled.div`
  display: flex;
  align-items: center;
  gap: var(--space-5);
`;

const footed = (skill: string) => skill === 'kick' || skill === 'lift' || skill === 'strike-up';

export function PractiseScreen({
  hand,
  name,
  side,
  onSide,
  onShow,
  onBack,
  onNext,
}: BeforeProps & { side: Hand; onSide: (side: Hand) => void; onShow: () => void }) {
  const words = useWords();
  const { i18n } = words;
  const { level, form } = hand;
  const skill = skillsOf(level)[0] ?? null;
  // With the other hand everything is told for that one.
  const shown: Hand = form.otherHand ? (side === 'right' ? 'left' : 'right') : side;
  const points = teachingPoints(level, skill, shown, words);
  const rules = sentencesOf(level, 'child', catalogueIn(words)).map(plainText);
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('Practise first')}</StepTitle>
      {skill && <MovementLoop skill={skill} hand={shown} />}
      {form.otherHand && (
        <p>
          {skill && footed(skill)
            ? shown === 'left'
              ? i18n.t('With your other foot: the left one.')
              : i18n.t('With your other foot: the right one.')
            : shown === 'left'
              ? i18n.t('With your other hand: the left one.')
              : i18n.t('With your other hand: the right one.')}
        </p>
      )}
      {points.length === 0 && <p>{i18n.t('Try it slowly once, without counting.')}</p>}
      {points.map((point) => (
        <Row key={point.word}>
          {point.frontFoot ? <Footprints front={point.frontFoot} hand={shown} /> : <Word>{point.word}</Word>}
          <p>
            {point.frontFoot && <b>{point.word}. </b>}
            {point.point} <Fault>{point.fault}</Fault>
          </p>
        </Row>
      ))}
      {skill && !form.otherHand && isHanded(level, skill) && (
        <TextButton type="button" onClick={() => onSide(side === 'right' ? 'left' : 'right')}>
          {footed(skill)
            ? side === 'right'
              ? i18n.t('I kick with my left foot')
              : i18n.t('I kick with my right foot')
            : side === 'right'
              ? i18n.t('I throw with my left hand')
              : i18n.t('I throw with my right hand')}
        </TextButton>
      )}
      <p>{i18n.t('Three tries without a target, three with it. Then play.')}</p>
      <h2>{i18n.t('How to play')}</h2>
      <Plain type="button" onClick={onShow}>
        {i18n.t('Show me')}
      </Plain>
      <Ruled>
        {rules.map((rule) => (
          <Rule key={rule}>
            <Exercise words={/times|exercise|before/i.test(rule) ? rule : ''} height={52} />
            <span>{rule}</span>
          </Rule>
        ))}
      </Ruled>
      <ReadAloud words={[...points.map((point) => `${point.word}. ${point.point}`), ...rules].join(' ')} />
      <BackButton onPress={onBack} />
      <Bottom $inSight>
        <OnButton onPress={onNext}>{i18n.t('Now with counting')}</OnButton>
      </Bottom>
    </Screen>
  );
}

const Choice = styled.button`
  display: grid;
  grid-template-columns: 44px 1fr;
  align-items: center;
  gap: var(--space-1) var(--space-5);
  width: 100%;
  min-height: 76px;
  padding: var(--space-4) var(--space-5);
  border: 2px solid var(--ink);
  border-radius: var(--radius-2);
  background: var(--sheet);
  color: var(--ink);
  text-align: start;
  cursor: pointer;
  & b {
    font-size: var(--type-4);
  }
  & small {
    grid-column: 2;
    color: var(--ink-soft);
    font-size: var(--type-2);
  }
  & svg {
    grid-row: 1 / span 2;
    justify-self: center;
  }
`;

const Players = styled.div`
  display: flex;
  gap: var(--space-4);
  & label {
    ${tile}
    display: flex;
    align-items: center;
    justify-content: center;
    gap: var(--space-3);
    flex: 1;
    font-size: var(--type-4);
  }
`;

/** The way of counting chosen before the clock; 'watch' shows a clock for across the room and asks for the parts afterwards. */

export function CountScreen({
  hand,
  name,
  ways,
  onWays,
  onBack,
  onStart,
}: Omit<BeforeProps, 'onNext'> & { ways: Ways; onWays: (ways: Ways) => void; onStart: (counting: Counting) => void }) {
  const { i18n } = useWords();
  const { level } = hand;
  const clock = level.parts[0]!.clock.kind;
  const single = level.parts.length === 1;
  const hitsOnly = useMemo(() => {
    const compiled = compile(level);
    // Who takes turns try by try could not be told apart where a miss is not tapped.
    const inTurns = level.sides.n > 1 && level.sides.turn !== 'none';
    return compiled.ok && !inTurns && compiled.value.parts.length === 1 && compiled.value.parts[0]!.successesTell;
  }, [level]);
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('Who counts?')}</StepTitle>
      <StepPicture of="count" />
      <Choice type="button" onClick={() => onStart('attempts')}>
        <HandIcon size={34} aria-hidden />
        <b>{i18n.t('A helper taps every try')}</b>
        <small>{i18n.t('Hit or miss, the page does the sum.')}</small>
      </Choice>
      {hitsOnly && (
        <Choice type="button" onClick={() => onStart('successes')}>
          <CircleCheck size={34} aria-hidden />
          <b>{i18n.t('Tap only what goes well')}</b>
          <small>{i18n.t('One tap when it counts; misses are not tapped.')}</small>
        </Choice>
      )}
      {single && clock !== 'none' && (
        <Choice type="button" onClick={() => onStart('watch')}>
          <Watch />
          <b>{i18n.t('Nobody taps')}</b>
          <small>{i18n.t('A big clock to see from across the room. Count in your head and write it down after.')}</small>
        </Choice>
      )}
      <Choice type="button" onClick={() => onStart('parts')}>
        <Pencil size={34} aria-hidden />
        <b>{i18n.t('We have counted already')}</b>
        <small>{i18n.t('On paper or in the head: write it down now.')}</small>
      </Choice>
      <ReadAloud
        words={[
          i18n.t('Who counts?'),
          i18n.t('A helper taps every try.'),
          ...(hitsOnly ? [i18n.t('Or tap only what goes well.')] : []),
          ...(single && clock !== 'none' ? [i18n.t('Or nobody taps, and you see a big clock.')] : []),
          i18n.t('Or you have counted already.'),
        ].join(' ')}
      />
      {level.sides.n === 1 && (
        <>
          <h2>{i18n.t('How many play?')}</h2>
          <Players>
            <OneOf
              label={i18n.t('How many play')}
              value={ways.players}
              options={[1, 2, 3, 4].map((n) => ({ value: n, words: n }))}
              onChange={(players) => onWays({ ...ways, players })}
            />
          </Players>
          {ways.players > 1 && (
            <small>
              {i18n.t('{name} first, then the others, one go each. Only the first score is sent.', {
                name: name || i18n.t('You (who counts)', {}, { message: 'You' }),
              })}
            </small>
          )}
        </>
      )}
      <h2>{i18n.t('For the start, the last ten seconds and the end')}</h2>
      <Players>
        {(
          [
            ['sound', i18n.t('sounds (of the device)', {}, { message: 'sounds' })],
            ['speak', i18n.t('a voice')],
            ['shake', i18n.t('shaking (of the device)', {}, { message: 'shaking' })],
          ] as const
        ).map(([key, label]) => (
          <YesOrNo key={key} yes={ways[key]} onYes={(yes) => onWays({ ...ways, [key]: yes })}>
            {label}
          </YesOrNo>
        ))}
      </Players>
      <BackButton onPress={onBack} />
    </Screen>
  );
}

/** A clock face with one large hand. */
function Watch() {
  return (
    <svg width={34} height={34} viewBox="0 0 34 34" aria-hidden>
      <circle cx={17} cy={17} r={14} fill="none" stroke="currentColor" strokeWidth={2.5} />
      <path d="M17 17V7M17 17l6 5" stroke="currentColor" strokeWidth={2.5} strokeLinecap="round" />
    </svg>
  );
}
