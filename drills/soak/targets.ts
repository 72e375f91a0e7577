import { gameById } from '@/server/db/games';
import { rows } from '@/server/db/pool';
import { envelopeFor, sendTo, type TestSchool } from '../../tests/server/school';
import type { Target } from './malformed';

/** Whole requests to the routes of families and teachers, to be broken. Routes whose broken bodies may still be whole take a wrong id as well. */
export async function targetsOf(school: TestSchool): Promise<{ targets: Target[]; token: string }> {
  const week = await sendTo(school);
  const child = school.childIds[0]!;
  const { total: _total, ...envelope } = await envelopeFor(await week.assignment(child), [2, 1, 0]);
  const { game } = (await gameById(school.id, school.gameId))!;
  const nowhere = '01900000-0000-7000-8000-000000000000';
  const target = (
    name: string,
    method: Target['method'],
    path: string,
    who: Target['who'],
    body: unknown,
    params: Record<string, string> = {},
  ): Target => ({ name, method, path, params, who, body });
  return {
    token: await week.token(child),
    targets: [
      target('report', 'POST', '/api/v1/home/reports', 'family', { ...envelope, assignmentId: nowhere }),
      target('diary', 'POST', '/api/v1/home/diary', 'family', {
        entries: [{ id: nowhere, weekId: nowhere, day: '2027-03-02', what: 'Walked', minutes: 20, initials: '', struck: false }],
      }),
      target('typed', 'POST', '/api/v1/scores/typed', 'teacher', { ...envelope, assignmentId: nowhere }),
      target('draft', 'PUT', `/api/v1/games/${school.gameId}`, 'teacher', { revision: 999, ageYears: 8, game }, { id: school.gameId }),
      target('action', 'POST', `/api/v1/games/${nowhere}`, 'teacher', { action: 'duplicate' }, { id: nowhere }),
      target(
        'children',
        'POST',
        `/api/v1/classes/${nowhere}/children`,
        'teacher',
        { children: [{ firstName: 'A', initial: 'B.', hand: null, ageYears: null }] },
        { id: nowhere },
      ),
      target(
        'child',
        'PATCH',
        `/api/v1/children/${nowhere}`,
        'teacher',
        { change: 'settings', settings: { ageYears: 8, hand: null, stepCm: null, form: 'standing', medium: 'screen' } },
        { id: nowhere },
      ),
      target('week', 'POST', '/api/v1/weeks', 'teacher', {
        classId: nowhere,
        games: [{ gameId: nowhere, levelId: 'level-1' }],
        dueOn: '2090-01-01',
        warmUp: '',
        diary: '',
        note: '',
      }),
    ],
  };
}

const DOMAIN = [
  'schools',
  'school_years',
  'terms',
  'teachers',
  'memberships',
  'classes',
  'children',
  'enrolments',
  'child_settings',
  'games',
  'game_versions',
  'weeks',
  'week_items',
  'home_forms',
  'assignments',
  'diary_entries',
  'outbox',
  'inventions',
  'access_keys',
  'reports',
  'plays',
  'verdicts',
  'decisions',
  'audit',
];

/** A checksum of every table that holds the school's matter. */
export async function checksums(): Promise<Readonly<Record<string, unknown>>> {
  const found: Record<string, unknown> = {};
  for (const table of DOMAIN) found[table] = (await rows<{ Checksum: unknown }>(`CHECKSUM TABLE ${table} EXTENDED`))[0]!.Checksum;
  return found;
}
