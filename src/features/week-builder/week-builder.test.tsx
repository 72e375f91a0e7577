// @vitest-environment happy-dom
import { render, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Uuid } from '@/contract/ids';
import { InLocale } from '@/ui/in-locale';
import type { ShelfGame } from '../games/shelf-game';
import { WeekBuilder, type WeekBuilderProps } from './week-builder';

const push = vi.hoisted(() => vi.fn());
vi.mock('next/navigation', () => ({ useRouter: () => ({ push }) }));

const uuid = (n: number) => `00000000-0000-4000-8000-${`${n}`.padStart(12, '0')}` as Uuid;
const game = (n: number, title: string) => ({
  id: uuid(n),
  title,
  ageYears: 8,
  levels: [
    { id: 'paddle', name: 'Paddle', seconds: 60 },
    { id: 'swim', name: 'Swim', seconds: 80 },
  ],
  things: [{ n: 3, name: 'cups' }],
  runs: false,
});
const pictured = (n: number, title: string): ShelfGame => ({
  id: uuid(n),
  title,
  about: 'underarm throw',
  movements: ['underarm'],
  ageYears: 8,
  putAway: false,
  says: '',
  things: [],
  minutes: 1,
  lineM: 2,
  folder: null,
  madeBy: null,
  sent: 0,
  course: { floor: { widthM: 4, depthM: 3, surface: 'hard' }, furniture: [], places: {}, targets: {} },
  radii: [],
  of: 'Of ten tries so many succeed',
  levels: [],
});
const props: WeekBuilderProps = {
  today: '2027-03-01',
  asked: {},
  mayChange: true,
  classes: [{ id: uuid(100), name: 'P3 Terns', ageYears: 8, ownTries: 0, children: [{ id: uuid(11), name: 'Isla M.', ageYears: 8 }] }],
  games: [game(1, 'Lantern Quay'), game(2, 'Kelp Kettle')],
  shelf: [pictured(1, 'Lantern Quay'), pictured(2, 'Kelp Kettle')],
};

interface Sent {
  readonly url: string;
  readonly body: { readonly title: string; readonly games: readonly { readonly gameId: string; readonly levelId: string }[]; readonly kit: unknown };
}
let sent: Sent[];
let answer: () => Response;
beforeEach(() => {
  sent = [];
  answer = () => Response.json({ id: 'week' }, { status: 201 });
  push.mockClear();
  localStorage.clear();
  vi.stubGlobal('fetch', (url: string, { body }: RequestInit = {}) => {
    sent.push({ url, body: JSON.parse(body as string) as Sent['body'] });
    return Promise.resolve(url.endsWith('/preview') ? Response.json({ problems: [] }, { status: 503 }) : answer());
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const open = (more: Partial<WeekBuilderProps> = {}) =>
  render(
    <InLocale locale="en-GB" timeZone="Europe/London">
      <WeekBuilder {...props} {...more} />
    </InLocale>,
  );
const press = (name: string | RegExp) => screen.getByRole('button', { name }) as HTMLButtonElement;
async function take(user: ReturnType<typeof userEvent.setup>, title: string) {
  await user.click(press(/(Choose a game|Add a game)$/));
  await user.click(screen.getByRole('option', { name: title }));
}
const order = () => screen.queryAllByRole('button', { name: /: move / }).map((one) => one.getAttribute('aria-label'));
const weeksSent = () => sent.filter(({ url }) => url === '/api/v1/weeks');

describe('a week that is built', () => {
  it('cannot be sent before it has a game, and never by a helper', async () => {
    const { unmount } = open();
    expect(press('Send to P3 Terns').disabled).toBe(true);
    unmount();
    open({ mayChange: false });
    await take(userEvent.setup(), 'Lantern Quay');
    expect(press('Send to P3 Terns').disabled).toBe(true);
  });

  it('becomes an event with its second game, in the order that is chosen, and is sent so', async () => {
    const user = userEvent.setup();
    open();
    await take(user, 'Lantern Quay');
    expect(screen.queryByLabelText('What the event is called')).toBeNull();
    await take(user, 'Kelp Kettle');
    await user.type(screen.getByLabelText('What the event is called'), 'Shore day');
    await user.click(press('Kelp Kettle earlier'));
    expect(order()).toEqual(['1: move Kelp Kettle', '2: move Lantern Quay']);
    await user.click(press('Send to P3 Terns'));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/weeks/week'));
    expect(weeksSent()).toMatchObject([{ body: { title: 'Shore day', games: [{ gameId: uuid(2) }, { gameId: uuid(1) }] } }]);
    expect(localStorage.getItem('lochside-week-plan')).toBeNull();
  });

  it('is there again after a reload', async () => {
    const user = userEvent.setup();
    const { unmount } = open();
    await take(user, 'Kelp Kettle');
    await user.type(screen.getByLabelText(/^A word to the families/), 'Soft shoes.');
    unmount();
    open();
    await waitFor(() => expect(order()).toEqual(['1: move Kelp Kettle']));
    expect((screen.getByLabelText(/^A word to the families/) as HTMLInputElement).value).toBe('Soft shoes.');
  });

  it('loses nothing when it is refused', async () => {
    answer = () => Response.json({ problems: [{ place: '/note', reason: 'It is too long.', fix: 'Shorten it.' }] }, { status: 400 });
    const user = userEvent.setup();
    open();
    await take(user, 'Lantern Quay');
    await user.click(press('Send to P3 Terns'));
    expect(await screen.findByText('It is too long. Shorten it.')).toBeTruthy();
    expect(order()).toEqual(['1: move Lantern Quay']);
    expect(push).not.toHaveBeenCalled();
    expect(localStorage.getItem('lochside-week-plan')).not.toBeNull();
  });

  it('lists what the home finds, with things of the teacher’s own', async () => {
    const user = userEvent.setup();
    open();
    await take(user, 'Lantern Quay');
    await user.type(screen.getByLabelText('Another thing'), 'chalk{Enter}');
    const names = within(screen.getByRole('table'))
      .getAllByRole('row')
      .slice(1)
      .map((row) => row.querySelector('th,td')!.textContent);
    expect(names.join()).toMatch(/cups.*chalk/);
    await user.click(press('Leave out cups'));
    await user.click(press('Send to P3 Terns'));
    await waitFor(() => expect(weeksSent()[0]?.body.kit).toEqual([{ name: 'chalk', n: 1, from: 'school' }]));
  });

  it('is asked for as a card once it has been left alone for a moment', async () => {
    const user = userEvent.setup();
    open();
    await take(user, 'Lantern Quay');
    expect(sent).toEqual([]);
    await waitFor(() => expect(sent.some(({ url, body }) => url.endsWith('/preview') && body.games.length === 1)).toBe(true));
  });

  it('begins with what is missing when the school has none', () => {
    const { unmount } = open({ games: [] });
    expect(screen.getByText(/There is no game on the shelf yet/)).toBeTruthy();
    unmount();
    open({ classes: [] });
    expect(screen.getByText(/There is no class yet/)).toBeTruthy();
  });
});
