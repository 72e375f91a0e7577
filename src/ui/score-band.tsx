'use client';

const BARS = 26;

/** Likely scores as a row of bars, the middle eight tenths darker, par marked. */
export function ScoreBand({
  histogram,
  lowest,
  scoreStep = 1,
  par,
  low,
  high,
  width = 240,
}: {
  histogram: readonly number[];
  lowest: number;
  /** Scores that one count of the histogram stands for. */
  scoreStep?: number;
  par: number;
  low: number;
  high: number;
  width?: number;
}) {
  const perBar = Math.max(1, Math.ceil(histogram.length / BARS));
  const bars: { from: number; count: number }[] = [];
  for (let i = 0; i < histogram.length; i += perBar)
    bars.push({ from: lowest + i * scoreStep, count: histogram.slice(i, i + perBar).reduce((sum, count) => sum + count, 0) });
  const most = Math.max(1, ...bars.map((bar) => bar.count));
  const step = Math.min(14, (width - 20) / Math.max(1, bars.length));
  const height = 34;
  const inBar = perBar * scoreStep;
  const xOf = (score: number) => 4 + ((score - lowest) / inBar + 0.5) * step;
  const parX = Math.min(width - 24, Math.max(20, xOf(par)));
  return (
    <svg
      width={width}
      height={height + 18}
      viewBox={`0 0 ${width} ${height + 18}`}
      role="img"
      aria-label={`Likely scores ${low} to ${high}, par ${par}`}
    >
      {bars.map((bar) => {
        const tall = (bar.count / most) * (height - 4);
        const likely = bar.from + inBar - 1 >= low && bar.from <= high;
        return (
          <rect
            key={bar.from}
            x={4 + ((bar.from - lowest) / inBar) * step}
            y={height - tall}
            width={Math.max(1, step - 1)}
            height={tall}
            fill={likely ? 'var(--tide)' : 'var(--half)'}
          />
        );
      })}
      <line x1={0} x2={width} y1={height + 0.5} y2={height + 0.5} stroke="var(--line-strong)" />
      <line x1={xOf(par)} x2={xOf(par)} y1={2} y2={height + 3} stroke="var(--ink)" strokeWidth={2} />
      <text x={parX} y={height + 15} textAnchor="middle" fontSize={13} fill="var(--ink)">
        par {par}
      </text>
    </svg>
  );
}
