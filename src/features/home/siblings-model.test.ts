import { describe, expect, it } from 'vitest';
import { SIGNS, signsOf } from './siblings-model';

describe('children who share a device', () => {
  it('have a sign each, the same whichever card is opened first', () => {
    const signs = signsOf(['isla', 'rory', 'ailsa']);
    expect(new Set(signs).size).toBe(3);
    expect(signsOf(['ailsa', 'isla', 'rory'])).toEqual([signs[2], signs[0], signs[1]]);
  });
  it('the same child by two links has one sign', () => {
    const [card, again] = signsOf(['isla', 'isla']);
    expect(card).toBe(again);
  });
  it('share signs only when there are more children than signs', () => {
    const many = Array.from({ length: SIGNS.length + 2 }, (_, n) => `child ${n}`);
    expect(new Set(signsOf(many.slice(0, SIGNS.length))).size).toBe(SIGNS.length);
    expect(signsOf(many).every((sign) => SIGNS[sign] !== undefined)).toBe(true);
  });
});
