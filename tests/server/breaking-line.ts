/** A line to the database that breaks when it is told to: between the program and the real server, so that what is lost is lost as it is in life. */
import { createServer, connect, type Socket } from 'node:net';

export interface Line {
  readonly port: number;
  /** Cuts the next connection that says this: before the server hears it, or after the server has done it and before its answer arrives. */
  readonly cutAt: (said: string, when: 'before' | 'after') => void;
  /** From now on nothing goes through, and nobody is told. */
  readonly hang: () => void;
  readonly cuts: () => number;
  readonly end: () => Promise<void>;
}

export async function breakingLine(to: number): Promise<Line> {
  const open = new Set<Socket>();
  let wanted: { said: string; when: 'before' | 'after' } | undefined;
  let hangs = false;
  let cuts = 0;
  const server = createServer((client) => {
    const upstream = connect(to, '127.0.0.1');
    let swallow = false;
    for (const socket of [client, upstream]) {
      open.add(socket);
      socket.on('error', () => undefined);
      socket.on('close', () => open.delete(socket));
    }
    const cut = () => {
      cuts += 1;
      client.destroy();
      upstream.end();
    };
    client.on('data', (part) => {
      if (hangs) return;
      if (wanted && part.includes(wanted.said)) {
        const { when } = wanted;
        wanted = undefined;
        if (when === 'before') return cut();
        swallow = true;
      }
      upstream.write(part);
    });
    upstream.on('data', (part) => {
      if (hangs) return;
      if (swallow) return cut();
      client.write(part);
    });
    client.on('close', () => upstream.end());
    upstream.on('close', () => client.destroy());
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    port: (server.address() as { port: number }).port,
    cutAt: (said, when) => (wanted = { said, when }),
    hang: () => (hangs = true),
    cuts: () => cuts,
    end: () =>
      new Promise((resolve) => {
        for (const socket of open) socket.destroy();
        server.close(() => resolve());
      }),
  };
}
