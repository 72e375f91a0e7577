'use client';
import type { CardItem } from '@/contract/card';
import type { Hand } from '@/core/sheet/teaching-points';
import { useWords } from '@/features/languages/use-words';
import { ScenePlayer } from '../show/scene-player';
import { Big, Bottom, Screen } from './home-style';
import { inHand } from './in-hand';
import type { Ways } from './store';
import { Top } from './top';
import { StepTitle } from './step-title';

/** The drawing on the smallest phone: its letters are as large as they are read there. */
const SMALLEST_PX = 270;

/** The game shows itself: as this child plays it here, with its steps, its hand, as it sits or stands. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function ShowScreen({
  item,
  formId,
  ways,
  side,
  name,
  onBack,
}: {
  readonly item: CardItem;
  readonly formId: string;
  readonly ways: Ways;
  readonly side: Hand;
  readonly name: string;
  readonly onBack: () => void;
}) {
  const words = useWords();
  const { i18n } = words;
  const hand = inHand(item, formId, ways, words);
  // With the other hand everything is shown for that one.
  const shown: Hand = hand.form.otherHand ? (side === 'right' ? 'left' : 'right') : side;
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('Show me')}</StepTitle>
      <ScenePlayer level={hand.level} pace={hand.pace} hand={shown} form={hand.used.form} drawnPx={SMALLEST_PX} />
      <Bottom>
        <Big type="button" onClick={onBack}>
          {i18n.t('I have seen it')}
        </Big>
      </Bottom>
    </Screen>
  );
}
