/** A database instance of the tests' own, in a folder of its own, gone afterwards. Never the demo's. */
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startInstance } from './instance.mjs';
import { needMariadb, needNode, needPackages } from './needs.mjs';

const DATABASES = [
  'lochside',
  'lochside_unit_1',
  'lochside_unit_2',
  'lochside_unit_3',
  'lochside_unit_4',
  'lochside_before',
  'lochside_again',
  'lochside_demo',
  'lochside_backup',
  'lochside_sets',
];

export async function testStack() {
  needNode();
  needPackages();
  needMariadb();
  const home = mkdtempSync(join(tmpdir(), 'lochside-test-'));
  chmodSync(home, 0o755);
  const instance = await startInstance(home, randomBytes(18).toString('base64url'), { databases: DATABASES, fast: true });
  const secrets = join(home, 'secrets.json');
  const demoSignIns = [
    { name: 'Ms Tarn', email: 'tarn@strathfinlas.example', role: 'teacher', password: randomBytes(9).toString('base64url') },
    { name: 'Mr Quill', email: 'quill@strathfinlas.example', role: 'helper', password: randomBytes(9).toString('base64url') },
  ];
  writeFileSync(secrets, JSON.stringify({ demoSignIns }), { mode: 0o600 });
  const env = {
    LOCHSIDE_SECRETS: secrets,
    LOCHSIDE_SERVER_KEY: randomBytes(32).toString('base64url'),
    DATABASE_URL: instance.url(),
    LOCHSIDE_TEST_HOME: home,
    LOCHSIDE_MODE: 'demo',
    LOCHSIDE_LOG: 'error',
    NEXT_TELEMETRY_DISABLED: '1',
  };
  return {
    env,
    instance,
    home,
    stop: async () => {
      await instance.stop();
      rmSync(home, { recursive: true, force: true });
    },
  };
}
