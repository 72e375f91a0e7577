/** Exercises as two drawn poses. Drawn by us; no published source. */
import type { ExerciseId } from './exercise-words';
import { frame, limb, type MovementFrame } from './movements';

const FREE = [9, 9] as const;
const up = limb(0, 0);

/** Two poses to go to and fro between. */
export const EXERCISES: Readonly<Record<ExerciseId, readonly [MovementFrame, MovementFrame]>> = {
  jump: [
    frame(0, 0, limb(12, 12), limb(-12, -12), limb(4, 4), limb(-4, -4), FREE),
    frame(0, 0, limb(140, 140), limb(-140, -140), limb(28, 28), limb(-28, -28), FREE),
  ],
  heels: [
    frame(0.02, 10, limb(-20, -10), limb(20, 30), limb(-10, -110), up, FREE),
    frame(0.02, 10, limb(20, 30), limb(-20, -10), up, limb(-10, -110), FREE),
  ],
  march: [frame(0, 0, limb(-25, 40), limb(30, 100), limb(75, -5), up, FREE), frame(0, 0, limb(30, 100), limb(-25, 40), up, limb(75, -5), FREE)],
  squat: [frame(0, 0, limb(15, 20), limb(12, 18), up, up, FREE), frame(0.42, 34, limb(70, 80), limb(66, 76), limb(88, -28), limb(84, -32), FREE)],
  clap: [frame(0, 0, limb(70, 70), limb(-70, -70), up, up, FREE), frame(0, 0, limb(165, 195), limb(-165, -195), up, up, FREE)],
  stretch: [frame(0, 0, limb(172, 172), limb(-172, -172), up, up, FREE), frame(0.06, 88, limb(8, 8), limb(2, 2), limb(6, 0), limb(2, -4), FREE)],
  arms: [frame(0, 0, limb(95, 95), limb(-95, -95), up, up, FREE), frame(0, 0, limb(150, 150), limb(-40, -40), up, up, FREE)],
  toes: [
    frame(0.03, 8, limb(-15, 0), limb(20, 30), limb(62, 6), up, [0.5, 0.18]),
    frame(0.03, 8, limb(20, 30), limb(-15, 0), up, limb(62, 6), [0.5, 0.18]),
  ],
  hop: [
    frame(0.12, 12, limb(-30, -20), limb(-20, -10), limb(30, -30), limb(20, -80), FREE),
    frame(0, 0, limb(60, 80), limb(50, 70), limb(-4, -10), limb(10, -95), FREE),
  ],
  shake: [
    frame(0.04, 4, limb(35, 80), limb(-30, 10), limb(10, -10), limb(-8, -8), FREE),
    frame(0.04, -4, limb(-30, 10), limb(35, 80), limb(-8, -8), limb(10, -10), FREE),
  ],
  balance: [frame(0, 0, limb(80, 80), limb(-80, -80), limb(70, -30), up, FREE), frame(0, 4, limb(95, 95), limb(-95, -95), limb(80, -10), up, FREE)],
  rest: [frame(0, 0, limb(10, 12), limb(-10, -8), up, up, FREE), frame(0.01, 3, limb(12, 14), limb(-8, -6), up, up, FREE)],
  steps: [
    frame(0.02, 4, limb(-22, -10), limb(25, 35), limb(26, 14), limb(-20, -28), FREE),
    frame(0.02, 4, limb(25, 35), limb(-22, -10), limb(-20, -28), limb(26, 14), FREE),
  ],
};
