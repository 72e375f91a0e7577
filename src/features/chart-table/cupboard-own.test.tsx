// @vitest-environment happy-dom
import { render, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { ownThingsIn } from '@/core/course/own-things';
import { Own } from './cupboard-own';

const open = () => {
  const add = vi.fn();
  render(<Own game={starter('harbour-lamps')} ofSchool={[]} add={add} free={{ xM: 1, yM: 2 }} />);
  return { add, user: userEvent.setup() };
};
const field = (name: string) => screen.getByLabelText(name) as HTMLInputElement;

it('puts a thing of the teacher’s own on the floor, by its name and its size in centimetres', async () => {
  const { add, user } = open();
  await user.type(field('What it is called'), ' dog bed ');
  await user.clear(field('Centimetres across'));
  await user.type(field('Centimetres across'), '70{Enter}');
  await user.clear(field('Centimetres high'));
  await user.type(field('Centimetres high'), '15{Enter}');
  await user.click(screen.getByRole('button', { name: 'Put on the floor' }));
  await waitFor(() =>
    expect(add).toHaveBeenCalledWith({
      kind: 'target',
      object: 'bucket',
      own: { name: 'dog bed', shape: { kind: 'opening', outline: 'round', diameterM: 0.7, rimM: 0.15 } },
      spots: [{ xM: 1, yM: 2 }],
    }),
  );
});

it('without a name is asked for one, at the field, and nothing is put down', async () => {
  const { add, user } = open();
  await user.click(screen.getByRole('button', { name: 'Put on the floor' }));
  expect(await screen.findByText('Give it a name that a family understands.')).toBeTruthy();
  expect(document.activeElement).toBe(field('What it is called'));
  expect(add).not.toHaveBeenCalled();
});

it('takes a thing that was made in another game of the school, once, as it is', async () => {
  const add = vi.fn();
  const own = { name: 'dog bed', shape: { kind: 'opening' as const, outline: 'round' as const, diameterM: 0.7, rimM: 0.15 } };
  const game = starter('harbour-lamps');
  const bed = (xM: number) => ({ object: 'bucket' as const, xM, yM: 1, turnRad: 0, standM: 0, own });
  const made = { ...game, course: { ...game.course, targets: { beds: [bed(1), bed(2)] } } };
  render(<Own game={game} ofSchool={ownThingsIn([game, made])} add={add} free={{ xM: 1, yM: 2 }} />);
  await userEvent.setup().click(screen.getByRole('button', { name: /dog bed/ }));
  expect(add).toHaveBeenCalledWith({ kind: 'target', object: 'bucket', own, spots: [{ xM: 1, yM: 2 }] });
});
