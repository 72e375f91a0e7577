import { afterEach, describe, expect, it, vi } from 'vitest';
import { DEED_HEADER } from '@/contract/deed';
import { send } from './post';

afterEach(() => vi.unstubAllGlobals());

/** The ids under which a server that answers so gets its requests: a status, or null for a line that breaks off. */
function serverThat(...answers: readonly (number | null)[]) {
  const ids: string[] = [];
  vi.stubGlobal('fetch', (_url: string, { headers }: { headers: Record<string, string> }) => {
    const status = answers[ids.length];
    ids.push(headers[DEED_HEADER]!);
    return status ? Promise.resolve(Response.json({}, { status })) : Promise.reject(new TypeError('no line'));
  });
  return ids;
}

describe('what a page asks for', () => {
  it('bears the same id until the answer is known, and another one after that', async () => {
    const ids = serverThat(null, 503, 201, 201);
    expect((await send('POST', '/games', { title: 'A' })).problem).toMatch(/^There is no connection/);
    for (let n = 0; n < 3; n += 1) await send('POST', '/games', { title: 'A' });
    expect(new Set(ids.slice(0, 3)).size).toBe(1);
    expect(ids[3]).not.toBe(ids[0]);
  });

  it('is told apart by what it asks', async () => {
    const ids = serverThat(null, null, 409, 201);
    await send('POST', '/games', { title: 'A' });
    await send('POST', '/games', { title: 'B' });
    await send('POST', '/games', { title: 'B' });
    await send('POST', '/games', { title: 'B' });
    expect(new Set(ids).size).toBe(3);
    expect(ids[1]).toBe(ids[2]);
  });
});
