import { describe, expect, it } from 'vitest';
import type { Uuid } from '@/contract/ids';
import { cellKey, filled, firstWaiting, readWaiting, rowsShown, withoutArrived } from './model';

const id = (n: number) => `01890000-0000-7000-8000-00000000000${n}` as Uuid;
const sheet = {
  children: [
    { id: id(1), name: 'Isla M.', hits: [2, null] },
    { id: id(2), name: 'Noor K.', hits: [null, null] },
  ],
};

describe('hits of a class test', () => {
  it('shows what was tapped last over what the school has, a nought and a taking back too', () => {
    const rows = rowsShown(sheet, { [cellKey(id(1), 0)]: null, [cellKey(id(2), 1)]: 0 });
    expect(rows.map(({ hits }) => hits)).toEqual([
      [null, null],
      [null, 0],
    ]);
    expect(filled(rows)).toEqual({ done: 1, of: 4 });
  });
  it('sends what waits one after the other, and forgets only what arrived as it was last tapped', () => {
    const waiting = { [cellKey(id(1), 0)]: 3, [cellKey(id(2), 1)]: 1 };
    expect(firstWaiting(waiting)).toEqual({ childId: id(1), mark: 0, hits: 3 });
    expect(withoutArrived(waiting, { childId: id(1), mark: 0, hits: 3 })).toEqual({ [cellKey(id(2), 1)]: 1 });
    expect(withoutArrived(waiting, { childId: id(1), mark: 0, hits: 2 })).toBe(waiting);
    expect(firstWaiting({})).toBeNull();
  });
  it('reads back what was kept on the device, and nothing that is no hit', () => {
    const kept = { [cellKey(id(1), 0)]: 3, [cellKey(id(2), 1)]: null };
    expect(readWaiting(JSON.stringify(kept))).toEqual(kept);
    expect(readWaiting(JSON.stringify({ ...kept, x: 1, [cellKey(id(1), 7)]: 1, [cellKey(id(2), 0)]: 99 }))).toEqual(kept);
    for (const odd of [null, '', '{', '[1]', '7']) expect(readWaiting(odd)).toEqual({});
  });
});
