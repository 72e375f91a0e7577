import { describe, expect, it } from 'vitest';
import { aimWords } from './aim-words';
import { parRestsWords, skillWords } from './skill-words';

describe('how steady somebody is, in words', () => {
  it('calls nobody steadier or wilder than the interval bears out', () => {
    expect(skillWords({ skill: 0.87, low: 0.8, high: 0.95, attempts: 412 }, 10)).toBe(
      'steadier than is assumed at 10: errors about 0.87 as large (0.80 to 0.95, four times in five), from 412 tries',
    );
    expect(skillWords({ skill: 0.95, low: 0.85, high: 1.05, attempts: 93 }, 10)).toMatch(/^about as steady as is assumed at 10/);
    expect(skillWords({ skill: 1.3, low: 1.1, high: 1.5, attempts: 60 }, 6)).toMatch(/^less steady than is assumed at 6/);
    expect(skillWords({ skill: 1, low: 0.7, high: 1.4, attempts: 1 }, 6)).toMatch(/from 1 try$/);
    expect(skillWords({ skill: 1, low: 0.7, high: 1.4, attempts: 0 }, 6)).toBe('as is assumed at 6: nothing that tells of it has been reported');
  });
  it('says what par will rest on', () => {
    expect(parRestsWords({ attempts: 412 })).toBe('Par rests on about 412 tries that this class has reported.');
    for (const few of [undefined, { attempts: 35 }]) expect(parRestsWords(few)).toMatch(/^Par is what is assumed for the age/);
  });
  it('names what was aimed at, with form and hand where they are not the usual', () => {
    const aim = { technique: 'underarm', implement: 'sock-ball', target: 'bucket', form: 'standing', otherHand: false, ageYears: 8 } as const;
    expect(aimWords(aim)).toBe('underarm, sock ball at a bucket');
    expect(aimWords({ ...aim, technique: 'roll', form: 'seated', otherHand: true })).toBe('rolled, sock ball at a bucket, seated, other hand');
  });
});
