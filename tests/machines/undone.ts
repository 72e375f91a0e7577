/** What this version changes of the database that the version before does not know, undone: the rolling upgrade is drilled from there. */
import type { Undone } from './drill';

export const UNDONE: Undone = {
  names: ['0085-erasures.sql', '0084-schools-touched.sql', '0083-leases.sql', '0082-commits.sql'],
  statements: ['DROP TABLE erasures', 'ALTER TABLE schools DROP COLUMN touched', 'DROP TABLE leases', 'DROP TABLE commits'],
};
