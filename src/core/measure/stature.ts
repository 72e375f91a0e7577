/**
 * How tall a child of an age is, and how long that child's steps are.
 *
 * Heights: WHO Child Growth Standards 2006 (4 and 5 years; girls' figures from memory) and WHO Growth Reference 2007
 * (6 to 12 years), medians in centimetres.
 */
const YOUNGEST_AGE = 4;
const OLDEST_CHILD_AGE = 12;

const MEDIAN_HEIGHT_CM: ReadonlyArray<{ age: number; boys: number; girls: number }> = [
  { age: 4, boys: 103.3, girls: 102.7 },
  { age: 5, boys: 110.0, girls: 109.4 },
  { age: 6, boys: 116.0, girls: 115.1 },
  { age: 7, boys: 121.7, girls: 120.8 },
  { age: 8, boys: 127.3, girls: 126.6 },
  { age: 9, boys: 132.6, girls: 132.5 },
  { age: 10, boys: 137.8, girls: 138.6 },
  { age: 11, boys: 143.1, girls: 145.0 },
  { age: 12, boys: 149.1, girls: 151.2 },
];

/** A walking step as a share of standing height (pedometry's usual ratio, from memory). */
const STEP_PER_STATURE = 0.41;

/** Median height in metres of children of this age (mean of boys and girls); ages outside 4–12 take the nearest end. */
export function statureM(ageYears: number): number {
  const age = Math.min(OLDEST_CHILD_AGE, Math.max(YOUNGEST_AGE, ageYears));
  const lower = MEDIAN_HEIGHT_CM[Math.floor(age) - YOUNGEST_AGE]!;
  const upper = MEDIAN_HEIGHT_CM[Math.min(Math.ceil(age), OLDEST_CHILD_AGE) - YOUNGEST_AGE]!;
  const share = age - lower.age;
  const lowerCm = (lower.boys + lower.girls) / 2;
  const upperCm = (upper.boys + upper.girls) / 2;
  return (lowerCm + share * (upperCm - lowerCm)) / 100;
}

/** Length in metres of one ordinary walking step of a child of this age. */
export function stepLengthM(ageYears: number): number {
  return STEP_PER_STATURE * statureM(ageYears);
}
