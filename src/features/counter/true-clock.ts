/**
 * A clock that keeps true when the tab sleeps: of the two clocks of a browser it takes the larger step each time. `performance.now`
 * may stand still while a device sleeps, `Date.now` may be set back.
 */
export class TrueClock {
  private elapsed = 0;
  private lastPerformance = performance.now();
  private lastDate = Date.now();

  constructor(startMs = 0) {
    this.elapsed = startMs;
  }

  /** Whole milliseconds since the start. */
  read(): number {
    const nowPerformance = performance.now();
    const nowDate = Date.now();
    this.elapsed += Math.max(nowPerformance - this.lastPerformance, nowDate - this.lastDate, 0);
    this.lastPerformance = nowPerformance;
    this.lastDate = nowDate;
    return Math.round(this.elapsed);
  }
}
