'use client';
import { typeInSchema, type TypeInAnswer } from '@/contract/typed';
import type { ScoreRow } from '@/contract/class-week';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { v7 } from 'uuid';
import { resolveLevel } from '@/core/rules/level';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { TextField } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';
import { useRead } from '@/ui/reads';
import { reportFromFields, workedOut } from '@/core/reports/from-parts';
import { partFields } from '@/core/reports/parts';

const Cells = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
  gap: 14px;
`;

/** A score from a sheet of paper: the parts of the score as this game has them; the sum is worked out while it is typed. */
export function TypeIn({ row, onClose }: { row: ScoreRow; onClose: (done: boolean) => void }) {
  const { data: assignment, error } = useRead(`/api/v1/assignments/${row.assignmentId}`, typeInSchema, { onFocus: false });
  return (
    <Dialog title={`${row.name}: from paper`} isOpen onClose={() => onClose(false)}>
      {assignment ? (
        <Sheet row={row} assignment={assignment} onClose={onClose} />
      ) : (
        <p role="status">{error ? 'The sheet could not be opened. Close this and try again.' : 'One moment …'}</p>
      )}
    </Dialog>
  );
}

function Sheet({ row, assignment, onClose }: { row: ScoreRow; assignment: TypeInAnswer; onClose: (done: boolean) => void }) {
  const level = useMemo(() => {
    const index = assignment.game.levels.findIndex((one) => one.id === assignment.levelId);
    return resolveLevel(assignment.game, Math.max(0, index));
  }, [assignment]);
  const fields = useMemo(() => partFields(level), [level]);
  const [cells, setCells] = useState<readonly string[]>(() => fields.map(() => ''));
  const [total, setTotal] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [playId] = useState(() => v7());
  const typed = cells.map((text) => (text.trim() === '' ? null : Number(text)));
  const valid = typed.every(
    (number, index) => number === null || (Number.isInteger(number) && number >= fields[index]!.least && number <= fields[index]!.most),
  );
  const worked = useMemo(
    () =>
      valid
        ? workedOut(
            level,
            cells.map((text) => (text.trim() === '' ? null : Number(text))),
          )
        : null,
    [level, cells, valid],
  );
  const written = total.trim() === '' ? (worked?.value ?? null) : Number(total);
  const save = async () => {
    if (!valid || !worked || (written !== null && !Number.isInteger(written))) return setProblem('Write whole numbers only.');
    setBusy(true);
    const answer = await send('POST', '/api/v1/scores/typed', {
      playId,
      assignmentId: row.assignmentId,
      report: reportFromFields(assignment, level, typed, written, worked.unit, new Date()),
    });
    setBusy(false);
    if (answer.ok) onClose(true);
    else setProblem(answer.problem);
  };
  return (
    <>
      <Cells>
        {fields.map((field, index) => (
          <TextField
            key={index}
            label={`${level.parts.length > 1 ? `${level.parts[field.part]!.title ?? ''}: ` : ''}${field.label}${field.each !== null && field.each !== 1 ? ` (${field.each} each)` : ''}`}
            value={cells[index] ?? ''}
            onChange={(text) => setCells(cells.map((old, at) => (at === index ? text : old)))}
            autoFocus={index === 0}
          />
        ))}
        <TextField label="Total on the sheet" value={total} onChange={setTotal} />
      </Cells>
      <p role="status">
        Worked out: <b>{worked ? worked.sum : '–'}</b> {worked?.unit}
      </p>
      {worked && total.trim() !== '' && written !== worked.value && (
        <Notice $tone="open">The sheet says {total}. Both are kept; it will stand under “to look at”.</Notice>
      )}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <DialogActions>
        <Button onPress={() => onClose(false)}>Not now</Button>
        <Button $strong isDisabled={busy || cells.every((text) => text.trim() === '')} onPress={() => void save()}>
          Keep this score
        </Button>
      </DialogActions>
    </>
  );
}
