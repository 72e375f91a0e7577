import { beforeAll, describe, expect, it, vi } from 'vitest';
import { DESK_SEED, forecastLevel } from '@/core/forecast/forecast-level';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { starter } from '../../tests/examples/starters';
import type { ForecastAnswer, ForecastRequest } from './forecast.worker';

let worker: { forecast: (request: ForecastRequest) => ForecastAnswer };
vi.mock('comlink', () => ({ expose: (api: typeof worker) => void (worker = api) }));
beforeAll(async () => void (await import('./forecast.worker')));

const game = starter('harbour-lamps');
const ask = (more: Partial<ForecastRequest> = {}): ForecastRequest => ({
  game,
  ageYears: 8,
  levels: [0, 2],
  plays: 300,
  floorOf: 0,
  floorKnown: '',
  floorFrom: undefined,
  racks: {},
  ...more,
});

describe('the thread that forecasts', () => {
  it('answers the levels that were asked, with the core’s own figures for the desk’s seed', () => {
    const { levels } = worker.forecast(ask());
    expect(levels.map(({ index }) => index)).toEqual([0, 2]);
    for (const { index, forecast } of levels)
      expect(forecast).toEqual(forecastLevel(game, index, { ageYears: 8, plays: 300, seed: DESK_SEED, shelf: shippedRacks }));
  });

  it('answers the floor once, and again when what the chances depend on has changed', () => {
    const first = worker.forecast(ask());
    expect(first.floor).not.toBeNull();
    const known = { floorKnown: first.floorKey };
    expect(worker.forecast(ask(known)).floor).toBeNull();
    expect(worker.forecast(ask({ ...known, ageYears: 10 })).floor).not.toBeNull();
    expect(worker.forecast(ask({ ...known, game: { ...game, kit: { ...game.kit, form: 'seated' } } })).floor).not.toBeNull();
    expect(worker.forecast(ask({ ...known, game: { ...game, title: 'Lamps at dusk' } })).floor).toBeNull();
  });

  it('goes by the class where its own reports say how steady it is', () => {
    const fitted = { skill: 2, attempts: 400 } as unknown as NonNullable<ForecastRequest['fitted']>;
    const [assumed] = worker.forecast(ask()).levels;
    const [known] = worker.forecast(ask({ fitted })).levels;
    expect(known!.forecast!.par).not.toBe(assumed!.forecast!.par);
  });
});
