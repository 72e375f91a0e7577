'use client';
/** Files and messages dropped on the page: looked at, corrected, brought in as one and taken back as one. */
import type { BroughtIn, Looked } from '@/contract/table';
import { useRouter } from 'next/navigation';
import { useRef, useState, type DragEvent } from 'react';
import styled from 'styled-components';
import { COLUMN_WORDS, type ColumnKind } from '@/core/reports/read-table';
import { Button, QuietButton } from '@/ui/button';
import { Select } from '@/ui/field';
import { deskFetch } from '@/ui/desk-fetch';
import { Notice } from '@/ui/notice';
import { Figures, Page, SubHead } from '@/ui/page';
import { send } from '@/ui/post';
import { SchoolKeys, type KeyShown } from './school-keys';
import { ScoresNav, type ScoresNavProps } from './scores-nav';

const Told = styled.p`
  min-height: 1.5em;
  margin: var(--space-4) 0;
`;

const FileName = styled.h1`
  && {
    font-size: var(--type-4);
    margin: var(--space-3) 0;
  }
`;

const WeekChooser = styled.div`
  width: 340px;
`;

const Batches = styled(Figures)`
  & .undone {
    color: var(--ink-soft);
    text-decoration: line-through;
  }
`;

const Columns = styled(Figures)`
  width: auto;
`;

const ColumnHead = styled.th`
  && {
    min-width: 130px;
  }
`;

const Deeds = styled.p`
  display: flex;
  gap: var(--space-5);
`;

const Drop = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  padding: var(--space-7) var(--space-7);
  border: 1.5px dashed var(--line-strong);
  background: var(--sheet);
  &[data-over] {
    border: 1.5px solid var(--ink);
    background: var(--band-1);
  }
  & p {
    flex: 1;
    min-width: 300px;
    margin: 0;
    color: var(--ink-soft);
  }
`;

const Wide = styled.div`
  overflow-x: auto;
  margin: var(--space-5) 0;
`;

const Outcome = styled.span`
  &[data-kind='clean'] {
    color: var(--tide);
  }
  &[data-kind='waits'],
  &[data-kind='impossible'] {
    border-left: 3px solid var(--rowan);
    padding-left: var(--space-4);
  }
`;

type Table = Looked & { readonly kind: 'table'; readonly sheet: string; readonly remark: string; readonly rows: number };
type Answer =
  | Table
  | (BroughtIn & {
      readonly kind: 'messages';
      readonly again: number;
      readonly elsewhere?: number;
      readonly problems?: readonly { file: string; reason: string }[];
    });

interface Line extends Partial<BroughtIn> {
  readonly done?: number;
  readonly of?: number;
  readonly problem?: string;
}

export interface BatchShown {
  readonly id: string;
  readonly kind: 'file' | 'mailbox';
  readonly name: string;
  readonly by: string;
  readonly madeWords: string;
  readonly undone: boolean;
  readonly reports: number;
  readonly waiting: number;
}

const OUTCOME: Readonly<Record<string, string>> = { clean: 'counts', waits: 'waits' };

export function BringInPage({
  classes,
  classId,
  games,
  batches,
  keys,
}: ScoresNavProps & {
  /** The games that were sent, the newest week first: "week 6, Lantern Quay". */
  games: readonly { readonly id: string; readonly words: string }[];
  batches: readonly BatchShown[];
  /** Null for those who make none. */
  keys: readonly KeyShown[] | null;
}) {
  const router = useRouter();
  const [over, setOver] = useState(false);
  const [file, setFile] = useState<File | null>(null);
  const [table, setTable] = useState<Table | null>(null);
  const [busy, setBusy] = useState<{ done: number; of: number } | null>(null);
  const [said, setSaid] = useState('');
  const [problem, setProblem] = useState('');
  const chooser = useRef<HTMLInputElement>(null);

  const url = (name: string, more: Readonly<Record<string, string>> = {}) =>
    `/api/v1/classes/${classId}/files?${new URLSearchParams({ name, ...more }).toString()}`;
  const failed = async (response: Response) => {
    const { problems } = (await response.json().catch(() => ({}))) as { problems?: readonly { reason: string; fix: string }[] };
    setProblem(problems?.[0] ? `${problems[0].reason} ${problems[0].fix}` : 'That did not work. Nothing was changed; try again in a moment.');
  };
  const tell = (done: BroughtIn, again = 0, elsewhere = 0) => {
    const parts = [
      `${done.counted} counted by ${done.counted === 1 ? 'itself' : 'themselves'}`,
      ...(done.doubts > 0 ? [`${done.doubts} to look at`] : []),
      ...(done.waiting > 0 ? [`${done.waiting} wait for a yes`] : []),
      ...(elsewhere > 0 ? [`${elsewhere} went to other classes`] : []),
      ...(again > 0 ? [`${again} were here before`] : []),
    ];
    setSaid(`${parts.join(', ')}.`);
    router.refresh();
  };
  const look = async (chosen: File, columns?: readonly ColumnKind[], gameId?: string) => {
    setProblem('');
    setSaid('');
    setFile(chosen);
    setBusy({ done: 0, of: 0 });
    try {
      const response = await deskFetch(
        url(chosen.name, { ...(columns ? { columns: columns.join('|') } : {}), ...(gameId ? { game: gameId } : {}) }),
        {
          method: 'POST',
          body: chosen,
        },
      );
      if (!response.ok) return await failed(response);
      const answer = (await response.json()) as Answer;
      if (answer.kind === 'table') setTable(answer);
      else tell(answer, answer.again);
    } catch {
      setProblem('There is no connection. Nothing was changed.');
    } finally {
      setBusy(null);
    }
  };
  const apply = async () => {
    if (!file || !table) return;
    setProblem('');
    setBusy({ done: 0, of: table.rows });
    try {
      const response = await deskFetch(url(file.name, { columns: table.columns.join('|'), game: table.gameId, apply: '1' }), {
        method: 'POST',
        body: file,
      });
      if (!response.ok) return await failed(response);
      const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
      let rest = '';
      for (let part = await reader.read(); !part.done; part = await reader.read()) {
        const lines = (rest + part.value).split('\n');
        rest = lines.pop()!;
        for (const line of lines) {
          const told = JSON.parse(line) as Line;
          if (told.problem) setProblem(told.problem);
          else if (told.batchId) {
            tell(told as BroughtIn);
            setTable(null);
            setFile(null);
          } else setBusy({ done: told.done!, of: told.of! });
        }
      }
    } catch {
      setProblem('The connection broke off. Open this page again to see whether the file was brought in.');
    } finally {
      setBusy(null);
    }
  };
  const readMailbox = async () => {
    setProblem('');
    setSaid('');
    const answer = await send<Extract<Answer, { kind: 'messages' }>>('POST', `/api/v1/classes/${classId}/mailbox`);
    if (!answer.ok || !answer.value) return setProblem(answer.problem);
    tell(answer.value, answer.value.again, answer.value.elsewhere);
    const [bad] = answer.value.problems ?? [];
    if (bad) setProblem(`${bad.file}: ${bad.reason}`);
  };
  const undo = async (batch: BatchShown) => {
    const answer = await send('POST', `/api/v1/batches/${batch.id}`, { undone: !batch.undone });
    if (!answer.ok) return setProblem(answer.problem);
    router.refresh();
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const [dropped] = event.dataTransfer.files;
    if (dropped) void look(dropped);
  };
  const kinds: readonly { value: ColumnKind; label: string }[] = [
    ...(Object.keys(COLUMN_WORDS) as (keyof typeof COLUMN_WORDS)[]).map((value) => ({ value, label: COLUMN_WORDS[value] })),
    ...(table?.cells ?? []).map((label, index) => ({ value: `cell:${index}` as const, label: `cell: ${label}` })),
  ];
  return (
    <Page>
      <ScoresNav classes={classes} classId={classId} />
      <Drop
        data-over={over || undefined}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={onDrop}
      >
        <p>
          Drop a table (CSV or XLSX) or messages (.eml, .mbox) here, up to 5 MB. A table is shown before anything is written. A message counts when
          you say yes.
        </p>
        <input
          ref={chooser}
          type="file"
          hidden
          aria-label="A file with scores"
          accept=".csv,.txt,.tsv,.xlsx,.eml,.mbox"
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = '';
            if (chosen) void look(chosen);
          }}
        />
        <Button onPress={() => chooser.current?.click()}>Choose a file</Button>
        <Button onPress={() => void readMailbox()}>Read the mailbox</Button>
      </Drop>
      <Told role="status">{busy ? (busy.of === 0 ? 'Reading …' : `${busy.done} of ${busy.of} rows`) : said}</Told>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      {table && file && (
        <section aria-label="What the file says">
          <FileName>
            {file.name}: {table.rows} {table.rows === 1 ? 'row' : 'rows'}
          </FileName>
          {table.remark && <Notice $tone="open">{table.remark}</Notice>}
          <WeekChooser>
            <Select
              label="Where no week or game is named"
              value={table.gameId}
              choices={games.map(({ id, words }) => ({ value: id, label: words }))}
              onChange={(id) => void look(file, table.columns, id)}
            />
          </WeekChooser>
          <Wide>
            <Columns>
              <thead>
                <tr>
                  {table.header.map((heading, index) => (
                    <ColumnHead key={index}>
                      {heading || `column ${index + 1}`}
                      <Select
                        hideLabel
                        label={`What “${heading}” is`}
                        value={table.columns[index] ?? 'ignore'}
                        choices={kinds}
                        onChange={(kind) =>
                          void look(
                            file,
                            table.header.map((_, at) => (at === index ? kind : (table.columns[at] ?? 'ignore'))),
                            table.gameId,
                          )
                        }
                      />
                    </ColumnHead>
                  ))}
                </tr>
              </thead>
            </Columns>
          </Wide>
          <Figures>
            <thead>
              <tr>
                <th className="figure">Line</th>
                <th>Child</th>
                <th className="figure">Week</th>
                <th className="figure">Score</th>
                <th>What becomes of it</th>
              </tr>
            </thead>
            <tbody>
              {table.outcomes.map((row) => (
                <tr key={row.line}>
                  <td className="figure">{row.line}</td>
                  <td>{row.child}</td>
                  <td className="figure">{row.week}</td>
                  <td className="figure">{row.score}</td>
                  <td>
                    <Outcome data-kind={row.kind}>
                      {OUTCOME[row.kind] ?? 'to look at'}
                      {row.sentence && `: ${row.sentence}`}
                    </Outcome>
                  </td>
                </tr>
              ))}
            </tbody>
          </Figures>
          {table.rows > table.outcomes.length && <p>… and {table.rows - table.outcomes.length} more.</p>}
          <Deeds>
            <Button
              onPress={() => {
                setTable(null);
                setFile(null);
              }}
            >
              Leave it
            </Button>
            <Button $strong isDisabled={busy !== null} onPress={() => void apply()}>
              Bring in {table.rows} {table.rows === 1 ? 'row' : 'rows'}
            </Button>
          </Deeds>
        </section>
      )}
      {batches.length > 0 && !table && (
        <>
          <SubHead>Brought in before</SubHead>
          <Batches>
            <thead>
              <tr>
                <th>What</th>
                <th>When</th>
                <th>Who</th>
                <th className="figure">Scores</th>
                <th className="figure">Wait</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {batches.map((batch) => (
                <tr key={batch.id} className={batch.undone ? 'undone' : undefined}>
                  <td>{batch.name}</td>
                  <td>{batch.madeWords}</td>
                  <td>{batch.by}</td>
                  <td className="figure">{batch.reports}</td>
                  <td className="figure">{batch.waiting}</td>
                  <td>
                    <QuietButton onPress={() => void undo(batch)} aria-label={`${batch.undone ? 'Bring back' : 'Take back'} ${batch.name}`}>
                      {batch.undone ? 'bring back' : 'take back'}
                    </QuietButton>
                  </td>
                </tr>
              ))}
            </tbody>
          </Batches>
        </>
      )}
      {keys && !table && <SchoolKeys keys={keys} />}
    </Page>
  );
}
