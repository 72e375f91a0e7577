/** Fills tables of pins with rigid bodies, behind the rough figures: for desks only, since the engine is large. Ended when no longer wanted. */
import RAPIER from '@dimforge/rapier3d-compat';
import { expose } from 'comlink';
import { fillRack, writeRack, type Rack } from '@/core/forecast/racks';

const TOLD_EVERY_MS = 200;

const api = {
  /** The table of a rack as text; `tell` hears the share that is done. */
  async fill(rack: Rack, tell: (share: number) => void): Promise<string> {
    await RAPIER.init();
    const filling = fillRack(RAPIER, rack);
    let told = performance.now();
    for (let next = filling.next(); ; next = filling.next()) {
      if (next.done) return writeRack(next.value);
      if (performance.now() - told < TOLD_EVERY_MS) continue;
      told = performance.now();
      tell(next.value);
    }
  },
};

export type RacksWorker = typeof api;

expose(api);
