/**
 * Three database nodes in one cluster (Galera), two web servers, and HAProxy before both, on loopback: for npm run cluster, the drill and the tests.
 * Each part can be killed and comes back as on machines of its own. The balancer's settings are the shipped example with other addresses.
 */
import { chownSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { spawnSync } from 'node:child_process';
import { adminOf, grant, isRoot, makeData, mysqlIds, writeSettings } from './instance.mjs';
import { root } from './needs.mjs';
import { freePort, run, start, stopChild, webServer } from './processes.mjs';
import { program } from './programs.mjs';
import { Stop } from './say.mjs';

const NODES = [1, 2, 3];
const GONE_AFTER_MS = 120_000;
const NOWHERE = '00000000-0000-0000-0000-000000000000:-1';

const until = async (what, done, patienceMs = GONE_AFTER_MS, everyMs = 100) => {
  for (const began = Date.now(); !(await done()); await sleep(everyMs)) if (Date.now() - began > patienceMs) throw new Stop(what());
};

const hasEnded = (child) => !child || child.exitCode !== null || child.signalCode !== null;
const ended = (child) => (hasEnded(child) ? Promise.resolve() : new Promise((resolve) => child.once('exit', resolve)));

/** A node: its folder, its ports, its process. */
function nodeOf(number, home, ports, { poolMb, tls }) {
  const own = join(home, `db${number}`);
  mkdirSync(own, { recursive: true });
  const others = NODES.filter((one) => one !== number);
  // Whoever is written to is the first; a copy is given by the last.
  const donors = [...others].reverse().map((one) => `db${one}`);
  const { config, socket } = writeSettings(own, ports[number].sql, [
    `innodb_buffer_pool_size=${poolMb}M`,
    'binlog_format=ROW',
    'innodb_autoinc_lock_mode=2',
    'log_bin_trust_function_creators=ON',
    'wsrep_on=ON',
    'wsrep_provider=/usr/lib/galera/libgalera_smm.so',
    'wsrep_cluster_name=lochside',
    `wsrep_node_name=db${number}`,
    `wsrep_cluster_address=gcomm://${NODES.map((one) => `127.0.0.1:${ports[one].group}`).join(',')}`,
    `wsrep_node_address=127.0.0.1:${ports[number].group}`,
    'wsrep_sst_method=rsync',
    `wsrep_sst_receive_address=127.0.0.1:${ports[number].copy}`,
    `wsrep_sst_donor=${donors.join(',')},`,
    `wsrep_provider_options="base_port=${ports[number].group};gmcast.listen_addr=tcp://127.0.0.1:${ports[number].group};ist.recv_addr=127.0.0.1:${ports[number].missed};gcache.size=128M;pc.recovery=true;evs.keepalive_period=PT0.5S;evs.inactive_check_period=PT0.5S;evs.suspect_timeout=PT2S;evs.inactive_timeout=PT5S;evs.install_timeout=PT5S;socket.ssl=yes;socket.ssl_key=${tls.key};socket.ssl_cert=${tls.certificate};socket.ssl_ca=${tls.certificate}"`,
  ]);
  const admin = adminOf(socket);
  const data = join(own, 'data');
  let child;
  let output;
  const log = join(own, 'db.log');
  const state = () => {
    if (hasEnded(child)) return 'stopped';
    const asked = admin("SHOW STATUS LIKE 'wsrep_local_state_comment'");
    return asked.status === 0 ? asked.stdout.trim().split('\t')[1] : 'starting';
  };
  const lastWords = () => (existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').slice(-6).join('\n') : '');
  return {
    number,
    name: `db${number}`,
    port: ports[number].sql,
    log,
    admin,
    state,
    isMade: () => existsSync(join(data, 'grastate.dat')),
    /** How far it had come, as "cluster:number of the last change": what it lost in a crash it has again from its own log. */
    position: () => {
      if (!existsSync(join(data, 'grastate.dat'))) return NOWHERE;
      const said = join(own, 'recovered.log');
      rmSync(said, { force: true });
      run('mariadbd', [`--defaults-file=${config}`, '--wsrep-recover', `--log-error=${said}`], {
        quiet: true,
        failure: `The position of db${number} could not be read.`,
      });
      return /Recovered position:\s*(\S+)/.exec(readFileSync(said, 'utf8'))?.[1] ?? NOWHERE;
    },
    /** The first of a new cluster, or of one that was down as a whole. */
    mayBegin: () => {
      const file = join(data, 'grastate.dat');
      if (existsSync(file)) writeFileSync(file, readFileSync(file, 'utf8').replace(/safe_to_bootstrap: \d/, 'safe_to_bootstrap: 1'));
      rmSync(join(data, 'gvwstate.dat'), { force: true });
    },
    start: (position, begins = false) => {
      if (!existsSync(data)) {
        if (begins) makeData(own);
        else {
          mkdirSync(data, { mode: 0o700 });
          if (isRoot) chownSync(data, mysqlIds().uid, mysqlIds().gid);
        }
      }
      output ??= openSync(join(own, 'db.out'), 'a', 0o600);
      child = start(
        'mariadbd',
        [
          `--defaults-file=${config}`,
          ...(position === NOWHERE ? [] : [`--wsrep_start_position=${position}`]),
          ...(begins ? ['--wsrep-new-cluster'] : []),
        ],
        // What a node starts to give or take a copy looks for programs of the system.
        { stdio: ['ignore', output, output], detached: true },
      );
    },
    isSynced: async () => {
      if (hasEnded(child)) throw new Stop(`Database node db${number} did not start. Its last words, from ${log}:\n${lastWords()}`);
      return state() === 'Synced';
    },
    kill: async (signal = 'SIGKILL') => {
      child?.kill(signal);
      await ended(child);
    },
    pause: (signal) => child.kill(signal),
    stop: () => stopChild(child, 20_000),
    pid: () => child?.pid,
  };
}

/** Starts nodes of which none runs: a new cluster, or the one that was, from the node that had come farthest. Nothing that was acknowledged is lost. */
export async function beginCluster(nodes) {
  const positions = nodes.map((node) => ({ node, position: node.position() }));
  const change = ({ position }) => Number(position.split(':')[1]);
  const first = positions.reduce((best, one) => (change(one) > change(best) ? one : best));
  first.node.mayBegin();
  first.node.start(first.position, true);
  await until(() => `${first.node.name} did not begin the cluster; see ${first.node.log}`, first.node.isSynced);
  for (const { node, position } of positions) if (node !== first.node) node.start(position);
  for (const { node } of positions) await until(() => `${node.name} did not join; see ${node.log}`, node.isSynced);
  return { from: first.node.name, positions: positions.map(({ node, position }) => ({ node: node.name, position })) };
}

/** A node that was killed comes back from where it was, and takes what it missed from another. */
export async function rejoin(node) {
  node.start(node.position());
  await until(() => `${node.name} did not come back; see ${node.log}`, node.isSynced);
}

/** The shipped settings of the balancer, on loopback: http alone, other ports, other addresses. */
function balancerSettings(ports) {
  const put = (text, a, b) => {
    if (!text.includes(a)) throw new Stop(`docs/examples/haproxy-machines.cfg no longer says “${a.trim()}”.`);
    return text.replaceAll(a, b);
  };
  const here = (port) => `127.0.0.1:${port}`;
  return [
    ['    log /dev/log local0\n', ''],
    ['    user haproxy\n    group haproxy\n', ''],
    [
      '    bind :443 ssl crt /etc/haproxy/play.example.org.pem alpn h2,http/1.1\n    http-request redirect scheme https code 301 unless { ssl_fc }\n',
      '',
    ],
    ['    http-request set-header X-Forwarded-Proto https\n', ''],
    ['bind :80', `bind ${here(ports.balancer)}`],
    ['play.example.org', here(ports.balancer)],
    ['127.0.0.1:3305', here(ports.database)],
    ['10.0.0.11:3000', here(ports.web[0])],
    ['10.0.0.12:3000', here(ports.web[1])],
    ...NODES.map((n) => [`10.0.0.2${n}:3306 check port 9200`, `${here(ports[n].sql)} check port ${ports[n].check}`]),
  ].reduce((text, [a, b]) => put(text, a, b), readFileSync(join(root, 'docs/examples/haproxy-machines.cfg'), 'utf8'));
}

/** One certificate for all nodes, which each knows the others by. */
function certificateIn(home) {
  const [key, certificate] = ['nodes-key.pem', 'nodes.pem'].map((name) => join(home, name));
  if (!existsSync(certificate))
    run(
      'openssl',
      ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '3650', '-subj', '/CN=lochside-nodes', '-keyout', key, '-out', certificate],
      {
        quiet: true,
        failure: 'The certificate of the database nodes could not be made.',
      },
    );
  if (isRoot) for (const file of [key, certificate]) chownSync(file, mysqlIds().uid, mysqlIds().gid);
  return { key, certificate };
}

async function freePorts() {
  const taken = new Set();
  const one = async () => {
    for (;;) {
      const port = await freePort();
      if (taken.has(port)) continue;
      taken.add(port);
      return port;
    }
  };
  const ports = { balancer: Number(process.env.PORT) || (await one()), database: await one(), web: [await one(), await one()] };
  for (const n of NODES) ports[n] = { sql: await one(), group: await one(), missed: await one(), copy: await one(), check: await one() };
  return ports;
}

/**
 * All of it. `env` goes to the programs (the server's key, where to log); `prepare` is done when the database can be asked, before the web servers
 * start. With `web` false there are nodes and a balancer alone.
 */
export async function startMachines({ home, password, databases = ['lochside'], env = {}, prepare, web = true, poolMb = 96 }) {
  const ports = await freePorts();
  const tls = certificateIn(home);
  const nodes = NODES.map((number) => nodeOf(number, home, ports, { poolMb, tls }));
  const children = new Set();
  const keep = (child) => {
    children.add(child);
    child.once('exit', () => children.delete(child));
    return child;
  };
  const login = (where, name = databases[0]) => `mysql://lochside:${password}@${where}/${name}`;
  const byBalancer = (name) => login(`127.0.0.1:${ports.database}`, name);
  const byName = (name) => login(NODES.map((n) => `127.0.0.1:${ports[n].sql}`).join(','), name);
  const checks = [];
  let balancer;
  const webs = [];
  const stop = async () => {
    await Promise.all(webs.map((one) => one.stop()));
    await stopChild(balancer);
    await Promise.all([...children].map((child) => stopChild(child)));
    // One after the other: the last one knows that it may begin again.
    for (const node of [...nodes].reverse()) await node.stop();
  };
  try {
    const began = await beginCluster(nodes);
    grant(nodes[0].admin, password, databases);
    for (const n of NODES)
      checks.push(
        keep(
          start(process.execPath, [program('main'), 'node-check', '--port', String(ports[n].check)], {
            cwd: root,
            env: { ...process.env, DATABASE_URL: login(`127.0.0.1:${ports[n].sql}`) },
            stdio: ['ignore', 'ignore', 'inherit'],
          }),
        ),
      );
    const config = join(home, 'haproxy.cfg');
    writeFileSync(config, balancerSettings(ports));
    const tested = spawnSync('haproxy', ['-c', '-f', config], { encoding: 'utf8' });
    if (tested.status !== 0) throw new Stop(`HAProxy does not take its settings: ${tested.stderr}`);
    balancer = start('haproxy', ['-f', config, '-db'], { stdio: ['ignore', 'ignore', 'ignore'] });
    const address = `http://127.0.0.1:${ports.balancer}`;
    const machines = {
      address,
      ports,
      nodes,
      webs,
      began,
      byBalancer,
      byName,
      stop,
      /** The node that the balancer writes to at present, by whom its connections end at. */
      favourite: () => favouriteOf(nodes),
    };
    await until(
      () => 'The balancer reached no database node.',
      () => favourable(byBalancer()),
    );
    await prepare?.(machines);
    if (web)
      // One by the balancer's address, one by the names of the nodes: both are ways to run it.
      for (const [index, url] of [byBalancer(), byName()].entries()) webs.push(webOf(index, ports, { ...env, DATABASE_URL: url }, address));
    for (const one of webs) await one.start();
    if (web)
      await until(
        () => 'The balancer found no web server.',
        () =>
          fetch(`${address}/api/v1/ready`).then(
            ({ ok }) => ok,
            () => false,
          ),
      );
    return machines;
  } catch (error) {
    await stop();
    throw error;
  }
}

async function favourable(url) {
  const { createConnection } = await import('mysql2/promise');
  const connection = await createConnection({ uri: url, connectTimeout: 1000 }).catch(() => undefined);
  const good = await connection?.query('SELECT 1').then(
    () => true,
    () => false,
  );
  connection?.destroy();
  return good === true;
}

/** Whom most sessions of the program write to. */
function favouriteOf(nodes) {
  const sessions = (node) => {
    const asked = node.admin("SELECT COUNT(*) FROM information_schema.processlist WHERE user = 'lochside'");
    return asked.status === 0 ? Number(asked.stdout.trim()) : -1;
  };
  return nodes.map((node) => ({ node, count: sessions(node) })).reduce((best, one) => (one.count > best.count ? one : best)).node;
}

function webOf(index, ports, env, address) {
  let child;
  const port = ports.web[index];
  const own = `http://127.0.0.1:${port}`;
  return {
    name: `web${index + 1}`,
    address: own,
    /** `folder` holds the build that is served, `url` is its database's: this one's and its own, unless another version is to run beside it. */
    start: async (folder = root, url = env.DATABASE_URL) => {
      child = start(process.execPath, webServer(folder, '127.0.0.1', port), {
        cwd: folder,
        env: {
          ...process.env,
          NODE_ENV: 'production',
          LOCHSIDE_LOG: 'error',
          ...env,
          DATABASE_URL: url,
          PUBLIC_URL: address,
          LOCHSIDE_HOSTS: [new URL(address).host, `127.0.0.1:${port}`].join(','),
        },
        stdio: ['ignore', 'ignore', 'inherit'],
        detached: true,
      });
      await until(
        () => `web${index + 1} did not start.`,
        async () => {
          if (hasEnded(child)) throw new Stop(`web${index + 1} ended at its start.`);
          return fetch(`${own}/api/v1/health`).then(
            ({ ok }) => ok,
            () => false,
          );
        },
        60_000,
      );
    },
    kill: async (signal = 'SIGKILL') => {
      child?.kill(signal);
      await ended(child);
    },
    stop: () => stopChild(child),
  };
}
