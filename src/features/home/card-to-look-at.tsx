'use client';
import { CardScreen } from './card-screen';
import type { CardScreenProps } from './card-model';

const nothing = () => undefined;

/** A card as it looks, where nothing of it acts and no device adds what waits in it: before it is sent, and before its page is alive. */
export function CardToLookAt(shown: Pick<CardScreenProps, 'card' | 'today' | 'onCalendar'>) {
  return (
    <CardScreen
      {...shown}
      plays={[]}
      underWay={false}
      sessions={[]}
      entries={[]}
      offline={null}
      mayForget={false}
      kept={[]}
      token=""
      onOpen={nothing}
      onShow={nothing}
      onFinish={nothing}
      onDiary={nothing}
      onInvent={nothing}
      onWeeks={nothing}
      onOthers={nothing}
      onSibling={nothing}
    />
  );
}
