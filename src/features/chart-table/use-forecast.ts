'use client';
import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Fitted } from '@/core/progress/fit';
import type { Game } from '@/core/rules/format/game';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import type { FloorDepth } from '@/core/forecast/depth';
import type { ForecastWorker } from '@/workers/forecast.worker';
import type { Racks } from './use-racks';

const PLAYS_WHILE_DRAGGING = 200;
const PLAYS_AT_REST = 2000;

export interface Forecasts {
  readonly levels: readonly (LevelForecast | null)[];
  readonly floor: FloorDepth | null;
  /** The game that these figures belong to. */
  readonly of: Game | null;
  readonly failed: boolean;
}

/**
 * The forecast of every level and the depth of the floor, worked out in a worker. One request is under way at a time and only the
 * newest game waits, so that figures follow a drag instead of queueing behind it.
 */
export function useForecast(
  game: Game,
  ageYears: number,
  fitted: Fitted | null,
  level: number,
  dragging: boolean,
  racks: Racks['tables'],
  from?: string,
): Forecasts {
  const [found, setFound] = useState<Forecasts>({ levels: game.levels.map(() => null), floor: null, of: null, failed: false });
  const worker = useRef<{ remote: Remote<ForecastWorker>; end: () => void } | null>(null);
  const wanted = useRef<{
    game: Game;
    ageYears: number;
    fitted: Fitted | null;
    level: number;
    dragging: boolean;
    racks: Racks['tables'];
    from: string | undefined;
    since: number;
  } | null>(null);
  const busy = useRef(false);
  const floorKey = useRef('');

  useEffect(() => {
    const thread = new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' });
    thread.onerror = () => setFound((before) => ({ ...before, failed: true }));
    worker.current = { remote: wrap<ForecastWorker>(thread), end: () => thread.terminate() };
    busy.current = false;
    floorKey.current = '';
    return () => {
      worker.current?.end();
      worker.current = null;
    };
  }, []);

  useEffect(() => {
    wanted.current = { game, ageYears, fitted, level, dragging, racks, from, since: performance.now() };
    const work = async () => {
      if (busy.current) return;
      busy.current = true;
      while (wanted.current && worker.current) {
        const ask = wanted.current;
        wanted.current = null;
        try {
          const answer = await worker.current.remote.forecast({
            game: ask.game,
            ageYears: ask.ageYears,
            ...(ask.fitted && { fitted: ask.fitted }),
            levels: ask.dragging ? [ask.level] : ask.game.levels.map((_, index) => index),
            plays: ask.dragging ? PLAYS_WHILE_DRAGGING : PLAYS_AT_REST,
            floorOf: ask.level,
            floorKnown: floorKey.current,
            racks: ask.racks,
            floorFrom: ask.from,
          });
          floorKey.current = answer.floorKey;
          performance.measure(ask.dragging ? 'forecast while dragging' : 'forecast at rest', { start: ask.since });
          setFound((before) => {
            const levels = ask.game.levels.map(
              (_, index) => answer.levels.find((one) => one.index === index)?.forecast ?? before.levels[index] ?? null,
            );
            return { levels, floor: answer.floor ?? before.floor, of: ask.game, failed: false };
          });
        } catch {
          setFound((before) => ({ ...before, failed: true }));
        }
      }
      busy.current = false;
    };
    void work();
  }, [game, ageYears, fitted, level, dragging, racks, from]);

  return found;
}
