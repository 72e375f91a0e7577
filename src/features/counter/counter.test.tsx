// @vitest-environment happy-dom
/** The family's counter with every starter: what it offers is tapped until the go is over or stopped. */
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { STARTERS } from '../../../tests/examples/starters';
import { compile } from '@/core/rules/compile';
import type { Game } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { measure } from '@/core/rules/measure';
import type { PlayEvent } from '@/core/rules/play';
import { replay } from '@/core/rules/replay';
import { InFamilyLanguage } from '@/features/languages/use-words';
import { Counter } from './counter';
import { usePlay, type PlayInHand } from './use-play';

let hand: PlayInHand;
const kept: { events: readonly PlayEvent[] } = { events: [] };
const keep = (events: readonly PlayEvent[]) => void (kept.events = events);

function InHand({ level }: { level: Game }) {
  const play = usePlay(level, [], keep);
  useLayoutEffect(() => {
    hand = play;
  });
  return <Counter play={play} exerciseSwapped={false} />;
}

const can = (element: Element) => !(element as HTMLButtonElement).disabled;

/** Does the next thing that the counter offers; false when it offers nothing. */
function tap(n: number): boolean {
  const word = screen.queryByLabelText('The word');
  if (word) fireEvent.change(word, { target: { value: `towel ${n}` } });
  const length = screen.queryByLabelText('Centimetres');
  if (length) fireEvent.change(length, { target: { value: '42' } });
  const flags = screen.queryByRole('group', { name: 'What happened on the way' });
  if (flags && n % 3 === 1) fireEvent.click(within(flags).getAllByRole('button')[0]!);
  const found = screen.queryByRole('list', { name: 'Tap what you find' });
  const item = found && within(found).getAllByRole('button').find(can);
  if (item) return fireEvent.click(item);
  const pin = screen.queryAllByRole('checkbox').find(can);
  if (n % 2 === 0 && pin) fireEvent.click(pin);
  const written = screen.queryByRole('button', { name: /^Write down/ });
  if (written) {
    for (let more = 0; more < 3; more += 1) fireEvent.click(screen.getByRole('button', { name: 'One more' }));
    return fireEvent.click(written);
  }
  const marks = screen.queryAllByRole('radio').filter(can);
  if (n % 4 === 3 && marks.length > 1) fireEvent.click(marks[n % marks.length]!);
  const offered = screen.queryAllByRole('button').filter((one) => can(one) && !/^(Undo|Stop|End here)/.test(one.textContent ?? ''));
  return offered.length > 0 && fireEvent.click(offered[n % offered.length]!);
}

describe('the counter', () => {
  beforeEach(() => keep([]));
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
      await vi.waitFor(() => expect(document.documentElement.dir).toBe('rtl'));
      expect(latin(container)).toEqual([]);
      const big = screen.getAllByRole('button').find(can)!;
      fireEvent.click(big);
      expect(latin(container)).toEqual([]);
      act(() => hand.pause());
      expect(latin(container)).toEqual([]);
    });
  });
});
