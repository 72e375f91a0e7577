// @vitest-environment happy-dom
import { screen, render, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SheetsToType } from '@/contract/sheets';
import { InLocale } from '@/ui/in-locale';
import { starter } from '../../../tests/examples/starters';
import { TypingPage } from './typing-page';

const game = starter('harbour-lamps');
const setUp = { distancesM: [1.2, 1.8, 2.5], stepM: 0.5, ageYears: 8, form: 'standing' };
const sheet = (name: string, reported = false) => ({
  assignmentId: `assignment of ${name}`,
  childId: `child ${name}`,
  name,
  onPaper: true,
  levelId: game.levels[1]!.id,
  setUp,
  reported,
});
const found = {
  weeks: [{ id: 'week', number: 3, dueOn: '2027-03-05' }],
  weekId: 'week',
  games: [{ itemId: 'item', title: game.title }],
  itemId: 'item',
  game,
  sheets: [sheet('Isla M.'), sheet('Ivor B.'), sheet('Isobel T.', true)],
} as unknown as SheetsToType;

interface Sent {
  readonly assignmentId: string;
  readonly report: { readonly goes: readonly [{ readonly level: string; readonly total: number | null; readonly setUp: typeof setUp }] };
}
let sent: Sent[];
let answer: () => Response;
beforeEach(() => {
  sent = [];
  answer = () => Response.json({ verdict: 'clean' });
  vi.stubGlobal('fetch', (url: string, { body }: RequestInit = {}) => {
    if (url.endsWith('/slip')) return Promise.resolve(Response.json({ childId: 'child Ivor B.' }));
    sent.push(JSON.parse(body as string) as Sent);
    return Promise.resolve(answer());
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const open = () => {
  render(
    <InLocale locale="en-GB" timeZone="Europe/London">
      <TypingPage classes={[{ id: 'class', name: 'P4 Dippers' }] as never} classId={'class' as never} found={found} />
    </InLocale>,
  );
  return userEvent.setup();
};
const field = (name: string | RegExp) => screen.getByLabelText(name) as HTMLInputElement;
const kept = () =>
  within(screen.getByRole('table'))
    .getAllByRole('row')
    .slice(1)
    .map((row) => row.textContent);

describe('sheets of paper, one line each', () => {
  it('are typed by keys alone: the first letters, the cells, Enter; then the next line', async () => {
    const user = open();
    expect(document.activeElement).toBe(field('Child or code'));
    await user.keyboard('isl{Tab}3{Tab}{Tab}1{Enter}');
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.assignmentId).toBe('assignment of Isla M.');
    expect(sent[0]!.report.goes[0].level).toBe(game.levels[1]!.id);
    const { total } = sent[0]!.report.goes[0];
    await waitFor(() => expect(kept()).toEqual([`Isla M.${total} points`]));
    expect(document.activeElement).toBe(field('Child or code'));
    for (const name of ['Child or code', 'Total', /^near mark/, /^far mark/]) expect(field(name).value).toBe('');
    expect(screen.getByText('1 without a score')).toBeTruthy();
  });

  it('work the sum out beside a total that says otherwise, and keep both', async () => {
    answer = () => Response.json({ verdict: 'sum' });
    const user = open();
    await user.keyboard('ivor{Tab}2');
    const sum = /\d+$/.exec(document.getElementById('worked-out')!.textContent)![0];
    expect(Number(sum)).toBeGreaterThan(0);
    await user.type(field('Total'), `${Number(sum) + 5}{Enter}`);
    await waitFor(() => expect(sent[0]!.report.goes[0].total).toBe(Number(sum) + 5));
    await waitFor(() => expect(kept()[0]).toMatch(/waits under “To look at”/));
  });

  it('are “not finished” by an n, and known by the code of a slip', async () => {
    const user = open();
    await user.click(field('Child or code'));
    await user.paste('https://lochside.example/home#k=abcdefghijklmnopqrst');
    await screen.findByText('Ivor B.');
    await user.type(field('Total'), 'n{Enter}');
    await waitFor(() => expect(kept()).toEqual(['Ivor B.not finished']));
    expect(sent[0]!.report.goes[0].total).toBeNull();
  });

  it('may have been played at another level and from other marks', async () => {
    const user = open();
    await user.type(field('Child or code'), 'isla');
    await user.type(field('Steps to each mark'), '2 3 4½');
    await user.type(field('Total'), '7{Enter}');
    await waitFor(() => expect(sent[0]!.report.goes[0].setUp.distancesM).toEqual([1, 1.5, 2.25]));
  });

  it.each([
    ['{Tab}3{Enter}', 'Child or code', 'Which child is it? Type the first letters of the name.'],
    ['zorro{Tab}3{Enter}', 'Child or code', 'Nobody of this class is called so.'],
    ['isl{Tab}2.5{Enter}', /^near mark/, 'Write a whole number.'],
    ['isl{Tab}2000{Enter}', /^near mark/, /^The most is/],
    ['isl{Enter}', 'Total', 'Type the cells, or the total alone.'],
  ])('that say %s send nothing; what is wrong stands at its field', async (keys, at, said) => {
    const user = open();
    await user.keyboard(keys);
    const problem = await screen.findByText(said);
    expect(field(at).getAttribute('aria-errormessage')).toBe(problem.id);
    expect(document.activeElement).toBe(field(at));
    expect(sent).toEqual([]);
  });

  it('lose nothing when the line was refused', async () => {
    answer = () => Response.json({ problems: [{ place: '', reason: 'The database is away.', fix: 'Try again.' }] }, { status: 503 });
    const user = open();
    await user.keyboard('isl{Tab}3{Enter}');
    expect(await screen.findByText(/The database is away/)).toBeTruthy();
    expect(field('Child or code').value).toBe('isl');
    expect(field(/^near mark/).value).toBe('3');
  });
});
