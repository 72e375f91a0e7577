/** How long an event takes, game by game in its order: setting out, a go, and a rest before the next. */
import type { Game } from '../rules/format/game';

export interface EventGame {
  /** One go, seconds. */
  readonly seconds: number;
  /** Things and marks to be set out. */
  readonly things: number;
  /** Whether it makes one breathless: it runs, or has exercises. */
  readonly runs: boolean;
}

export interface EventSlot {
  readonly setUpMinutes: number;
  readonly playMinutes: number;
  /** Before the next; 0 after the last. */
  readonly restMinutes: number;
}

/** Whether a game runs, keeps up or has exercises. */
export const makesBreathless = ({ parts }: Pick<Game, 'parts'>): boolean =>
  parts.some(
    ({ stages, gates }) =>
      stages.some(({ technique }) => technique === 'move' || technique === 'strike-up') ||
      Object.values(gates).some(({ kind }) => kind === 'exercise'),
  );

/** Minutes to read the card and to put out each further three things, and to rest. Assumed. */
const [READ, THINGS_A_MINUTE, REST, REST_AFTER_RUNNING] = [1, 3, 1, 3];

export function eventOrder(games: readonly EventGame[]): { readonly slots: readonly EventSlot[]; readonly minutes: number } {
  const slots = games.map(({ seconds, things, runs }, index): EventSlot => ({
    setUpMinutes: READ + Math.ceil(things / THINGS_A_MINUTE),
    playMinutes: Math.max(1, Math.round(seconds / 60)),
    restMinutes: index === games.length - 1 ? 0 : runs ? REST_AFTER_RUNNING : REST,
  }));
  return { slots, minutes: slots.reduce((sum, { setUpMinutes, playMinutes, restMinutes }) => sum + setUpMinutes + playMinutes + restMinutes, 0) };
}
