'use client';
/** A game that was played here before, set out as it was: looked at, taken care of, and on. */
import { useState } from 'react';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import { cautionsFor, setUpFor } from '@/core/sheet/set-up';
import { useWords } from '@/features/languages/use-words';
import { Cautions } from './cautions';
import { Bottom, Plain, Screen } from './home-style';
import type { InHand } from './in-hand';
import { ReadAloud } from './read-aloud';
import { SetUpDrawing } from './set-up-drawing';
import { AdultSaysYes } from './before-play';
import { BackButton, OnButton } from './step-buttons';
import { StepTitle } from './step-title';
import { Top } from './top';

export interface AgainScreenProps {
  readonly hand: InHand;
  readonly name: string;
  /** An adult has said yes to this place with these things today. */
  readonly agreed: boolean;
  readonly onSame: () => void;
  readonly onOther: () => void;
  readonly onBack: () => void;
}

export function AgainScreen({ hand, name, agreed, onSame, onOther, onBack }: AgainScreenProps) {
  const words = useWords();
  const { i18n } = words;
  const [yes, setYes] = useState(agreed);
  const setUp = setUpFor(hand.level, hand.pace, words);
  const cautions = cautionsFor(hand.level, words);
  const asked = i18n.t('Same place and things as last time?');
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{asked}</StepTitle>
      <SetUpDrawing level={hand.level} places={setUp.places} values={readThrowRules(hand.level)?.values ?? []} />
      <Cautions level={hand.level} />
      <ReadAloud words={[asked, ...setUp.directions, ...cautions].join(' ')} />
      <Bottom>
        {!agreed && <AdultSaysYes yes={yes} onYes={setYes} />}
        <OnButton disabled={!yes} onPress={onSame}>
          {i18n.t('The same: play')}
        </OnButton>
        <Plain type="button" onClick={onOther}>
          {i18n.t('Something is different')}
        </Plain>
        <BackButton onPress={onBack} />
      </Bottom>
    </Screen>
  );
}
