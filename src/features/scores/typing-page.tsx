'use client';
/** Many sheets of paper, one line each: the child by the first letters or the code of the slip, the cells of this game, Enter. */
import type { SheetsToType, SheetToType } from '@/contract/sheets';
import { useRouter } from 'next/navigation';
import { useMemo, useState, type ChangeEvent, type KeyboardEvent } from 'react';
import { useWatch } from 'react-hook-form';
import styled from 'styled-components';
import { v7 } from 'uuid';
import { dayWords } from '@/core/measure/days';
import { reportFromFields } from '@/core/reports/from-parts';
import { partFields } from '@/core/reports/parts';
import { levelById } from '@/core/rules/format/level';
import type { Game } from '@/core/rules/format/game';
import { Button } from '@/ui/button';
import { Select } from '@/ui/field';
import { FormProblem } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Empty, Figures, Page, SoftLine, SoftWords } from '@/ui/page';
import { send } from '@/ui/post';
import { EntryField } from './entry-field';
import { EntryFields } from './score-style';
import { ScoresNav, type ScoresNavProps } from './scores-nav';
import { isNearer, lineSchema, readCells, setUpAtSteps, totalOf, workedOutOf, type SheetLine } from './typed-parts';

const Line = styled(EntryFields)`
  padding: var(--space-5) var(--space-6);
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
  & .which {
    min-width: 8.5rem;
  }
  &.plain {
    padding: var(--space-4) 0;
    border: 0;
    background: none;
  }
`;

const Sum = styled.span<{ $differs: boolean }>`
  min-width: 7rem;
  ${({ $differs }) => $differs && 'color: var(--rowan);'}
`;

const Otherwise = styled.details`
  padding: var(--space-3) var(--space-6);
`;

const Short = styled.div`
  width: 180px;
`;

const Chooser = styled.div`
  width: 320px;
`;

const Kept = styled(Figures)`
  width: auto;
  min-width: 460px;
`;

const Bar = styled.div`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  margin-bottom: var(--space-5);
`;

interface Typed {
  readonly name: string;
  readonly words: string;
  readonly doubt: boolean;
}

const SHORTEST_CODE = 16;

/** React Hook Form asks this also of what the form holds already. */
const cellOf = (held: string | number | null): number | null => (held === null || String(held).trim() === '' ? null : Number(held));

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
            <Chooser>
              <Select
                label="Week"
                hideLabel
                value={found.weekId}
                choices={found.weeks.map((one) => ({ value: one.id, label: `week ${one.number}, due ${dayWords(one.dueOn)}` }))}
                onChange={(id) => go(`&week=${id}`)}
              />
            </Chooser>
            {found.games.length > 1 ? (
              <Chooser>
                <Select
                  label="Game"
                  hideLabel
                  value={found.itemId!}
                  choices={found.games.map((one) => ({ value: one.itemId, label: one.title }))}
                  onChange={(id) => go(`&week=${found.weekId}&game=${id}`)}
                />
              </Chooser>
            ) : (
              <b>{game.title}</b>
            )}
            <SoftWords>{missing.length === 0 ? 'Everybody has a score.' : `${missing.length} without a score`}</SoftWords>
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
          <SoftLine $small>
            The child by the first letters, or the code of the slip; <b>Tab</b> to the next cell; <b>Enter</b> keeps the line. In the total <b>n</b>{' '}
            is “not finished”. Without a total the sum of the cells is taken.
          </SoftLine>
          {done.length > 0 && (
            <Kept>
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
            </Kept>
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
  const [coded, setCoded] = useState<string | null>(null);
  const empty: SheetLine = { child: '', levelId: game.levels[0]!.id, cells: [], total: '', steps: '' };
  const form = useSchemaForm(
    useMemo(() => lineSchema(game), [game]),
    empty,
  );
  const { child, levelId, cells, total } = useWatch({ control: form.control }) as SheetLine;
  const { errors } = form.formState;

  const sheetOf = (typed: string) => {
    const starts = ({ name }: SheetToType) => name.toLocaleLowerCase('en-GB').startsWith(typed.trim().toLocaleLowerCase('en-GB'));
    return typed.trim() === '' ? undefined : (missing.find(starts) ?? sheets.find(starts));
  };
  const sheet = coded !== null ? sheets.find((one) => one.childId === coded) : sheetOf(child);
  const level = useMemo(() => levelById(game, levelId), [game, levelId]);
  const fields = useMemo(() => partFields(level), [level]);
  const some = cells.some((one) => typeof one === 'number');
  const worked = workedOutOf(level, fields, cells);
  const written = totalOf(total);
  const differs = some && worked && written && written.total !== worked.value;

  /** The level is the one that was sent, until another is chosen. */
  const meant = (found: SheetToType | undefined) => {
    if (found && found !== sheet) form.setValue('levelId', found.levelId);
  };
  const lookUp = async (text: string) => {
    setCoded(null);
    meant(sheetOf(text));
    const code = /[#&]k=([^&\s]+)/.exec(text)?.[1] ?? text.trim();
    if (code.length < SHORTEST_CODE || /\s/.test(code)) return;
    const answer = await send<{ childId: string }>('POST', '/api/v1/scores/slip', { code });
    if (!answer.ok) return form.setError('child', { message: answer.problem });
    setCoded(answer.value!.childId);
    meant(sheets.find((one) => one.childId === answer.value!.childId));
  };
  const keep = form.handleSubmit(async (line) => {
    if (!sheet) return form.setError('child', { message: 'Nobody of this class is called so.' }, { shouldFocus: true });
    if (!some && written === null) return form.setError('total', { message: 'Type the cells, or the total alone.' }, { shouldFocus: true });
    const setUp = setUpAtSteps(sheet.setUp, line.steps);
    if (typeof setUp === 'string') return form.setError('steps', { message: setUp }, { shouldFocus: true });
    const unit = worked?.unit ?? game.parts[0]!.measure.unit;
    const value = written ? written.total : (worked?.value ?? null);
    const typed = some ? readCells(fields, line.cells)! : [];
    const answer = await send<{ verdict: string }>('POST', '/api/v1/scores/typed', {
      playId: v7(),
      assignmentId: sheet.assignmentId,
      report: reportFromFields({ game, levelId, setUp }, level, typed, value, unit, new Date()),
    });
    if (!tookIt(form, answer)) return;
    onKept(sheet, {
      name: sheet.name,
      words: value === null ? 'not finished' : `${value} ${unit}`,
      doubt: answer.value?.verdict !== 'clean' || isNearer(setUp, sheet.setUp),
    });
    // Before the form is emptied: its fields are not known again at once.
    form.setFocus('child');
    form.reset(empty);
    setCoded(null);
  });
  const submit = () => {
    if (!form.formState.isSubmitting) void keep();
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    submit();
  };
  return (
    <>
      <Line
        onKeyDown={onKey}
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
        noValidate
      >
        <EntryField
          label="Child or code"
          className="child"
          autoFocus
          spellCheck={false}
          aria-describedby="which-child"
          problem={errors.child?.message}
          {...form.register('child', { onChange: (event: ChangeEvent<HTMLInputElement>) => void lookUp(event.target.value) })}
        />
        <span id="which-child" className="which" aria-live="polite">
          <b>{sheet?.name ?? (child.trim() === '' ? '' : 'nobody')}</b>
          {sheet?.reported && <small> has a score</small>}
        </span>
        {fields.map((field, index) => (
          <EntryField
            key={`${levelId} ${index}`}
            label={`${field.label}${field.each !== null && field.each !== 1 ? ` × ${field.each}` : ''}`}
            inputMode="numeric"
            problem={errors.cells?.[index]?.message}
            {...form.register(`cells.${index}`, { setValueAs: cellOf })}
          />
        ))}
        <EntryField label="Total" aria-describedby="worked-out" problem={errors.total?.message} {...form.register('total')} />
        <Sum id="worked-out" role="status" $differs={Boolean(differs)}>
          {some && worked ? worked.sum : ''}
        </Sum>
        <Button onPress={submit}>Keep</Button>
      </Line>
      <Otherwise>
        <summary>Played otherwise than sent</summary>
        <Line as="div" className="plain" onKeyDown={onKey}>
          <Short>
            <Select
              label="Level"
              value={levelId}
              choices={game.levels.map((one) => ({ value: one.id, label: one.name }))}
              onChange={(id) => form.setValue('levelId', id)}
            />
          </Short>
          <EntryField label="Steps to each mark" className="steps" placeholder="2 3½ 5" problem={errors.steps?.message} {...form.register('steps')} />
        </Line>
      </Otherwise>
      <FormProblem form={form} />
    </>
  );
}
