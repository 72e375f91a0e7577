import { describe, expect, it } from 'vitest';
import { FOOT_M, fromFeetAndInches, sayMetres, snapToDecimetre, stepPace, toFeetAndInches, toParts } from './lengths';
import { statureM, stepLengthM } from './stature';

describe('lengths as people say them', () => {
  it('takes a foot as exactly 0.3048 m (international yard and pound agreement, 1959)', () => {
    expect(FOOT_M).toBe(0.3048);
    expect(fromFeetAndInches({ feet: 10, inches: 0 })).toBeCloseTo(3.048, 10);
  });
  it('writes five foot eleven and a half as six foot', () => {
    expect(toFeetAndInches(5 * FOOT_M + 11.6 * (FOOT_M / 12))).toEqual({ feet: 6, inches: 0 });
  });
  it('rounds a distance to what a child can pace: half steps', () => {
    expect(toParts(1.9, stepPace(0.52))).toEqual({ parts: 7, lengthM: 1.82, figure: '3½', words: '3½ steps' });
    expect(toParts(0.52, stepPace(0.52)).words).toBe('1 step');
    expect(toParts(0.26, stepPace(0.52)).words).toBe('½ step');
  });
  it('never asks for less than half a step', () => {
    expect(toParts(0.01, stepPace(0.5)).parts).toBe(1);
  });
  it('says metres with one decimal and snaps to 10 cm', () => {
    expect(sayMetres(2)).toBe('2.0 m');
    expect(snapToDecimetre(1.2499)).toBe(1.2);
  });
});

describe('how tall a child is', () => {
  it('follows the medians of the WHO Growth Reference 2007 and Child Growth Standards 2006', () => {
    expect(statureM(8)).toBeCloseTo((1.273 + 1.266) / 2, 6);
    expect(statureM(4)).toBeCloseTo((1.033 + 1.027) / 2, 6);
    expect(statureM(12)).toBeCloseTo((1.491 + 1.512) / 2, 6);
  });
  it('goes between the years and stays at the ends', () => {
    expect(statureM(6.5)).toBeGreaterThan(statureM(6));
    expect(statureM(3)).toBe(statureM(4));
    expect(statureM(15)).toBe(statureM(12));
  });
  it('gives an eight-year-old a step of about half a metre', () => {
    expect(stepLengthM(8)).toBeCloseTo(0.52, 2);
  });
});
