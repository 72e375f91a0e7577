/** Figures of this server for Prometheus, on a port of loopback alone: how many requests, how long they took, whether it is well. No names, no ids. */
import { subscribe } from 'node:diagnostics_channel';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { statfs } from 'node:fs/promises';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { lastBackup } from '../backup/backup';
import { log } from '../log';
import { readiness } from '../readiness';

/** Whose page it is, by the beginning of its path: few kinds, so that nobody can make the figures grow. */
function kindOf(url: string): string {
  if (url.startsWith('/api/v1/home/')) return 'home';
  if (url.startsWith('/api/')) return 'desk';
  return url.startsWith('/_next/') ? 'build' : 'page';
}

/** Begins to count, and answers on this port of 127.0.0.1. Never in the way of the web server: a port that is taken is told and that is all. */
export function figuresOn(port: number): void {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const seconds = new Histogram({
    name: 'lochside_request_seconds',
    help: 'How long requests took, by whose they are',
    labelNames: ['kind'],
    buckets: [0.01, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10],
    registers: [registry],
  });
  const requests = new Counter({
    name: 'lochside_requests_total',
    help: 'Requests, by whose they are and the class of their status',
    labelNames: ['kind', 'status'],
    registers: [registry],
  });
  const began = new WeakMap<IncomingMessage, number>();
  subscribe('http.server.request.start', (message) => began.set((message as { request: IncomingMessage }).request, performance.now()));
  subscribe('http.server.response.finish', (message) => {
    const { request, response } = message as { request: IncomingMessage; response: ServerResponse };
    if (request.socket.localPort === port) return;
    const kind = kindOf(request.url ?? '');
    requests.inc({ kind, status: `${Math.floor(response.statusCode / 100)}xx` });
    seconds.observe({ kind }, (performance.now() - (began.get(request) ?? performance.now())) / 1000);
  });
  const gauge = (name: string, help: string, collect: () => Promise<number>) =>
    new Gauge({
      name,
      help,
      registers: [registry],
      async collect() {
        this.set(await collect().catch(() => NaN));
      },
    });
  gauge('lochside_ready', '1 where the server can do its work', async () => ((await readiness()).ready ? 1 : 0));
  gauge('lochside_disk_free_bytes', 'Room on the disk of the data', async () => {
    const { bavail, bsize } = await statfs(process.env['LOCHSIDE_HOME'] ?? process.cwd());
    return bavail * bsize;
  });
  gauge(
    'lochside_last_backup_seconds',
    'When the last backup was made, in seconds since 1970; 0 for never',
    async () => ((await lastBackup())?.getTime() ?? 0) / 1000,
  );
  createServer((request, response) => {
    void (async () => {
      if (request.url !== '/metrics') return response.writeHead(404).end();
      response.writeHead(200, { 'content-type': registry.contentType }).end(await registry.metrics());
    })();
  })
    .on('error', (error) => log.warn({ err: error }, 'figures for Prometheus cannot be answered'))
    .listen(port, '127.0.0.1');
}
