/** What must be on the machine: the packages of package-lock.json, MariaDB's server, and for the tests Chromium. */
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { has, run } from './processes.mjs';
import { say, Stop } from './say.mjs';

export const root = new URL('../..', import.meta.url).pathname.replace(/\/$/, '');

export function needNode() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) throw new Stop(`Lochside needs Node.js 20.9 or newer; this is ${process.version}.`);
}

export function needPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const mark = join(root, 'node_modules', '.lochside-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('Installing the packages of package-lock.json …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    failure: 'The packages could not be installed. Is the npm registry reachable?',
  });
  writeFileSync(mark, lock);
}

function debian(packages, forWhat) {
  if (process.getuid?.() !== 0 || !has('apt-get'))
    throw new Stop(`${forWhat} is not installed. As an administrator of a Debian machine: apt-get install ${packages.join(' ')}`);
  say(`Installing ${packages.join(', ')} from Debian's packages …`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env, quiet: true, failure: "Debian's package lists could not be read." });
  run('apt-get', ['install', '-y', '--no-install-recommends', ...packages], {
    env,
    quiet: true,
    failure: `${packages.join(' ')} could not be installed.`,
  });
}

export function needMariadb() {
  process.env.PATH = `${process.env.PATH}:/usr/sbin:/usr/local/sbin`;
  if (!has('mariadbd') || !has('mariadb-install-db')) debian(['mariadb-server'], "MariaDB's server");
}

/** The https server of the example, for its test. */
export function needHaproxy() {
  process.env.PATH = `${process.env.PATH}:/usr/sbin`;
  if (!has('haproxy')) debian(['haproxy'], 'HAProxy');
}

const GALERA = '/usr/lib/galera/libgalera_smm.so';

/** What three database nodes and a balancer before them need beside the rest; false where it is not there. */
export const hasMachines = () => existsSync(GALERA) && has('rsync') && ['/usr/sbin/haproxy', '/usr/bin/haproxy'].some((file) => existsSync(file));

export function needMachines() {
  needMariadb();
  if (!hasMachines()) debian(['galera-4', 'rsync', 'haproxy'], 'What several machines need (Galera, rsync, HAProxy)');
}

const HEADLESS = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

/** Chromium without a window, which is a tenth quicker; where it cannot be had the whole one does. */
export function needChromium() {
  if (existsSync(HEADLESS)) return;
  try {
    debian(['chromium-headless-shell'], 'Chromium');
  } catch (error) {
    if (!existsSync(WHOLE)) throw error;
  }
}

/** Where it is. */
export const chromiumAt = () => (existsSync(HEADLESS) ? HEADLESS : WHOLE);
