'use client';
/** One short list of what does not count by itself: the reason, the working, and two to four answers, each on a key. */
import { toLookAtSchema, type Doubt, type ToLookAt } from '@/contract/to-look-at';
import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { WAY_WORDS } from '@/core/reports/around';
import type { Choice } from '@/core/reports/decision';
import { Button, QuietButton } from '@/ui/button';
import { Notice } from '@/ui/notice';
import { Empty, Figures, Page, SubHead, SoftLine } from '@/ui/page';
import { send } from '@/ui/post';
import { useRead } from '@/ui/reads';
import { reportWorkingSchema } from '@/contract/report-working';
import { FrameSheet } from '@/features/counter/frame-sheet';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { CHOSEN, entriesOf, weekOf, whoOf, whyOf, type DoubtEntry } from './doubts-model';
import { Told } from './score-style';
import { OneWaiting, type AsReport } from './one-waiting';
import { ScoresNav, type ScoresNavProps } from './scores-nav';

const Stays = styled.div`
  position: sticky;
  top: 12px;
`;

const Said = styled.p`
  min-height: 1.6em;
  margin: 0;
  color: var(--ink-soft);
`;

const Goes = styled(Figures)`
  width: auto;
  min-width: 420px;
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(280px, 400px) minmax(0, 1fr);
  gap: 0 var(--space-8);
  align-items: start;
`;

/** A table of two columns, its rows pressed whole by their first. */
const List = styled.div`
  & table {
    table-layout: fixed;
    border-top: 1px solid var(--ink);
  }
  & td {
    padding: 0;
  }
  & button.who {
    display: block;
    width: 100%;
    padding: var(--space-4) var(--space-4) var(--space-4) var(--space-4);
    border: 0;
    border-left: 4px solid transparent;
    background: none;
    color: inherit;
    text-align: left;
    cursor: pointer;
  }
  & tr[aria-current] {
    background: var(--sheet);
  }
  & tr[aria-current] button.who {
    border-left-color: var(--gorse);
  }
  & button.who > * {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  & small {
    color: var(--ink-soft);
  }
`;

const Answers = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  margin: var(--space-6) 0 var(--space-4);
  & kbd {
    display: inline-block;
    min-width: 1.5em;
    margin-right: var(--space-4);
    border: 1px solid currentColor;
    border-radius: var(--radius-1);
    text-align: center;
    font: inherit;
    font-size: var(--type-1);
  }
`;

const score = (value: number | null, unit: string) => (value === null ? 'not finished' : `${value} ${unit}`);

export function DoubtsPage({ classes, classId, first, readOnly }: ScoresNavProps & { first: ToLookAt; readOnly: boolean }) {
  const { data: found = first, mutate: read } = useRead(`/api/v1/classes/${classId}/doubts`, toLookAtSchema, { first });
  const entries = useMemo(() => entriesOf(found), [found]);
  const [open, decided] = useMemo(() => [entries.filter((one) => one.open), entries.filter((one) => !one.open)], [entries]);
  // As they stand in the tables, for the arrow keys.
  const [openIds, setOpenIds] = useState<readonly string[]>([]);
  const [decidedIds, setDecidedIds] = useState<readonly string[]>([]);
  const [pickedId, setPickedId] = useState<string | null>(open[0]?.id ?? null);
  const [last, setLast] = useState<{ entry: DoubtEntry; said: string } | null>(null);
  const [problem, setProblem] = useState('');
  const busy = useRef(false);
  const picked = entries.find((one) => one.id === pickedId) ?? open[0] ?? null;

  /** Sends a decision; the next that is open is picked. */
  const decide = async (entry: DoubtEntry, body: unknown, said: string) => {
    if (busy.current || readOnly) return;
    busy.current = true;
    setProblem('');
    const done = await send('POST', entry.on === 'doubt' ? `/api/v1/reports/${entry.id}/decision` : `/api/v1/incoming/${entry.id}`, body);
    busy.current = false;
    if (!done.ok) return setProblem(done.problem);
    const at = openIds.indexOf(entry.id);
    setPickedId(openIds[at + 1] ?? openIds[at - 1] ?? null);
    setLast({ entry, said });
    await read();
  };
  const answer = (entry: Extract<DoubtEntry, { on: 'doubt' }>, choice: Choice) =>
    decide(entry, { choice }, `${entry.doubt.childName}: ${CHOSEN[choice]}.`);
  const undo = async (entry: DoubtEntry) => {
    if (busy.current || readOnly) return;
    busy.current = true;
    const done = await (entry.on === 'doubt'
      ? send('POST', `/api/v1/reports/${entry.id}/decision`, { choice: null })
      : send('POST', `/api/v1/incoming/${entry.id}`, { as: null, undo: true }));
    busy.current = false;
    if (!done.ok) return setProblem(done.problem);
    setPickedId(entry.id);
    setLast(null);
    await read();
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.altKey || event.ctrlKey || event.metaKey || target.closest('[role=listbox]')) return;
      const writing = target.closest('input, textarea, select') !== null;
      if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        if (target.closest('select, textarea')) return;
        event.preventDefault();
        const ids = [...openIds, ...decidedIds];
        const next = picked && ids[ids.indexOf(picked.id) + (event.key === 'ArrowDown' ? 1 : -1)];
        if (next) setPickedId(next);
      } else if (writing) return;
      else if (/^[1-4]$/.test(event.key) && picked?.on === 'doubt' && picked.open) {
        const chosen = picked.doubt.answers[Number(event.key) - 1];
        if (chosen) void answer(picked, chosen.choice);
      } else if (event.key === 'u' && last) void undo(last.entry);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  const columns: readonly SheetColumn<DoubtEntry>[] = [
    {
      id: 'who',
      words: 'Who',
      by: whoOf,
      cell: (entry) => (
        <button
          type="button"
          className="who"
          onClick={() => setPickedId(entry.id)}
          ref={(element) => {
            if (entry.id === picked?.id) element?.scrollIntoView({ block: 'nearest' });
          }}
        >
          <b>{whoOf(entry)}</b>
          <small>{whyOf(entry)}</small>
        </button>
      ),
    },
    { id: 'week', words: 'Week', width: 92, by: weekOf, cell: (entry) => (entry.on === 'doubt' ? entry.doubt.weekNumber : entry.waiting.way) },
  ];
  const list = (label: string, rows: readonly DoubtEntry[], onOrder: (ids: readonly string[]) => void) => (
    <List>
      <SheetTable label={label} rows={rows} columns={columns} rowId={({ id }) => id} tie="who" picked={picked?.id} onOrder={onOrder} />
    </List>
  );
  return (
    <Page>
      <ScoresNav classes={classes} classId={classId} toLookAt={open.length} />
      {entries.length === 0 ? (
        <Empty>
          <p>Everything that came in adds up and counts by itself. What does not will wait here.</p>
        </Empty>
      ) : (
        <Columns>
          <div>
            {open.length > 0 ? list('To look at', open, setOpenIds) : <p>Nothing is left to look at.</p>}
            {entries.length > open.length && (
              <>
                <SubHead>Decided</SubHead>
                {list('Decided', decided, setDecidedIds)}
              </>
            )}
          </div>
          <Stays>
            <Said role="status">
              {last && (
                <>
                  {last.said} {!readOnly && <QuietButton onPress={() => void undo(last.entry)}>Take it back</QuietButton>}
                </>
              )}
            </Said>
            {problem && (
              <Notice $tone="caution" role="alert">
                {problem}
              </Notice>
            )}
            {picked?.on === 'doubt' && (
              <OneDoubt
                key={picked.doubt.reportId}
                doubt={picked.doubt}
                readOnly={readOnly}
                onAnswer={(choice) => void answer(picked, choice)}
                onUndo={() => void undo(picked)}
              />
            )}
            {picked?.on === 'waiting' && (
              <OneWaiting
                key={`${picked.id} ${picked.open}`}
                waiting={picked.waiting}
                mayBe={found.mayBe}
                readOnly={readOnly}
                onCount={(as: AsReport, said) => void decide(picked, { as }, `${said}, counted.`)}
                onAside={() => void decide(picked, { as: null }, `${picked.waiting.source}: set aside.`)}
                onUndo={() => void undo(picked)}
              />
            )}
            <SoftLine $small>
              Keys: <b>↑ ↓</b> another one, <b>1–4</b> an answer, <b>u</b> take the last one back. What was sent is never changed.
            </SoftLine>
          </Stays>
        </Columns>
      )}
    </Page>
  );
}

const Apart = styled.div`
  margin: var(--space-5) 0;
`;

/** How it is worked out, beside the figure. */
const Sum = styled.small`
  display: block;
  color: var(--ink-soft);
`;

function OneDoubt({
  doubt,
  readOnly,
  onAnswer,
  onUndo,
}: {
  doubt: Doubt;
  readOnly: boolean;
  onAnswer: (choice: Choice) => void;
  onUndo: () => void;
}) {
  const { data: working } = useRead(`/api/v1/reports/${doubt.reportId}/working`, reportWorkingSchema, { onFocus: false });
  return (
    <Told aria-live="polite">
      <h1>{doubt.childName}</h1>
      <SoftLine>
        {doubt.gameTitle}, week {doubt.weekNumber} · {WAY_WORDS[doubt.way]} on {doubt.receivedOn}
      </SoftLine>
      <blockquote>
        {doubt.sentences.map((sentence) => (
          <div key={sentence}>{sentence}</div>
        ))}
      </blockquote>
      <Goes>
        <thead>
          <tr>
            <th>Level</th>
            <th className="figure">As sent</th>
            <th className="figure">Worked out</th>
          </tr>
        </thead>
        <tbody>
          {doubt.goes.map((go, index) => (
            <tr key={index}>
              <td>{go.level}</td>
              <td className="figure">{score(go.sent, go.unit)}</td>
              <td className="figure">
                <b>{score(go.workedOut, go.unit)}</b>
                {working?.goes[index]?.frames === null && <Sum>{working.goes[index].sum}</Sum>}
              </td>
            </tr>
          ))}
        </tbody>
      </Goes>
      {working?.goes.map(
        ({ frames }, index) =>
          frames && (
            <Apart key={index}>
              <FrameSheet frames={frames} of={Math.max(frames.length, 10)} />
            </Apart>
          ),
      )}
      {doubt.word && <p>“{doubt.word}”</p>}
      {doubt.choice ? (
        <p>
          {CHOSEN[doubt.choice]} by {doubt.decided}. {!readOnly && <QuietButton onPress={onUndo}>Decide again</QuietButton>}
        </p>
      ) : readOnly ? (
        <p>A teacher decides this.</p>
      ) : (
        <Answers role="group" aria-label="Answers">
          {doubt.answers.map((one, index) => (
            <Button key={one.choice} $strong={index === 0} onPress={() => onAnswer(one.choice)}>
              <kbd aria-hidden>{index + 1}</kbd>
              {one.label}
            </Button>
          ))}
        </Answers>
      )}
    </Told>
  );
}
