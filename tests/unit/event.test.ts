import { describe, expect, it } from 'vitest';
import { eventCard, readEvent, type GameEvent } from '@/core/rules/format/event';
import { EVENT_FORMAT } from '@/core/rules/format/formats';
import { starter } from '../examples/starters';

const event: GameEvent = {
  format: EVENT_FORMAT,
  title: 'Regatta week',
  items: [
    { game: starter('ferry-fares'), level: 'level-1' },
    { game: starter('lily-pads'), level: 'level-2', ages: { from: 6, to: 8 } },
    { game: starter('heron-strike'), level: 'level-3' },
  ],
  card: { combine: 'sum', better: 'high' },
};

describe('several games sent home as one event with one card', () => {
  it('reads, and adds up when every game has come in', () => {
    expect(readEvent(event)).toMatchObject({ ok: true });
    expect(eventCard(event, [20, 55, 4])).toMatchObject({ value: 79, done: 3 });
    expect(eventCard(event, [20, null, 4])).toMatchObject({
      value: null,
      done: 2,
      lines: [{ value: 20 }, { value: null, unit: 'taps' }, { value: 4 }],
    });
    expect(eventCard({ ...event, card: { combine: 'list', better: 'high' } }, [20, 55, 4]).value).toBeNull();
  });
  it('names the place of a level or a rule that is not there, and holds no more than twenty games', () => {
    const wrong = readEvent({ ...event, items: [{ game: event.items[0]!.game, level: 'level-9' }] });
    expect(wrong).toMatchObject({ ok: false, problems: [{ place: '/items/0/level' }] });
    expect(readEvent({ ...event, items: Array.from({ length: 21 }, () => event.items[0]!) }).ok).toBe(false);
    expect(readEvent({ ...event, items: [] }).ok).toBe(false);
    expect(readEvent(null).ok).toBe(false);
  });
});
