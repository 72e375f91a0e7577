'use client';
/** How a family answers: one of several, yes or no, in its own words. React Aria's; it comes with the steps that ask, after the card. */
import type { ReactNode } from 'react';
import { Checkbox, Input, Label, Radio, RadioGroup, Text, TextArea, TextField } from 'react-aria-components';
import { Check } from 'lucide-react';
import styled, { css } from 'styled-components';
import { Fault } from './figure-field';

/** The box that is heard lies over all that is seen: a finger that explores by touch finds it where it looks. */
const overAll = css`
  position: relative;
  & > span:has(> input) {
    position: absolute !important;
    inset: 0;
    width: 100% !important;
    height: 100% !important;
    margin: 0 !important;
    clip: auto !important;
    clip-path: none !important;
    opacity: 0;
  }
  & > span > input {
    width: 100%;
    height: 100%;
    margin: 0;
    cursor: pointer;
  }
`;

/** The options stand in the layout of what is around them. */
const Group = styled(RadioGroup)`
  display: contents;
`;

const Option = styled(Radio)`
  ${overAll}
`;

const Chip = styled(Checkbox)`
  ${overAll}
`;

/** One of several, each in its words. */
export function OneOf<T extends string | number>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T | undefined;
  options: readonly { readonly value: T; readonly words: ReactNode }[];
  onChange: (value: T) => void;
}) {
  const choose = (key: string) => {
    const chosen = options.find((one) => `${one.value}` === key);
    if (chosen) onChange(chosen.value);
  };
  return (
    <Group aria-label={label} value={value === undefined ? null : `${value}`} onChange={choose}>
      {options.map((one) => (
        <Option key={one.value} value={`${one.value}`}>
          {one.words}
        </Option>
      ))}
    </Group>
  );
}

/** Yes or no, in the look of what is around it. */
export function YesOrNo({ yes, onYes, children }: { yes: boolean; onYes: (yes: boolean) => void; children: ReactNode }) {
  return (
    <Chip isSelected={yes} onChange={onYes}>
      {yes && <Check size={20} strokeWidth={3} aria-hidden />}
      {children}
    </Chip>
  );
}

const Box = styled(Checkbox)`
  ${overAll}
  display: flex;
  align-items: center;
  gap: var(--space-5);
  min-height: 56px;
  padding: var(--space-4) var(--space-5);
  border: 2px solid var(--ink);
  border-radius: var(--radius-2);
  background: var(--sheet);
  font-weight: 700;
  cursor: pointer;
  & > i {
    display: grid;
    place-items: center;
    flex: none;
    width: 28px;
    height: 28px;
    border: 2px solid var(--ink);
    border-radius: var(--radius-1);
    color: transparent;
  }
  &[data-selected] > i {
    background: var(--ink);
    color: var(--on-ink);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--tide);
    outline-offset: 2px;
  }
  @media (forced-colors: active) {
    &[data-selected] > i {
      forced-color-adjust: none;
      background: Highlight;
      color: HighlightText;
    }
  }
`;

/** A yes that matters: large, with its box. */
export function Tick({ yes, onYes, children }: { yes: boolean; onYes: (yes: boolean) => void; children: ReactNode }) {
  return (
    <Box isSelected={yes} onChange={onYes}>
      <i aria-hidden>
        <Check size={22} strokeWidth={3} />
      </i>
      {children}
    </Box>
  );
}

const Field = styled(TextField)`
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  & input,
  & textarea {
    width: 100%;
    min-height: 48px;
    padding: var(--space-3) var(--space-5);
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    color: inherit;
    font: inherit;
  }
  & input[autocapitalize='characters'] {
    text-transform: uppercase;
  }
  &[data-short] {
    flex-direction: row;
    align-items: center;
    justify-content: space-between;
  }
  &[data-short] input {
    width: 6rem;
  }
`;

/** What is written: a line of text, or several; what is wrong with it, "" for nothing, stands below and is told with it. */
export function Written({
  label,
  named,
  value,
  onChange,
  hint = '',
  problem = '',
  rows,
  short = false,
  ...input
}: {
  label: ReactNode;
  /** How it is named where the label is shorter than that. */
  named?: string;
  value: string;
  onChange: (value: string) => void;
  hint?: string;
  problem?: string;
  rows?: number;
  short?: boolean;
  maxLength?: number;
  inputMode?: 'text' | 'numeric' | 'decimal';
  autoCapitalize?: 'characters' | 'none';
  autoComplete?: 'off';
  spellCheck?: 'false';
}) {
  return (
    <Field
      value={value}
      onChange={onChange}
      isInvalid={problem !== ''}
      {...input}
      {...(named && { 'aria-label': named })}
      data-short={short || undefined}
    >
      <Label>{label}</Label>
      {rows === undefined ? <Input autoCapitalize={input.autoCapitalize} /> : <TextArea rows={rows} />}
      {hint !== '' && <Text slot="description">{hint}</Text>}
      {problem !== '' && (
        <Fault as={Text} slot="errorMessage" role="alert">
          {problem}
        </Fault>
      )}
    </Field>
  );
}
