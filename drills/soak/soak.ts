/** npm run soak: 100,000 malformed requests over http to a server with its limits off. Bounded, and to this machine only. */
import { migrate } from '@/server/db/migrate';
import { closePools } from '@/server/db/servers';
import { makeSchool } from '../../tests/server/school';
import { startWebServer } from '../../tests/web-server';
import { malformedRequests } from './malformed';
import { checksums, targetsOf } from './targets';

const NUMBER = Number(process.argv[2] ?? 100_000);
const AT_ONCE = 8;
const port = process.env['LOCHSIDE_TEST_PORT']!;

await migrate(process.env['DATABASE_URL']!);
// Made before the server is asked for the first time: it closes a connection that is idle for seconds.
const school = await makeSchool();
const { targets, token } = await targetsOf(school);
const cookie = await school.cookie('teacher');
const before = JSON.stringify(await checksums());
const requests = malformedRequests(targets, NUMBER, 7);
const web = await startWebServer(port, { LOCHSIDE_LIMITS: 'off' });
const { address } = web;
try {
  const statuses = new Map<number, number>();
  let next = 0;
  const began = Date.now();
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (let mine = next++; mine < requests.length; mine = next++) {
        const { target, raw } = requests[mine]!;
        const answer = await fetch(`${address}${target.path}`, {
          method: target.method,
          headers: {
            'content-type': 'application/json',
            origin: address,
            ...(target.who === 'family' ? { authorization: `Bearer ${token}` } : { cookie }),
          },
          body: raw,
        });
        await answer.arrayBuffer();
        statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      }
    }),
  );
  const failed = [...statuses].filter(([status]) => status >= 500 || status < 400).reduce((sum, [, n]) => sum + n, 0);
  const stopped = [401, 403, 429].reduce((sum, status) => sum + (statuses.get(status) ?? 0), 0);
  const unchanged = JSON.stringify(await checksums()) === before;
  process.stdout.write(
    `${NUMBER} malformed requests in ${((Date.now() - began) / 1000).toFixed(0)} s: ${[...statuses]
      .sort()
      .map(([status, n]) => `${n} × ${status}`)
      .join(', ')}\n`,
  );
  process.stdout.write(`reached validation: ${(100 * (1 - stopped / NUMBER)).toFixed(1)}%; domain tables ${unchanged ? 'unchanged' : 'CHANGED'}\n`);
  const good = failed === 0 && unchanged && stopped / NUMBER <= 0.1;
  process.stdout.write(good ? '1 passed, 0 failed\n' : '0 passed, 1 failed\n');
  if (!good) process.exitCode = 1;
} finally {
  web.process.kill('SIGTERM');
  await closePools();
}
