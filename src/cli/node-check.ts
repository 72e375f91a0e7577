/** Whether a database node may be asked, for a balancer: a small web server beside the node, 200 or 503 with why. */
import { createServer } from 'node:http';
import mysql from 'mysql2/promise';
import { addressesOf, connectionOptions } from '@/server/db/servers';
import type { Options } from './input';

const PATIENCE_MS = 900;
const SYNCED = '4';

/** What is in the way; empty for a node that may be asked. One that is no part of a cluster may. */
async function inTheWay(connection: mysql.Connection): Promise<string> {
  const [found] = await connection.query(
    "SHOW STATUS WHERE Variable_name IN ('wsrep_ready', 'wsrep_local_state', 'wsrep_local_state_comment', 'wsrep_cluster_status', 'wsrep_provider_name')",
  );
  const of = new Map((found as { Variable_name: string; Value: string }[]).map((one) => [one.Variable_name, one.Value]));
  if (!of.get('wsrep_provider_name')) return '';
  if (of.get('wsrep_cluster_status') !== 'Primary') return 'it is cut off from the most of the cluster';
  if (of.get('wsrep_local_state') !== SYNCED) return `it is ${of.get('wsrep_local_state_comment') ?? 'not there yet'}`;
  return of.get('wsrep_ready') === 'ON' ? '' : 'it is not ready';
}

/** Answers at --port (on --host, 127.0.0.1 unless told) about the node of DATABASE_URL until it is ended. */
export async function nodeCheck(options: Options): Promise<number> {
  const port = Number(options['port'] ?? 9200);
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Error('--port is a number from 1 to 65535');
  const url = process.env['DATABASE_URL'];
  if (!url) throw new Error('DATABASE_URL is not set: the address of the node');
  const address = addressesOf(url)[0]!;
  let open: mysql.Connection | undefined;
  const look = async (): Promise<string> => {
    if (!open) {
      open = await mysql.createConnection({ ...(connectionOptions(address) as mysql.ConnectionOptions), connectTimeout: PATIENCE_MS });
      // What broke is told by the next question.
      open.on('error', () => undefined);
    }
    return inTheWay(open);
  };
  const late = () => new Promise<string>((resolve) => setTimeout(resolve, PATIENCE_MS, 'it does not answer').unref());
  const server = createServer((_request, response) => {
    void Promise.race([look(), late()])
      .catch((error: Error) => error.message)
      .then((why) => {
        if (why !== '' && why !== 'it does not answer') {
          // Asked anew the next time.
          open?.destroy();
          open = undefined;
        }
        response
          .writeHead(why === '' ? 200 : 503, { 'content-type': 'text/plain; charset=utf-8', connection: 'close' })
          .end(why === '' ? 'ready\n' : `${why}\n`);
      });
  });
  await new Promise<void>((resolve, reject) => server.once('error', reject).listen(port, options['host'] ?? '127.0.0.1', resolve));
  await new Promise<void>((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => resolve());
  });
  server.close();
  open?.destroy();
  return 0;
}
