/** A class test: what is asked for, and what is shown of it. */
import Joi from 'joi';
import type { RolledOff } from '@/core/motion/ground';
import { TESTED_FAMILIES, TRIES_A_MARK, type TestedFamily } from '@/core/progress/tested';
import type { Uuid } from './ids';
import { count, list, madeId, oneOf, record, textField, uuid } from './fields';

/** Of one class, the newest first. */
export interface ListedTest {
  readonly id: Uuid;
  readonly family: TestedFamily;
  readonly marksM: readonly number[];
  /** How far a ball rolled off a book there; null where nobody tried. */
  readonly rolled: RolledOff | null;
  readonly heldOn: string;
  readonly tries: number;
}

export interface ClassTestSheet extends ListedTest {
  readonly classId: Uuid;
  readonly className: string;
  /** Of each child the hits from each mark; null where nothing was written yet. */
  readonly children: readonly { readonly id: Uuid; readonly name: string; readonly hits: readonly (number | null)[] }[];
}

export interface TestsOfClass {
  readonly tests: readonly ListedTest[];
  /** Where the marks of each movement would lie for this class, metres. */
  readonly marks: Readonly<Record<TestedFamily, readonly number[]>>;
}

const listed = {
  id: uuid,
  family: oneOf(...TESTED_FAMILIES),
  marksM: list(Joi.number()),
  rolled: record({ heightM: Joi.number(), lengthM: Joi.number() }).allow(null),
  heldOn: textField,
  tries: count,
};
export const testsOfClassSchema = record<TestsOfClass>({
  tests: list(record(listed)),
  marks: Joi.object().pattern(Joi.string(), list(Joi.number())),
});
export const classTestSchema = record<ClassTestSheet>({
  ...listed,
  classId: uuid,
  className: textField,
  children: list(record({ id: uuid, name: textField, hits: list(count.allow(null)) })),
});

export interface TestToStart {
  readonly family: TestedFamily;
  readonly rolled: RolledOff | null;
}

/** A book is 5 mm to half a metre high, a ball rolls 10 cm to 30 m. */
export const testToStartSchema = Joi.object<TestToStart>({
  family: Joi.string()
    .valid(...TESTED_FAMILIES)
    .required(),
  rolled: Joi.object({ heightM: Joi.number().min(0.005).max(0.5).required(), lengthM: Joi.number().min(0.1).max(30).required() })
    .allow(null)
    .required(),
});

export interface TestHits {
  readonly childId: Uuid;
  readonly mark: number;
  /** Null takes it back. */
  readonly hits: number | null;
}

export const testHitsSchema = Joi.object<TestHits>({
  childId: madeId.required(),
  mark: Joi.number().integer().min(0).max(1).required(),
  hits: Joi.number().integer().min(0).max(TRIES_A_MARK).allow(null).required(),
});

export const testPaperSchema = Joi.object<{ readonly size: 'A4' | 'LETTER' }>({ size: Joi.string().valid('A4', 'LETTER').required() });
