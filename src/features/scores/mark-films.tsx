'use client';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import type { ScoreRow } from '@/contract/class-week';
import { LOOK_MARKS } from '@/core/reports/look-marks';
import { markedLooks } from '@/core/reports/marked-looks';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { TextField } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { SoftLine } from '@/ui/page';
import { send } from '@/ui/post';
import { lookMarkWords } from '../counter/look-fors';
import { filmKey, marked, steppedBack, UNMARKED, type Marking } from './films-model';

const Looks = styled.ol`
  margin: 0;
  padding: 0;
  list-style: none;
  outline: none;
  & li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: var(--space-5);
    padding: var(--space-4);
    border-bottom: 1px solid var(--line);
    border-inline-start: 4px solid transparent;
  }
  & li[aria-current] {
    border-inline-start-color: var(--gorse);
    background: var(--sheet);
    font-weight: 600;
  }
`;

const Name = styled.p`
  font-size: var(--type-6);
  font-weight: 700;
`;

/** The films of a class one after the other: a key for each look-for, Enter keeps it and goes to the next child. */
export function MarkFilms({
  rows,
  lookFors,
  onClose,
}: {
  /** The children whose film is to be marked, in their order. */
  readonly rows: readonly ScoreRow[];
  readonly lookFors: readonly string[];
  readonly onClose: () => void;
}) {
  const [queue] = useState(rows);
  const [child, setChild] = useState(0);
  const [marking, setMarking] = useState<Marking>(UNMARKED);
  const [comment, setComment] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState('');
  const row = queue[child];
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => list.current?.focus(), [child]);
  const next = () => {
    setChild(child + 1);
    setMarking(UNMARKED);
    setComment('');
    setProblem('');
  };
  const keep = async () => {
    if (!row || busy) return;
    setBusy(true);
    const looked = { marks: markedLooks(lookFors, marking.marks), film: true, comment: comment.trim() };
    const answer = await send('PUT', `/api/v1/assignments/${row.assignmentId}/looks`, looked);
    setBusy(false);
    if (answer.ok) next();
    else setProblem(answer.problem);
  };
  const keys = (event: KeyboardEvent<HTMLElement>) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const on = event.target as HTMLElement;
    const typing = on.matches('input, textarea');
    const means = filmKey(event.key);
    if (!means || (typing && means.do !== 'keep') || on.matches('button')) return;
    event.preventDefault();
    if (means.do === 'mark') setMarking(marked(marking, lookFors, means.mark));
    else if (means.do === 'back') setMarking(steppedBack(marking));
    else if (means.do === 'keep') void keep();
    else next();
  };
  return (
    <Dialog title={row ? `Films: ${child + 1} of ${queue.length}` : 'All films are gone through'} isOpen onClose={onClose} width={560}>
      {row && (
        <div onKeyDown={keys}>
          <Name>{row.name}</Name>
          <Looks key={row.childId} tabIndex={0} aria-label={`What to look for in the film of ${row.name}`} ref={list}>
            {lookFors.map((look, index) => (
              <li key={look} aria-current={index === marking.at ? 'step' : undefined}>
                <span>{look}</span>
                <b>{marking.marks[look] ? lookMarkWords(marking.marks[look]) : ''}</b>
              </li>
            ))}
          </Looks>
          <TextField label="One comment (if you like)" value={comment} maxLength={280} onChange={setComment} />
          <SoftLine $small>
            {LOOK_MARKS.map((mark, index) => `${index + 1} ${lookMarkWords(mark)}`).join(' · ')} · Backspace: one back · Enter: keep, next child · N:
            no film was handed in
          </SoftLine>
          {problem && (
            <Notice $tone="caution" role="alert">
              {problem}
            </Notice>
          )}
        </div>
      )}
      {!row && <p>Every film that was waiting has been marked or passed over.</p>}
      <DialogActions>
        <Button onPress={onClose}>Close</Button>
        {row && (
          <>
            <Button onPress={next}>No film</Button>
            <Button $strong isDisabled={busy} onPress={() => void keep()}>
              Keep, next child
            </Button>
          </>
        )}
      </DialogActions>
    </Dialog>
  );
}
