'use client';
import { useMemo, type Dispatch } from 'react';
import styled from 'styled-components';
import { gapsOf } from '@/core/rules/gaps/gaps';
import type { Game } from '@/core/rules/format/game';
import { QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import type { DraftAction } from './draft';

const Mends = styled.span`
  display: inline-flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-5);
`;

const SHOWN = 3;

/** What the rules leave open, each where it is asked with its mends as buttons. */
export function GapList({ game, dispatch, readOnly }: { game: Game; dispatch: Dispatch<DraftAction>; readOnly: boolean }) {
  const gaps = useMemo(() => gapsOf(game), [game]);
  if (gaps.length === 0) return null;
  return (
    <>
      {gaps.slice(0, SHOWN).map((gap) => (
        <Notice key={`${gap.kind} ${gap.place}`} $tone="open">
          <span title={gap.why}>Not said yet: {gap.question}</span>{' '}
          {!readOnly && (
            <Mends>
              {gap.mends.map((mend) => (
                <QuietButton key={mend.label} onPress={() => dispatch({ do: 'mend', game: mend.game })}>
                  {mend.label}
                </QuietButton>
              ))}
            </Mends>
          )}
        </Notice>
      ))}
      {gaps.length > SHOWN && <Notice $tone="remark">And {gaps.length - SHOWN} more that the rules leave open.</Notice>}
    </>
  );
}
