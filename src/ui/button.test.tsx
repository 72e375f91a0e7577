// @vitest-environment happy-dom
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { expect, it, vi } from 'vitest';
import { Button, QuietButton } from './button';
import { Select } from './field';

const nothing = () => undefined;
const page = (onPress: () => void) => (
  <>
    <Button onPress={onPress}>Send</Button>
    <QuietButton onPress={onPress}>Leave out</QuietButton>
    <Button isDisabled onPress={onPress}>
      Never
    </Button>
    <Select label="Class" value="a" choices={[{ value: 'a', label: 'P4' }]} onChange={nothing} />
  </>
);

it('what the server draws cannot be pressed until the page is alive; then it can, but for what is disabled', async () => {
  const pressed = vi.fn();
  const host = document.createElement('div');
  host.innerHTML = renderToString(page(pressed));
  document.body.append(host);
  expect([...host.querySelectorAll('button')].map((one) => one.disabled)).toEqual([true, true, true, true]);
  const root = await act(() => Promise.resolve(hydrateRoot(host, page(pressed))));
  expect([...host.querySelectorAll('button')].map((one) => one.disabled)).toEqual([false, false, true, false]);
  await userEvent.click(screen.getByRole('button', { name: 'Send' }));
  expect(pressed).toHaveBeenCalledTimes(1);
  act(() => root.unmount());
  host.remove();
});

it('what comes later, such as a dialog, is alive at once', () => {
  render(<Button onPress={nothing}>Keep</Button>);
  expect(screen.getByRole('button', { name: 'Keep' })).toHaveProperty('disabled', false);
});
