/** How the server of a school stands, for its lead. */

/** What somebody must look after, by kind. */
export type ServerWorry = 'no backup key' | 'no backup' | 'backup is old' | 'disk is full' | 'clock is wrong' | 'nothing is taken away';

export interface ServerStanding {
  readonly version: string;
  /** The last change of the database. */
  readonly migration: string;
  /** ISO 8601; null for never. */
  readonly backupAt: string | null;
  /** When one was last tried out on this machine and found good. */
  readonly verifiedAt: string | null;
  readonly keepingAt: string | null;
  readonly disk: { readonly freeBytes: number; readonly ofBytes: number };
  readonly clock: {
    /** Null where the machine does not say. */
    readonly synchronized: boolean | null;
    /** By how many minutes the devices of families are ahead of this server, in the middle; null while too few have reported. */
    readonly devicesAheadMinutes: number | null;
  };
  readonly worries: readonly ServerWorry[];
}
