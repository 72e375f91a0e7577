'use client';
import { area, curveStepAfter, line } from 'd3-shape';
import type { WeekOut } from '@/contract/today';

const WIDTH = 128;
const HEIGHT = 30;
const PAD = 4;

/** How the reports of a week rise, day by day, against what is usual for the class: the days run to the right, the whole class is the top. */
export function TideLine({ byDay, usual, sentTo, days }: Pick<WeekOut, 'byDay' | 'usual' | 'sentTo'> & { days: number }) {
  const x = (day: number) => PAD + (day * (WIDTH - 2 * PAD)) / Math.max(1, days);
  const y = (share: number) => HEIGHT - PAD - share * (HEIGHT - 2 * PAD);
  // Each day has a width: the last step is drawn to its end.
  const stepped = (shares: readonly number[]) =>
    [...shares, shares.at(-1) ?? 0].map((share, day): [number, number] => [x(Math.min(day, days)), y(Math.min(1, share))]);
  const now = stepped(byDay.map((n) => n / Math.max(1, sentTo)));
  const [nowX, nowY] = now.at(-1)!;
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      <path d={`M${PAD} ${HEIGHT - PAD}H${WIDTH - PAD}`} stroke="var(--line-strong)" strokeWidth={1} />
      <path d={`M${PAD} ${y(1)}H${WIDTH - PAD}`} stroke="var(--line)" strokeWidth={1} />
      <path
        d={
          area<[number, number]>()
            .x(([at]) => at)
            .y0(HEIGHT - PAD)
            .y1(([, top]) => top)
            .curve(curveStepAfter)(now) ?? ''
        }
        fill="var(--band-2)"
      />
      <path d={line<[number, number]>().curve(curveStepAfter)(now) ?? ''} fill="none" stroke="var(--tide)" strokeWidth={2} />
      {usual && (
        <path
          d={line<[number, number]>().curve(curveStepAfter)(stepped(usual)) ?? ''}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1}
          strokeDasharray="3 3"
        />
      )}
      <circle cx={nowX} cy={nowY} r={3} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1} />
    </svg>
  );
}
