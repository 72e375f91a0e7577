/** What is seen of the web server below the routes: connections that ask for nothing are closed, pages stand in the log as routes do. */
import { randomUUID } from 'node:crypto';
import { subscribe } from 'node:diagnostics_channel';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import type { Socket } from 'node:net';
import { log } from '../log';
import { routeOf } from './route';

const HEAD_MS = 10_000;

/**
 * From now on, for every server of this process: a connection that has not said in time what it asks for is closed; each holds a place. The head
 * of a later request on the same connection has the same time, and is looked for as often as Node does.
 */
export function closeSlowHeads(): void {
  const waiting = new WeakMap<Socket, NodeJS.Timeout>();
  subscribe('net.server.socket', (message) => {
    const { socket } = message as { socket: Socket };
    waiting.set(socket, setTimeout(() => socket.destroy(), HEAD_MS).unref());
    socket.once('close', () => clearTimeout(waiting.get(socket)));
  });
  subscribe('http.server.request.start', (message) => {
    const { socket, server } = message as { socket: Socket; server: Server };
    clearTimeout(waiting.get(socket));
    server.headersTimeout = HEAD_MS;
  });
}

/** Routes write their own line, and files of the build are not worth one. */
const isPage = (url: string): boolean => !/^\/(?:api|_next)\//.test(url);
const withoutHost = (url: string): string => routeOf(`http://lochside${url}`);

/** From now on, every page that is answered, without what its address names. */
export function logPages(): void {
  const began = new WeakMap<IncomingMessage, number>();
  subscribe('http.server.request.start', (message) => began.set((message as { request: IncomingMessage }).request, performance.now()));
  subscribe('http.server.response.finish', (message) => {
    const { request, response } = message as { request: IncomingMessage; response: ServerResponse };
    const { method = '', url = '' } = request;
    if (!isPage(url) || !url.startsWith('/')) return;
    const ms = Math.round(performance.now() - (began.get(request) ?? performance.now()));
    // What a stranger writes into the address of no page is not written down.
    const route = response.statusCode === 404 ? '(no page)' : withoutHost(url);
    log.info({ id: randomUUID(), method, route, status: response.statusCode, ms }, 'a page');
  });
}

/** What a page failed at, with its stack. */
export function logFailedPage(error: unknown, method: string, path: string): void {
  log.error({ id: randomUUID(), method, route: withoutHost(path), err: error }, 'a page failed');
}
