/**
 * Named stores on this device: IndexedDB (through idb) where it can keep, and this page's memory for what it cannot: no storage, blocked or full.
 * What is written can be read again at once, whatever the storage does; what could not be kept is tried again with every later write.
 */
import type { IDBPDatabase } from 'idb';

/** What the device does with what it is given: keeps all; has no storage that opens; has no room for some of it. */
export type Keeping = 'kept' | 'none' | 'full';

/** Milliseconds after which a storage that does not answer is done without. */
const PATIENCE_MS = 4000;

/** One change: a value put under its key, or with null the key's value taken away. */
export interface DeviceChange<Name extends string = string, Value = unknown> {
  readonly store: Name;
  readonly key: string;
  readonly value: Value | null;
}

const within = <T>(work: Promise<T>): Promise<T> =>
  new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('the storage does not answer')), PATIENCE_MS);
    work.then(resolve, reject).finally(() => clearTimeout(timer));
  });

export class Device {
  /** What is not in the storage (yet), by store and key; null for what is to be gone. */
  private readonly held = new Map<string, Map<string, unknown>>();
  private opened: Promise<IDBPDatabase> | undefined;
  private state: Keeping = 'kept';
  private readonly listeners = new Set<() => void>();

  /** `open` opens the database; it is called again after the connection was lost. */
  constructor(private readonly open: (lost: () => void) => Promise<IDBPDatabase>) {}

  readonly keeping = (): Keeping => this.state;

  /** Tells when `keeping` changes; the answer stops it. */
  readonly onKeeping = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  async get<T>(store: string, key: string): Promise<T | undefined> {
    const held = this.held.get(store);
    if (held?.has(key)) return (held.get(key) ?? undefined) as T | undefined;
    return (await this.ask((base) => base.get(store, key))) as T | undefined;
  }

  async all<T>(store: string): Promise<T[]> {
    const kept = await this.ask(async (base) => {
      const [keys, values] = await Promise.all([base.getAllKeys(store), base.getAll(store)]);
      return keys.map((key, index) => [key, values[index]] as const);
    });
    const all = new Map<string, unknown>((kept ?? []) as [string, unknown][]);
    for (const [key, value] of this.held.get(store) ?? []) {
      if (value === null) all.delete(key);
      else all.set(key, value);
    }
    return [...all.values()] as T[];
  }

  /** All of the changes or, in the storage, none of them. Never fails: what cannot be kept stays in memory, and `keeping` says so. */
  async write(changes: readonly DeviceChange[]): Promise<void> {
    for (const { store, key, value } of changes) {
      const held = this.held.get(store) ?? new Map<string, unknown>();
      this.held.set(store, held.set(key, value));
    }
    // With what could not be kept before.
    const due = [...this.held].flatMap(([store, values]) => [...values].map(([key, value]) => ({ store, key, value })));
    if (due.length === 0) return;
    const base = await this.base();
    if (!base) return;
    // What could not be kept before must not keep back what can be kept now.
    const tried = due.length > changes.length ? [due, changes] : [due];
    for (const some of tried)
      try {
        await within(this.store(base, some));
        for (const { store, key, value } of some) if (this.held.get(store)?.get(key) === value) this.held.get(store)!.delete(key);
        if (some === due) this.is('kept');
        return;
      } catch (error) {
        this.is(error instanceof Error && error.name === 'QuotaExceededError' ? 'full' : 'none');
      }
  }

  private async store(base: IDBPDatabase, due: readonly DeviceChange[]): Promise<void> {
    const all = base.transaction([...new Set(due.map(({ store }) => store))], 'readwrite');
    const done = due.map(({ store, key, value }) => (value === null ? all.objectStore(store).delete(key) : all.objectStore(store).put(value)));
    // Nothing more comes: it is written without asking this page again, which may be closed in this moment. Old browsers cannot be told.
    (all as { commit?: () => void }).commit?.();
    // Each rejects when the whole is broken off; the first reason is the one that counts.
    await Promise.all([...done, all.done]);
  }

  private async ask<T>(work: (base: IDBPDatabase) => Promise<T>): Promise<T | undefined> {
    const base = await this.base();
    if (!base) return undefined;
    try {
      return await within(work(base));
    } catch {
      this.is('none');
      return undefined;
    }
  }

  private async base(): Promise<IDBPDatabase | null> {
    // Asked once: a page without storage must stay quick. A browser may refuse by throwing at once.
    this.opened ??= within(Promise.resolve().then(() => this.open(() => (this.opened = undefined))));
    try {
      return await this.opened;
    } catch {
      this.is('none');
      return null;
    }
  }

  private is(state: Keeping): void {
    if (this.state === state) return;
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}
