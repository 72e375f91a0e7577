import { describe, expect, it } from 'vitest';
import { decisionSchema, meantBy } from './waiting-model';
import { mayBe, WEEK } from '../../../tests/examples/may-be';

const meant = (child: string, more: { weekId?: string; levelId?: string } = {}, read?: string) =>
  meantBy({ levelId: read ?? null } as never, mayBe, { child, weekId: WEEK, levelId: '', ...more });

describe('whose a score is', () => {
  it('goes by the first letters of a name, in any case', () => {
    expect(meant('isl').meant?.id).toBe('isla');
    expect(meant('IV').meant?.id).toBe('ivor');
    expect(meant(' ').meant).toBeUndefined();
    expect(meant('Mor').meant).toBeUndefined();
  });

  it('is nobody’s who was not sent anything that week', () => {
    expect(meant('ivor').asked).toBeUndefined();
    expect(meant('isla', { weekId: 'another' }).asked).toBeUndefined();
    expect(meant('isla').asked).toEqual({ assignmentId: 'a-1', levelId: 'level-2' });
  });

  it('counts at the level that was chosen, else the one that was read, else the one that was sent', () => {
    expect(meant('isla').levelId).toBe('level-2');
    expect(meant('isla', {}, 'level-1').levelId).toBe('level-1');
    expect(meant('isla', { levelId: 'level-2' }, 'level-1').levelId).toBe('level-2');
    expect(meant('isla', {}, 'of another game').levelId).toBe('level-2');
    expect(meant('').levelId).toBe('level-1');
  });

  it('says what is missing at its place', () => {
    const { error } = decisionSchema.validate({ child: '', weekId: WEEK, levelId: '', total: 'many' }, { abortEarly: false });
    expect(error?.details.map(({ path }) => path[0])).toEqual(['child', 'total']);
  });
});
