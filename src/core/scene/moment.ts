/** Where everything is at a time of a shot: child and ball from above, the figure from its side, what has fallen, what is said of it. */
import { spotBetween } from '../course/geometry';
import type { BodyForm } from '../motion/assumed';
import type { Gate, Spot } from '../rules/format/game';
import { frameBetween, MOVEMENTS, posed, type MovementFrame } from '../sheet/movements';
import type { Skill } from '../sheet/teaching-points';
import type { Demo, SceneShot } from './scene';

export interface SceneMoment {
  readonly thingsOut: boolean;
  /** So many marks are out; the last of them may be on its way, from 0 to 1. */
  readonly marksOut: number;
  readonly laid: number;
  readonly child: Spot | null;
  readonly ball: Spot | null;
  /** How high the ball is drawn above its shadow, as a share of its way. */
  readonly lift: number;
  readonly figure: MovementFrame | null;
  readonly beat: number;
  readonly demo: Demo | null;
  /** The target group and the elements of it that stand; null where nothing falls. */
  readonly standing: { readonly group: string; readonly up: readonly number[] } | null;
  /** Said beside the ball once it is down: how the try ended, and what it gave. */
  readonly label: string;
  readonly gain: number | null;
  readonly owed: (Gate & { readonly gate: string }) | null;
}

/** Shares of a try at which the ball goes, is down, what follows begins and is done. */
const TRY = { ready: 0.1, release: 0.36, down: 0.54, moves: 0.7, done: 0.9 } as const;
/** The shares of a try, and of any other shot, that a still picture shows. */
const TELLING = { try: 0.62, other: 1 } as const;

const within = (share: number, from: number, to: number) => Math.min(1, Math.max(0, (share - from) / (to - from)));
/** Slow at both ends. */
const eased = (share: number) => share * share * (3 - 2 * share);

/** The figure at a share of a movement from its first to its last frame. */
function movementAt(skill: Skill, share: number, form: BodyForm | undefined): MovementFrame {
  const frames = MOVEMENTS[skill];
  const at = Math.min(share, 0.9999) * (frames.length - 1);
  const index = Math.floor(at);
  return posed(frameBetween(frames[index]!, frames[index + 1]!, eased(at - index)), form);
}

const NOTHING = { child: null, ball: null, lift: 0, figure: null, beat: -1, demo: null, standing: null, label: '', gain: null, owed: null };

/** What is to be seen at a share, from 0 to 1, of a shot. */
export function momentOfShot(shot: SceneShot, share: number, form?: BodyForm): SceneMoment {
  const { thingsOut, marksOut, kind, demos } = shot;
  const floor = { thingsOut, marksOut, laid: kind === 'mark' ? eased(within(share, 0.1, 0.6)) : 1 };
  if (shot.skill) {
    const beat = Math.min(shot.beats.length - 1, Math.floor(share * shot.beats.length));
    return { ...NOTHING, ...floor, figure: movementAt(shot.skill, within(share, 0.05, 0.92), form), beat };
  }
  if (demos.length === 0) return { ...NOTHING, ...floor };
  const index = Math.min(demos.length - 1, Math.floor(share * demos.length));
  return { ...NOTHING, ...floor, ...momentOfTry(demos[index]!, share * demos.length - index, form) };
}

/** The moment that tells most, of one try of a shot or of the shot itself, and at which share of it that is. */
export function stillOf(shot: SceneShot, demo: Demo | null, form?: BodyForm): { readonly moment: SceneMoment; readonly share: number } {
  if (!demo) return { moment: momentOfShot(shot, TELLING.other, form), share: TELLING.other };
  return { moment: momentOfShot({ ...shot, demos: [demo] }, TELLING.try, form), share: TELLING.try };
}

/** What is to be seen at a share of one try. */
export function momentOfTry(demo: Demo, share: number, form?: BodyForm): Omit<SceneMoment, 'thingsOut' | 'marksOut' | 'laid' | 'beat'> {
  const { shown, before, after, attempt, skill } = demo;
  const way = eased(within(share, TRY.release, TRY.down));
  const isDown = share >= TRY.down;
  const follows = eased(within(share, TRY.moves, TRY.done));
  const next = nextSpot(demo);
  const stands = shown.goes ? spotBetween(shown.from, shown.ends, eased(within(share, TRY.ready, TRY.down))) : shown.from;
  const owed = isDown && after.part === before.part ? after.owed : null;
  const { at } = before.task;
  return {
    child: isDown ? spotBetween(stands, next, follows) : stands,
    ball: shown.goes ? null : spotBetween(shown.from, shown.ends, way),
    lift: shown.goes || isGround(skill) ? 0 : way * (1 - way) * 4,
    figure: skill ? movementAt(skill, within(share, TRY.ready, TRY.down + 0.04), form) : null,
    demo,
    standing:
      at === undefined || before.task.see !== 'felled'
        ? null
        : {
            group: at,
            up: !isDown
              ? before.standing
              : share < TRY.done || after.part !== before.part
                ? before.standing.filter((pin) => !(attempt.felled ?? []).includes(pin))
                : after.standing,
          },
    label: isDown ? demo.label : '',
    gain: isDown ? demo.gain : null,
    owed,
  };
}

const isGround = (skill: Skill | null) => skill === 'roll' || skill === 'kick';

/** Where the child goes after a try: the mark of the next one, if it goes on in the same part. */
function nextSpot({ shown, before, after, spots }: Demo): Spot {
  const on = shown.goes ? shown.ends : shown.from;
  return after.over || after.waiting !== null || after.part !== before.part ? on : (spots[after.place] ?? on);
}
