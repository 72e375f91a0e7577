import type { Felt } from './store';

/** A head in the water: over the mouth, up to the chin, well above. */
export function Face({ water, felt }: { water: number; felt: Felt }) {
  const mouth = felt === 'hard' ? 'M17 31q7-6 14 0' : felt === 'right' ? 'M17 29h14' : 'M16 27q8 9 16 0';
  return (
    <svg width={48} height={50} viewBox="0 0 48 50" aria-hidden>
      <circle cx={24} cy={22} r={16} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={18} cy={18} r={1.8} fill="var(--ink)" />
      <circle cx={30} cy={18} r={1.8} fill="var(--ink)" />
      <path d={mouth} fill="none" stroke="var(--ink)" strokeWidth={2} strokeLinecap="round" />
      <path d={`M0 ${water + 8}q6-5 12 0t12 0 12 0 12 0V50H0z`} fill="var(--band-4)" fillOpacity={0.75} stroke="var(--tide)" strokeWidth={1.5} />
    </svg>
  );
}
