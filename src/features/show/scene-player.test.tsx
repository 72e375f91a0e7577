// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { stepPace } from '@/core/measure/lengths';
import { resolveLevel } from '@/core/rules/format/level';
import { scenesOf } from '@/core/scene/scene';
import { starter } from '../../../tests/examples/starters';
import { ScenePlayer } from './scene-player';

const level = resolveLevel(starter('harbour-lamps'), 1);
const pace = stepPace(0.45);
const { shots } = scenesOf(level, { pace, hand: 'right' })[0]!;
const said: string[] = [];

function moves(reduced: boolean) {
  vi.stubGlobal('matchMedia', () => ({ matches: reduced, addEventListener: () => undefined, removeEventListener: () => undefined }));
}

beforeEach(() => {
  said.length = 0;
  class Utterance {
    lang = '';
    rate = 1;
    constructor(readonly text: string) {}
  }
  vi.stubGlobal('SpeechSynthesisUtterance', Utterance);
  vi.stubGlobal('speechSynthesis', { cancel: () => undefined, speak: (one: Utterance) => said.push(one.text) });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('a game shows itself', () => {
  it('with a voice that says what stands below; on and back by steps, held and let go', async () => {
    moves(false);
    render(<ScenePlayer level={level} pace={pace} hand="right" />);
    const user = userEvent.setup();
    expect(screen.getByText(shots[0]!.says)).toBeTruthy();
    expect(said).toEqual([shots[0]!.says]);
    await user.click(screen.getByRole('button', { name: 'Hold it' }));
    await user.click(screen.getByRole('button', { name: 'Step on' }));
    expect(screen.getByText(shots[1]!.says)).toBeTruthy();
    // Held: nothing is said.
    expect(said).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: 'Go on' }));
    expect(said.at(-1)).toBe(shots[1]!.says);
    await user.click(screen.getByRole('button', { name: 'Voice on' }));
    await user.click(screen.getByRole('button', { name: 'Step back' }));
    expect(screen.getByText(shots[0]!.says)).toBeTruthy();
    expect(said).toHaveLength(2);
  });
  it('in still pictures, each with its words, where motion is not wanted', () => {
    moves(true);
    render(<ScenePlayer level={level} pace={pace} hand="left" />);
    expect(screen.queryByRole('button', { name: 'Hold it' })).toBeNull();
    for (const { says } of shots) expect(screen.getAllByText(says).length).toBeGreaterThan(0);
    expect(screen.getAllByRole('listitem')).toHaveLength(shots.reduce((sum, { demos }) => sum + Math.max(1, demos.length), 0));
  });
});
