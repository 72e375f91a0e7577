'use client';
import { typeInSchema, type TypeInAnswer } from '@/contract/typed';
import type { ScoreRow } from '@/contract/class-week';
import Joi from 'joi';
import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import styled from 'styled-components';
import { v7 } from 'uuid';
import { resolveLevel } from '@/core/rules/format/level';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormNumber, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';
import { useRead } from '@/ui/reads';
import { reportFromFields } from '@/core/reports/from-parts';
import { partFields } from '@/core/reports/parts';
import { cellsSchema, readCells, totalOf, totalSchema, workedOutOf, type SheetLine } from './typed-parts';

const Cells = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
  gap: var(--space-5);
`;

type PartsTyped = Pick<SheetLine, 'cells' | 'total'>;

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
  const form = useSchemaForm(
    useMemo(() => Joi.object<PartsTyped>({ cells: cellsSchema(fields), total: totalSchema }), [fields]),
    { cells: fields.map(() => null), total: '' },
  );
  const { cells, total } = useWatch({ control: form.control }) as PartsTyped;
  const [playId] = useState(() => v7());
  const worked = workedOutOf(level, fields, cells);
  const written = totalOf(total);
  const save = form.handleSubmit(async (typed) => {
    const value = written ? written.total : (worked?.value ?? null);
    const unit = worked?.unit ?? level.parts[0]!.measure.unit;
    const report = reportFromFields(assignment, level, readCells(fields, typed.cells)!, value, unit, new Date());
    if (tookIt(form, await send('POST', '/api/v1/scores/typed', { playId, assignmentId: row.assignmentId, report }))) onClose(true);
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate>
      <Cells>
        {fields.map((field, index) => (
          <FormNumber
            key={index}
            control={form.control}
            name={`cells.${index}`}
            label={`${level.parts.length > 1 ? `${level.parts[field.part]!.title ?? ''}: ` : ''}${field.label}${field.each !== null && field.each !== 1 ? ` (${field.each} each)` : ''}`}
            autoFocus={index === 0}
          />
        ))}
        <FormText control={form.control} name="total" label="Total on the sheet" />
      </Cells>
      <p role="status">
        Worked out: <b>{worked ? worked.sum : '–'}</b> {worked?.unit}
      </p>
      {worked && written && written.total !== worked.value && (
        <Notice $tone="open">The sheet says {total}. Both are kept; it will stand under “to look at”.</Notice>
      )}
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={() => onClose(false)}>Not now</Button>
        <Button $strong type="submit" isDisabled={form.formState.isSubmitting || (written === null && cells.every((one) => one === null))}>
          Keep this score
        </Button>
      </DialogActions>
    </form>
  );
}
