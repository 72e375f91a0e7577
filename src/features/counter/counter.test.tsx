// @vitest-environment happy-dom
/** The family's counter with every starter: what it offers is tapped until the go is over or stopped. */
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { beforeEach, describe, expect, it } from 'vitest';
import { STARTERS } from '../../../tests/examples/starters';
import { compile } from '@/core/rules/compile';
import type { Game } from '@/core/rules/game';
import { resolveLevel } from '@/core/rules/level';
import { measure } from '@/core/rules/measure';
import type { PlayEvent } from '@/core/rules/play';
import { replay } from '@/core/rules/replay';
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
});
