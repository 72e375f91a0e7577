'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { eventsFromFields, partFields } from '@/core/reports/parts';
import { compile } from '@/core/rules/playing/compile';
import { measure, type Result } from '@/core/rules/playing/measure';
import type { PlayEvent } from '@/core/rules/format/play';
import { replay } from '@/core/rules/playing/replay';
import { readFigure } from '@/core/words/read-figure';
import { TextButton } from '../counter/text-button';
import { figureFault } from '../counter/figure-fault';
import { Fault } from '../counter/figure-field';
import { PartsEntry } from '../counter/parts-entry';
import { Big, Bottom, Screen, TypedWhole } from './home-style';
import type { InHand } from './in-hand';
import { Top } from './top';
import { useWords } from '@/features/languages/use-words';
import { useDraft } from './use-draft';
import { StepTitle } from './step-title';

const Sum = styled.p`
  font-size: var(--type-5);
`;

/** A total that is typed alone: centimetres of a length, whole points of everything else. */
const LENGTH = { least: 0, most: 100_000, whole: false };
const SCORE = { least: -9999, most: 99_999, whole: true };

export interface PartsDone {
  readonly events: readonly PlayEvent[];
  readonly result: Result;
}

/** What is being written. */
interface Written {
  readonly typed: readonly (number | null)[];
  readonly onlyTotal: boolean;
  readonly total: string;
}

/** Nothing was tapped: the parts of the score, written at the end, or the total alone where that is all that is known. */
export function PartsScreen({
  token,
  hand,
  name,
  tookMs,
  onBack,
  onDone,
}: {
  token: string;
  hand: InHand;
  name: string;
  /** What the watch stopped at; null when there was none. */
  tookMs: number | null;
  onBack: () => void;
  onDone: (done: PartsDone) => void;
}) {
  const words = useWords();
  const { i18n, own } = words;
  const { level } = hand;
  const fields = useMemo(() => partFields(level, words), [level, words]);
  const [written, putWritten, forget] = useDraft<Written>(`${token} parts ${hand.item.assignmentId} ${hand.form.id}`, () => ({
    typed: fields.map((field) => (tookMs !== null && field.kind === 'seconds' ? Math.round(tookMs / 1000) : null)),
    onlyTotal: false,
    total: '',
  }));
  const { onlyTotal, total } = written;
  const typed = useMemo(() => fields.map((_, index) => written.typed[index] ?? null), [fields, written.typed]);
  const program = useMemo(() => {
    const compiled = compile(level);
    if (!compiled.ok) throw new Error(compiled.problems[0]!.reason);
    return compiled.value;
  }, [level]);
  const events = useMemo(() => eventsFromFields(level, fields, typed), [level, fields, typed]);
  const result = useMemo(() => measure(program, replay(program, events, 'parts').state, 0, words), [program, events, words]);
  const length = result.unit === 'mm';
  const range = length ? LENGTH : SCORE;
  const read = readFigure(total, range);
  const whole = read.ok && read.value !== null ? Math.round(read.value * (length ? 10 : 1)) : null;
  const [faulty, setFaulty] = useState<ReadonlySet<number>>(new Set());
  const noteFault = (index: number, on: boolean) => setFaulty((now) => new Set(on ? [...now, index] : [...now].filter((one) => one !== index)));
  const valid = onlyTotal ? whole !== null : faulty.size === 0;
  const several = fields.length > 1;
  return (
    <Screen>
      <Top hand={hand} name={name} />
      <StepTitle>{i18n.t('How did it go?')}</StepTitle>
      {onlyTotal ? (
        <TypedWhole>
          <input
            aria-label={i18n.t('The score in {unit}', {
              unit: length ? i18n.t('centimetres (a unit)', {}, { message: 'centimetres' }) : own(result.unit),
            })}
            inputMode={length ? 'decimal' : 'numeric'}
            aria-invalid={!read.ok}
            value={total}
            onChange={(event) => putWritten({ ...written, total: event.target.value.slice(0, 8) })}
          />
          {length ? 'cm' : own(result.unit)}
          {!read.ok && <Fault role="alert">{figureFault(read.why, range, words)}</Fault>}
        </TypedWhole>
      ) : (
        <>
          <PartsEntry game={level} fields={fields} typed={typed} onTyped={(next) => putWritten({ ...written, typed: next })} onFault={noteFault} />
          {!level.childAdds && <Sum role="status">{result.sum}</Sum>}
        </>
      )}
      {several && (
        <TextButton type="button" onClick={() => putWritten({ ...written, onlyTotal: !onlyTotal })}>
          {onlyTotal ? i18n.t('We know how it was made up') : i18n.t('We only know the score')}
        </TextButton>
      )}
      <Bottom>
        <Big
          type="button"
          disabled={!valid}
          onClick={() => {
            forget();
            onDone(
              onlyTotal
                ? {
                    events: [],
                    result: { ...measure(program, replay(program, [], 'parts').state), value: whole, sum: `${whole!}`, finished: null, working: [] },
                  }
                : { events, result },
            );
          }}
        >
          {i18n.t('That is right')}
        </Big>
        <TextButton type="button" onClick={onBack}>
          {i18n.t('Back (to the screen before)', {}, { message: 'Back' })}
        </TextButton>
      </Bottom>
    </Screen>
  );
}
