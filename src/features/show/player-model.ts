/** Where a scene stands and how it goes on. No interface here. */
import type { Scene } from '@/core/scene/scene';

export interface PlayerStanding {
  readonly chapter: number;
  readonly shot: number;
  /** From 0 to 1, of the shot. */
  readonly share: number;
  readonly running: boolean;
}

export const SPEEDS = [0.7, 1, 1.4] as const;
export type Speed = (typeof SPEEDS)[number];

export const AT_THE_START: PlayerStanding = { chapter: 0, shot: 0, share: 0, running: true };

/** After so many seconds more; at the end of a shot it waits while the voice still speaks, at the end of the last it stops. */
export function later(scenes: readonly Scene[], standing: PlayerStanding, seconds: number, speaking: boolean): PlayerStanding {
  const { chapter, shot, share, running } = standing;
  const shots = scenes[chapter]?.shots ?? [];
  const now = shots[shot];
  if (!running || !now) return standing;
  const next = Math.min(1, share + seconds / now.s);
  if (next < 1 || speaking) return next === share ? standing : { ...standing, share: next };
  if (shot + 1 < shots.length) return { ...standing, shot: shot + 1, share: 0 };
  if (chapter + 1 < scenes.length) return { ...standing, chapter: chapter + 1, shot: 0, share: 0 };
  return { ...standing, share: 1, running: false };
}

/** A step on or back: to the beginning of that shot, over the ends of a chapter too. */
export function stepped(scenes: readonly Scene[], standing: PlayerStanding, by: 1 | -1): PlayerStanding {
  const shot = standing.shot + by;
  if (shot >= 0 && shot < (scenes[standing.chapter]?.shots.length ?? 0)) return { ...standing, shot, share: 0 };
  const chapter = standing.chapter + by;
  const there = scenes[chapter];
  if (!there) return { ...standing, share: by === 1 ? 1 : 0 };
  return { ...standing, chapter, shot: by === 1 ? 0 : there.shots.length - 1, share: 0 };
}

export function atItsEnd(scenes: readonly Scene[], { chapter, shot, share }: PlayerStanding): boolean {
  return chapter === scenes.length - 1 && shot === (scenes[chapter]?.shots.length ?? 0) - 1 && share >= 1;
}
