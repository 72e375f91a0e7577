// @vitest-environment happy-dom
import { act, render, screen, waitFor } from '@testing-library/react';
import Joi from 'joi';
import { SWRConfig } from 'swr';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useRead, type HowToRead } from './reads';

interface Told {
  readonly n: number;
}

const schema = Joi.object<Told>({ n: Joi.number().required() });
const seen: (Told | undefined)[] = [];

function Shown({ url, how }: { url: string; how?: HowToRead<Told> }) {
  const { data, error, mutate } = useRead(url, schema, how);
  seen.push(data);
  return (
    <button type="button" onClick={() => void mutate()}>
      {error ? error.message : data ? `n is ${data.n}` : 'One moment'}
    </button>
  );
}

const show = (url: string, how?: HowToRead<Told>) =>
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <Shown url={url} {...(how && { how })} />
    </SWRConfig>,
  );

const answer = (body: unknown, status = 200, tag?: string) =>
  new Response(status === 304 ? null : JSON.stringify(body), { status, headers: tag ? { etag: tag } : {} });

const asked = vi.fn<(url: string, init: RequestInit) => Promise<Response>>();

beforeEach(() => {
  seen.length = 0;
  asked.mockReset();
  vi.stubGlobal('fetch', asked);
});
afterEach(() => vi.unstubAllGlobals());

describe('what a page reads', () => {
  it('shows what the page was served with and does not ask for it again', () => {
    show('/a', { first: { n: 1 } });
    expect(screen.getByText('n is 1')).toBeTruthy();
    expect(asked).not.toHaveBeenCalled();
  });
  it('asks with the tag of what it has; what has not changed is the same object', async () => {
    asked.mockResolvedValueOnce(answer({ n: 2 }, 200, '"two"')).mockResolvedValueOnce(answer(null, 304));
    show('/tagged');
    await screen.findByText('n is 2');
    const before = seen.at(-1);
    // Within half a second the same is not asked twice.
    await waitFor(() => {
      act(() => screen.getByRole('button').click());
      expect(asked).toHaveBeenCalledTimes(2);
    });
    expect(asked.mock.calls[1]![1]).toMatchObject({ headers: { 'if-none-match': '"two"' } });
    expect(seen.at(-1)).toBe(before);
  });
  it('says the problem that the route named, and what does not fit its contract is no answer', async () => {
    asked.mockResolvedValueOnce(answer({ problems: [{ place: '', reason: 'There is no such class here.', fix: 'Go back.' }] }, 404));
    show('/gone');
    await screen.findByText('There is no such class here. Go back.');
    asked.mockResolvedValueOnce(answer({ n: 'many' }));
    show('/odd');
    await screen.findByText(/answered with something that this page does not know/);
  });
  it('goes on asking after a lost connection, keeps the last figures meanwhile, and is up to date again', async () => {
    asked.mockRejectedValueOnce(new TypeError('offline')).mockResolvedValue(answer({ n: 4 }));
    show('/live', { first: { n: 3 }, everyMs: 40 });
    await screen.findByText(/There is no connection/);
    expect(seen.at(-1)).toEqual({ n: 3 });
    await screen.findByText('n is 4');
  });
  it('a late answer never comes over a newer one', async () => {
    let late!: (response: Response) => void;
    asked.mockImplementation((_url, init) =>
      init.body === '{"of":"old"}' ? new Promise((resolve) => (late = resolve)) : Promise.resolve(answer({ n: 9 })),
    );
    const { rerender } = show('/preview', { body: { of: 'old' } });
    rerender(
      <SWRConfig value={{ provider: () => new Map() }}>
        <Shown url="/preview" how={{ body: { of: 'new' } }} />
      </SWRConfig>,
    );
    await screen.findByText('n is 9');
    await act(async () => late(answer({ n: 1 })));
    expect(screen.getByRole('button').textContent).toBe('n is 9');
  });
});
