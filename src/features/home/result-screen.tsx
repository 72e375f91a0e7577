'use client';
import { StepTitle } from './step-title';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { compile } from '@/core/rules/playing/compile';
import type { Result } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { offersAfter, type Offer } from '@/core/sheet/after-a-go';
import { WholeScore, Working } from '../counter/working';
import { AddUp } from './add-up';
import { Big, Bottom, Plain, Screen } from './home-style';
import type { InHand } from './in-hand';
import { ReadAloud } from './read-aloud';
import { Top } from './top';
import type { Words } from '@/core/words/words';
import { useWords } from '@/features/languages/use-words';
import { scoreWords } from './words';
import { Centred } from '../counter/counter-style';

const UpButton = styled(Plain)`
  && {
    box-shadow: inset 0 -5px 0 var(--gorse);
  }
`;

const Offers = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-4) var(--space-5);
  & h2 {
    font-size: var(--type-3);
  }
  & > div {
    display: flex;
    flex-direction: column;
    gap: var(--space-4);
  }
  & button {
    min-height: 56px;
    padding: var(--space-3) var(--space-4);
    border: 1.5px solid var(--line-strong);
    border-radius: var(--radius-2);
    background: var(--sheet);
    text-align: start;
    font-weight: 700;
    cursor: pointer;
  }
  & button small {
    display: block;
    font-weight: 400;
    color: var(--ink-soft);
    font-size: var(--type-2);
    line-height: 1.25;
  }
`;

export interface ResultScreenProps {
  readonly hand: InHand;
  readonly name: string;
  readonly result: Result;
  readonly events: readonly PlayEvent[];
  /** How many goes of the session there are now. */
  readonly goes: number;
  readonly players: number;
  readonly onForm: (formId: string) => void;
  readonly onSame: () => void;
  readonly onOthers: () => void;
  readonly onFinish: () => void;
  /** What the child made of it. */
  readonly onAdded: (sum: number) => void;
}

/** Against the own best and against par, kindly. */
function praise({ par, best }: InHand, { value, better, team, unit }: Result, words: Words): string {
  const { i18n } = words;
  if (value === null) return i18n.t('Every go counts as having taken part.');
  if (team) return i18n.t('Well played together.');
  const ahead = (of: number) => (better === 'high' ? value > of : value < of);
  if (best !== null && ahead(best)) return i18n.t('A new own best. It was {score}.', { score: scoreWords(best, unit, words) });
  if (par === null) return i18n.t('That is written down. Can you beat it next time?');
  const score = scoreWords(par, unit, words);
  return ahead(par) || value === par
    ? i18n.t('Par for you is {score}: you are there.', { score })
    : i18n.t('Par for you is {score}. Each go makes you surer.', { score });
}

/** After a go: the working, then easier, the same or harder, one thing at a time, or finish. */
export function ResultScreen({ hand, name, result, events, goes, players, onForm, onSame, onOthers, onFinish, onAdded }: ResultScreenProps) {
  const words = useWords();
  const { i18n } = words;
  const program = useMemo(() => {
    const compiled = compile(hand.level);
    return compiled.ok ? compiled.value : null;
  }, [hand.level]);
  const [added, setAdded] = useState<number | null>(null);
  const [asking, setAsking] = useState(hand.level.childAdds === true && result.value !== null && !result.team);
  if (asking)
    return (
      <Screen>
        <Top hand={hand} name={name} />
        {program && events.length > 0 && <Working program={program} events={events} result={result} summed={false} />}
        <AddUp
          result={result}
          onAdded={(sum) => {
            setAdded(sum);
            setAsking(false);
            onAdded(sum);
          }}
          onSkip={() => setAsking(false)}
        />
      </Screen>
    );
  const offers = offersAfter(hand.item.game, hand.item.forms, hand.form, hand.chosen.equal ? result.value : null, words);
  const offer = (one: Offer, act: () => void) => (
    <button key={one.words + one.hint} type="button" onClick={act}>
      {one.words}
      <small>{one.hint}</small>
    </button>
  );
  const easier = [...(offers.easeOff ? [offer(offers.easeOff, onSame)] : []), ...offers.easier.map((one) => offer(one, () => onForm(one.formId)))];
  const harder = offers.harder.filter((one) => one.formId !== offers.moveUp?.formId).map((one) => offer(one, () => onForm(one.formId)));
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle unseen>{i18n.t('Your score: {score}', { score: scoreWords(result.value, result.unit, words) })}</StepTitle>
      <WholeScore result={result} />
      {result.finished === 'stopped' && result.value !== null && <Centred>{i18n.t('Not finished: that is written down too.')}</Centred>}
      {program && events.length > 0 && <Working program={program} events={events} result={result} />}
      {added !== null && (
        <Centred role="status">
          {added === result.value
            ? i18n.t('Your sum is right: {sum}.', { sum: added })
            : i18n.t('Your sum was {sum}. Look where they differ.', { sum: added })}
        </Centred>
      )}
      <Centred>{praise(hand, result, words)}</Centred>
      <ReadAloud
        words={`${scoreWords(result.value, result.unit, words)}. ${praise(hand, result, words)} ${i18n.t('Again just the same, easier, harder, or finish?')}`}
      />
      {offers.moveUp && (
        <UpButton type="button" onClick={() => onForm(offers.moveUp!.formId)}>
          {i18n.t('You may move up: {level}', { level: offers.moveUp.words })}
        </UpButton>
      )}
      {players > 1 && (
        <Plain type="button" onClick={onOthers}>
          {i18n.t('Player {n} has a go', { n: 2 })}
        </Plain>
      )}
      <Plain type="button" onClick={onSame}>
        {i18n.t('Again, just the same')}
      </Plain>
      {(easier.length > 0 || harder.length > 0) && (
        <Offers>
          <div>
            <h2>{i18n.t('Easier (offers after a go)', {}, { message: 'Easier' })}</h2>
            {easier}
          </div>
          <div>
            <h2>{i18n.t('Harder (offers after a go)', {}, { message: 'Harder' })}</h2>
            {harder}
          </div>
        </Offers>
      )}
      <Bottom>
        <Big type="button" onClick={onFinish}>
          {i18n.t('{n, plural, one {Finish and send} other {Finish and send {n} goes}}', { n: goes })}
        </Big>
      </Bottom>
    </Screen>
  );
}
