'use client';
import { useState } from 'react';
import type { Result } from '@/core/rules/playing/measure';
import { readFigure } from '@/core/words/read-figure';
import { useWords } from '@/features/languages/use-words';
import { figureFault } from '../counter/figure-fault';
import { Fault } from '../counter/figure-field';
import { Big, Plain, TypedWhole } from './home-style';
import { StepTitle } from './step-title';

const RANGE = { least: -999, most: 999_999, whole: true } as const;

/** Before the page says what a go came to: what does the child make of it? Both are kept. */
export function AddUp({ result, onAdded, onSkip }: { result: Result; onAdded: (sum: number) => void; onSkip: () => void }) {
  const words = useWords();
  const { i18n, own } = words;
  const [written, setWritten] = useState('');
  const read = readFigure(written, RANGE);
  const sum = read.ok ? read.value : null;
  return (
    <>
      <StepTitle>{i18n.t('Add it up yourself first.')}</StepTitle>
      <TypedWhole>
        <input
          aria-label={i18n.t('What you make of it, in {unit}', { unit: own(result.unit) })}
          inputMode="numeric"
          aria-invalid={!read.ok}
          value={written}
          onChange={(event) => setWritten(event.target.value.slice(0, 8))}
        />
        {own(result.unit)}
        {!read.ok && <Fault role="alert">{figureFault(read.why, RANGE, words)}</Fault>}
      </TypedWhole>
      <Big type="button" disabled={sum === null} onClick={() => sum !== null && onAdded(sum)}>
        {i18n.t('That is my sum')}
      </Big>
      <Plain type="button" onClick={onSkip}>
        {i18n.t('Show me')}
      </Plain>
    </>
  );
}
