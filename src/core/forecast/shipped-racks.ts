import shipped from './racks.json' with { type: 'json' };
import { readRack, type RackShelf, type RackTable } from './racks';

const TEXTS: Readonly<Record<string, string>> = shipped;
const read = new Map<string, RackTable | undefined>();

/** The tables that are shipped: of the usual triangles and of the starters (made by `npm run pins`). Each is read when it is first asked for. */
export const shippedRacks: RackShelf = (key) => {
  if (!read.has(key) && Object.hasOwn(TEXTS, key)) read.set(key, readRack(TEXTS[key]!));
  return read.get(key);
};
