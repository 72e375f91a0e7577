'use client';

import { useState } from 'react';
import styled from 'styled-components';
import { AIMED, IMPLEMENTS, type AimedId } from '@/core/objects/catalogue';
import { makingOf } from '@/core/sheet/makings';
import { allUsed } from '@/core/rules/format/used';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { setUpFor } from '@/core/sheet/set-up';
import { lineNeededM } from '@/core/sheet/home-form';
import { capitalised } from '@/core/words/capitalised';
import { readFigure } from '@/core/words/read-figure';
import { OneOf, YesOrNo } from '../counter/answers';
import { tile } from '../counter/counter-style';
import { figureFault } from '../counter/figure-fault';
import { Fault } from '../counter/figure-field';
import { Bottom, Ruled, Screen, Summary } from './home-style';
import { paceOf, type InHand } from './in-hand';
import { ReadAloud } from './read-aloud';
import { MakingPictures } from '../drawing/making';
import { SetUpDrawing } from './set-up-drawing';
import type { PaceKind, Ways } from './store';
import { useWords } from '@/features/languages/use-words';
import { Top } from './top';
import { BackButton, OnButton } from './step-buttons';
import { StepTitle } from './step-title';

const Ask = styled.fieldset`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  margin: 0;
  padding: var(--space-4) 0 0;
  border: 0;
  border-top: 1px solid var(--line);
  & legend {
    float: inline-start;
    padding: 0;
    font-weight: 700;
    font-size: var(--type-4);
  }
`;

const Chips = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  clear: both;
  & label {
    ${tile}
    display: inline-flex;
    align-items: center;
    gap: var(--space-4);
    padding: var(--space-2) var(--space-5);
  }
`;

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-4);
  & input {
    width: 5.5rem;
    min-height: 48px;
    padding: var(--space-2) var(--space-4);
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-size: var(--type-4);
  }
`;

const ClearLine = styled(Line)`
  clear: both;
`;

const Told = styled.p`
  padding: var(--space-4) var(--space-5);
  border-inline-start: 5px solid var(--gorse);
  background: var(--sheet);
`;

const PACES: readonly { kind: PaceKind; label: string }[] = [
  { kind: 'steps', label: /*i18n*/ 'my steps' },
  { kind: 'sheets', label: /*i18n*/ 'sheets of paper' },
  { kind: 'towels', label: /*i18n*/ 'towels' },
];

export interface SetUpScreenProps {
  readonly hand: InHand;
  readonly name: string;
  readonly ways: Ways;
  readonly onWays: (ways: Ways) => void;
  readonly onForm: (formId: string) => void;
  readonly onBack: () => void;
  readonly onNext: () => void;
}

/** Where to put things, in this home: with what it has, as far as its line goes, in the child's own steps. */
export function SetUpScreen({ hand, name, ways, onWays, onForm, onBack, onNext }: SetUpScreenProps) {
  const words = useWords();
  const { i18n, own, forms } = words;
  const { level, pace, form, item, chosen } = hand;
  const setUp = setUpFor(level, pace, words);
  const values = readThrowRules(level)?.values ?? [];
  const levels = item.forms.filter((one) => one.change.kind === 'level' || one.change.kind === 'as-asked');
  const order = (id: string) => item.game.levels.findIndex((one) => one.id === id);
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('Set it out')}</StepTitle>
      <Home hand={hand} ways={ways} onWays={onWays} />
      <SetUpDrawing level={level} places={setUp.places} values={values} />
      {!chosen.equal && (
        <Told role="status">
          {i18n.t(
            'That line is short for this game, so the marks are as far as it goes. It is easier from there; your score is still yours, but not measured against par.',
          )}
        </Told>
      )}
      {chosen.object !== null && form.things[0]?.object && chosen.object !== form.things[0].object && chosen.equal && (
        <Told role="status">
          {i18n.t('With the {thing} the marks move, so that it is just as hard as with the {other}.', {
            ...forms('thing', AIMED[chosen.object].name),
            ...forms('other', AIMED[form.things[0].object].name),
          })}
        </Told>
      )}
      <Ruled>
        {setUp.directions.map((direction) => (
          <li key={direction}>{direction}</li>
        ))}
      </Ruled>
      {setUp.places.length > 0 && <MeasureWith hand={hand} ways={ways} onWays={onWays} />}
      {setUp.things.length > 0 && <h2>{i18n.t('You need')}</h2>}
      <Ruled>
        {setUp.things.map((thing) => (
          <li key={thing.name}>
            {thing.name}
            {thing.hint !== '' && <small>{thing.hint}</small>}
          </li>
        ))}
      </Ruled>
      <HowToMake level={level} />
      {levels.length > 1 && (
        <Ask>
          <legend>{i18n.t('Level (of a game, field)', {}, { message: 'Level' })}</legend>
          <Chips>
            <OneOf
              label={i18n.t('Level (of a game, field)', {}, { message: 'Level' })}
              value={levels.find(({ levelId }) => levelId === form.levelId)?.id}
              options={[...levels]
                .sort((a, b) => order(a.levelId) - order(b.levelId))
                .map((one) => ({
                  value: one.id,
                  words: `${own(item.game.levels[order(one.levelId)]!.name)}${
                    one.change.kind === 'as-asked'
                      ? ` (${i18n.t('yours (beside the level that was sent to this child)', {}, { message: 'yours' })})`
                      : ''
                  }`,
                }))}
              onChange={onForm}
            />
          </Chips>
        </Ask>
      )}
      <ReadAloud words={`${setUp.things.map((thing) => thing.name).join(', ')}. ${setUp.directions.join(' ')}`} />
      <BackButton onPress={onBack} />
      <Bottom $inSight>
        <OnButton onPress={onNext}>{i18n.t('It is set out')}</OnButton>
      </Bottom>
    </Screen>
  );
}

/** The longest clear line that a home may have. */
const CLEAR_LINE = { steps: { least: 1, most: 100, whole: false }, metres: { least: 0.5, most: 50, whole: false } };

/** What have you got, and how long is your longest clear line? */
function Home({ hand, ways, onWays }: { hand: InHand; ways: Ways; onWays: (ways: Ways) => void }) {
  const words = useWords();
  const { i18n, noun, forms } = words;
  const { form, item, chosen } = hand;
  const stepM = item.setUp.stepM;
  const [unit, setUnit] = useState<'steps' | 'metres'>('steps');
  const unitM = unit === 'steps' ? stepM : 1;
  const [written, setWritten] = useState(ways.clearM === null ? '' : `${Math.round((ways.clearM / unitM) * 10) / 10}`);
  const clear = readFigure(written, CLEAR_LINE[unit]);
  if (form.things.length === 0) return null;
  const things = form.things.flatMap(({ object }) => (object === null ? [] : [object]));
  const have = ways.have.length > 0 ? ways.have : things.slice(0, 1);
  const choose = (object: AimedId, on: boolean) => {
    const next = on ? [...have, object] : have.filter((one) => one !== object);
    onWays({ ...ways, have: next.length > 0 ? next : things.slice(0, 1) });
  };
  const write = (words: string, inUnit: 'steps' | 'metres') => {
    setWritten(words);
    const read = readFigure(words, CLEAR_LINE[inUnit]);
    if (read.ok) onWays({ ...ways, clearM: read.value === null ? null : read.value * (inUnit === 'steps' ? stepM : 1) });
  };
  const thing = form.things.find(({ object }) => object === chosen.object) ?? form.things[0]!;
  const least = Math.ceil((lineNeededM(thing) / stepM) * 2) / 2;
  const needed = {
    steps: i18n.t('{least, plural, one {1 step} other {{n} steps}}', { least, n: `${least}`.replace('.5', '½') }),
    ...forms('thing', thing.object === null ? '' : AIMED[thing.object].name),
  };
  return (
    <>
      {things.length > 1 && (
        <Ask>
          <legend>{i18n.t('What have you got?')}</legend>
          <Chips>
            {things.map((object) => (
              <YesOrNo key={object} yes={have.includes(object)} onYes={(yes) => choose(object, yes)}>
                {noun(AIMED[object].name)}
              </YesOrNo>
            ))}
          </Chips>
        </Ask>
      )}
      <Ask>
        <legend>{i18n.t('How long is your longest clear line?')}</legend>
        <ClearLine>
          <input
            inputMode="decimal"
            aria-label={unit === 'steps' ? i18n.t('Longest clear line in steps') : i18n.t('Longest clear line in metres')}
            value={written}
            aria-invalid={!clear.ok}
            placeholder={i18n.t('long (how long the line is, field)', {}, { message: 'long' })}
            onChange={(event) => write(event.target.value.slice(0, 5), unit)}
          />
          <Chips>
            <OneOf
              label={i18n.t('Measured in')}
              value={unit}
              options={[
                { value: 'steps', words: i18n.t('steps (of a child, a length)', {}, { message: 'steps' }) },
                { value: 'metres', words: i18n.t('metres (a unit)', {}, { message: 'metres' }) },
              ]}
              onChange={(one) => {
                setUnit(one);
                write(written, one);
              }}
            />
          </Chips>
        </ClearLine>
        {!clear.ok && <Fault role="alert">{figureFault(clear.why, CLEAR_LINE[unit], words)}</Fault>}
        <small>
          {thing.object === null
            ? chosen.equal
              ? i18n.t('Enough for the same game as everybody: {steps}.', needed)
              : i18n.t('The same game as everybody needs {steps}.', needed)
            : chosen.equal
              ? i18n.t('Enough for the same game as everybody: {steps} with the {thing}.', needed)
              : i18n.t('The same game as everybody needs {steps} with the {thing}.', needed)}
        </small>
      </Ask>
    </>
  );
}

/** In what the lengths are told. */
function MeasureWith({ hand, ways, onWays }: { hand: InHand; ways: Ways; onWays: (ways: Ways) => void }) {
  const { i18n, own } = useWords();
  const { pace, item } = hand;
  return (
    <Ask>
      <legend>{i18n.t('Measure with')}</legend>
      <Chips>
        <OneOf
          label={i18n.t('Measure with')}
          value={PACES.find(({ kind }) => paceOf(kind, item.setUp.stepM).one === pace.one)?.kind}
          options={PACES.map(({ kind, label }) => ({ value: kind, words: own(label) }))}
          onChange={(kind) => onWays({ ...ways, pace: kind })}
        />
      </Chips>
      {ways.pace === 'sheets' && <small>{i18n.t('Lay A4 sheets end to end, the long way, and take them up again.')}</small>}
      {ways.pace === 'towels' && <small>{i18n.t('A bath towel the long way, about 130 cm; fold it for a half or a quarter.')}</small>}
    </Ask>
  );
}

/** How to make what is thrown and what is aimed at, where it can be made. */
function HowToMake({ level }: { level: InHand['level'] }) {
  const words = useWords();
  const { i18n, own, noun } = words;
  const objects = [...new Set(Object.values(level.course.targets).flatMap((list) => list.map((target) => target.object)))];
  const obstacles = [...new Set((level.course.obstacles ?? []).map(({ object }) => object))];
  const made = [
    ...allUsed(level).map((id) => ({ id: id as string, name: IMPLEMENTS[id].name, how: IMPLEMENTS[id].makeIt as string | undefined })),
    ...[...objects, ...obstacles].map((id) => ({ id: id as string, name: AIMED[id].name, how: AIMED[id].makeIt })),
  ].filter(({ id, how }) => Boolean(how) || makingOf(id) !== null);
  if (made.length === 0) return null;
  return (
    <details>
      <Summary>{i18n.t('How to make them')}</Summary>
      {made.map(({ id, name, how }) => (
        <div key={id}>
          <p>
            <b>{capitalised(noun(name), words)}.</b> {how && own(how)}
          </p>
          <MakingPictures thing={id} />
        </div>
      ))}
    </details>
  );
}
