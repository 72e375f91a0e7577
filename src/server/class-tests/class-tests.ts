/** Class tests: what is shown of them, and what is written down. */
import type { ClassTestSheet, ListedTest, TestHits, TestsOfClass } from '@/contract/class-test';
import type { Uuid } from '@/contract/ids';
import { MODEL_VERSION } from '@/core/forecast/chances';
import { evidenceOfTest, testMarks } from '@/core/progress/class-test';
import type { ObservedHits } from '@/core/progress/fit';
import { TRIES_A_MARK, type TestedFamily } from '@/core/progress/tested';
import { cache } from '../caches';
import { childrenOf } from '../db/children';
import { classById } from '../db/classes';
import { holdTest, keepTestHits, testHitsOfClass, testOfSchool, testsOfClass, type KeptHits, type KeptTest } from '../db/class-tests';
import { transact } from '../db/pool';
import { notFound, refuse } from '../http/answer';
import { schoolDay } from '../school-day';
import { weekNumber } from '../progress/week-number';

const listed = ({ id, family, marksM, rolled, at, tries }: KeptTest, timeZone: string): ListedTest => ({
  id,
  family,
  marksM,
  rolled,
  heldOn: schoolDay(at, timeZone),
  tries,
});

const marks = cache<readonly number[]>('marks of class tests', 60);

/** The marks of a movement for an age: a search that comes to the same every time. */
export function marksFor(family: TestedFamily, ageYears: number): readonly number[] {
  const key = `${MODEL_VERSION} ${family} ${ageYears}`;
  const known = marks.get(key) ?? testMarks(family, ageYears);
  marks.set(key, known);
  return known;
}

export async function testsListed(classId: Uuid, ageYears: number, timeZone: string): Promise<TestsOfClass> {
  return {
    tests: (await testsOfClass(classId)).map((test) => listed(test, timeZone)),
    marks: { throw: marksFor('throw', ageYears), roll: marksFor('roll', ageYears), kick: marksFor('kick', ageYears) },
  };
}

interface Asker {
  readonly schoolId: Uuid;
  readonly timeZone: string;
}

/** One test with every child of its class as it is today, and those who have left it and were tested. */
export async function testSheet({ schoolId, timeZone }: Asker, testId: Uuid, now: Date): Promise<ClassTestSheet> {
  const test = await testOfSchool(schoolId, testId);
  const today = schoolDay(now, timeZone);
  const of = test && (await classById(schoolId, test.classId, today));
  if (!test || !of) throw notFound('class test');
  const [children, hits] = await Promise.all([childrenOf(of.id, today), testHitsOfClass(of.id)]);
  const mine = hits.filter((one) => one.testId === test.id);
  return {
    ...listed(test, timeZone),
    classId: of.id,
    className: of.name,
    children: children.map((child) => ({
      id: child.id,
      name: `${child.firstName} ${child.initial}`.trim(),
      hits: test.marksM.map((_, mark) => mine.find((one) => one.childId === child.id && one.mark === mark)?.hits ?? null),
    })),
  };
}

/** Writes down what one child hit from one mark; said twice it is the same. */
export async function writeTestHits({ schoolId, timeZone }: Asker, testId: Uuid, { childId, mark, hits }: TestHits, now: Date): Promise<void> {
  const test = await testOfSchool(schoolId, testId);
  if (!test) throw notFound('class test');
  if (test.marksM[mark] === undefined) throw refuse(400, '/mark', 'This test has no such mark.', 'Open the test again.');
  const today = schoolDay(now, timeZone);
  const [of, children] = await Promise.all([classById(schoolId, test.classId, today), childrenOf(test.classId, today)]);
  const child = children.find(({ id }) => id === childId);
  if (!of || !child) throw refuse(400, '/childId', 'This child is not in the class that was tested.', 'Open the test again.');
  await transact(async (db) => {
    if (!(await holdTest(db, testId, 'read'))) throw notFound('class test');
    await keepTestHits(db, { testId, childId, mark, tries: TRIES_A_MARK, hits, ageYears: child.ageYears ?? of.ageYears }, now);
  });
}

/** What tells one state of the tests of a class from another, and what they tell of its skill, worked out when it is asked for. */
export async function evidenceOfTests(classId: Uuid): Promise<{ readonly observed: () => readonly ObservedHits[]; readonly state: unknown }> {
  const [tests, hits] = await Promise.all([testsOfClass(classId), testHitsOfClass(classId)]);
  const ofTest = (test: KeptTest): readonly KeptHits[] => hits.filter(({ testId }) => testId === test.id);
  return {
    observed: () =>
      tests.flatMap((test) =>
        evidenceOfTest({
          family: test.family,
          marksM: test.marksM,
          week: weekNumber(test.at),
          rolled: test.rolled,
          tries: ofTest(test).map(({ childId, ageYears, mark, tries, hits: n }) => ({ child: childId, ageYears, mark, tries, hits: n })),
        }),
      ),
    state: tests.map((test) => [
      test.id,
      test.marksM,
      test.rolled,
      ofTest(test).map(({ childId, mark, hits: n, ageYears }) => [childId, mark, n, ageYears]),
    ]),
  };
}
