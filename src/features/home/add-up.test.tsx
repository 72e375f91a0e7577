// @vitest-environment happy-dom
import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Result } from '@/core/rules/playing/measure';
import { AddUp } from './add-up';

it('the child types its sum; what is no figure is said, and nothing is taken before there is one', () => {
  const onAdded = vi.fn();
  render(<AddUp result={{ unit: 'points', value: 15 } as Result} onAdded={onAdded} onSkip={vi.fn()} />);
  const field = screen.getByRole('textbox', { name: 'What you make of it, in points' });
  const mine = screen.getByRole<HTMLButtonElement>('button', { name: 'That is my sum' });
  expect(mine.disabled).toBe(true);
  fireEvent.change(field, { target: { value: 'abc' } });
  expect(screen.queryByRole('alert')).not.toBeNull();
  fireEvent.change(field, { target: { value: '14' } });
  fireEvent.click(mine);
  expect(onAdded).toHaveBeenCalledExactlyOnceWith(14);
});
