/** The best of what counted; null for nothing. */
export function bestOf(counted: readonly number[], better: 'high' | 'low'): number | null {
  return counted.length === 0 ? null : better === 'high' ? Math.max(...counted) : Math.min(...counted);
}
