/** npm run cluster: three database nodes, two web servers and a balancer on this machine, with the demo school. Ctrl-C stops all of it. */
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { startMachines } from './lib/cluster.mjs';
import { claim, ensureHome, instanceHome, secretsOf } from './lib/instance.mjs';
import { needMachines, needNode, needPackages, root } from './lib/needs.mjs';
import { run } from './lib/processes.mjs';
import { program } from './lib/programs.mjs';
import { main, say } from './lib/say.mjs';

const password = () => randomBytes(9).toString('base64url');

await main(async () => {
  needNode();
  const home = instanceHome('cluster');
  ensureHome(home);
  const claimed = await claim(home, 'npm run cluster');
  needPackages();
  needMachines();
  await ensureBuild();
  const { file, secrets } = secretsOf(home, () => ({
    demoSignIns: [
      { name: 'Ms Tarn', email: 'tarn@strathfinlas.example', role: 'teacher', password: password() },
      { name: 'Mr Quill', email: 'quill@strathfinlas.example', role: 'helper', password: password() },
    ],
  }));
  mkdirSync(join(home, 'log'), { recursive: true });
  chmodSync(home, 0o755);
  const env = {
    LOCHSIDE_MODE: 'demo',
    LOCHSIDE_SECRETS: file,
    LOCHSIDE_SERVER_KEY: secrets.serverKey,
    LOCHSIDE_HOME: home,
    NEXT_TELEMETRY_DISABLED: '1',
  };
  say('Starting three database nodes …');
  let machines;
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    say('Stopping …');
    await machines?.stop();
    claimed.release();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop());
  machines = await startMachines({
    home,
    password: secrets.databasePassword,
    env: { ...env, LOCHSIDE_LOG: 'warn' },
    prepare: ({ byBalancer, began }) => {
      say(`The cluster began from ${began.from}.`);
      run(process.execPath, [program('prepare')], {
        cwd: root,
        env: { ...process.env, ...env, DATABASE_URL: byBalancer(), PUBLIC_URL: 'http://127.0.0.1' },
      });
    },
  });
  if (stopping) return;
  say(`\nLochside is at ${machines.address}, the balancer's address`);
  for (const web of machines.webs) say(`  ${web.name}: ${web.address}`);
  say(`  database, by the balancer: 127.0.0.1:${machines.ports.database}`);
  for (const node of machines.nodes) say(`  ${node.name}: 127.0.0.1:${node.port}, process ${node.pid()}, ${node.state()}`);
  for (const signIn of secrets.demoSignIns) say(`  ${signIn.name} (${signIn.role}): ${signIn.email}  password ${signIn.password}`);
  say('Ctrl-C stops all of it.');
});
