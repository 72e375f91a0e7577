import type { ScoreRow } from '@/contract/class-week';
import { describe, expect, it } from 'vitest';
import { isShown, orderKeyOf } from '@/features/scores/rows-in-order';

const row = (name: string, change: Partial<ScoreRow> = {}): ScoreRow => ({
  childId: name as never,
  name,
  medium: 'screen',
  assignmentId: null,
  levelName: 'Wade',
  par: 10,
  parLow: 6,
  parHigh: 14,
  state: 'counted',
  reports: 1,
  best: 10,
  otherForms: 0,
  latest: 10,
  personalBest: false,
  successes: 5,
  attempts: 10,
  reason: '',
  late: false,
  receivedAt: '2027-03-01T16:00:00.000Z',
  felt: 'right',
  typed: false,
  looksHome: null,
  looksTeacher: [],
  film: false,
  comment: '',
  credit: true,
  missing: '',
  diaryMinutes: 0,
  word: '',
  ...change,
});
const names = (rows: readonly ScoreRow[]) => rows.map(({ name }) => name);

describe('the rows of a class’s week', () => {
  const ailsa = row('Ailsa B.', { best: 12 });
  const bram = row('Bram C.', { best: null, state: 'not-yet', reports: 0, attempts: 0, felt: null, receivedAt: null, credit: false });
  const corrie = row('Corrie D.', { best: 7, state: 'to-look-at', felt: 'hard', medium: 'paper' });
  const dan = row('Dàn E.', { best: 12, felt: 'easy', personalBest: true });
  const all = [bram, dan, corrie, ailsa];
  it('are put in order by what their columns hold; what a child has nothing of is nothing', () => {
    expect(all.map((one) => orderKeyOf(one, 'state'))).toEqual([2, 1, 0, 1]);
    expect(all.map((one) => orderKeyOf(one, 'best'))).toEqual([null, 12, 7, 12]);
    expect(all.map((one) => orderKeyOf(one, 'felt'))).toEqual([null, 2, 0, 1]);
    expect(all.map((one) => orderKeyOf(one, 'hits'))).toEqual([null, 0.5, 0.5, 0.5]);
  });
  it('are narrowed to those without credit, below par, on paper, with an own best', () => {
    const shown = (which: Parameters<typeof isShown>[1], better: 'high' | 'low' = 'high') => names(all.filter((one) => isShown(one, which, better)));
    expect(shown('no-credit')).toEqual(['Bram C.']);
    expect(shown('below-par')).toEqual(['Corrie D.']);
    expect(shown('below-par', 'low')).toEqual(['Dàn E.', 'Ailsa B.']);
    expect(shown('par-reached')).toEqual(['Dàn E.', 'Ailsa B.']);
    expect(shown('paper')).toEqual(['Corrie D.']);
    expect(shown('own-best')).toEqual(['Dàn E.']);
    expect(shown('all')).toHaveLength(4);
  });
});
