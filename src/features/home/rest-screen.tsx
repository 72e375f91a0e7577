'use client';
/** Between two long goes: a rest that is counted down and that nobody has to wait for. */
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { Centred } from '../counter/counter-style';
import { Exercise } from '../drawing/exercise';
import { Bottom, Screen } from './home-style';
import type { InHand } from './in-hand';
import { ReadAloud } from './read-aloud';
import { OnButton } from './step-buttons';
import { StepTitle } from './step-title';
import { Top } from './top';

const Left = styled.p`
  text-align: center;
  font-size: var(--type-7);
  font-weight: 700;
`;

export function RestScreen({ hand, name, seconds, onNext }: { hand: InHand; name: string; seconds: number; onNext: () => void }) {
  const { i18n } = useWords();
  const [left, setLeft] = useState(seconds);
  useEffect(() => {
    if (left === 0) return;
    const timer = setTimeout(() => setLeft(left - 1), 1000);
    return () => clearTimeout(timer);
  }, [left]);
  const asked = i18n.t('Rest a little. Drink some water.');
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('A rest first')}</StepTitle>
      <Centred>
        <Exercise words="rest" height={150} />
      </Centred>
      <Left role="timer" aria-label={i18n.t('{n, plural, one {1 second left} other {{n} seconds left}}', { n: left })}>
        {left}
      </Left>
      <Centred role="status">{left > 0 ? asked : i18n.t('Go on when you are ready.')}</Centred>
      <ReadAloud words={asked} />
      <Bottom>
        <OnButton onPress={onNext}>{i18n.t('I am ready')}</OnButton>
      </Bottom>
    </Screen>
  );
}
