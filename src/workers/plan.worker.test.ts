import { beforeAll, expect, it, vi } from 'vitest';
import { WEIGHTS, type Term } from '@/core/plan/term';
import type { PlanWorker } from './plan.worker';

let worker: PlanWorker;
vi.mock('comlink', () => ({ expose: (api: PlanWorker) => void (worker = api) }));
beforeAll(async () => void (await import('./plan.worker')));

const level = { id: 'l', name: 'Wade' };
const offer = (id: string) => ({
  id,
  title: id,
  kind: 'game' as const,
  skills: ['roll' as const],
  way: 'tries',
  levels: [level],
  things: [],
  lends: {},
  floorM: 2,
});
const term = (musts: Term['musts'] = []): Term => ({
  classes: [{ id: 'c', name: 'P4', borrowers: 20 }],
  weeks: [{ holiday: false }, { holiday: false }],
  offers: [offer('kelp'), offer('gull')],
  expected: [[[{ chance: 0.5, minutes: 3 }], [{ chance: 0.2, minutes: 3 }]]],
  wanted: [[0.5, 0.2]],
  musts,
  weights: WEIGHTS,
});

it('solves a term, tells the plans on the way and how far it is, and what cannot be had', async () => {
  await worker.warm();
  const told: number[] = [];
  const steps: [number, number][] = [];
  const solution = await worker.solve(
    term(),
    ({ cost }) => void told.push(cost),
    (done, of) => void steps.push([done, of]),
  );
  expect(solution).toMatchObject({ found: true, plan: [[{ offerId: 'kelp' }, { offerId: 'gull' }]] });
  expect(told.length).toBeGreaterThan(0);
  expect(steps.at(-1)).toEqual([1, 1]);
  const never = ['kelp', 'gull'].map((offerId) => ({ id: offerId, kind: 'never' as const, offerId, why: 'unwanted' as const }));
  const none = term(never);
  expect(
    await worker.solve(
      none,
      () => undefined,
      () => undefined,
    ),
  ).toEqual({ found: false, classIndex: 0 });
  expect(await worker.clash(none, 0)).toMatchObject({ fewest: [expect.any(String)], together: ['kelp', 'gull'] });
});
