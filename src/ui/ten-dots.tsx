'use client';
import { Spoken } from './notice';

/** A chance as ten dots: full up to the low end, half-toned within the interval, empty beyond. */
export function TenDots({ chance, low, high, size = 11, label }: { chance: number; low: number; high: number; size?: number; label: string }) {
  const full = Math.round(low * 10);
  const doubtful = Math.round(high * 10);
  const gap = size + 3;
  return (
    <>
      <svg width={gap * 10} height={size + 2} aria-hidden viewBox={`0 0 ${gap * 10} ${size + 2}`}>
        {Array.from({ length: 10 }, (_, index) => {
          const shared = { cx: index * gap + size / 2 + 1, cy: size / 2 + 1, r: size / 2 - 0.5, stroke: 'var(--ink)', strokeWidth: 1 };
          if (index < full) return <circle key={index} {...shared} fill="var(--ink)" />;
          if (index < doubtful) return <circle key={index} {...shared} fill="var(--half)" />;
          return <circle key={index} {...shared} fill="none" />;
        })}
      </svg>
      <Spoken>{label || `${Math.round(chance * 10)} in 10`}</Spoken>
    </>
  );
}
