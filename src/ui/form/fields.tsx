'use client';
/** Fields of a form on the desk: React Aria's, led by react-hook-form. */
import { parseDate } from '@internationalized/date';
import { Calendar as CalendarIcon, ChevronLeft, ChevronRight } from 'lucide-react';
import { useState, type Ref } from 'react';
import {
  Button as AriaButton,
  Calendar,
  CalendarCell,
  CalendarGrid,
  Checkbox,
  DateInput,
  DatePicker,
  DateSegment,
  Dialog,
  FieldError,
  Group,
  Heading,
  Label,
  Popover,
} from 'react-aria-components';
import { useController, type Control, type FieldPath, type FieldValues, type UseFormReturn } from 'react-hook-form';
import styled from 'styled-components';
import { Select, TextField, type FieldChoice, type TextFieldProps } from '../field';
import { Notice } from '../notice';

interface Led<T extends FieldValues> {
  readonly control: Control<T>;
  readonly name: FieldPath<T>;
}

type TextProps<T extends FieldValues> = Led<T> & Omit<TextFieldProps, 'value' | 'onChange' | 'problem' | 'inputRef' | 'onBlur'>;

export function FormText<T extends FieldValues>({ control, name, ...field }: TextProps<T>) {
  const { field: led, fieldState } = useController({ control, name });
  return (
    <TextField
      {...field}
      name={name}
      value={led.value ?? ''}
      onChange={led.onChange}
      onBlur={led.onBlur}
      inputRef={led.ref}
      {...(fieldState.error?.message !== undefined && { problem: fieldState.error.message })}
    />
  );
}

/** What is written as a number; null for nothing, and what is none stays as it is written, for the schema to say so. */
function numberOf(written: string): number | string | null {
  const text = written.trim().replace(',', '.');
  if (text === '') return null;
  return /^-?\d*\.?\d+$/.test(text) ? Number(text) : written;
}

/** A number, kept as one; what is being typed is left as it is ("2." on its way to "2.5"). */
export function FormNumber<T extends FieldValues>({ control, name, ...field }: TextProps<T>) {
  const { field: led, fieldState } = useController({ control, name });
  const held = led.value === null || led.value === undefined ? '' : String(led.value);
  const [typed, setTyped] = useState(held);
  return (
    <TextField
      {...field}
      name={name}
      inputMode="decimal"
      value={String(numberOf(typed) ?? '') === held ? typed : held}
      onChange={(text) => {
        setTyped(text);
        led.onChange(numberOf(text));
      }}
      onBlur={led.onBlur}
      inputRef={led.ref}
      {...(fieldState.error?.message !== undefined && { problem: fieldState.error.message })}
    />
  );
}

export function FormSelect<T extends FieldValues, K extends string>({
  control,
  name,
  label,
  choices,
}: Led<T> & { label: string; choices: readonly FieldChoice<K>[] }) {
  const { field: led, fieldState } = useController({ control, name });
  return (
    <Select<K>
      label={label}
      value={led.value as K}
      choices={choices}
      onChange={led.onChange}
      buttonRef={led.ref}
      {...(fieldState.error?.message !== undefined && { problem: fieldState.error.message })}
    />
  );
}

/** A choice among numbers or nothing: the list holds text, the form what it stands for. */
export function FormPick<T extends FieldValues, V>({
  control,
  name,
  label,
  choices,
}: Led<T> & { label: string; choices: readonly { readonly value: V; readonly label: string }[] }) {
  const { field: led } = useController({ control, name });
  return (
    <Select
      label={label}
      value={String(choices.findIndex((one) => one.value === led.value))}
      choices={choices.map((one, index) => ({ value: String(index), label: one.label }))}
      onChange={(index) => led.onChange(choices[Number(index)]!.value)}
      buttonRef={led.ref}
    />
  );
}

const Tick = styled(Checkbox)`
  /* What the keyboard and a screen reader are on lies hidden in it, and scrolls with it. */
  position: relative;
  display: flex;
  align-items: center;
  gap: var(--space-4);
  min-height: 28px;
  cursor: pointer;
  & .box {
    display: grid;
    place-items: center;
    width: 18px;
    height: 18px;
    border: 1.5px solid var(--ink);
    border-radius: var(--radius-1);
    background: var(--sheet);
  }
  &[data-selected] .box {
    background: var(--ink);
    color: var(--on-ink);
  }
  &[data-focus-visible] .box {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
`;

export function Ticked({
  label,
  on,
  onChange,
  isDisabled = false,
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
  isDisabled?: boolean;
}) {
  return (
    <Tick isSelected={on} onChange={onChange} isDisabled={isDisabled}>
      <span className="box" aria-hidden>
        {on ? '✓' : ''}
      </span>
      {label}
    </Tick>
  );
}

export function FormTick<T extends FieldValues>({ control, name, label }: Led<T> & { label: string }) {
  const { field: led } = useController({ control, name });
  return <Ticked label={label} on={led.value === true} onChange={led.onChange} />;
}

const Day = styled(DatePicker)`
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-width: 0;
  & .label {
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & .react-aria-Group {
    display: flex;
    align-items: center;
    justify-content: space-between;
    min-height: 38px;
    padding: 0 var(--space-2) 0 var(--space-4);
    border: 1.5px solid var(--line-strong);
    border-radius: var(--radius-1);
    background: var(--sheet);
    white-space: nowrap;
  }
  & .react-aria-DateInput {
    display: flex;
  }
  & .react-aria-DateSegment {
    padding: var(--space-1) 1px;
    border-radius: var(--radius-1);
    outline: none;
    &[data-focused] {
      background: var(--ink);
      color: var(--on-ink);
    }
    &[data-placeholder] {
      color: var(--ink-soft);
    }
  }
  & .react-aria-Button {
    display: grid;
    place-items: center;
    width: 30px;
    height: 30px;
    border: 0;
    background: none;
    cursor: pointer;
  }
  & .react-aria-FieldError {
    color: var(--rowan);
    font-size: var(--type-1);
  }
`;

const Month = styled(Popover)`
  padding: var(--space-4) var(--space-5) var(--space-5);
  border: 1.5px solid var(--ink);
  border-radius: var(--radius-1);
  background: var(--sheet);
  color: var(--ink);
  & .react-aria-Dialog {
    outline: none;
  }
  & header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-4);
  }
  & header h2 {
    font-size: var(--type-2);
  }
  & header button {
    display: grid;
    place-items: center;
    width: 32px;
    height: 32px;
    border: 1px solid var(--line-strong);
    border-radius: var(--radius-1);
    background: none;
    cursor: pointer;
  }
  & th {
    font-size: var(--type-1);
    font-weight: 400;
    color: var(--ink-soft);
  }
  & .react-aria-CalendarCell {
    display: grid;
    place-items: center;
    width: 36px;
    height: 32px;
    cursor: pointer;
    outline: none;
    &[data-outside-month] {
      visibility: hidden;
    }
    &[data-hovered] {
      background: var(--band-2);
    }
    &[data-selected] {
      background: var(--ink);
      color: var(--on-ink);
    }
    &[data-disabled] {
      color: var(--line-strong);
      cursor: default;
    }
    &[data-focus-visible] {
      outline: 3px solid var(--focus);
    }
  }
`;

export interface DayFieldProps {
  readonly label: string;
  /** ISO 8601; empty for none. */
  readonly value: string;
  readonly onChange: (day: string) => void;
  readonly least?: string;
  readonly most?: string;
  readonly problem?: string;
  readonly groupRef?: Ref<HTMLDivElement>;
}

const dayOf = (day: string | undefined) => (day ? parseDate(day) : null);

/** A day, written and shown as the school's country writes it; the month opens beside it. */
export function DayField({ label, value, onChange, least, most, problem, groupRef }: DayFieldProps) {
  return (
    <Day
      value={dayOf(value)}
      onChange={(day) => onChange(day?.toString() ?? '')}
      validationBehavior="aria"
      isInvalid={problem !== undefined}
      {...(least && { minValue: parseDate(least) })}
      {...(most && { maxValue: parseDate(most) })}
    >
      <Label className="label">{label}</Label>
      <Group {...(groupRef && { ref: groupRef })}>
        <DateInput>{(segment) => <DateSegment segment={segment} />}</DateInput>
        <AriaButton>
          <CalendarIcon size={16} aria-hidden />
        </AriaButton>
      </Group>
      <FieldError>{problem}</FieldError>
      <Month>
        <Dialog>
          <Calendar>
            <header>
              <AriaButton slot="previous">
                <ChevronLeft size={18} aria-hidden />
              </AriaButton>
              <Heading />
              <AriaButton slot="next">
                <ChevronRight size={18} aria-hidden />
              </AriaButton>
            </header>
            <CalendarGrid>{(day) => <CalendarCell date={day} />}</CalendarGrid>
          </Calendar>
        </Dialog>
      </Month>
    </Day>
  );
}

export function FormDay<T extends FieldValues>({
  control,
  name,
  ...field
}: Led<T> & Omit<DayFieldProps, 'value' | 'onChange' | 'problem' | 'groupRef'>) {
  const { field: led, fieldState } = useController({ control, name });
  return (
    <DayField
      {...field}
      value={(led.value as string | null) ?? ''}
      onChange={led.onChange}
      groupRef={led.ref}
      {...(fieldState.error?.message !== undefined && { problem: fieldState.error.message })}
    />
  );
}

/** What is wrong with the form as a whole: nothing was sent, or it was refused. */
export function FormProblem<T extends FieldValues>({ form }: { form: UseFormReturn<T> }) {
  const { root } = form.formState.errors;
  return root?.message ? (
    <Notice $tone="caution" role="alert">
      {root.message}
    </Notice>
  ) : null;
}
