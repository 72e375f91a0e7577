/** Lochside as a service of systemd: a user of its own, the data handed over to it, a unit that is checked before it is written. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { startInstance } from '../../scripts/lib/instance.mjs';
import { whole, type Options } from './input';
import { checkStopped, ownHome, ROOT } from './own-instance';
import { complaintsOf, unitOf, type ServiceOf } from './service-unit';

const UNIT = '/etc/systemd/system/lochside.service';
const USER = 'lochside';
const DATA = '/var/lib/lochside';

function did(command: string, args: readonly string[], input?: string): string {
  const done = spawnSync(command, args, { encoding: 'utf8', ...(input !== undefined && { input }) });
  if (done.error || done.status !== 0) throw new Error(`${command} failed: ${(done.error?.message ?? `${done.stderr}${done.stdout}`).trim()}`);
  return done.stdout;
}

/** Every folder above must be open to others, or the service cannot read its own program. */
function checkReadable(path: string): void {
  for (let at = path; ; at = dirname(at)) {
    if ((statSync(at).mode & 0o005) !== 0o005)
      throw new Error(`${at} is closed to other users, and the service runs as one: move the folder of Lochside, for instance to /opt/lochside`);
    if (at === '/') return;
  }
}

function makeUser(): void {
  if (spawnSync('id', ['-u', USER]).status === 0) return;
  did('useradd', ['--system', '--user-group', '--no-create-home', '--home-dir', DATA, '--shell', '/usr/sbin/nologin', USER]);
}

/** A school that root has run so far: its database learns the new user, then all of it is that user's. */
async function handOver(home: string): Promise<void> {
  mkdirSync(home, { recursive: true, mode: 0o755 });
  const isUsers = statSync(home).uid === Number(did('id', ['-u', USER]).trim());
  if (!isUsers && existsSync(join(home, 'data'))) {
    const { databasePassword } = JSON.parse(readFileSync(join(home, 'secrets.json'), 'utf8')) as { databasePassword: string };
    const instance = (await startInstance(home, databasePassword)) as { stop: () => Promise<void> };
    try {
      did(
        'mariadb',
        ['--no-defaults', `--socket=${join(home, 'db.sock')}`, '-u', 'root'],
        `CREATE USER IF NOT EXISTS '${USER}'@'localhost' IDENTIFIED VIA unix_socket; GRANT ALL ON *.* TO '${USER}'@'localhost' WITH GRANT OPTION;`,
      );
    } finally {
      await instance.stop();
    }
  }
  did('chown', ['-R', `${USER}:${USER}`, DATA]);
}

export async function installService(options: Options): Promise<number> {
  const publicUrl = options['url'];
  if (!publicUrl || !URL.canParse(publicUrl))
    throw new Error('--url is needed: the address that families use, for instance https://play.example.org');
  const service: ServiceOf = {
    node: process.execPath,
    root: ROOT,
    user: USER,
    data: DATA,
    host: options['host'] ?? '127.0.0.1',
    port: whole(options['port'], 'port', 3000, 1, 65535),
    publicUrl,
  };
  const unit = unitOf(service);
  if (options['dry-run'] !== undefined) {
    process.stdout.write(unit);
    return 0;
  }
  if (process.getuid?.() !== 0) throw new Error('only root installs a service: sudo npx lochside service install …');
  checkReadable(ROOT);
  checkReadable(dirname(process.execPath));
  const home = ownHome();
  if (!home.startsWith(`${DATA}/`))
    throw new Error(`the service keeps its data in ${DATA}, and LOCHSIDE_DATA names another folder: move the data there`);
  checkStopped(home);
  // Its user may write nothing here: all is made ready before.
  if (spawnSync(process.execPath, [join(ROOT, 'scripts/build.mjs')], { stdio: 'inherit' }).status !== 0) throw new Error('it could not be built');
  makeUser();
  const complaints = complaintsOf(unit);
  if (complaints !== '') throw new Error(`systemd does not take this unit: ${complaints}`);
  await handOver(home);
  mkdirSync(dirname(UNIT), { recursive: true });
  writeFileSync(UNIT, unit, { mode: 0o644 });
  if (existsSync('/run/systemd/system')) did('systemctl', ['daemon-reload']);
  process.stdout.write(
    `${UNIT} is written. Nothing was started.\n\n  systemctl enable --now lochside    starts it, now and with the machine\n  systemctl status lochside          says how it is\n  journalctl -u lochside             shows its warnings\n\nIt listens on ${service.host}:${service.port}; an https server goes before it: docs/examples/haproxy.cfg\n`,
  );
  return 0;
}
