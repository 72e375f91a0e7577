/** The list of the school's own system: what it would change, and what is to be changed. Names are cut before they are sent. */
import Joi from 'joi';
import { childNameFields, MOST_IN_A_CLASS } from './child-settings';
import { count, list, record, textField, uuid } from './fields';
import type { Uuid } from './ids';
import { ageYears } from './school-class';

export interface ClassOfRoster {
  readonly key: string;
  readonly name: string;
  readonly ageYears: number;
  readonly children: readonly { readonly key: string; readonly firstName: string; readonly initial: string }[];
}

export interface RosterToTake {
  readonly classes: readonly ClassOfRoster[];
  /** False to be told what would happen, and nothing else. */
  readonly apply: boolean;
  /** Children who are not in the list and leave the school; the others stay where they are. */
  readonly leavers: readonly Uuid[];
}

const key = Joi.string().min(1).max(255);
const MOST_CLASSES = 60;

export const rosterToTakeSchema = Joi.object<RosterToTake>({
  classes: Joi.array()
    .items(
      Joi.object({
        key: key.required(),
        name: Joi.string().trim().min(1).max(60).required(),
        ageYears: ageYears.required(),
        children: Joi.array()
          .items(Joi.object({ key: key.required(), ...childNameFields }))
          .unique('key')
          .min(1)
          .max(MOST_IN_A_CLASS)
          .required(),
      }),
    )
    .unique('key')
    .min(1)
    .max(MOST_CLASSES)
    .required(),
  apply: Joi.boolean().required(),
  leavers: Joi.array().items(Joi.string().guid()).max(3000).required(),
});

export interface RosterChanges {
  readonly newClasses: readonly string[];
  readonly added: number;
  readonly moved: readonly { readonly name: string; readonly from: string; readonly to: string }[];
  readonly renamed: number;
  readonly stay: number;
  /** Who is in no class of the list any more, though once in one: asked about, never taken out by itself. */
  readonly missing: readonly { readonly id: Uuid; readonly name: string; readonly className: string }[];
  readonly left: number;
}

export const rosterChangesSchema = record<RosterChanges>({
  newClasses: list(textField),
  added: count,
  moved: list(record({ name: textField, from: textField, to: textField })),
  renamed: count,
  stay: count,
  missing: list(record({ id: uuid, name: textField, className: textField })),
  left: count,
});
