/**
 * Where a school stands in the database: every table with something of it, and by which condition its rows are found. In an order in which they can
 * be deleted. A test looks for a table that was forgotten.
 */
export interface SchoolTable {
  readonly name: string;
  /** Its one value is the school. */
  readonly where: string;
}

const CHILDREN = '(SELECT id FROM children WHERE school_id = ?)';
const CLASSES = '(SELECT id FROM classes WHERE school_id = ?)';
const WEEKS = `(SELECT id FROM weeks WHERE class_id IN ${CLASSES})`;
const REPORTS = `(SELECT r.id FROM reports r JOIN assignments a ON a.id = r.assignment_id JOIN children c ON c.id = a.child_id WHERE c.school_id = ?)`;
const ASSIGNMENTS = `(SELECT id FROM assignments WHERE child_id IN ${CHILDREN})`;
/** People of this school and of no other. */
const ONLY_HERE = `(SELECT m.teacher_id FROM memberships m WHERE m.school_id = ?
   AND NOT EXISTS (SELECT 1 FROM memberships o WHERE o.teacher_id = m.teacher_id AND o.school_id <> m.school_id))`;

const of = (where: string, ...names: readonly string[]): SchoolTable[] => names.map((name) => ({ name, where }));

export const SCHOOL_TABLES: readonly SchoolTable[] = [
  ...of(`teacher_id IN ${ONLY_HERE}`, 'recovery_codes'),
  ...of('school_id = ?', 'people_links', 'audit', 'incoming'),
  ...of(`report_id IN ${REPORTS}`, 'decisions', 'verdicts', 'plays'),
  ...of('school_id = ?', 'outbox'),
  ...of(`assignment_id IN ${ASSIGNMENTS}`, 'reports'),
  ...of('school_id = ?', 'batches'),
  ...of(`child_id IN ${CHILDREN}`, 'access_keys', 'short_codes', 'child_days'),
  ...of(`assignment_id IN ${ASSIGNMENTS}`, 'look_marks'),
  ...of(`child_id IN ${CHILDREN}`, 'diary_entries', 'inventions', 'child_notes', 'class_test_hits'),
  ...of(`class_id IN ${CLASSES}`, 'class_tests'),
  ...of(`child_id IN ${CHILDREN}`, 'assignments'),
  ...of(`week_item_id IN (SELECT id FROM week_items WHERE week_id IN ${WEEKS})`, 'home_forms'),
  ...of(`week_id IN ${WEEKS}`, 'week_items'),
  ...of(`class_id IN ${CLASSES}`, 'weeks'),
  ...of('game_id IN (SELECT id FROM games WHERE school_id = ?)', 'game_versions', 'game_evidence'),
  ...of('school_id = ?', 'games'),
  ...of(`child_id IN ${CHILDREN}`, 'child_settings', 'enrolments'),
  ...of('school_id = ?', 'children'),
  ...of(`class_id IN ${CLASSES}`, 'class_fits'),
  ...of('school_id = ?', 'loans', 'school_things'),
  ...of('school_id = ?', 'classes', 'terms', 'school_years', 'sessions', 'deeds', 'school_keys', 'term_plans'),
  // Whoever is of another school too stays there: found before the memberships go.
  ...of(`id IN ${ONLY_HERE}`, 'teachers'),
  ...of('school_id = ?', 'memberships'),
  ...of('id = ?', 'schools'),
];

/** By which condition the rows of a school are found in a table of the list. */
export const whereOf = (table: string): string => SCHOOL_TABLES.find(({ name }) => name === table)!.where;

/** What is of the server and of no school. */
export const SERVER_TABLES = [
  'instance',
  'migrations',
  'migrations_begun',
  'migration_lease',
  'rate_limits',
  'commits',
  'leases',
  'erasures',
] as const;
