'use client';
import { proxy, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import { racksOf, readRack, type Rack } from '@/core/forecast/racks';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { compile } from '@/core/rules/playing/compile';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import type { RacksWorker } from '@/workers/racks.worker';
import { keepRack, keptRack } from './rack-store';

export interface Racks {
  /** Tables that are not shipped, by key: worked out here now or on another day. */
  readonly tables: Readonly<Record<string, string>>;
  /** What is being worked out; null when nothing is. */
  readonly progress: { readonly done: number; readonly of: number; readonly share: number } | null;
  /** Stops the work; the rough figures stay. */
  readonly stop: () => void;
}

/** A layout that is still being changed is not worked out yet. */
const QUIET_MS = 900;

/** The racks of all levels for which there is no table yet, as their keys in one text. */
function missingRacks(game: Game, tables: Readonly<Record<string, string>>): readonly Rack[] {
  const racks = game.levels.flatMap((_, index) => {
    const level = resolveLevel(game, index);
    if (!level.parts.some((part) => part.stages.some((task) => task.see === 'felled'))) return [];
    const compiled = compile(level);
    return compiled.ok ? racksOf(level, compiled.value) : [];
  });
  return [...new Map(racks.map((rack) => [rack.key, rack])).values()].filter(({ key }) => !tables[key] && !shippedRacks(key));
}

/**
 * Tables of rigid bodies for the pins of a game, filled in a worker of their own while the rough figures are shown. The work begins when
 * the layout is at rest and ends at once when it is changed or stopped.
 */
export function useRacks(game: Game, dragging: boolean): Racks {
  const [tables, setTables] = useState<Readonly<Record<string, string>>>({});
  const [progress, setProgress] = useState<Racks['progress']>(null);
  const [stopped, setStopped] = useState('');
  const missing = useMemo(() => (dragging ? [] : missingRacks(game, tables)), [game, tables, dragging]);
  const wanted = missing.map(({ key }) => key).join('\n');
  const latest = useRef(missing);
  useEffect(() => {
    latest.current = missing;
  }, [missing]);

  useEffect(() => {
    if (wanted === '' || wanted === stopped) return;
    const racks = latest.current;
    let worker: Worker | null = null;
    let ended = false;
    const work = async () => {
      for (const [done, rack] of racks.entries()) {
        let table = await keptRack(rack.key);
        if (ended) return;
        if (!table || !readRack(table)) {
          worker ??= new Worker(new URL('../../workers/racks.worker.ts', import.meta.url), { type: 'module' });
          worker.onerror = () => setProgress(null);
          const tell = (share: number) => !ended && setProgress({ done, of: racks.length, share });
          tell(0);
          table = await wrap<RacksWorker>(worker).fill(rack, proxy(tell));
          void keepRack(rack.key, table);
        }
        if (ended) return;
        const filled = table;
        // The whole list is shown at once when it is done; a table is used as soon as it is there.
        if (done === racks.length - 1) setProgress(null);
        setTables((before) => ({ ...before, [rack.key]: filled }));
      }
    };
    const quiet = setTimeout(() => void work().catch(() => setProgress(null)), QUIET_MS);
    return () => {
      ended = true;
      clearTimeout(quiet);
      worker?.terminate();
      setProgress(null);
    };
  }, [wanted, stopped]);

  return { tables, progress, stop: () => setStopped(wanted) };
}
