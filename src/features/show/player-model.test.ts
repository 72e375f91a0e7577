import { describe, expect, it } from 'vitest';
import type { Scene } from '@/core/scene/scene';
import { atItsEnd, AT_THE_START, later, stepped, type PlayerStanding } from './player-model';

const shot = (s: number) => ({ s }) as Scene['shots'][number];
const scenes = [{ shots: [shot(2), shot(4)] }, { shots: [shot(1)] }] as unknown as readonly Scene[];
const at = (chapter: number, of: number, share: number, running = true): PlayerStanding => ({ chapter, shot: of, share, running });

describe('a scene goes on', () => {
  it('by its shots, then by its stations, and stops at its end', () => {
    expect(later(scenes, AT_THE_START, 1, false)).toEqual(at(0, 0, 0.5));
    expect(later(scenes, at(0, 0, 0.5), 1, false)).toEqual(at(0, 1, 0));
    expect(later(scenes, at(0, 1, 0.9), 1, false)).toEqual(at(1, 0, 0));
    expect(later(scenes, at(1, 0, 0.9), 1, false)).toEqual(at(1, 0, 1, false));
    expect(atItsEnd(scenes, at(1, 0, 1))).toBe(true);
    expect(atItsEnd(scenes, at(0, 1, 1))).toBe(false);
  });
  it('not while it is held, nor past a shot whose words are still being said', () => {
    expect(later(scenes, at(0, 0, 0.5, false), 9, false)).toEqual(at(0, 0, 0.5, false));
    expect(later(scenes, at(0, 0, 0.9), 5, true)).toEqual(at(0, 0, 1));
    expect(later(scenes, at(0, 0, 1), 0.01, false)).toEqual(at(0, 1, 0));
  });
  it('a step on or back over the ends of stations, and no farther than there is', () => {
    expect(stepped(scenes, at(0, 1, 0.4), 1)).toEqual(at(1, 0, 0));
    expect(stepped(scenes, at(1, 0, 0.4), -1)).toEqual(at(0, 1, 0));
    expect(stepped(scenes, at(0, 0, 0.4), -1)).toEqual(at(0, 0, 0));
    expect(stepped(scenes, at(1, 0, 0.4), 1)).toEqual(at(1, 0, 1));
  });
});
