/** Brings the database to the newest form and, for the demo, fills an empty one. Run by the launcher before the web server. */
import { readFileSync } from 'node:fs';
import { checkServerKey, keepServerKey } from '@/server/auth/server-key';
import { backUpBeforeUpgrade } from '@/server/backup/before-upgrade';
import { closePools } from '@/server/db/servers';
import { migrate } from '@/server/db/migrate';
import { dropDemo, loadDemo, whatItHolds, type DemoSignIn } from '@/server/demo/load-demo';
import { settings } from '@/server/settings';

const WORDS: Readonly<Record<string, string>> = {
  ER_ACCESS_DENIED_ERROR: 'The database refused the user name or password in DATABASE_URL.',
  ER_DBACCESS_DENIED_ERROR: 'The user in DATABASE_URL may not use that database.',
  ER_BAD_DB_ERROR: 'There is no database of the name in DATABASE_URL. Make it first.',
  ECONNREFUSED: 'No database server answers at the address in DATABASE_URL.',
  ENOTFOUND: 'The host in DATABASE_URL is not known.',
  ER_DISK_FULL: 'The disk of the database is full.',
};

async function prepare(): Promise<void> {
  const { mode, serverKey } = settings();
  const url = process.env['DATABASE_URL']!;
  if (mode === 'school') {
    const said = await backUpBeforeUpgrade(url, process.env['LOCHSIDE_HOME'], new Date());
    if (said !== '') process.stdout.write(`${said}\n`);
  }
  const ran = await migrate(url);
  if (ran.length > 0) process.stdout.write(`Database brought up to date (${ran.length} steps).\n`);
  if (process.env['LOCHSIDE_NEW_KEY'] === 'yes') await keepServerKey(serverKey, new Date());
  else await checkServerKey(serverKey, new Date());
  const holds = await whatItHolds();
  if (mode === 'school') {
    if (holds === 'demo' || holds === 'half a demo')
      throw new Error('This database holds the demo school. Give the real school a database of its own.');
    return;
  }
  if (holds === 'a school') throw new Error('This database holds a real school. Serve it with npm run serve; the demo needs a database of its own.');
  if (holds === 'demo') return;
  if (holds === 'half a demo') await dropDemo();
  process.stdout.write('Loading the demo school …\n');
  const { demoSignIns } = JSON.parse(readFileSync(process.env['LOCHSIDE_SECRETS']!, 'utf8')) as { demoSignIns: DemoSignIn[] };
  await loadDemo(demoSignIns, serverKey, new Date());
}

prepare()
  .catch((error: unknown) => {
    const code = typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
    process.stderr.write(
      `${WORDS[code] ?? (error instanceof Error ? (process.env['LOCHSIDE_LOG'] === 'debug' ? error.stack : error.message) : String(error))}\n`,
    );
    process.exitCode = 1;
  })
  .finally(() => closePools());
