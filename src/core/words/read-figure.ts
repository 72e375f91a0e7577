/** A figure as a family types it: "3½", "3,5", "3.5", " 12 ". No interface here. */

export interface FigureRange {
  readonly least: number;
  readonly most: number;
  /** Only whole numbers. */
  readonly whole: boolean;
}

/** `null` for an empty field. Else why it cannot be: no figure, not whole, below the least or above the most. */
export type ReadFigure =
  { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly why: 'none' | 'whole' | 'least' | 'most' };

const FRACTIONS: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75, '⅓': 1 / 3, '⅔': 2 / 3 };

/** Sign, whole part, and then decimals or a fraction: one of the two parts must be there. Digits of any script are taken. */
const FIGURE = /^([-−]?)(\d*)(?:[.,](\d+)|\s?(½|¼|¾|⅓|⅔|1\/2|1\/4|3\/4))?$/;
const SPELT: Readonly<Record<string, string>> = { '1/2': '½', '1/4': '¼', '3/4': '¾' };

/** Digits of Arabic, Devanagari and the like as Latin ones. */
const latin = (words: string) => words.replace(/\p{Nd}/gu, (digit) => `${digitValue(digit)}`);

function digitValue(digit: string): number {
  // Decimal digits of a script stand in tens, from a zero on.
  const point = digit.codePointAt(0)!;
  let zero = point;
  while (point - zero < 9 && /^\p{Nd}$/u.test(String.fromCodePoint(zero - 1))) zero -= 1;
  return point - zero;
}

export function readFigure(written: string, { least, most, whole }: FigureRange): ReadFigure {
  const words = latin(written.trim());
  if (words === '') return { ok: true, value: null };
  const found = FIGURE.exec(words);
  const [, sign, units = '', decimals, part] = found ?? [];
  if (!found || (units === '' && decimals === undefined && part === undefined)) return { ok: false, why: 'none' };
  const fraction = part === undefined ? Number(`0.${decimals ?? '0'}`) : FRACTIONS[SPELT[part] ?? part]!;
  const value = (sign === '' ? 1 : -1) * (Number(units) + fraction);
  if (whole && !Number.isInteger(value)) return { ok: false, why: 'whole' };
  if (value < least) return { ok: false, why: 'least' };
  if (value > most) return { ok: false, why: 'most' };
  return { ok: true, value };
}
