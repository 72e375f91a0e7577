/** Lengths as people say them. Inside everything is metres; these convert at the edge. */

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

/** What a child can pace out: the nearest half step, never less than half a step, and the length that this makes. */
export interface PacedLength {
  readonly halfSteps: number;
  readonly lengthM: number;
}

export function toHalfSteps(lengthM: number, stepM: number): PacedLength {
  const halfSteps = Math.max(1, Math.round((2 * lengthM) / stepM));
  return { halfSteps, lengthM: (halfSteps * stepM) / 2 };
}

/** "3½", "4", "½": the number of steps as a child's page writes it. */
export function writeHalfSteps(halfSteps: number): string {
  const whole = Math.floor(halfSteps / 2);
  const half = halfSteps % 2 === 1 ? '½' : '';
  return whole === 0 ? half || '0' : `${whole}${half}`;
}

/** "3½ steps", "1 step". */
export function saySteps(halfSteps: number): string {
  return `${writeHalfSteps(halfSteps)} ${halfSteps <= 2 ? 'step' : 'steps'}`;
}

/** "2.4 m", to the nearest 10 cm, with one decimal always. */
export function sayMetres(lengthM: number): string {
  return `${lengthM.toFixed(1)} m`;
}

/** Nearest multiple of 10 cm, the grid of the chart table. */
export function snapToDecimetre(lengthM: number): number {
  return Math.round(lengthM * 10) / 10;
}
