'use client';
import type { MayBe, Waiting } from '@/contract/to-look-at';
import type { KeyboardEvent } from 'react';
import { useWatch } from 'react-hook-form';
import styled from 'styled-components';
import { WAY_WORDS } from '@/core/reports/around';
import { Button, QuietButton } from '@/ui/button';
import { useSchemaForm } from '@/ui/form/schema-form';
import { EntryField } from './entry-field';
import { EntryFields, Told } from './score-style';
import { totalOf } from './typed-parts';
import { decisionSchema, meantBy, type WaitingDecision } from './waiting-model';
import { SoftLine } from '@/ui/page';

const Words = styled.pre`
  max-height: 260px;
  overflow: auto;
  margin: var(--space-5) 0;
  padding: var(--space-4) var(--space-5);
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

const Decide = styled(EntryFields)`
  & .which {
    min-width: 7rem;
  }
  & input.score {
    width: 5rem;
  }
`;

const Deeds = styled.p`
  display: flex;
  gap: var(--space-4);
  margin: var(--space-6) 0 var(--space-4);
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
  const form = useSchemaForm(decisionSchema, {
    child: mayBe.children.find((one) => one.id === waiting.childId)?.name ?? '',
    weekId: waiting.weekId ?? mayBe.weeks[0]?.id ?? '',
    levelId: '',
    total: waiting.total === undefined ? '' : waiting.total === null ? 'n' : `${waiting.total}`,
  });
  const { child, weekId, levelId: chosen, total } = useWatch({ control: form.control }) as WaitingDecision;
  const { errors } = form.formState;
  const { meant, week, asked, levelId } = meantBy(waiting, mayBe, { child, weekId, levelId: chosen });
  const number = totalOf(total);
  const count = form.handleSubmit(() => {
    if (!meant || !week || !asked) return form.setError('child', { message: 'Nobody who was sent that week is called so.' }, { shouldFocus: true });
    if (!number) return form.setError('total', { message: 'Write the score, or n for “not finished”.' }, { shouldFocus: true });
    onCount(
      { assignmentId: asked.assignmentId, levelId, total: number.total },
      `${meant.name}: ${number.total === null ? 'not finished' : `${number.total} ${week.unit}`}`,
    );
  });
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    void count();
  };
  return (
    <Told aria-live="polite">
      <h1>{waiting.source}</h1>
      <SoftLine>
        {WAY_WORDS[waiting.way]}, {waiting.receivedOn}
        {waiting.confidence !== null && ` · read with about ${Math.round(waiting.confidence * 10)} in 10 certainty`}
      </SoftLine>
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
          <Decide onKeyDown={onKey} onSubmit={(event) => event.preventDefault()}>
            <EntryField
              label="Child"
              autoFocus
              spellCheck={false}
              aria-describedby="meant"
              problem={errors.child?.message}
              {...form.register('child')}
            />
            <span id="meant" className="which" aria-live="polite">
              <b>{meant ? meant.name : child.trim() === '' ? '' : 'nobody'}</b>
              {meant && !asked && <small> was not sent this week</small>}
            </span>
            <label>
              Week
              <select {...form.register('weekId')}>
                {mayBe.weeks.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.number}, {one.title}
                  </option>
                ))}
              </select>
            </label>
            <label>
              Level
              <select value={levelId} onChange={(event) => form.setValue('levelId', event.target.value)}>
                {week?.levels.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
            <EntryField label="Score" className="score" problem={errors.total?.message} {...form.register('total')} />
          </Decide>
          <Deeds>
            <Button $strong isDisabled={!asked || !number} onPress={() => void count()}>
              Yes, count it (Enter)
            </Button>
            <Button onPress={onAside}>Set aside</Button>
          </Deeds>
        </>
      )}
    </Told>
  );
}
