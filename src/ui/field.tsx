'use client';
import type { Ref } from 'react';
import {
  Button as AriaButton,
  FieldError,
  Input,
  Label,
  ListBox,
  ListBoxItem,
  Popover,
  Select as AriaSelect,
  SelectValue,
  TextArea,
  TextField as AriaTextField,
} from 'react-aria-components';
import styled from 'styled-components';
import { ChevronDown } from 'lucide-react';
import { useAlive } from './use-alive';

const BareSelect = styled(AriaSelect)`
  display: inline;
`;

const Stack = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-width: 0;
  & label,
  & .label {
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & input,
  & textarea,
  & select {
    min-height: 38px;
    padding: var(--space-3) var(--space-4);
    border: 1.5px solid var(--line-strong);
    border-radius: var(--radius-1);
    background: var(--sheet);
    width: 100%;
  }
  & textarea {
    min-height: 7rem;
    resize: vertical;
  }
  & [slot='errorMessage'],
  & .problem {
    color: var(--rowan);
    font-size: var(--type-1);
  }
  & [slot='description'] {
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
`;

export interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly type?: 'text' | 'email' | 'password';
  readonly inputMode?: 'decimal' | 'numeric';
  readonly name?: string;
  readonly onBlur?: () => void;
  readonly inputRef?: Ref<HTMLInputElement & HTMLTextAreaElement>;
  readonly rows?: number;
  readonly maxLength?: number;
  readonly problem?: string | undefined;
  readonly description?: string;
  readonly required?: boolean;
  readonly autoComplete?: string;
  readonly autoFocus?: boolean;
}

export function TextField({
  label,
  value,
  onChange,
  type = 'text',
  rows,
  maxLength,
  problem,
  description,
  required,
  autoComplete,
  autoFocus,
  inputMode,
  name,
  onBlur,
  inputRef,
}: TextFieldProps) {
  return (
    <AriaTextField
      value={value}
      onChange={onChange}
      type={type}
      validationBehavior="aria"
      isInvalid={problem !== undefined}
      {...(name ? { name } : {})}
      {...(onBlur ? { onBlur } : {})}
      {...(inputMode ? { inputMode } : {})}
      {...(maxLength ? { maxLength } : {})}
      {...(required ? { isRequired: true } : {})}
      {...(autoComplete ? { autoComplete } : {})}
      {...(autoFocus ? { autoFocus: true } : {})}
    >
      <Stack>
        <Label>{label}</Label>
        {rows ? <TextArea rows={rows} {...(inputRef && { ref: inputRef })} /> : <Input {...(inputRef && { ref: inputRef })} />}
        {description && <span slot="description">{description}</span>}
        <FieldError>{problem}</FieldError>
      </Stack>
    </AriaTextField>
  );
}

const Trigger = styled(AriaButton)`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-4);
  min-height: 38px;
  padding: var(--space-3) var(--space-4);
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-1);
  background: var(--sheet);
  text-align: left;
  cursor: pointer;
  width: 100%;
`;

const Sheet = styled(Popover)`
  min-width: var(--trigger-width);
  max-height: 22rem;
  overflow: auto;
  border: 1.5px solid var(--ink);
  border-radius: var(--radius-1);
  background: var(--sheet);
  color: var(--ink);
`;

const Options = styled(ListBox)`
  outline: none;
  padding: var(--space-2);
`;

const Option = styled(ListBoxItem)`
  padding: var(--space-4) var(--space-5) var(--space-4) var(--space-4);
  border-left: 3px solid transparent;
  cursor: pointer;
  outline: none;
  white-space: nowrap;
  &[data-focused] {
    background: var(--band-2);
  }
  &[data-selected] {
    border-left-color: var(--gorse);
    font-weight: 600;
  }
`;

export interface FieldChoice<K extends string> {
  readonly value: K;
  readonly label: string;
}

export interface SelectProps<K extends string> {
  readonly label: string;
  readonly hideLabel?: boolean;
  /** Null while nothing is chosen. */
  readonly value: K | null;
  readonly placeholder?: string;
  readonly isDisabled?: boolean;
  readonly choices: readonly FieldChoice<K>[];
  readonly onChange: (value: K) => void;
  readonly problem?: string;
  readonly buttonRef?: Ref<HTMLButtonElement>;
}

/** The list of a choice. */
function Choices<K extends string>({ choices }: { choices: readonly FieldChoice<K>[] }) {
  return (
    <Sheet>
      <Options>
        {choices.map((choice) => (
          <Option key={choice.value} id={choice.value} textValue={choice.label}>
            {choice.label}
          </Option>
        ))}
      </Options>
    </Sheet>
  );
}

export function Select<K extends string>({
  label,
  hideLabel,
  value,
  choices,
  onChange,
  problem,
  buttonRef,
  placeholder,
  isDisabled = false,
}: SelectProps<K>) {
  const alive = useAlive();
  return (
    <AriaSelect
      value={value}
      onChange={(key) => key !== null && onChange(key as K)}
      isDisabled={isDisabled || !alive}
      {...(placeholder !== undefined && { placeholder })}
      validationBehavior="aria"
      isInvalid={problem !== undefined}
      {...(hideLabel ? { 'aria-label': label } : {})}
    >
      <Stack>
        {!hideLabel && <Label className="label">{label}</Label>}
        <Trigger {...(buttonRef && { ref: buttonRef })}>
          <SelectValue />
          <ChevronDown size={16} aria-hidden />
        </Trigger>
        <FieldError>{problem}</FieldError>
      </Stack>
      <Choices choices={choices} />
    </AriaSelect>
  );
}

const WordTrigger = styled(AriaButton)`
  display: inline;
  padding: 0 var(--space-1);
  border: 0;
  border-bottom: 2px solid var(--gorse);
  background: transparent;
  font-weight: 700;
  font-size: inherit;
  text-align: left;
  cursor: pointer;
  line-height: 1.3;
  &[data-hovered],
  &[aria-expanded='true'] {
    background: color-mix(in srgb, var(--gorse) 16%, transparent);
  }
`;

/** A choice that is made inside a sentence: a word that is underlined and opens its list. */
export function InlineSelect<K extends string>({
  label,
  value,
  choices,
  onChange,
}: Omit<SelectProps<K>, 'hideLabel' | 'problem' | 'buttonRef' | 'placeholder' | 'isDisabled'>) {
  return (
    <BareSelect value={value} onChange={(key) => onChange(key as K)} aria-label={label}>
      <WordTrigger>
        <SelectValue>{choices.find((choice) => choice.value === value)?.label}</SelectValue>
      </WordTrigger>
      <Choices choices={choices} />
    </BareSelect>
  );
}
