/** Lengths as people say them. Inside everything is metres; these convert at the edge. */
import { english } from '../words/english';
import type { Words } from '../words/words';

/** International yard and pound agreement, 1959: exactly 0.3048 m. */
export const FOOT_M = 0.3048;
const INCH_M = FOOT_M / 12;

export interface FeetAndInches {
  readonly feet: number;
  readonly inches: number;
}

/** To the nearest whole inch; 12 inches carry into a foot. */
export function toFeetAndInches(lengthM: number): FeetAndInches {
  const totalInches = Math.round(lengthM / INCH_M);
  return { feet: Math.floor(totalInches / 12), inches: totalInches % 12 };
}

export function fromFeetAndInches({ feet, inches }: FeetAndInches): number {
  return feet * FOOT_M + inches * INCH_M;
}

/** What a family measures out with: a child's step, a sheet of paper, a towel, and into how many parts it is halved or folded. */
export interface Pace {
  readonly lengthM: number;
  readonly one: string;
  readonly many: string;
  /** The message that says one or several. */
  readonly counted: string;
  readonly parts: 2 | 4;
}

export const stepPace = (stepM: number): Pace => ({
  lengthM: stepM,
  one: 'step',
  many: 'steps',
  counted: /*i18n*/ '{n, plural, one {step} other {steps}}',
  parts: 2,
});

/** The long side of A4 (ISO 216: 297 mm), the sheets laid end to end. */
export const SHEET_PACE: Pace = {
  lengthM: 0.297,
  one: 'sheet of paper',
  many: 'sheets of paper',
  counted: /*i18n*/ '{n, plural, one {sheet of paper} other {sheets of paper}}',
  parts: 2,
};

/** A bath towel, lengthways. Assumed: 1.3 m. */
export const TOWEL_PACE: Pace = { lengthM: 1.3, one: 'towel', many: 'towels', counted: /*i18n*/ '{n, plural, one {towel} other {towels}}', parts: 4 };

const FRACTIONS: Readonly<Record<number, string>> = { 0: '', 0.25: '¼', 0.5: '½', 0.75: '¾' };

/** A length in whole parts of a pace, at least one, and what that comes to. */
export function toParts(lengthM: number, pace: Pace, words = english): PacedParts {
  const parts = Math.max(1, Math.round((pace.parts * lengthM) / pace.lengthM));
  const paces = parts / pace.parts;
  const figure = `${Math.floor(paces) === 0 ? '' : Math.floor(paces)}${FRACTIONS[paces % 1]!}`;
  return { parts, lengthM: paces * pace.lengthM, figure, words: `${figure} ${words.own(pace.counted, { n: paces <= 1 ? 1 : paces })}` };
}

export interface PacedParts {
  readonly parts: number;
  readonly lengthM: number;
  /** "3½" */
  readonly figure: string;
  /** "3½ steps" */
  readonly words: string;
}

/** "2.4 m", to the nearest 10 cm, with one decimal always. */
export function sayMetres(lengthM: number, words: Words = english): string {
  return `${words.figure(lengthM, 1)} m`;
}

/** Nearest multiple of 10 cm, the grid of the chart table. */
export function snapToDecimetre(lengthM: number): number {
  return Math.round(lengthM * 10) / 10;
}
