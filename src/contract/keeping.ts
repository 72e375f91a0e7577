/** How long a school keeps what, and what will go when. */
import Joi from 'joi';
import type { Uuid } from './ids';

export interface KeepingRules {
  /** Single tries and messages that were settled: until the end of so many school years after their own. */
  readonly rawYears: number;
  /** Messages that nobody settled, days. */
  readonly waitingDays: number;
  /** All of a child who left: until the end of so many school years after the one in which it left. */
  readonly leaverYears: number;
  /** Sessions that are over, links and codes that were used or ended, days. */
  readonly sessionDays: number;
  /** Who did what. */
  readonly auditYears: number;
}

export const keepingRulesSchema = Joi.object<KeepingRules>({
  rawYears: Joi.number().integer().min(0).max(5).required(),
  waitingDays: Joi.number().integer().min(14).max(365).required(),
  leaverYears: Joi.number().integer().min(0).max(5).required(),
  sessionDays: Joi.number().integer().min(1).max(365).required(),
  auditYears: Joi.number().integer().min(1).max(10).required(),
});

/** What goes by a rule of its own. */
export const KEPT_KINDS = ['raw', 'waiting', 'leavers', 'sessions', 'audit'] as const;
export type KeptKind = (typeof KEPT_KINDS)[number];

/** Of one kind: how many there are, and how many go on the day on which the next go. */
export interface KeptNow {
  readonly kind: KeptKind;
  readonly there: number;
  readonly next: { readonly on: string; readonly count: number } | null;
}

export interface LeaverGoes {
  readonly id: Uuid;
  readonly name: string;
  readonly leftOn: string;
  readonly goesOn: string;
}

export interface KeepingStanding {
  readonly rules: KeepingRules;
  readonly kept: readonly KeptNow[];
  /** Children who left, the next to go first. */
  readonly leavers: readonly LeaverGoes[];
  /** When the rules were last applied, ISO 8601; null for never. */
  readonly appliedAt: string | null;
}

/** How many of each kind went. */
export type Gone = Readonly<Record<KeptKind, number>>;

/** The name as it stands, and the password of who asks. */
export const schoolDeletedSchema = Joi.object<{ name: string; current: string }>({
  name: Joi.string().trim().min(1).max(120).required(),
  current: Joi.string().max(200).required(),
});
