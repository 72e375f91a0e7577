'use client';
import { useState } from 'react';
import styled from 'styled-components';

const Box = styled.input`
  min-height: 24px;
  height: 1.5em;
  padding: 0;
  border: 0;
  border-bottom: 2px solid var(--gorse);
  border-radius: 0;
  background: transparent;
  font-weight: 700;
  text-align: center;
  appearance: textfield;
  -moz-appearance: textfield;
  &:hover,
  &:focus {
    background: color-mix(in srgb, var(--gorse) 16%, transparent);
  }
  &::-webkit-inner-spin-button {
    appearance: none;
  }
`;

export interface NumberSlotProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly decimals?: number;
  readonly onChange: (value: number) => void;
}

/** A figure that is edited where it stands: type it, or arrow up and down. What is out of range snaps to the nearest allowed. */
export function NumberSlot({ label, value, min, max, step, decimals = 0, onChange }: NumberSlotProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? value.toFixed(decimals);
  const commit = (text: string) => {
    const number = Number.parseFloat(text.replace(',', '.'));
    setTyped(null);
    if (Number.isFinite(number)) onChange(Math.min(max, Math.max(min, Number(number.toFixed(decimals)))));
  };
  return (
    <Box
      aria-label={label}
      inputMode={decimals > 0 ? 'decimal' : 'numeric'}
      role="spinbutton"
      aria-valuenow={value}
      aria-valuemin={min}
      aria-valuemax={max}
      value={shown}
      style={{ width: `${Math.max(2, shown.length) + 0.6}ch` }}
      onChange={(event) => setTyped(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={(event) => typed !== null && commit(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit(event.currentTarget.value);
        if (event.key === 'Escape') setTyped(null);
        if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
          event.preventDefault();
          commit(`${value + (event.key === 'ArrowUp' ? step : -step)}`);
        }
      }}
    />
  );
}
