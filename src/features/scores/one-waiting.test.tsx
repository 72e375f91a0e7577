// @vitest-environment happy-dom
import { render, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Waiting } from '@/contract/to-look-at';
import { OneWaiting } from './one-waiting';
import { mayBe, WEEK } from '../../../tests/examples/may-be';

const waiting = {
  id: 'w-1',
  way: 'message',
  source: 'A message of 5 March',
  receivedOn: '5 March',
  words: 'Isla got 14 today, thank you!',
  spans: [
    { from: 0, to: 4, what: 'the child' },
    { from: 9, to: 11, what: 'the score' },
  ],
  confidence: 0.9,
  sentence: 'This may be Isla’s.',
  childId: 'isla',
  weekId: WEEK,
  levelId: 'level-1',
  total: 14,
  settledBy: null,
  counted: false,
} as unknown as Waiting;

const open = (more: Partial<Waiting> = {}, readOnly = false) => {
  const on = { onCount: vi.fn(), onAside: vi.fn(), onUndo: vi.fn() };
  render(<OneWaiting waiting={{ ...waiting, ...more }} mayBe={mayBe} readOnly={readOnly} {...on} />);
  return { ...on, user: userEvent.setup() };
};
const field = (name: string) => screen.getByLabelText(name) as HTMLInputElement;

describe('a score that is nobody’s yet', () => {
  it('has what was read filled in and marked, and is counted by Enter', async () => {
    const { user, onCount } = open();
    expect([...document.querySelectorAll('mark')].map((one) => one.textContent)).toEqual(['Isla', '14']);
    expect(field('Child').value).toBe('Isla M.');
    await user.type(field('Score'), '{Enter}');
    await waitFor(() => expect(onCount).toHaveBeenCalledWith({ assignmentId: 'a-1', levelId: 'level-1', total: 14 }, 'Isla M.: 14 points'));
  });

  it('may be set right, or be “not finished”', async () => {
    const { user, onCount } = open();
    await user.clear(field('Score'));
    await user.type(field('Score'), 'n{Enter}');
    await waitFor(() => expect(onCount).toHaveBeenCalledWith({ assignmentId: 'a-1', levelId: 'level-1', total: null }, 'Isla M.: not finished'));
  });

  it('does not count for a child who was not sent it, and says so at the field', async () => {
    const { user, onCount } = open();
    await user.clear(field('Child'));
    await user.type(field('Child'), 'ivor');
    expect(screen.getByText('was not sent this week', { exact: false })).toBeTruthy();
    expect((screen.getByRole('button', { name: /^Yes, count it/ }) as HTMLButtonElement).disabled).toBe(true);
    await user.keyboard('{Enter}');
    expect(await screen.findByText('Nobody who was sent that week is called so.')).toBeTruthy();
    expect(onCount).not.toHaveBeenCalled();
  });

  it('is not counted by a total that is none', async () => {
    const { user, onCount } = open({ total: undefined as never });
    await user.type(field('Score'), 'lots{Enter}');
    expect(await screen.findByText(/^The total is a whole number/)).toBeTruthy();
    expect(onCount).not.toHaveBeenCalled();
  });

  it('is set aside, and decided again once it is settled; a helper only reads it', async () => {
    const first = open();
    await first.user.click(screen.getByRole('button', { name: 'Set aside' }));
    expect(first.onAside).toHaveBeenCalledOnce();
    document.body.replaceChildren();
    const settled = open({ settledBy: 'Ms Tarn', counted: true });
    await settled.user.click(screen.getByRole('button', { name: 'Decide again' }));
    expect(settled.onUndo).toHaveBeenCalledOnce();
    document.body.replaceChildren();
    open({}, true);
    expect(screen.getByText('A teacher decides this.')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });
});
