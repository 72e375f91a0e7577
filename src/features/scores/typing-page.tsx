'use client';
/** Many sheets of paper, one line each: the child by the first letters or the code of the slip, the cells of this game, Enter. */
import type { SheetsToType, SheetToType } from '@/contract/sheets';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import { v7 } from 'uuid';
import { dayWords } from '@/core/measure/days';
import { reportFromFields, workedOut } from '@/core/reports/from-parts';
import { partFields } from '@/core/reports/parts';
import { levelById } from '@/core/rules/level';
import type { Game } from '@/core/rules/game';
import { Button } from '@/ui/button';
import { Select } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { Empty, Figures, Page } from '@/ui/page';
import { send } from '@/ui/post';
import { EntryFields } from './score-style';
import { ScoresNav, type ScoresNavProps } from './scores-nav';

const Line = styled(EntryFields)`
  padding: 14px 16px;
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  & input {
    width: 5rem;
    background: var(--paper);
  }
  & input.child {
    width: 11rem;
  }
  & input.steps {
    width: 8rem;
  }
`;

const Bar = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 10px 16px;
  margin-bottom: 12px;
`;

interface Typed {
  readonly name: string;
  readonly words: string;
  readonly doubt: boolean;
}

/** A total as it may be typed: a number, or n for “not finished”; null for nothing typed, undefined for neither. */
function totalOf(text: string): { total: number | null } | null | undefined {
  const written = text.trim().toLocaleLowerCase('en-GB');
  if (written === '') return null;
  if (/^(n|nf|not finished)$/.test(written)) return { total: null };
  const number = Number(written.replace(',', '.'));
  return Number.isInteger(number) ? { total: number } : undefined;
}

const SHORTEST_CODE = 16;

export function TypingPage({ classes, classId, found }: ScoresNavProps & { found: SheetsToType }) {
  const router = useRouter();
  const [done, setDone] = useState<readonly Typed[]>([]);
  const [typedIds, setTypedIds] = useState<readonly string[]>([]);
  const { game } = found;
  const missing = found.sheets.filter((sheet) => !sheet.reported && !typedIds.includes(sheet.assignmentId));
  const go = (query: string) => router.push(`/scores/typing?class=${classId}${query}`);
  return (
    <Page>
      <ScoresNav classes={classes} classId={classId} />
      {!game || found.weekId === null ? (
        <Empty>
          <p>This class has not been sent anything yet.</p>
        </Empty>
      ) : (
        <>
          <Bar>
            <div style={{ width: 320 }}>
              <Select
                label="Week"
                hideLabel
                value={found.weekId}
                choices={found.weeks.map((one) => ({ value: one.id, label: `week ${one.number}, due ${dayWords(one.dueOn)}` }))}
                onChange={(id) => go(`&week=${id}`)}
              />
            </div>
            {found.games.length > 1 ? (
              <div style={{ width: 250 }}>
                <Select
                  label="Game"
                  hideLabel
                  value={found.itemId!}
                  choices={found.games.map((one) => ({ value: one.itemId, label: one.title }))}
                  onChange={(id) => go(`&week=${found.weekId}&game=${id}`)}
                />
              </div>
            ) : (
              <b>{game.title}</b>
            )}
            <span style={{ color: 'var(--ink-soft)' }}>{missing.length === 0 ? 'Everybody has a score.' : `${missing.length} without a score`}</span>
          </Bar>
          <EntryLine
            game={game}
            sheets={found.sheets}
            missing={missing}
            onKept={(sheet, typed) => {
              setDone([typed, ...done]);
              setTypedIds([...typedIds, sheet.assignmentId]);
            }}
          />
          <p style={{ color: 'var(--ink-soft)', fontSize: '0.875rem' }}>
            The child by the first letters, or the code of the slip; <b>Tab</b> to the next cell; <b>Enter</b> keeps the line. In the total <b>n</b>{' '}
            is “not finished”. Without a total the sum of the cells is taken.
          </p>
          {done.length > 0 && (
            <Figures style={{ width: 'auto', minWidth: 460 }}>
              <thead>
                <tr>
                  <th>Typed in now</th>
                  <th>Kept as</th>
                </tr>
              </thead>
              <tbody>
                {done.map((one, index) => (
                  <tr key={done.length - index}>
                    <td>{one.name}</td>
                    <td>
                      {one.words}
                      {one.doubt && <b> · waits under “To look at”</b>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </Figures>
          )}
        </>
      )}
    </Page>
  );
}

function EntryLine({
  game,
  sheets,
  missing,
  onKept,
}: {
  game: Game;
  sheets: readonly SheetToType[];
  missing: readonly SheetToType[];
  onKept: (sheet: SheetToType, typed: Typed) => void;
}) {
  const [child, setChild] = useState('');
  const [coded, setCoded] = useState<string | null>(null);
  const [levelId, setLevelId] = useState<string | null>(null);
  const [cells, setCells] = useState<readonly string[]>([]);
  const [total, setTotal] = useState('');
  const [steps, setSteps] = useState('');
  const [problem, setProblem] = useState('');
  const busy = useRef(false);
  const childField = useRef<HTMLInputElement>(null);

  const starts = (sheet: SheetToType) => sheet.name.toLocaleLowerCase('en-GB').startsWith(child.trim().toLocaleLowerCase('en-GB'));
  const sheet =
    coded !== null ? sheets.find((one) => one.childId === coded) : child.trim() === '' ? undefined : (missing.find(starts) ?? sheets.find(starts));
  const level = useMemo(() => levelById(game, levelId ?? sheet?.levelId ?? game.levels[0]!.id), [game, levelId, sheet?.levelId]);
  const fields = useMemo(() => partFields(level), [level]);
  const numbers = fields.map((_, index) => ((cells[index] ?? '').trim() === '' ? null : Number(cells[index])));
  const valid = numbers.every((one, index) => one === null || (Number.isInteger(one) && one >= fields[index]!.least && one <= fields[index]!.most));
  const some = numbers.some((one) => one !== null);
  const worked = useMemo(() => {
    const read = fields.map((_, index) => ((cells[index] ?? '').trim() === '' ? null : Number(cells[index])));
    return valid ? workedOut(level, read) : null;
  }, [level, fields, cells, valid]);
  const written = totalOf(total);
  const differs = some && worked && written && written.total !== worked.value;

  const lookUp = async (text: string) => {
    setChild(text);
    setCoded(null);
    const code = /[#&]k=([^&\s]+)/.exec(text)?.[1] ?? text.trim();
    if (code.length < SHORTEST_CODE || /\s/.test(code)) return;
    const answer = await send<{ childId: string }>('POST', '/api/v1/scores/slip', { code });
    if (answer.ok) setCoded(answer.value!.childId);
    else setProblem(answer.problem);
  };
  const keep = async () => {
    if (busy.current) return;
    if (!sheet) return setProblem('Which child is it? Type the first letters of the name.');
    if (!valid) return setProblem('The cells take whole numbers only, as many as the game allows.');
    if (written === undefined) return setProblem('The total is a whole number, or n for “not finished”.');
    if (!some && written === null) return setProblem('Type the cells, or the total alone.');
    const places =
      steps.trim() === ''
        ? null
        : steps
            .trim()
            .split(/[\s,;]+/)
            .map((one) => Number(one.replace('½', '.5')));
    if (places && (places.length !== sheet.setUp.distancesM.length || places.some((one) => !(one > 0))))
      return setProblem(`Give ${sheet.setUp.distancesM.length} numbers of steps, from the nearest mark, or leave it empty.`);
    busy.current = true;
    setProblem('');
    const setUp = places ? { ...sheet.setUp, distancesM: places.map((one) => Math.round(one * sheet.setUp.stepM * 1000) / 1000) } : sheet.setUp;
    const assigned = { game, levelId: levelId ?? sheet.levelId, setUp };
    const unit = worked?.unit ?? game.parts[0]!.measure.unit;
    const value = written ? written.total : (worked?.value ?? null);
    const answer = await send<{ verdict: string }>('POST', '/api/v1/scores/typed', {
      playId: v7(),
      assignmentId: sheet.assignmentId,
      report: reportFromFields(assigned, level, some ? numbers : [], value, unit, new Date()),
    });
    busy.current = false;
    if (!answer.ok) return setProblem(answer.problem);
    onKept(sheet, {
      name: sheet.name,
      words: value === null ? 'not finished' : `${value} ${unit}`,
      doubt:
        answer.value?.verdict !== 'clean' ||
        (places !== null && places.some((one, index) => one * sheet.setUp.stepM < sheet.setUp.distancesM[index]! - 0.25)),
    });
    setChild('');
    setCoded(null);
    setLevelId(null);
    setCells([]);
    setTotal('');
    setSteps('');
    childField.current?.focus();
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    void keep();
  };
  return (
    <>
      <Line
        onKeyDown={onKey}
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <label>
          Child or code
          <input
            ref={childField}
            className="child"
            value={child}
            autoFocus
            autoComplete="off"
            spellCheck={false}
            aria-describedby="which-child"
            onChange={(event) => void lookUp(event.target.value)}
          />
        </label>
        <span id="which-child" aria-live="polite" style={{ minWidth: '8.5rem', paddingBottom: 8 }}>
          <b>{sheet?.name ?? (child.trim() === '' ? '' : 'nobody')}</b>
          {sheet?.reported && <small> has a score</small>}
        </span>
        {fields.map((field, index) => (
          <label key={index}>
            {field.label}
            {field.each !== null && field.each !== 1 && ` × ${field.each}`}
            <input
              inputMode="numeric"
              value={cells[index] ?? ''}
              autoComplete="off"
              onChange={(event) => setCells(fields.map((_, at) => (at === index ? event.target.value : (cells[at] ?? ''))))}
            />
          </label>
        ))}
        <label>
          Total
          <input value={total} autoComplete="off" aria-describedby="worked-out" onChange={(event) => setTotal(event.target.value)} />
        </label>
        <span id="worked-out" role="status" style={{ minWidth: '7rem', paddingBottom: 8, color: differs ? 'var(--rowan)' : undefined }}>
          {some && worked ? worked.sum : ''}
        </span>
        <Button onPress={() => void keep()}>Keep</Button>
      </Line>
      <details style={{ padding: '6px 16px' }}>
        <summary>Played otherwise than sent</summary>
        <Line as="div" style={{ border: 0, padding: '8px 0', background: 'none' }} onKeyDown={onKey}>
          <div style={{ width: 180 }}>
            <Select
              label="Level"
              value={levelId ?? sheet?.levelId ?? game.levels[0]!.id}
              choices={game.levels.map((one) => ({ value: one.id, label: one.name }))}
              onChange={setLevelId}
            />
          </div>
          <label>
            Steps to each mark
            <input className="steps" value={steps} placeholder="2 3½ 5" autoComplete="off" onChange={(event) => setSteps(event.target.value)} />
          </label>
        </Line>
      </details>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
    </>
  );
}
