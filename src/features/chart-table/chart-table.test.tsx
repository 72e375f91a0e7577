// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { screen, within } from '@testing-library/react';
import { openTable } from '../../../tests/component/open-table';
import { starter } from '../../../tests/examples/starters';

beforeEach(() => sessionStorage.clear());
afterEach(() => {
  vi.unstubAllGlobals();
});

const press = (name: string | RegExp) => screen.getByRole('button', { name });
const field = (name: string | RegExp) => screen.getByLabelText(name) as HTMLInputElement;

type User = ReturnType<typeof openTable>['user'];

/** Pasted, for speed, and confirmed. */
async function typed(user: User, box: HTMLInputElement, text: string): Promise<void> {
  await user.click(box);
  box.setSelectionRange(0, box.value.length);
  await user.paste(text);
  await user.keyboard('{Enter}');
}

const leaf = (user: User, name: string) => user.click(screen.getByRole('tab', { name: new RegExp(`^${name}`) }));

describe('levels on the chart table', () => {
  it('are copied in another form, put in another order, changed alone, compared and taken away', async () => {
    const { user, saved } = openTable(starter('harbour-lamps'));
    const menu = async (item: RegExp) => {
      await user.click(press(/^What to do with/));
      await user.click(screen.getByRole('menuitem', { name: item }));
    };
    await menu(/^Seated/);
    expect(field('Name of the level that is shown').value).toBe('Wade, seated');
    await menu(/^One place later/);
    await user.click(screen.getByRole('checkbox', { name: /^change Wade, seated only/ }));
    await typed(user, field(/^Seconds/), '120');
    await user.click(press('Side by side'));
    const levers = within(screen.getByRole('region', { name: 'Levels, lever by lever' }));
    expect(levers.getByText('seated')).toBeTruthy();
    expect(levers.getByText(/120/)).toBeTruthy();
    await user.keyboard('{Escape}');
    const game = await saved();
    expect(game.levels.map((level) => level.name)).toEqual(['Paddle', 'Wade', 'Swim', 'Wade, seated']);
    expect(game.parts[0]!.clock.s).toBe(80);
    expect(game.levels[3]!.set).toMatchObject({ '/kit/form': 'seated', '/parts/0/clock/s': 120 });
    await menu(/^Take Wade, seated away/);
    expect((await saved()).levels).toHaveLength(3);
  });
});

describe('the skill of a game', () => {
  it('shows teaching points for either side, told in other words; what to look for; a caution of the teacher’s own', async () => {
    const { user, saved } = openTable(starter('heron-strike'));
    await leaf(user, 'Skill');
    expect(screen.getByRole('img', { name: /right side, shown again and again/ })).toBeTruthy();
    await typed(user, field(/^What to do, point 1/), 'Left foot first, big and slow.');
    await user.tab();
    await user.click(press('shown for the right'));
    expect(screen.getByRole('img', { name: /left side, shown again and again/ })).toBeTruthy();
    await typed(user, field('What to look for, 1'), 'Eyes stay on the reed');
    await user.click(screen.getAllByRole('button', { name: 'One more' }).at(-1)!);
    await typed(user, field('A caution of yours, 1'), 'Not beside the cooker.');
    const { teaching } = await saved();
    expect(Object.values(teaching!.points!)[0]![0]!.point).toBe('Left foot first, big and slow.');
    expect(teaching!.lookFors![0]).toBe('Eyes stay on the reed');
    expect(teaching!.cautions).toEqual(['Not beside the cooker.']);
  });
});

describe('the floor', () => {
  it('begins from another one with its furniture', async () => {
    const { user, saved } = openTable(starter('harbour-lamps'));
    await leaf(user, 'Floor');
    await user.click(press('Start from a floor of the list'));
    await user.click(screen.getByRole('menuitem', { name: /^bedroom/ }));
    expect((await saved()).course.furniture.map(({ name }) => name)).toContain('bed');
  });
});
