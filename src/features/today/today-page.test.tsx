// @vitest-environment happy-dom
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Uuid } from '@/contract/ids';
import type { ClassToday, Today } from '@/contract/today';
import { TodayPage } from './today-page';

vi.stubGlobal('fetch', () => new Promise(() => {}));
const id = (n: number) => `00000000-0000-7000-8000-0000000000${n}` as Uuid;
const of = (n: number, name: string, change: Partial<ClassToday> = {}): ClassToday => ({
  id: id(n),
  name,
  children: 20,
  week: null,
  alsoOut: 0,
  doubts: 0,
  waiting: 0,
  last: null,
  planned: null,
  unlinked: 0,
  ...change,
});
const day = '2027-03-10';
const page = (today: Omit<Today, 'day'>, mayChange = true) => render(<TodayPage first={{ day, ...today }} mayChange={mayChange} />);
const focused = () => document.activeElement?.textContent;

describe('today', () => {
  it('is gone through by arrow keys: down and up a column, over rows that have nothing there, and along a row', () => {
    page({
      classes: [of(11, 'P2 Wagtails', { doubts: 2 }), of(12, 'P4 Dippers', { unlinked: 2 }), of(13, 'P6 Ospreys', { waiting: 1 })],
      begin: null,
    });
    const press = (key: string) => fireEvent.keyDown(document.activeElement!, { key });
    screen.getByRole('link', { name: '2 reports' }).focus();
    press('ArrowDown');
    expect(focused()).toBe('1 unclaimed');
    press('ArrowUp');
    expect(focused()).toBe('2 reports');
    press('ArrowRight');
    expect(focused()).toBe('Nothing is out: build a week');
    for (const words of ['Nothing is out: build a week', '2 without link or paper', 'Nothing is out: build a week']) {
      press('ArrowDown');
      expect(focused()).toBe(words);
    }
    press('ArrowDown');
    expect(focused()).toBe('Nothing is out: build a week');
    press('ArrowLeft');
    expect(focused()).toBe('1 unclaimed');
  });
  it('shows what is planned next, and beside it what last week says for it', () => {
    const planned = { planId: id(30), week: 6, on: '2027-03-15', title: 'Kelp Kettle', level: 'Swim' };
    const fit = { by: 'hits', fit: 'too-hard', reached: 12, of: 92, low: 0.1, high: 0.2 } as const;
    const level = { id: 'swim', name: 'Swim' };
    const last = { weekNumber: 5, title: 'Ferry Fares', gameId: id(31), levelId: level.id, level: level.name, easier: level, harder: null, fit };
    page({ classes: [of(11, 'P2 Wagtails', { planned, last }), of(12, 'P4 Dippers', { last })], begin: null });
    const [first, second] = screen.getAllByRole('row').slice(1);
    expect(first!.textContent).toContain('Kelp Kettle, Swimplanned for Mon 15 Mar · Too hard: Swim next');
    expect(screen.getByTitle('Ferry Fares: 12 of 92 tries hit')).toBeTruthy();
    expect(second!.textContent).toContain('Too hard: Swim nextFerry Fares: 12 of 92 tries hit');
  });
  it('tells a helper what is planned, and nothing to send', () => {
    const planned = { planId: id(30), week: 6, on: '2027-03-15', title: 'Kelp Kettle', level: 'Swim' };
    page({ classes: [of(11, 'P2 Wagtails', { planned }), of(12, 'P4 Dippers')], begin: null }, false);
    expect(screen.getByRole('link', { name: 'Kelp Kettle, Swim' })).toBeTruthy();
    expect(screen.queryByText(/Nothing is out/)).toBeNull();
  });
  it('leads a new school by four steps, the first that is not done standing out, and shows a helper none of them', () => {
    const begin = { classes: 1, classId: id(11), children: 0, games: 0 };
    const { unmount } = page({ classes: [of(11, 'P2 Wagtails', { children: 0 })], begin });
    const steps = screen.getByRole('list', { name: 'The first week of a school' });
    expect([...steps.querySelectorAll('a')].map((link) => link.getAttribute('href'))).toEqual([
      '/classes?new',
      `/classes/${id(11)}`,
      '/games/new',
      '/weeks/new',
    ]);
    unmount();
    page({ classes: [], begin: { classes: 0, classId: null, children: 0, games: 0 } }, false);
    expect(screen.queryByRole('list', { name: 'The first week of a school' })).toBeNull();
    expect(screen.getByText(/A teacher makes the classes/)).toBeTruthy();
  });
});
