'use client';
import { lookedAtSchema } from '@/contract/looked';
import type { ScoreRow } from '@/contract/class-week';
import { useState } from 'react';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormProblem, FormText, FormTick } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';
import { markedLooks, type LookMarks } from '@/core/reports/marked-looks';
import { lookMarkWords, LookFors } from '../counter/look-fors';

/** What was seen of one child's movement: the marks from home beside those of the teacher, who makes them here. */
export function Looks({
  row,
  lookFors,
  readOnly,
  onClose,
}: {
  row: ScoreRow;
  lookFors: readonly string[];
  readOnly: boolean;
  onClose: (done: boolean) => void;
}) {
  const [marks, setMarks] = useState<LookMarks>(() => Object.fromEntries(row.looksTeacher.map(({ look, mark }) => [look, mark])));
  const form = useSchemaForm(lookedAtSchema, { marks: [], film: row.film, comment: row.comment });
  const keep = form.handleSubmit(async ({ film, comment }) => {
    const looked = { marks: markedLooks(lookFors, marks), film, comment };
    if (tookIt(form, await send('PUT', `/api/v1/assignments/${row.assignmentId}/looks`, looked))) onClose(true);
  });
  return (
    <Dialog title={`${row.name}: how it was done`} isOpen onClose={() => onClose(false)}>
      {row.looksHome ? (
        <Notice $tone="remark">
          At home {row.looksHome.by === 'adult' ? 'an adult' : 'the child'} marked:{' '}
          {row.looksHome.marks.map(({ look, mark }) => `${look.replace(/[.]$/, '')}: ${lookMarkWords(mark)}`).join('; ')}.
        </Notice>
      ) : (
        <p>Nothing was marked at home.</p>
      )}
      {readOnly ? (
        <>
          {(row.film || row.comment) && (
            <p>
              {row.film && 'A film was handed in. '}
              {row.comment && `“${row.comment}”`}
            </p>
          )}
          <ul>
            {row.looksTeacher.map(({ look, mark }) => (
              <li key={look}>
                {look} <b>{lookMarkWords(mark)}</b>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <>
          <LookFors lookFors={lookFors} marks={marks} onMark={(look, mark) => setMarks({ ...marks, [look]: mark })} />
          <FormTick control={form.control} name="film" label="A film was handed in, by the school’s own channel" />
          <FormText control={form.control} name="comment" label="One comment (if you like); the family reads it under My weeks" maxLength={280} />
        </>
      )}
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={() => onClose(false)}>{readOnly ? 'Close' : 'Not now'}</Button>
        {!readOnly && (
          <Button $strong onPress={() => void keep()}>
            Keep what I saw
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
