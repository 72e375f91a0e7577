import { describe, expect, it } from 'vitest';
import { hasCredit, missingWords } from './credit';
import { eventTotal, totalWords, type GameOfEvent } from './event-total';

describe('credit for a week', () => {
  const [none, report, log, both] = [
    { reported: false, signed: false },
    { reported: true, signed: false },
    { reported: false, signed: true },
    { reported: true, signed: true },
  ];
  it('is given for a report or a signed log', () => {
    expect([none, report, log, both].map((part) => hasCredit(part, 'either'))).toEqual([false, true, true, true]);
  });
  it('is given only for both where the teacher asks for both, and says which of them is missing', () => {
    expect([none, report, log, both].map((part) => hasCredit(part, 'both'))).toEqual([false, false, false, true]);
    expect([none, report, log, both].map((part) => missingWords(part, 'both'))).toEqual([
      'nothing yet',
      'the log is not signed yet',
      'no report yet',
      '',
    ]);
  });
});

describe('the total of an event', () => {
  const points = (best: number | null, par: number | null = 10): GameOfEvent => ({ unit: 'points', better: 'high', best, par });
  const seconds = (best: number | null, par: number | null = 30): GameOfEvent => ({ unit: 's', better: 'low', best, par });
  it('adds points to points, and counts the games in which par was reached', () => {
    expect(totalWords(eventTotal([points(12), points(8), points(null)]))).toBe('2 of 3 games, par in 1; 20 points in all');
    expect(totalWords(eventTotal([points(1, null)]))).toBe('1 of 1 games; 1 point in all');
  });
  it('does not add points to seconds, nor seconds to seconds; less time reaches par', () => {
    expect(eventTotal([points(12), seconds(25), seconds(31)])).toMatchObject({ played: 3, reachedPar: 2, withPar: 3, sum: null });
    expect(eventTotal([seconds(25), seconds(28)]).sum).toBeNull();
  });
  it('says nothing of a child that played none', () => {
    expect(totalWords(eventTotal([points(null), seconds(null)]))).toBe('');
  });
});
