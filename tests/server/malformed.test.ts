import { beforeAll, expect, it } from 'vitest';
import { PATCH as child } from '@/app/api/v1/children/[id]/route';
import { POST as children } from '@/app/api/v1/classes/[id]/children/route';
import { POST as action, PUT as draft } from '@/app/api/v1/games/[id]/route';
import { POST as diary } from '@/app/api/v1/home/diary/route';
import { POST as report } from '@/app/api/v1/home/reports/route';
import { POST as typed } from '@/app/api/v1/scores/typed/route';
import { POST as week } from '@/app/api/v1/weeks/route';
import { malformedRequests } from '../../drills/soak/malformed';
import { checksums, targetsOf } from '../../drills/soak/targets';
import { call, makeSchool, useOwnSchema } from './school';

const ROUTES: Readonly<Record<string, Parameters<typeof call>[0]>> = { report, diary, typed, draft, action, children, child, week };

beforeAll(useOwnSchema);

it('six hundred malformed requests: a clear answer each, no failure of the server, nothing changed', async () => {
  const school = await makeSchool();
  const { targets, token } = await targetsOf(school);
  const cookie = await school.cookie('teacher');
  const before = await checksums();
  let validated = 0;
  const requests = malformedRequests(targets, 600, 20_261_124);
  for (const { target, raw } of requests) {
    const { status, answer } = await call(
      ROUTES[target.name]!,
      target.path,
      { method: target.method, raw, ...(target.who === 'family' ? { token } : { cookie }) },
      target.params,
    );
    expect(status, `${target.name} ${raw.slice(0, 200)}`).toBeGreaterThanOrEqual(400);
    expect(status, `${target.name} ${raw.slice(0, 200)}`).toBeLessThan(500);
    expect(answer.problems?.[0]?.reason).toBeTruthy();
    if (![401, 403, 429].includes(status)) validated += 1;
  }
  expect(validated / requests.length).toBeGreaterThanOrEqual(0.9);
  expect(await checksums()).toEqual(before);
});
