'use client';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import type { Frame } from '@/core/rules/playing/frames';

const Sheet = styled.table`
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  font-size: var(--type-1);
  & td,
  & th {
    padding: var(--space-1) 0;
    border: 1px solid var(--ink);
    text-align: center;
    font-weight: 400;
  }
  & tr:last-child td {
    font-weight: 700;
    font-size: var(--type-3);
  }
`;

/** "4 /", "6 –": what each ball felled; a stroke where the second cleared what the first left. */
function written(frame: Frame): string {
  return frame.balls.map((fell, ball) => (ball === 1 && frame.kind === 'spare' ? '/' : fell === 0 ? '–' : `${fell}`)).join(' ');
}

/** The sheet of frames with the running total. */
export function FrameSheet({ frames, of }: { frames: readonly Frame[]; of: number }) {
  const { i18n } = useWords();
  const all = Array.from({ length: of }, (_, index) => frames[index]);
  return (
    <Sheet aria-label={i18n.t('Frame by frame')}>
      <tbody>
        <tr>
          {all.map((frame, index) => (
            <td key={index} aria-label={i18n.t('Frame {n}', { n: index + 1 })}>
              {frame ? written(frame) : ' '}
            </td>
          ))}
        </tr>
        <tr>
          {all.map((frame, index) => (
            <td key={index}>{frame?.total ?? ' '}</td>
          ))}
        </tr>
      </tbody>
    </Sheet>
  );
}
