/** What this version changes of the database that the version before does not know, undone: the rolling upgrade is drilled from there. */
import type { Undone } from './drill';

export const UNDONE: Undone = {
  names: [
    '0091-game-evidence.sql',
    '0090-loans.sql',
    '0089-school-things.sql',
    '0088-roster-keys-of-classes.sql',
    '0087-roster-keys.sql',
    '0086-term-plans.sql',
  ],
  statements: [
    'DROP TABLE game_evidence',
    'DROP TABLE loans',
    'DROP TABLE school_things',
    'ALTER TABLE classes DROP KEY classes_roster, DROP COLUMN roster_key',
    'ALTER TABLE children DROP KEY children_roster, DROP COLUMN roster_key',
    'DROP TABLE term_plans',
  ],
};
