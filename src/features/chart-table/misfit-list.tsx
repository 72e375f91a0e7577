'use client';
import type { Dispatch } from 'react';
import styled from 'styled-components';
import type { Misfit } from '@/core/course/fits';
import { QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import type { Picked } from './chart';
import type { DraftAction } from './draft';

const Marked = styled(Notice)<{ $looked: boolean }>`
  ${({ $looked }) => $looked && 'background: var(--sheet); outline: 1px solid var(--line-strong);'}
`;

/** What does not fit or is not safe, numbered as on the chart, each with its mends. */
export function Misfits({
  misfits,
  looked,
  dispatch,
  onPick,
  onWays,
  readOnly,
}: {
  misfits: readonly Misfit[];
  looked: Misfit | null;
  dispatch: Dispatch<DraftAction>;
  onPick: (picked: Picked) => void;
  onWays: () => void;
  readOnly: boolean;
}) {
  return misfits.slice(0, MOST_MISFITS).map((misfit, index) => (
    <Marked key={`${misfit.kind} ${index}`} $tone={misfit.danger ? 'caution' : 'open'} $looked={looked?.words === misfit.words}>
      <b>{index + 1}.</b> {misfit.words}{' '}
      {!readOnly &&
        misfit.mends.map((mend) => (
          <span key={mend.label}>
            <QuietButton
              onPress={() => {
                dispatch({ do: 'mend', game: mend.game });
                onPick(misfit.things);
              }}
            >
              {mend.label}
            </QuietButton>{' '}
          </span>
        ))}
      {misfit.kind === 'not-in-the-rules' && !readOnly && <QuietButton onPress={onWays}>Choose how it is played</QuietButton>}
      {misfit.danger && misfit.mends.length === 0 && <small>No turn of the marks helps here: choose another floor, or move it at home.</small>}
    </Marked>
  ));
}

const MOST_MISFITS = 5;
