/** A class, and the start of a school year with the new names of its classes. */
import Joi from 'joi';

/** Children of the youngest class are about four, of the oldest about twelve. */
export const ageYears = Joi.number().integer().min(4).max(12);
const name = Joi.string().trim().min(1).max(60);

export interface NewClass {
  readonly name: string;
  readonly ageYears: number;
}

export const newClassSchema = Joi.object<NewClass>({ name: name.required(), ageYears: ageYears.required() });

export interface SchoolYearStart {
  /** By the id of the class as it is called now. */
  readonly names: Readonly<Record<string, string>>;
}

export const schoolYearSchema = Joi.object<SchoolYearStart>({
  names: Joi.object()
    .pattern(/^[0-9a-f-]{36}$/, name)
    .required(),
});
