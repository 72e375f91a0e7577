/**
 * What a web server keeps in memory so as not to read or work it out again. Each cache has a name, a size, and lets go of what was not asked
 * for the longest. Nothing here may be missed by another web server: what can change is kept under a mark that the database tells.
 */
import { LRUCache } from 'lru-cache';

/** Something, never nothing: what may be null is kept inside of a record. */
type Kept = NonNullable<unknown>;

declare global {
  // The chunks of the build must share one set.
  var lochsideCaches: Map<string, LRUCache<string, Kept>> | undefined;
}

/** The cache of this name, made when it is first asked for. */
export function cache<Value extends Kept>(name: string, most: number): LRUCache<string, Value> {
  const all = (globalThis.lochsideCaches ??= new Map());
  const known = all.get(name) ?? new LRUCache<string, Kept>({ max: most });
  all.set(name, known);
  return known as LRUCache<string, Value>;
}

/**
 * What is kept under this key, else what `work` comes to. Asked for by fifty at once, as after a restart, it is worked out once for all of them;
 * what failed is not kept.
 */
export async function keptOr<Value>(kept: LRUCache<string, Promise<Value>>, key: string, work: () => Promise<Value>): Promise<Value> {
  const known = kept.get(key);
  if (known) return known;
  const made = work();
  kept.set(key, made);
  made.catch(() => kept.get(key) === made && kept.delete(key));
  return made;
}
