/**
 * npm start (demo) and npm run serve (school): everything from a fresh machine to a served application.
 * Only Node's own modules are used before the packages are there.
 */
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { claim, ensureHome, instanceHome, secretsOf, startInstance } from './lib/instance.mjs';
import { needMariadb, needNode, needPackages, root } from './lib/needs.mjs';
import { ensureBuild, ensurePrograms } from './lib/build.mjs';
import { program } from './lib/programs.mjs';
import { isFree, run, start, stopChild, webServer } from './lib/processes.mjs';
import { main, say, Stop } from './lib/say.mjs';

const mode = process.argv[2] === 'school' ? 'school' : 'demo';
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 3000);
const HOUR_MS = 3_600_000;
const loopback = ['127.0.0.1', 'localhost', '::1'].includes(host);

const password = () => randomBytes(9).toString('base64url');
const demoSignIns = () => ({
  demoSignIns: [
    { name: 'Ms Tarn', email: 'tarn@strathfinlas.example', role: 'teacher', password: password() },
    { name: 'Mr Quill', email: 'quill@strathfinlas.example', role: 'helper', password: password() },
  ],
});

await main(async () => {
  needNode();
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Stop(`PORT must be a number from 1 to 65535, not “${process.env.PORT}”.`);
  const home = instanceHome(mode);
  ensureHome(home);
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
  // What a launcher that was killed left running is stopped first: it has the port.
  const claimed = await claim(home, address);
  if (!(await isFree(port, host))) {
    claimed.release();
    throw new Stop(
      `Port ${port} on ${host} is taken (or may not be used). Choose another: PORT=${port + 1} npm ${mode === 'demo' ? 'start' : 'run serve'}`,
    );
  }
  needPackages();
  const { file, secrets } = secretsOf(home, mode === 'demo' ? demoSignIns : undefined);
  let instance;
  let web;
  let stopping = false;
  const stopAll = async () => {
    if (stopping) return;
    stopping = true;
    await stopChild(web);
    await instance?.stop();
    claimed.release();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stopAll().then(() => process.exit(0)));
  try {
    if (!process.env.DATABASE_URL) {
      needMariadb();
      instance = await startInstance(home, secrets.databasePassword);
    }
    const publicUrl = process.env.PUBLIC_URL ?? (loopback ? address : undefined);
    if (!publicUrl)
      say(`Listening on ${host}: links need the address that families use. Set PUBLIC_URL, for instance PUBLIC_URL=https://play.example.org`);
    const env = {
      ...process.env,
      DATABASE_URL: process.env.DATABASE_URL ?? instance.url(),
      LOCHSIDE_MODE: mode,
      LOCHSIDE_SECRETS: file,
      LOCHSIDE_SERVER_KEY: secrets.serverKey,
      PUBLIC_URL: publicUrl ?? address,
      LOCHSIDE_HOSTS: [process.env.LOCHSIDE_HOSTS, publicUrl && new URL(publicUrl).host, `${host}:${port}`, `localhost:${port}`, `127.0.0.1:${port}`]
        .filter(Boolean)
        .join(','),
      LOCHSIDE_HOME: home,
      LOCHSIDE_ERASURES: process.env.LOCHSIDE_ERASURES ?? join(home, 'erasures.jsonl'),
      LOCHSIDE_LOG_FILE: process.env.LOCHSIDE_LOG_FILE ?? join(home, 'log', 'lochside'),
      NEXT_TELEMETRY_DISABLED: '1',
      NODE_ENV: 'production',
    };
    await ensurePrograms();
    run(process.execPath, [program('prepare')], { cwd: root, env: { ...env, LOCHSIDE_LOG_FILE: '' }, failure: 'Nothing was started.' });
    await ensureBuild();
    const serve = () => {
      web = start(process.execPath, webServer(root, host, port), {
        cwd: root,
        env,
        stdio: ['ignore', 'ignore', 'inherit'],
        detached: true,
      });
      claimed.note({ webPid: web.pid, publicUrl: env.PUBLIC_URL });
      return web;
    };
    await answers(address, serve());
    keepUp(
      'web server',
      web,
      () => stopping,
      async () => serve(),
    );
    if (instance)
      keepUp(
        'database server',
        instance.child,
        () => stopping,
        async () => {
          instance = await startInstance(home, secrets.databasePassword, { port: instance.port });
          return instance.child;
        },
      );
    if (mode === 'school') keepHouse(env, () => stopping);
    say(`\nLochside is at ${address}`);
    if (!loopback && !env.PUBLIC_URL.startsWith('https:'))
      say(
        'Beyond this machine over plain http: passwords and links can be read on the way, pages cannot be reloaded offline or installed. Put an https server in front and set PUBLIC_URL.',
      );
    if (mode === 'demo') {
      for (const signIn of secrets.demoSignIns) say(`  ${signIn.name} (${signIn.role}): ${signIn.email}  password ${signIn.password}`);
      say(`  (kept in ${file})`);
    } else say('First teacher: npx lochside teacher add --name "…" --email … --school "…" --zone Europe/London');
    say(`The log is in ${join(home, 'log')}; warnings are shown here. Ctrl-C stops it.`);
  } catch (error) {
    await stopAll();
    throw error;
  }
});

/**
 * What is due once a day, by a process of its own: what the school keeps no longer goes, then a backup is made. Asked every hour, so that a server that
 * is started often does it no more often, and one that was off catches up; of several machines one does it.
 */
function keepHouse(env, isStopping) {
  setInterval(() => {
    if (!isStopping()) start(process.execPath, [program('main'), 'house'], { cwd: root, env, stdio: ['ignore', 'ignore', 'inherit'] });
  }, HOUR_MS).unref();
}

const LONGEST_WAIT_MS = 30_000;
/** One that ran for so long did not die of its start. */
const STEADY_MS = 60_000;

/** Starts again what died, at once and then with longer and longer waits between; `again` gives the new process. */
function keepUp(what, child, isStopping, again, waitMs = 500) {
  const began = Date.now();
  child.once('exit', async (code, signal) => {
    if (isStopping()) return;
    const wait = Date.now() - began > STEADY_MS ? 500 : waitMs;
    process.stderr.write(`The ${what} ended (${signal ?? `code ${code}`}). It is started again in ${wait / 1000} s.\n`);
    await new Promise((resolve) => setTimeout(resolve, wait));
    for (let next = wait; !isStopping(); next = Math.min(LONGEST_WAIT_MS, next * 2)) {
      try {
        return keepUp(what, await again(), isStopping, again, Math.min(LONGEST_WAIT_MS, next * 2));
      } catch (error) {
        process.stderr.write(`The ${what} could not be started: ${error.message}\n`);
        await new Promise((resolve) => setTimeout(resolve, next));
      }
    }
  });
}

async function answers(address, child) {
  for (let i = 0; i < 300; i += 1) {
    if (child.exitCode !== null) throw new Stop('The web server did not start.');
    try {
      await fetch(`${address}/api/v1/health`, { headers: { connection: 'close' } });
      return;
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
  throw new Stop('The web server did not answer within 30 seconds.');
}
