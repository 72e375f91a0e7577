/** What was played under a link that was replaced meanwhile is not lost: a few reports are taken, each to be looked at. */
import type { Uuid } from '@/contract/ids';
import { transact } from '../db/pool';
import { countByOldLink, storeReports, type NewReport } from '../db/reports';
import { unknownLink } from './family';

/** More than this wait on the phone for the newest link of the child. */
const MOST = 5;

/** Stores one more under this key, one after the other; refuses it, and stores nothing, when as many came as may. */
export const storeByOldLink =
  (keyId: Uuid) =>
  (report: NewReport): Promise<void> =>
    transact(
      async (db) => {
        const before = await countByOldLink(db, keyId);
        // What was stored before is told as such, however many came.
        await storeReports(db, [report]);
        if (before >= MOST) throw unknownLink();
      },
      { duplicate: 'tells' },
    );
