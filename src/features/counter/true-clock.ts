/**
 * The clock of a go: monotonic within a page. `performance.now` may stand still while a device sleeps, so for a time in which nobody could see
 * the page the device's clock is asked too; while the page is seen a change of that clock (another zone, set by hand, a day's jump) does nothing.
 */

/** A longer sleep than this is not believed of the device's clock, which may have been set meanwhile. Milliseconds. */
const LONGEST_SLEEP_MS = 600_000;

export class TrueClock {
  private elapsed = 0;
  private lastPerformance = performance.now();
  private lastDate = Date.now();
  private hidden = document.hidden;

  constructor(startMs = 0) {
    this.elapsed = startMs;
    document.addEventListener('visibilitychange', () => {
      // What went by until now belongs to the time before.
      this.read();
      this.hidden = document.hidden;
    });
  }

  /** Whole milliseconds since the start. */
  read(): number {
    const nowPerformance = performance.now();
    const nowDate = Date.now();
    const step = Math.max(0, nowPerformance - this.lastPerformance);
    const slept = this.hidden ? nowDate - this.lastDate : 0;
    this.elapsed += slept > step && slept <= LONGEST_SLEEP_MS ? slept : step;
    this.lastPerformance = nowPerformance;
    this.lastDate = nowDate;
    return Math.round(this.elapsed);
  }
}
