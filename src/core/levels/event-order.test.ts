import { expect, it } from 'vitest';
import { eventOrder } from './event-order';

it('an event takes what its games take to be set out and played, with a rest between them, longer after running', () => {
  const { slots, minutes } = eventOrder([
    { seconds: 60, things: 4, runs: false },
    { seconds: 200, things: 0, runs: true },
    { seconds: 20, things: 9, runs: false },
  ]);
  expect(slots).toEqual([
    { setUpMinutes: 3, playMinutes: 1, restMinutes: 1 },
    { setUpMinutes: 1, playMinutes: 3, restMinutes: 3 },
    { setUpMinutes: 4, playMinutes: 1, restMinutes: 0 },
  ]);
  // 3 + 1 + 1, 1 + 3 + 3, 4 + 1.
  expect(minutes).toBe(17);
  expect(eventOrder([])).toEqual({ slots: [], minutes: 0 });
});
