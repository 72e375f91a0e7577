import { describe, expect, it } from 'vitest';
import type { Doubt, Waiting } from '@/contract/to-look-at';
import { entriesOf, weekOf, whoOf, whyOf } from './doubts-model';

const doubt = (reportId: string, more: Partial<Doubt> = {}) =>
  ({ reportId, childName: 'Isla M.', weekNumber: 3, sentences: ['It says 43, the taps come to 33.'], choice: null, decided: '', ...more }) as Doubt;
const waiting = (id: string, more: Partial<Waiting> = {}) =>
  ({ id, source: 'clipboard.csv, line 2', sentence: 'No child is called so.', settledBy: null, counted: false, ...more }) as Waiting;

describe('what is to be looked at', () => {
  it('has what is open first, reports before what is nobody’s', () => {
    const rows = entriesOf({
      doubts: [doubt('a', { choice: 'set-aside' }), doubt('b')],
      waiting: [waiting('c', { settledBy: 'Ms Tarn' }), waiting('d')],
    } as never);
    expect(rows.map(({ id, open }) => [id, open])).toEqual([
      ['b', true],
      ['d', true],
      ['a', false],
      ['c', false],
    ]);
  });

  it('says whose it is, of which week, and why it waits', () => {
    const [report, other] = entriesOf({ doubts: [doubt('a')], waiting: [waiting('b')] } as never);
    expect([whoOf(report!), weekOf(report!), whyOf(report!)]).toEqual(['Isla M.', 3, 'It says 43, the taps come to 33.']);
    expect([whoOf(other!), weekOf(other!), whyOf(other!)]).toEqual(['clipboard.csv, line 2', null, 'No child is called so.']);
  });

  it('says what was decided', () => {
    const decided = entriesOf({
      doubts: [doubt('a', { choice: 'count-worked-out', decided: 'Ms Tarn, 3 March' })],
      waiting: [waiting('b', { settledBy: 'Ms Tarn', counted: true }), waiting('c', { settledBy: 'Mr Quill' })],
    } as never);
    expect(decided.map(whyOf)).toEqual(['counted as worked out, Ms Tarn, 3 March', 'counted, Ms Tarn', 'set aside, Mr Quill']);
  });
});
