'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { v7 } from 'uuid';
import type { Game } from '@/core/rules/game';
import { placeName } from '@/core/rules/sentences';
import type { AssignedSetUp } from '@/server/db/weeks';
import type { ClassWeek, ScoreRow } from '@/server/scores/class-week';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { TextField } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';
import { reportFromParts } from '@/core/reports/from-parts';

const Cells = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
  gap: 14px;
`;

export interface TypeInAnswer {
  readonly game: Game;
  readonly levelId: string;
  readonly setUp: AssignedSetUp;
}

/** A score from a sheet of paper: successes from each mark; the sum is worked out while it is typed. */
export function TypeIn({ row, classWeek, onClose }: { row: ScoreRow; classWeek: ClassWeek; onClose: (done: boolean) => void }) {
  const [hits, setHits] = useState<readonly string[]>(classWeek.placeValues.map(() => ''));
  const [total, setTotal] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [playId] = useState(() => v7());
  const numbers = hits.map((text) => (text.trim() === '' ? 0 : Number(text)));
  const valid = numbers.every((number) => Number.isInteger(number) && number >= 0 && number <= 400);
  const worked = numbers.reduce((sum, number, index) => sum + number * (classWeek.placeValues[index] ?? 0), 0);
  const written = total.trim() === '' ? worked : Number(total);
  const save = async () => {
    if (!valid || !Number.isInteger(written)) return setProblem('Write whole numbers from 0 to 400.');
    setBusy(true);
    const response = await fetch(`/api/v1/assignments/${row.assignmentId}`);
    if (!response.ok) {
      setBusy(false);
      return setProblem('The sheet could not be opened. Try again.');
    }
    const assignment = (await response.json()) as TypeInAnswer;
    const answer = await send('POST', '/api/v1/scores/typed', {
      playId,
      assignmentId: row.assignmentId,
      report: reportFromParts(assignment, numbers, written, new Date()),
    });
    setBusy(false);
    if (answer.ok) onClose(true);
    else setProblem(answer.problem);
  };
  return (
    <Dialog title={`${row.name}: from paper`} isOpen onClose={() => onClose(false)}>
      <Cells>
        {classWeek.placeValues.map((value, index) => (
          <TextField
            key={index}
            label={`Hits, ${placeName(index, classWeek.placeCount) || 'the'} mark (${value} each)`}
            value={hits[index] ?? ''}
            onChange={(text) => setHits(hits.map((old, at) => (at === index ? text : old)))}
            autoFocus={index === 0}
          />
        ))}
        <TextField label="Total on the sheet" value={total} onChange={setTotal} />
      </Cells>
      <p role="status">
        Worked out: {classWeek.placeValues.map((value, index) => `${numbers[index]} × ${value}`).join(' + ')} = <b>{valid ? worked : '–'}</b>{' '}
        {classWeek.unit}
      </p>
      {total.trim() !== '' && written !== worked && (
        <Notice $tone="open">The sheet says {total}. Both are kept; it will stand under “to look at”.</Notice>
      )}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <DialogActions>
        <Button onPress={() => onClose(false)}>Not now</Button>
        <Button $strong isDisabled={busy || hits.every((text) => text.trim() === '')} onPress={() => void save()}>
          Keep this score
        </Button>
      </DialogActions>
    </Dialog>
  );
}
