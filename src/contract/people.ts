/** People of a school: who they are, their one-time links, what each may change about itself. */
import Joi from 'joi';
import { uuid } from './fields';
import type { Uuid } from './ids';

/** Lead: people, keeping, backups, and all that a teacher may. */
export type PersonRole = 'lead' | 'teacher' | 'helper';
export const PERSON_ROLES = ['lead', 'teacher', 'helper'] as const;

export interface Person {
  readonly id: Uuid;
  readonly name: string;
  readonly email: string;
  readonly role: PersonRole;
  /** Left: signs in no more, the work stays. */
  readonly closed: boolean;
  readonly secondFactor: boolean;
  /** ISO 8601; null for never. */
  readonly seenAt: string | null;
}

/** A link that was made and not used yet. */
export interface OpenLink {
  readonly id: Uuid;
  readonly name: string;
  readonly email: string;
  readonly role: PersonRole;
  /** An account that is there already gets a new password by it. */
  readonly reset: boolean;
  readonly endsAt: string;
}

export interface SignInRules {
  /** Without a sign of life for so long a session is over, minutes; whatever happens after so many hours. */
  readonly idleMinutes: number;
  readonly longestHours: number;
  /** Everybody has a second factor, or may do nothing but set it up. */
  readonly secondFactorAsked: boolean;
}

export interface People {
  readonly people: readonly Person[];
  readonly links: readonly OpenLink[];
  readonly rules: SignInRules;
}

const name = Joi.string().trim().min(1).max(80).required();
const email = Joi.string()
  .trim()
  .max(190)
  .pattern(/^[^@\s]+@[^@\s]+$/)
  .required()
  .messages({ 'string.pattern.base': 'An address has an @ and no spaces.' });
const role = Joi.string()
  .valid(...PERSON_ROLES)
  .required();

export interface Invited {
  readonly name: string;
  readonly email: string;
  readonly role: PersonRole;
}
export const invitedSchema = Joi.object<Invited>({ name, email, role });

export type PersonChange =
  { readonly change: 'role'; readonly role: PersonRole } | { readonly change: 'close' | 'reopen' | 'reset' | 'no-second-factor' };
export const personChangeSchema = Joi.alternatives<PersonChange>(
  Joi.object({ change: Joi.string().valid('role').required(), role }),
  Joi.object({ change: Joi.string().valid('close', 'reopen', 'reset', 'no-second-factor').required() }),
);

export const signInRulesSchema = Joi.object<SignInRules>({
  idleMinutes: Joi.number().integer().min(5).max(720).required(),
  longestHours: Joi.number().integer().min(1).max(24).required(),
  secondFactorAsked: Joi.boolean().required(),
});

/** The fewest characters of a password; its strength is asked beside that. */
const LEAST_PASSWORD = 12;
const newPassword = Joi.string()
  .min(LEAST_PASSWORD)
  .max(200)
  .required()
  .messages({ 'string.min': `Write ${LEAST_PASSWORD} characters or more.`, 'string.empty': `Write ${LEAST_PASSWORD} characters or more.` });

export interface Joined {
  readonly token: string;
  readonly password: string;
}
export const joinedSchema = Joi.object<Joined>({ token: Joi.string().max(60).required(), password: newPassword });

/** Who has an account at another school comes in with what opens it there. */
export interface JoinedKnown {
  readonly token: string;
  readonly password: string;
  readonly code: string;
}
export const joinedKnownSchema = Joi.object<JoinedKnown>({
  token: Joi.string().max(60).required(),
  password: Joi.string().max(200).required(),
  code: Joi.string().trim().max(20).allow('').required(),
});

export const ownSchoolSchema = Joi.object<{ school: Uuid }>({ school: uuid.required() });

export const ownNameSchema = Joi.object<{ name: string }>({ name });

export interface NewPassword {
  readonly current: string;
  readonly password: string;
}
export const newPasswordSchema = Joi.object<NewPassword>({ current: Joi.string().max(200).required(), password: newPassword });

/** A change of the second factor begins with the password. */
export const factorBegunSchema = Joi.object<{ current: string }>({ current: Joi.string().max(200).required() });
export const factorConfirmedSchema = Joi.object<{ pending: string; code: string }>({
  pending: Joi.string().max(300).required(),
  code: Joi.string().trim().min(6).max(20).required(),
});

export interface OwnSession {
  readonly id: Uuid;
  readonly browser: string;
  readonly openedAt: string;
  readonly seenAt: string;
  /** The one that asks. */
  readonly here: boolean;
}

export interface OwnSchool {
  readonly id: Uuid;
  readonly name: string;
  readonly role: PersonRole;
  /** The one that this session is in. */
  readonly here: boolean;
}

/** What somebody sees of itself. */
export interface Oneself {
  readonly name: string;
  readonly email: string;
  readonly role: PersonRole;
  readonly secondFactor: boolean;
  readonly secondFactorAsked: boolean;
  readonly recoveryCodes: number;
  readonly schools: readonly OwnSchool[];
  readonly sessions: readonly OwnSession[];
}

/** One line of who did what. */
export interface DeedDone {
  readonly id: Uuid;
  readonly at: string;
  /** Empty where the program did it, or somebody who is nobody here. */
  readonly who: string;
  readonly action: string;
  readonly subject: string | null;
  readonly detail: string;
}
