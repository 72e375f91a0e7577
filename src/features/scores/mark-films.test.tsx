// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { ScoreRow } from '@/contract/class-week';
import { MarkFilms } from './mark-films';

const child = (name: string) =>
  ({ childId: name, assignmentId: `a-${name}`, name, film: false, comment: '', looksTeacher: [], looksHome: null }) as unknown as ScoreRow;
const LOOKS = ['The foot is in front.', 'The arm swings back.', 'The hand follows.', 'Eyes on the target.'];

afterEach(() => vi.unstubAllGlobals());

it('a film is marked by six keys at most, and the next child comes by itself; what could not be kept stays', async () => {
  const sent: { url: string; body: unknown }[] = [];
  let fails = true;
  vi.stubGlobal('fetch', async (url: string, { body }: { body: string }) => {
    sent.push({ url, body: JSON.parse(body) });
    if (fails) return new Response('{"problems":[{"place":"","reason":"The school does not answer.","fix":""}]}', { status: 503 });
    return new Response('{}', { headers: { 'content-type': 'application/json' } });
  });
  const onClose = vi.fn();
  render(<MarkFilms rows={[child('Ailsa B.'), child('Ivor M.'), child('Una K.')]} lookFors={LOOKS} onClose={onClose} />);
  const user = userEvent.setup();
  expect(screen.getByText('Films: 1 of 3')).toBeTruthy();
  const keys = ['1', '1', '2', '3'];
  for (const key of keys) await user.keyboard(key);
  await user.keyboard('{Enter}');
  expect(await screen.findByRole('alert')).toBeTruthy();
  expect(screen.getByText('Ailsa B.')).toBeTruthy();
  fails = false;
  await user.keyboard('{Enter}');
  expect(await screen.findByText('Ivor M.')).toBeTruthy();
  expect(keys.length + 1).toBeLessThanOrEqual(6);
  expect(sent.at(-1)).toEqual({
    url: '/api/v1/assignments/a-Ailsa B./looks',
    body: {
      marks: LOOKS.map((look, index) => ({ look, mark: ['yes', 'yes', 'sometimes', 'not-yet'][index] })),
      film: true,
      comment: '',
    },
  });
  // None was handed in; then one is set right, and a comment does not mark.
  await user.keyboard('n');
  expect(await screen.findByText('Una K.')).toBeTruthy();
  await user.keyboard('13{Backspace}2');
  await user.type(screen.getByLabelText(/^One comment/), '1 long step{Enter}');
  expect(await screen.findByText('All films are gone through')).toBeTruthy();
  expect(sent.at(-1)!.body).toEqual({
    marks: [
      { look: LOOKS[0], mark: 'yes' },
      { look: LOOKS[1], mark: 'sometimes' },
    ],
    film: true,
    comment: '1 long step',
  });
  expect(sent).toHaveLength(3);
});
