// @vitest-environment happy-dom
/** The family's counter with every starter: what it offers is tapped until the go is over or stopped. */
import { act, fireEvent, render, screen, within, waitFor } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { STARTERS } from '../../../tests/examples/starters';
import { compile } from '@/core/rules/playing/compile';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { measure } from '@/core/rules/playing/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/format/play';
import { replay } from '@/core/rules/playing/replay';
import { InFamilyLanguage } from '@/features/languages/use-words';
import { Counter } from './counter';
import type { Entering } from './entering';
import { usePlay, type Before, type PlayInHand } from './use-play';

let hand: PlayInHand;
const kept: { events: readonly PlayEvent[]; entering: Entering } = { events: [], entering: {} };
const keep = (events: readonly PlayEvent[], entering: Entering = {}) => void Object.assign(kept, { events, entering });

const FROM_THE_START = { events: [] };

function InHand({ level, before = FROM_THE_START, counting = 'attempts' }: { level: Game; before?: Before; counting?: CountingWay }) {
  const play = usePlay(level, before, keep, counting);
  useLayoutEffect(() => {
    hand = play;
  });
  return <Counter play={play} exerciseSwapped={false} />;
}

const can = (element: Element) => !(element as HTMLButtonElement).disabled;

/** Pressed as from the keys: with the focus on it. */
function pressed(element: Element): boolean {
  (element as HTMLElement).focus();
  return fireEvent.click(element);
}

/** Does the next thing that the counter offers; false when it offers nothing. */
function tap(n: number): boolean {
  const word = screen.queryByLabelText('The word');
  if (word) fireEvent.change(word, { target: { value: `towel ${n}` } });
  const length = screen.queryByLabelText('Centimetres');
  if (length) fireEvent.change(length, { target: { value: '42' } });
  const flags = screen.queryByRole('group', { name: 'What happened on the way' });
  if (flags && n % 3 === 1) pressed(within(flags).getAllByRole('button')[0]!);
  const found = screen.queryByRole('list', { name: 'Tap what you find' });
  const item = found && within(found).getAllByRole('button').find(can);
  if (item) return pressed(item);
  const pin = screen.queryAllByRole('checkbox').find(can);
  if (n % 2 === 0 && pin) pressed(pin);
  const written = screen.queryByRole('button', { name: /^Write down/ });
  if (written) {
    for (let more = 0; more < 3; more += 1) pressed(screen.getByRole('button', { name: 'One more' }));
    return pressed(written);
  }
  const marks = screen.queryAllByRole('radio').filter(can);
  if (n % 4 === 3 && marks.length > 1) pressed(marks[n % marks.length]!);
  const offered = screen.queryAllByRole('button').filter((one) => can(one) && !/^(Undo|Stop|End here)/.test(one.textContent ?? ''));
  return offered.length > 0 && pressed(offered[n % offered.length]!);
}

describe('the counter', () => {
  beforeEach(() => keep([]));
  it('asks which of two that fell stays down, where one counts; it may be thought over', () => {
    const jetty = resolveLevel(STARTERS.find(({ id }) => id === 'clear-the-jetty')!.game, 0);
    const [part] = jetty.parts;
    const rows = [{ if: [], validity: 'counts' as const, do: [{ do: 'restore' as const, group: part!.stages[0]!.at!, but: 1 as const }] }];
    render(<InHand level={{ ...jetty, parts: [{ ...part!, rows }] }} />);
    const pin = (n: number) => screen.getByRole('checkbox', { name: `Pin ${n}` });
    fireEvent.click(pin(1));
    fireEvent.click(pin(3));
    fireEvent.click(screen.getByRole('button', { name: '2 fell' }));
    expect(screen.getByText('Which one stays down? Tap it.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Back' }));
    expect(kept.events).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: '2 fell' }));
    fireEvent.click(pin(3));
    expect(kept.events).toMatchObject([{ do: 'attempt', felled: [0, 2], kept: 2 }]);
    // Again: only one is gone.
    expect(pin(1).getAttribute('aria-disabled')).toBe('false');
    expect(screen.getByRole('checkbox', { name: 'Pin 3, already gone' })).toBeTruthy();
    // One alone is not asked about.
    fireEvent.click(pin(2));
    fireEvent.click(screen.getByRole('button', { name: '1 fell' }));
    expect(kept.events).toHaveLength(2);
  });

  it.each(STARTERS.map(({ id, game }) => [id, game] as const))(
    'plays %s by what it offers: every tap is legal, and the score is the engine’s',
    (_id, game) => {
      const level = resolveLevel(game, 0);
      render(<InHand level={level} />);
      for (let n = 0; n < 24 && !hand.moves.over; n += 1) {
        const before = kept.events.length;
        if (!tap(n)) break;
        // What was tapped is an event, or a choice that the next tap goes with.
        expect(kept.events.length).toBeGreaterThanOrEqual(before);
        // Whoever plays by keys, or by ear, is where the next tap is.
        if (!hand.moves.over)
          expect(document.activeElement!.matches('button:not(:disabled), input, [role=checkbox]'), document.activeElement!.outerHTML).toBe(true);
      }
      if (!hand.moves.over) act(() => hand.finish());
      expect(kept.events.length).toBeGreaterThan(0);
      const compiled = compile(level);
      if (!compiled.ok) throw new Error('the starter does not compile');
      const { state, refused } = replay(compiled.value, kept.events, 'attempts');
      expect(refused).toEqual([]);
      expect(measure(compiled.value, state).value).toBe(hand.result.value);
    },
  );
  it('takes the last tap back, as if it had not been', () => {
    const level = resolveLevel(STARTERS.find(({ id }) => id === 'harbour-lamps')!.game, 0);
    render(<InHand level={level} />);
    tap(0);
    const first = hand.result.value;
    tap(1);
    fireEvent.click(screen.getByRole('button', { name: /^Undo/ }));
    expect(hand.result.value).toBe(first);
  });

  const levelOf = (id: string) => resolveLevel(STARTERS.find((one) => one.id === id)!.game, 0);
  const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

  describe('unhappy at home: what is being entered and not written down yet', () => {
    const twelve = () => {
      for (let n = 0; n < 12; n += 1) press('One more');
      expect(kept.entering.count).toBe(12);
    };
    const counted = () => (screen.getByLabelText('How many so far') as HTMLInputElement).value;

    it('outlives a stop of the clock, and a page that is opened again', () => {
      const { unmount } = render(<InHand level={levelOf('lily-pads')} />);
      twelve();
      press('Stop the clock');
      expect(screen.getByText('12 counted, and kept')).toBeTruthy();
      press('Go on');
      expect(counted()).toBe('12');
      const before = { ...kept };
      unmount();
      render(<InHand level={levelOf('lily-pads')} before={before} />);
      expect(counted()).toBe('12');
      press('One more');
      expect(counted()).toBe('13');
    });

    it.each([
      ['at the end that the family chooses', () => (press('Stop the clock'), press('End here'))],
      ['by the whistle', () => act(() => vi.advanceTimersByTime(600_000))],
    ])('is the score when the go ends %s', (_how, end) => {
      vi.useFakeTimers();
      render(<InHand level={levelOf('lily-pads')} />);
      twelve();
      end();
      expect(hand.moves.over).toBe(true);
      expect(hand.result.value).toBe(12);
      const compiled = compile(levelOf('lily-pads'));
      if (!compiled.ok) throw new Error('the starter does not compile');
      expect(replay(compiled.value, kept.events).refused).toEqual([]);
      vi.useRealTimers();
    });

    it('pins that were tapped and a length that was typed stay through a stop', () => {
      const { unmount } = render(<InHand level={levelOf('skittle-stair')} />);
      fireEvent.click(screen.getAllByRole('checkbox').find(can)!);
      press('Stop');
      press('Go on');
      expect(screen.getByRole('button', { name: '1 fell' })).toBeTruthy();
      press('Stop');
      press('End here');
      expect(kept.events.some((event) => event.do === 'attempt' && event.felled?.length === 1)).toBe(true);
      unmount();
      render(<InHand level={levelOf('drop-anchor')} />);
      fireEvent.change(screen.getByLabelText('Centimetres'), { target: { value: '41½' } });
      press('Stop');
      press('Go on');
      expect((screen.getByLabelText('Centimetres') as HTMLInputElement).value).toBe('41½');
      press('Write it down');
      expect(kept.events.at(-1)).toMatchObject({ do: 'attempt', lengthMm: 415 });
    });

    it('a figure that is none is told, and never turned into another', () => {
      render(<InHand level={levelOf('lily-pads')} />);
      const field = screen.getByLabelText('How many so far');
      fireEvent.change(field, { target: { value: '3.5' } });
      expect(counted()).not.toBe('35');
    });
  });

  describe('unhappy at home: where only what goes well is tapped', () => {
    it('asks for the end after the last of so many tries, and comes to the second go', () => {
      render(<InHand level={levelOf('heron-strike')} counting="successes" />);
      press(/^Hit|^In|^It/);
      press('That was the last of 6 tries');
      expect(hand.moves.over).toBe(false);
      press(/^Start/);
      press(/^Hit|^In|^It/);
      press('That was the last of 6 tries');
      expect(hand.moves.over).toBe(true);
      expect(hand.result.parts.map(({ finished }) => finished)).toEqual(['attempts']);
      const compiled = compile(levelOf('heron-strike'));
      if (!compiled.ok) throw new Error('the starter does not compile');
      const { state, refused } = replay(compiled.value, kept.events, 'successes');
      expect(refused).toEqual([]);
      expect(measure(compiled.value, state).value).toBe(hand.result.value);
    });

    it('a game that ends by its rules alone does not ask', () => {
      render(<InHand level={levelOf('harbour-lamps')} counting="successes" />);
      expect(screen.queryByRole('button', { name: /^That was the last/ })).toBeNull();
    });
  });

  it('of several players tells whose turn it is, and comes to its end', () => {
    render(<InHand level={levelOf('harbour-stores')} />);
    const turns = new Set<string>();
    for (let n = 0; n < 60 && !hand.moves.over; n += 1) {
      const told = screen.queryByText(/^Your turn|^Player 2 has a turn/)?.textContent;
      if (told) turns.add(told);
      tap(n);
    }
    expect([...turns].sort()).toEqual(['Player 2 has a turn', 'Your turn']);
    expect(hand.moves.over).toBe(true);
  });

  describe('with the clock of a go', () => {
    beforeEach(() => {
      vi.useFakeTimers();
    });
    afterEach(() => {
      vi.useRealTimers();
    });
    const pass = (seconds: number) => act(() => vi.advanceTimersByTime(seconds * 1000));
    const harbour = () => render(<InHand level={resolveLevel(STARTERS.find(({ id }) => id === 'harbour-lamps')!.game, 1)} />);

    it('asks at the whistle about a ball in the air, and ends the go with the time', () => {
      harbour();
      pass(4);
      fireEvent.click(screen.getByRole('button', { name: /^In/ }));
      const one = hand.result.value;
      pass(95);
      expect(screen.getByText('Time! Was a ball in the air?')).toBeTruthy();
      expect(screen.getByRole('timer').textContent).toBe('0:00');
      expect(hand.moves.over).toBe(false);
      fireEvent.click(screen.getByRole('button', { name: /^In/ }));
      expect(hand.moves.over).toBe(true);
      expect(hand.result.value).toBe(2 * (one ?? 0));
    });

    it('shows the second that runs, and keeps it while the clock is stopped', () => {
      harbour();
      const left = () => screen.getByRole('timer').textContent;
      expect(left()).toBe('1:20');
      pass(7);
      expect(left()).toBe('1:13');
      fireEvent.click(screen.getByRole('button', { name: 'Stop the clock' }));
      pass(30);
      expect(left()).toBe('1:13');
      fireEvent.click(screen.getByRole('button', { name: /^Go on/ }));
      pass(3);
      expect(left()).toBe('1:10');
    });

    it('tells a screen reader whose mark it is, the time, what can be done and the score that changed', () => {
      const { container } = harbour();
      expect(screen.getByRole('timer').textContent).toMatch(/^\d:\d\d$/);
      const which = within(screen.getByRole('radiogroup', { name: 'Which mark?' }));
      expect(which.getByRole('radio', { name: /^near mark, \d+ points/, checked: true })).toBeTruthy();
      expect(which.getByRole('radio', { name: /^middle mark, \d+ points/, checked: false })).toBeTruthy();
      expect(which.getByRole('radio', { name: /^far mark, \d+ points/, checked: false })).toBeTruthy();
      for (const name of [/^In/, /^Missed/, /^Stop the clock/]) expect(screen.getByRole('button', { name })).toBeTruthy();
      fireEvent.click(screen.getByRole('button', { name: /^In/ }));
      expect(container.querySelector('[aria-live=polite]')!.textContent).toMatch(/[1-9]/);
      expect(screen.getByRole('button', { name: /^Undo/ })).toBeTruthy();
    });
  });

  describe('in a language that only tests speak', () => {
    // Read once before: what is waited for below is the page, not the machine.
    beforeAll(() => import('@/core/words/pseudo'));
    beforeEach(() => localStorage.setItem('lochside language', 'pseudo'));
    afterEach(() => localStorage.clear());

    /** What stands there in Latin letters, but for units. */
    const latin = (root: Element) =>
      [...root.querySelectorAll('*')]
        .flatMap((one) => [
          ...[...one.childNodes].filter((node) => node.nodeType === Node.TEXT_NODE).map((node) => node.textContent ?? ''),
          one.getAttribute('aria-label') ?? '',
          one.getAttribute('placeholder') ?? '',
        ])
        .filter((text) => /\p{Script=Latin}/u.test(text.replace(/\b(cm|mm|m|s|min)\b/g, '')));

    it.each(STARTERS.map(({ id, game }) => [id, game] as const))('says no word of %s that is outside of the catalogue', async (_id, game) => {
      const { container } = render(
        <InFamilyLanguage>
          <InHand level={resolveLevel(game, 0)} />
        </InFamilyLanguage>,
      );
      await waitFor(() => expect(document.documentElement.dir).toBe('rtl'));
      expect(latin(container)).toEqual([]);
      const big = screen.getAllByRole('button').find(can)!;
      fireEvent.click(big);
      expect(latin(container)).toEqual([]);
      act(() => hand.pause());
      expect(latin(container)).toEqual([]);
    });
  });
});
