import type { Operand } from './game';

/** More of these nobody has: tries, seconds, pins at once, a count, a face, balls that count again. */
const MOST: Readonly<Record<string, number>> = { attempts: 999, time: 3600, felled: 30, count: 10_000, face: 5, carry: 3 };

/** The most that a condition may ask for; undefined where there is no most. */
export const mostOf = (operand: Operand): number | undefined => MOST[operand];
