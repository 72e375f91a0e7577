// @vitest-environment happy-dom
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { NewsTold } from './news-told';

afterEach(() => vi.unstubAllGlobals());

const NEWS = [
  { number: 2, words: 'Colleagues are invited on a page.', href: '/school' },
  { number: 5, words: 'A file says less.', href: '/scores/weeks' },
];

describe('what is new', () => {
  it('is read by one press, which says up to which line, and stays where that did not arrive', async () => {
    const sent: unknown[] = [];
    let status = 503;
    vi.stubGlobal('fetch', (url: string, { body }: { body: string }) => {
      sent.push([url, JSON.parse(body)]);
      return Promise.resolve(Response.json({}, { status }));
    });
    render(<NewsTold news={NEWS} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    const read = () => fireEvent.click(screen.getByRole('button', { name: 'I have read it' }));
    read();
    await screen.findByRole('alert');
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    status = 200;
    read();
    await waitFor(() => expect(screen.queryByRole('listitem')).toBeNull());
    expect(sent).toEqual([
      ['/api/v1/me/news', { upTo: 5 }],
      ['/api/v1/me/news', { upTo: 5 }],
    ]);
  });
  it('is not there where nothing is new', () => {
    const { container } = render(<NewsTold news={[]} />);
    expect(container.innerHTML).toBe('');
  });
});
