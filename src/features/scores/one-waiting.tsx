'use client';
import type { MayBe, Waiting } from '@/contract/to-look-at';
import { useState, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import { WAY_WORDS } from '@/core/reports/around';
import { Button, QuietButton } from '@/ui/button';
import { EntryFields, Told } from './score-style';

const Words = styled.pre`
  max-height: 260px;
  overflow: auto;
  margin: 12px 0;
  padding: 10px 14px;
  border: 1px solid var(--line);
  background: var(--sheet);
  font: inherit;
  white-space: pre-wrap;
  & mark {
    background: none;
    color: inherit;
    border-bottom: 3px solid var(--gorse);
    font-weight: 600;
  }
`;

/** The text with what was read out of it marked, and what each mark was read as. */
function Marked({ words, spans }: Pick<Waiting, 'words' | 'spans'>) {
  return (
    <Words>
      {spans.map((span, index) => {
        const before = words.slice(spans[index - 1]?.to ?? 0, span.from);
        return (
          <span key={span.from}>
            {before}
            <mark title={span.what}>{words.slice(span.from, span.to)}</mark>
          </span>
        );
      })}
      {words.slice(spans.at(-1)?.to ?? 0)}
    </Words>
  );
}

export interface AsReport {
  readonly assignmentId: string;
  readonly levelId: string;
  readonly total: number | null;
}

/** A score that is nobody's yet: what was read is filled in, a person completes it and says yes. */
export function OneWaiting({
  waiting,
  mayBe,
  readOnly,
  onCount,
  onAside,
  onUndo,
}: {
  waiting: Waiting;
  mayBe: MayBe;
  readOnly: boolean;
  onCount: (as: AsReport, said: string) => void;
  onAside: () => void;
  onUndo: () => void;
}) {
  const [child, setChild] = useState(mayBe.children.find((one) => one.id === waiting.childId)?.name ?? '');
  const [weekId, setWeekId] = useState<string>(waiting.weekId ?? mayBe.weeks[0]?.id ?? '');
  const [level, setLevel] = useState<string | null>(null);
  const [total, setTotal] = useState(waiting.total === undefined ? '' : waiting.total === null ? 'n' : `${waiting.total}`);
  const written = child.trim().toLocaleLowerCase('en-GB');
  const meant = written === '' ? undefined : mayBe.children.find((one) => one.name.toLocaleLowerCase('en-GB').startsWith(written));
  const week = mayBe.weeks.find((one) => one.id === weekId);
  const asked = meant && week?.asked[meant.id];
  const levelId = level ?? (week?.levels.some((one) => one.id === waiting.levelId) ? waiting.levelId : asked?.levelId) ?? week?.levels[0]?.id ?? '';
  const number = /^n/i.test(total.trim()) ? null : total.trim() === '' ? undefined : Number(total);
  const valid = asked !== undefined && (number === null || (number !== undefined && Number.isInteger(number)));
  const count = () => {
    if (!valid || !asked || number === undefined || !meant || !week) return;
    onCount(
      { assignmentId: asked.assignmentId, levelId, total: number },
      `${meant.name}: ${number === null ? 'not finished' : `${number} ${week.unit}`}`,
    );
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    count();
  };
  return (
    <Told aria-live="polite">
      <h1>{waiting.source}</h1>
      <p style={{ margin: 0, color: 'var(--ink-soft)' }}>
        {WAY_WORDS[waiting.way]}, {waiting.receivedOn}
        {waiting.confidence !== null && ` · read with about ${Math.round(waiting.confidence * 10)} in 10 certainty`}
      </p>
      <blockquote>{waiting.sentence}</blockquote>
      <Marked words={waiting.words} spans={waiting.spans} />
      {waiting.settledBy ? (
        <p>
          {waiting.counted ? 'Counted' : 'Set aside'} by {waiting.settledBy}. {!readOnly && <QuietButton onPress={onUndo}>Decide again</QuietButton>}
        </p>
      ) : readOnly ? (
        <p>A teacher decides this.</p>
      ) : (
        <>
          <EntryFields onKeyDown={onKey} onSubmit={(event) => event.preventDefault()}>
            <label>
              Child
              <input
                value={child}
                autoFocus
                autoComplete="off"
                spellCheck={false}
                aria-describedby="meant"
                onChange={(event) => setChild(event.target.value)}
              />
            </label>
            <span id="meant" aria-live="polite" style={{ minWidth: '7rem', paddingBottom: 8 }}>
              <b>{meant ? meant.name : written === '' ? '' : 'nobody'}</b>
              {meant && !asked && <small> was not sent this week</small>}
            </span>
            <label>
              Week
              <select value={weekId} onChange={(event) => setWeekId(event.target.value)}>
                {mayBe.weeks.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.number}, {one.title}
                  </option>
                ))}
              </select>
            </label>
            <label>
              Level
              <select value={levelId} onChange={(event) => setLevel(event.target.value)}>
                {week?.levels.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
            <label>
              Score
              <input style={{ width: '5rem' }} value={total} autoComplete="off" onChange={(event) => setTotal(event.target.value)} />
            </label>
          </EntryFields>
          <p style={{ display: 'flex', gap: 10, margin: '16px 0 10px' }}>
            <Button $strong isDisabled={!valid} onPress={count}>
              Yes, count it (Enter)
            </Button>
            <Button onPress={onAside}>Set aside</Button>
          </p>
        </>
      )}
    </Told>
  );
}
