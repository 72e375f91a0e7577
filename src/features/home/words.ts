/** Days, times and scores as the home pages say them. */
export function timeWords(instant: string): string {
  return new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(new Date(instant));
}

/** The day it is on this device, ISO 8601. */
export function todayHere(now = new Date()): string {
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
}

/** "14 points", "23 cm", "not finished". */
export function scoreWords(total: number | null, unit: string): string {
  return total === null ? 'not finished' : unit === 'mm' ? `${total / 10} cm` : `${total} ${unit}`;
}
