import { describe, expect, it } from 'vitest';
import { starter } from '../../../tests/examples/starters';
import { curveOf, type AimedTry, type Tries } from './evidence';
import { toldBy } from '../motion/release';
import { resolveLevel } from '../rules/format/level';
import { forecastSetUp } from '../forecast/forecast-level';
import { whereFrom } from '../forecast/where-from';
import { restsOnWords } from '../forecast/words';
import { fitByOthers, measuredRows, type MeasuredGo } from './measured';
import { parRestsWords } from './skill-words';

const AIM: AimedTry = { technique: 'underarm', implement: 'sock-ball', target: 'bucket', form: 'standing', otherHand: false, ageYears: 8 };
const tries = (distanceM: number, n: number, hits: number, aim: AimedTry = AIM): Tries => ({
  aim,
  distanceM,
  tries: n,
  hits,
  family: 'throw',
  ...curveOf(() => 0.5),
});
const go = (child: number, of: readonly Tries[], week = 1): MeasuredGo => ({ child: `c${child}`, week, level: 'level-1', tries: of });
const class_ = (n: number, of: readonly Tries[], week = 1) => Array.from({ length: n }, (_, child) => go(child, of, week));

describe('what was measured', () => {
  it('is told in sums of at least ten children and sixty tries; smaller rows are not', () => {
    expect(measuredRows(class_(10, [tries(1.62, 6, 4), tries(2.4, 5, 1)]))).toEqual([
      { level: 'level-1', distanceM: 1.6, object: 'bucket', implement: 'sock-ball', ageYears: 8, children: 10, tries: 60, hits: 40, weeks: 1 },
    ]);
    expect(measuredRows(class_(9, [tries(1.6, 20, 10)]))).toEqual([]);
    // Ten goes of one child are one child.
    expect(measuredRows(Array.from({ length: 10 }, () => go(1, [tries(1.6, 10, 5)])))).toEqual([]);
  });

  it('counts weeks, keeps ages apart, and leaves out other forms of the body and the other hand', () => {
    const older = { ...AIM, ageYears: 10 };
    const rows = measuredRows([
      ...class_(12, [tries(1.6, 6, 3)]),
      ...class_(12, [tries(1.6, 6, 3)], 2),
      ...class_(11, [tries(1.6, 6, 5, older)]),
      ...class_(20, [tries(1.6, 6, 5, { ...AIM, form: 'seated' }), tries(1.6, 6, 5, { ...AIM, otherHand: true })]),
    ]);
    expect(rows.map(({ ageYears, tries: n, weeks }) => [ageYears, n, weeks])).toEqual([
      [8, 144, 2],
      [10, 66, 1],
    ]);
  });
});

describe('what others measured', () => {
  const told = (chance: number, tries: number, hits: number) => toldBy(fitByOthers([{ chance, tries, hits }])!, chance);

  it('is weighed in beside the model, and less than what is one’s own: it moves the chance their way and not all of it', () => {
    expect(fitByOthers([])).toBeNull();
    expect(told(0.5, 60, 48)).toBeGreaterThan(0.55);
    expect(told(0.5, 60, 48)).toBeLessThan(told(0.5, 6000, 4800));
    expect(told(0.5, 6000, 4800)).toBeLessThan(0.8);
    expect(told(0.5, 600, 300)).toBeCloseTo(0.5, 6);
    // Millions of others are no more this class than thousands are.
    expect(told(0.5, 6_000_000, 4_800_000)).toBeCloseTo(told(0.5, 6000, 4800), 6);
    expect(told(0.3, 9_000_000, 9_000_000)).toBeLessThan(0.99);
  });

  it('stands for the fit of a class that has not reported enough: as its age, no surer of the class, with their tries named', () => {
    const others = fitByOthers([
      { chance: 0.5, tries: 92, hits: 71 },
      { chance: 0.3, tries: 60, hits: 30 },
    ])!;
    const level = resolveLevel(starter('harbour-lamps'), 1);
    const [age, weighed] = [undefined, others].map((fitted) => forecastSetUp(level, { ageYears: 8, plays: 400, seed: 1, ...(fitted && { fitted }) }));
    expect(weighed!.chance!.chance).toBeGreaterThan(age!.chance!.chance + 0.05);
    expect(weighed!.par).toBeGreaterThanOrEqual(age!.par);
    expect(weighed!.restsOn).toBe(0);
    expect(restsOnWords(weighed!)).toBe('assumed for this age, with 152 tries of others');
    expect(parRestsWords(undefined, others.others)).toContain('(101 of 152 hit) weighed in by a third');
    // A class that has reported enough is told by its own.
    expect(parRestsWords({ attempts: 40 }, others.others)).toBe(parRestsWords({ attempts: 40 }));
    const lines = whereFrom(level, 8, others).filter(({ what }) => /others|This class/.test(what));
    expect(lines.map(({ value }) => value)).toEqual([expect.stringMatching(/^101 of 152 tries hit: log odds times \d\.\d\d, plus 0\.\d\d$/)]);
  });
});
