'use client';
/** The columns of a class's week: each with what it shows of a child and by what it puts the children in order. */
import { format } from 'date-fns';
import { DeskLink } from '@/ui/desk-link';
import styled from 'styled-components';
import type { ClassWeek, ScoreRow } from '@/contract/class-week';
import { QuietButton } from '@/ui/button';
import type { SheetColumn } from '@/ui/table/sheet-table';
import { orderKeyOf, type Column } from './rows-in-order';
import { SoftWords } from '@/ui/page';

const Reason = styled.span`
  border-left: 3px solid var(--rowan);
  padding-left: var(--space-4);
`;

const Best = styled.span`
  border: 1.5px solid var(--ink);
  border-radius: var(--radius-3);
  background: var(--gorse);
  color: var(--on-gorse);
  padding: 0 var(--space-4);
  font-size: var(--type-1);
  font-weight: 600;
  white-space: nowrap;
`;

const Word = styled.span`
  display: block;
  font-size: var(--type-1);
`;

const FELT: Readonly<Record<string, string>> = { hard: 'hard', right: 'right', easy: 'easy' };

interface Acts {
  readonly onType: (row: ScoreRow) => void;
  readonly onLook: (row: ScoreRow) => void;
}

/** The drawing beside par has no order. */
export function classWeekColumns(week: ClassWeek, { onType, onLook }: Acts): readonly SheetColumn<ScoreRow>[] {
  const { unit, filmAlone, lookFors, rows } = week;
  const widest = Math.max(1, ...rows.map((row) => Math.max(row.best ?? 0, row.parHigh ?? 0)));
  const looked = lookFors.length > 0 || filmAlone;
  const ordered = (id: Column) => ({ id, by: (row: ScoreRow) => orderKeyOf(row, id) });
  return [
    { ...ordered('child'), words: 'Child', cell: (row) => <DeskLink href={`/children/${row.childId}`}>{row.name}</DeskLink> },
    { ...ordered('level'), words: 'Level', cell: (row) => row.levelName },
    { ...ordered('best'), words: 'Best', figure: true, cell: (row) => (row.best === null ? '' : <b>{row.best}</b>) },
    { ...ordered('par'), words: 'Par', figure: true, cell: (row) => row.par },
    {
      id: 'against',
      words: 'Against what is likely',
      width: 180,
      cell: (row) => row.par !== null && <Against row={row} widest={widest} unit={unit} />,
    },
    { ...ordered('latest'), words: 'Latest', figure: true, cell: (row) => (row.reports > 0 ? row.latest : '') },
    { ...ordered('hits'), words: 'Hits', figure: true, cell: (row) => (row.attempts > 0 ? `${row.successes}/${row.attempts}` : '') },
    { ...ordered('felt'), words: 'Felt', cell: (row) => (row.felt ? FELT[row.felt] : '') },
    { ...ordered('credit'), words: 'Credit', title: (row) => row.missing, cell: (row) => <Credit row={row} /> },
    {
      ...ordered('received'),
      words: 'Received',
      cell: (row) => (
        <Received>
          {row.receivedAt ? format(new Date(row.receivedAt), 'd MMM, HH:mm') : ''}
          {row.late ? ', late' : ''}
        </Received>
      ),
    },
    {
      ...ordered('state'),
      words: 'Remark',
      cell: (row) => <Remark row={row} filmAlone={filmAlone} onType={() => onType(row)} onLook={looked ? () => onLook(row) : null} />,
    },
  ];
}

const Received = styled.span`
  white-space: nowrap;
`;

function Credit({ row }: { row: ScoreRow }) {
  return (
    <>
      {row.state === 'not-assigned' ? '' : row.credit ? 'yes' : <SoftWords $small>no</SoftWords>}
      {!row.credit && row.missing !== 'nothing yet' && row.missing !== '' && (
        <SoftWords $small as="div">
          {row.missing}
        </SoftWords>
      )}
    </>
  );
}

/** What was seen of the movement, or that nobody has marked it: "technique: home 2 of 3 yes, teacher 1 of 3 yes". */
function techniqueWords({ looksHome, looksTeacher }: ScoreRow): string {
  const seen = (who: string, marks: ScoreRow['looksTeacher']) =>
    marks.length === 0 ? [] : [`${who} ${marks.filter(({ mark }) => mark === 'yes').length} of ${marks.length} yes`];
  const told = [...seen('home', looksHome?.marks ?? []), ...seen('teacher', looksTeacher)];
  return told.length === 0 ? 'technique: not marked' : `technique: ${told.join(', ')}`;
}

function Remark({ row, filmAlone, onType, onLook }: { row: ScoreRow; filmAlone: boolean; onType: () => void; onLook: (() => void) | null }) {
  return (
    <>
      {row.personalBest && <Best>own best</Best>} {row.reason && <Reason>{row.reason}</Reason>} {row.state === 'not-assigned' && 'joined later'}
      {row.state === 'not-yet' && (
        <>
          not yet{row.medium === 'paper' ? ', on paper' : ''}
          {!filmAlone && (
            <>
              {' '}
              ·{' '}
              <QuietButton onPress={onType} aria-label={`type in the score of ${row.name}`}>
                type in
              </QuietButton>
            </>
          )}
        </>
      )}
      {row.assignmentId && onLook && (
        <>
          {' '}
          <QuietButton onPress={onLook} aria-label={`${techniqueWords(row)}: how ${row.name} did it`}>
            {techniqueWords(row)}
          </QuietButton>
        </>
      )}
      {row.film && <SoftWords $small> · film</SoftWords>}
      {row.typed && <SoftWords $small> typed in</SoftWords>}
      {row.otherForms > 0 && <SoftWords $small> · {row.otherForms === 1 ? '1 go' : `${row.otherForms} goes`} made easier or harder</SoftWords>}
      {row.diaryMinutes > 0 && <SoftWords $small> · diary {row.diaryMinutes} min</SoftWords>}
      {row.word && <Word>“{row.word}”</Word>}
      {row.comment && <Word>Teacher: {row.comment}</Word>}
    </>
  );
}

/** The score on the scale of what was likely for this child: the band, par as a line, the best as a dot. */
function Against({ row, widest, unit }: { row: ScoreRow; widest: number; unit: string }) {
  const width = 160;
  const x = (score: number) => 7 + (score / widest) * (width - 14);
  return (
    <svg
      width={width}
      height={18}
      role="img"
      aria-label={row.best === null ? `par ${row.par}` : `${row.best} ${unit}, par ${row.par}, likely ${row.parLow} to ${row.parHigh}`}
    >
      <line x1={0} x2={width} y1={9} y2={9} stroke="var(--line)" />
      <rect x={x(row.parLow ?? 0)} width={Math.max(2, x(row.parHigh ?? 0) - x(row.parLow ?? 0))} y={5} height={8} fill="var(--band-3)" />
      <line x1={x(row.par!)} x2={x(row.par!)} y1={2} y2={16} stroke="var(--ink)" strokeWidth={1.5} />
      {row.best !== null && <circle cx={x(row.best)} cy={9} r={5} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.5} />}
    </svg>
  );
}
