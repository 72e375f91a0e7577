/**
 * Reports that arrive while another transaction is being written go into the next one together: one wait for the disk serves them all.
 * Nobody is answered before the transaction that holds their report has committed; what fails together is written one by one.
 */
import { transact, type HowToWrite } from '../db/pool';
import { storeReports, type NewReport } from '../db/reports';

interface Waiting {
  readonly report: NewReport;
  readonly done: () => void;
  readonly failed: (error: unknown) => void;
}

const MOST_TOGETHER = 32;
/** A play is stored once by its key: where the answer of the database was lost, it is found there by the next try. */
const BY_KEYS: HowToWrite = { duplicate: 'tells', settledBy: 'keys' };

declare global {
  // The chunks of the build must share one queue.
  var lochsideIntake: { waiting: Waiting[]; writing: boolean } | undefined;
}

/** Resolves when the report is on the disk; rejects with the database's error, 1062 for a play that was stored before. */
export function storeTogether(report: NewReport): Promise<void> {
  const queue = (globalThis.lochsideIntake ??= { waiting: [], writing: false });
  return new Promise((done, failed) => {
    queue.waiting.push({ report, done, failed });
    if (!queue.writing) void write(queue);
  });
}

async function write(queue: { waiting: Waiting[]; writing: boolean }): Promise<void> {
  queue.writing = true;
  while (queue.waiting.length > 0) {
    // Powers of two, so that few different statements are prepared.
    const number = Math.min(MOST_TOGETHER, 2 ** Math.floor(Math.log2(queue.waiting.length)));
    const batch = queue.waiting.splice(0, number);
    try {
      await transact(
        (db) =>
          storeReports(
            db,
            batch.map(({ report }) => report),
          ),
        BY_KEYS,
      );
      for (const { done } of batch) done();
    } catch (error) {
      if (batch.length === 1) batch[0]!.failed(error);
      else for (const { report, done, failed } of batch) await transact((db) => storeReports(db, [report]), BY_KEYS).then(done, failed);
    }
  }
  queue.writing = false;
}
