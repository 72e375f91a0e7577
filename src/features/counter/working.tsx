'use client';
import styled from 'styled-components';
import { frameSheetOf } from '@/core/rules/playing/frames';
import type { Program } from '@/core/rules/playing/program';
import type { Result } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { placeName } from '@/core/rules/telling/place-name';
import type { Words } from '@/core/words/words';
import { useWords } from '@/features/languages/use-words';
import { FrameSheet } from './frame-sheet';

const Big = styled.b`
  && {
    font-size: var(--type-6);
  }
`;

const OwnLine = styled.span`
  display: block;
  font-size: var(--type-3);
`;

const Sum = styled.table`
  align-self: center;
  border-collapse: collapse;
  font-size: var(--type-5);
  & td,
  & th {
    padding: var(--space-2) var(--space-4);
    text-align: end;
    font-weight: 400;
  }
  & th {
    font-size: var(--type-3);
    color: var(--ink-soft);
    text-align: start;
  }
  & tr.sum td {
    border-top: 2px solid var(--ink);
    border-bottom: 5px double var(--ink);
    font-weight: 700;
  }
`;

const Whole = styled.p`
  text-align: center;
  font-size: var(--type-5);
  line-height: 1.1;
  & b {
    display: block;
    font-size: var(--type-8);
    line-height: 1;
  }
`;

/** Which of several goes counts. */
function keptWords(keep: 'best' | 'last' | 'sum', { i18n }: Words): string {
  switch (keep) {
    case 'best':
      return i18n.t('best (of several goes)', {}, { message: 'best' });
    case 'last':
      return i18n.t('last (of several goes)', {}, { message: 'last' });
    case 'sum':
      return i18n.t('sum (of several goes)', {}, { message: 'sum' });
  }
}

/** The score, large, with its unit: seconds as minutes and seconds, millimetres as centimetres. */
export function WholeScore({ result }: { result: Result }) {
  const { i18n, own } = useWords();
  if (result.value === null)
    return (
      <Whole>
        <Big>{result.finished === null ? '–' : i18n.t('Not finished')}</Big>
      </Whole>
    );
  const length = result.unit === 'mm';
  return (
    <Whole>
      <b>{length ? result.value / 10 : result.value}</b>
      {length ? 'cm' : own(result.unit)}
      {result.team && <OwnLine>{i18n.t('made together')}</OwnLine>}
    </Whole>
  );
}

/** The working at the end, like a sum in a pupil's book. */
export function Working({
  program,
  events,
  result,
  summed = true,
}: {
  program: Program;
  events: readonly PlayEvent[];
  result: Result;
  /** Without: what there is to add up, and not what it comes to. */
  summed?: boolean;
}) {
  const words = useWords();
  const { i18n, own } = words;
  const frames = frameSheetOf(program, events);
  if (frames) return <FrameSheet frames={summed ? frames : frames.map((frame) => ({ ...frame, total: null }))} of={Math.max(frames.length, 10)} />;
  if (program.parts.length > 1) {
    const adds = program.game.card.combine === 'sum';
    return (
      <Sum>
        <tbody>
          {result.parts.map((part) => (
            <tr key={part.part}>
              <th>{own(part.title)}</th>
              <td>{part.value ?? i18n.t('not finished')}</td>
            </tr>
          ))}
          {adds && summed && (
            <tr className="sum">
              <th>{i18n.t('together (the sum of all)', {}, { message: 'together' })}</th>
              <td>{result.value ?? i18n.t('not finished')}</td>
            </tr>
          )}
        </tbody>
      </Sum>
    );
  }
  const goes = result.parts[0]?.goes ?? [];
  const places = Math.max(0, ...Object.values(program.parts[0]!.part.groups).map((group) => group.value?.length ?? 0));
  if (result.working.length === 0 && goes.length < 2) return null;
  return (
    <Sum>
      <tbody>
        {goes.map((value, index) => (
          <tr key={`go ${index}`}>
            <th>{i18n.t('go {n}', { n: index + 1 })}</th>
            <td colSpan={3}>{value ?? i18n.t('not finished')}</td>
          </tr>
        ))}
        {goes.length < 2 &&
          result.working.map((line, index) => (
            <tr key={index}>
              <th>{line.what === undefined ? (line.place === null ? '' : placeName(line.place - 1, places, words)) : own(line.what)}</th>
              <td>{line.each === 1 && line.what ? '' : `${line.times} × ${line.each}`}</td>
              <td>{line.each === 1 && line.what ? '' : '='}</td>
              <td>{line.times * line.each}</td>
            </tr>
          ))}
        {summed && (
          <tr className="sum">
            <th>
              {goes.length > 1
                ? keptWords(program.parts[0]!.part.goes.keep, words)
                : i18n.t('together (the sum of all)', {}, { message: 'together' })}
            </th>
            <td colSpan={3}>{result.value ?? i18n.t('not finished')}</td>
          </tr>
        )}
      </tbody>
    </Sum>
  );
}
