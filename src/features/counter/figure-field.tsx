'use client';
/** A field for a figure on the child's page: what is typed stays as it was typed, and what is wrong with it is said. */
import { useState } from 'react';
import { Input, Text, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { readFigure, type FigureRange } from '@/core/words/read-figure';
import { useWords } from '@/features/languages/use-words';
import { figureFault } from './figure-fault';

export const Fault = styled.span`
  grid-column: 1 / -1;
  flex-basis: 100%;
  padding-inline-start: var(--space-4);
  border-inline-start: 4px solid var(--rowan);
  font-size: var(--type-2);
`;

/** The field and what is wrong with it stand in the layout of what is around them. */
const Field = styled(TextField)`
  display: contents;
`;

export function FigureField({
  value,
  range,
  onFigure,
  shown = (figure) => `${figure}`,
  ...field
}: {
  'aria-label': string;
  value: number | null;
  range: FigureRange;
  /** The figure, null for none; undefined while what is typed cannot be read. */
  onFigure: (figure: number | null | undefined) => void;
  shown?: (figure: number) => string;
}) {
  const words = useWords();
  const [typed, setTyped] = useState<{ readonly text: string; readonly of: number | null } | null>(null);
  const read = typed && readFigure(typed.text, range);
  // What was typed stands until the figure is changed from elsewhere.
  const stands = typed !== null && read !== null && (read.ok ? read.value === value : typed.of === value);
  const wrong = stands && !read.ok;
  return (
    <Field
      {...field}
      inputMode={range.whole ? 'numeric' : 'decimal'}
      value={stands ? typed.text : value === null ? '' : shown(value)}
      isInvalid={wrong}
      onChange={(written) => {
        const text = written.slice(0, 10);
        const next = readFigure(text, range);
        setTyped({ text, of: value });
        onFigure(next.ok ? next.value : undefined);
      }}
    >
      <Input placeholder="0" />
      {wrong && (
        <Fault as={Text} slot="errorMessage" role="alert">
          {figureFault(read.why, range, words)}
        </Fault>
      )}
    </Field>
  );
}
