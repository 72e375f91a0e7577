/** Teaching points of every skill, for the right and the left; the teacher's own words take their place where there are some. */
import type { Game, Task, ToldPoint } from '../rules/format/game';
import { english } from '../words/english';
import type { Words } from '../words/words';

export type Hand = 'right' | 'left';

export const SKILLS = ['underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift', 'strike-up', 'gather', 'move'] as const;
export type Skill = (typeof SKILLS)[number];

export const SKILL_NAMES: Readonly<Record<Skill, string>> = {
  underarm: 'underarm throw',
  overarm: 'overarm throw',
  'set-shot': 'set shot',
  roll: 'roll',
  kick: 'kick with the inside of the foot',
  lift: 'lift with the laces',
  'strike-up': 'keeping it up',
  gather: 'gather and throw',
  move: 'running and turning',
};

/** The same in a word, where there is little room. */
export const SKILL_SHORT: Readonly<Record<Skill, string>> = {
  underarm: 'underarm',
  overarm: 'overarm',
  'set-shot': 'set shot',
  roll: 'roll',
  kick: 'kick',
  lift: 'lift',
  'strike-up': 'keep up',
  gather: 'gather',
  move: 'run',
};

/** Which foot stands in front: the one across from the hand (or the kicking foot), the same one, both level. */
type Front = 'other' | 'same' | 'both' | null;

export interface TeachingPoint extends ToldPoint {
  /** Which foot stands in front, where the point is about feet. */
  readonly frontFoot: Hand | 'both' | null;
}

interface Row extends ToldPoint {
  readonly front: Front;
}

const row = (word: string, point: string, look: string, fault: string, front: Front = null): Row => ({ word, point, look, fault, front });

/** In the order in which they are done. "{hand}" is the child's own side, "{other}" the side across from it. */
const ROWS: Readonly<Record<Skill, readonly Row[]>> = {
  underarm: [
    row(
      'Step',
      'Face the target. Step forward with your {other} foot as your {hand} arm swings.',
      'The {other} foot lands before the ball leaves the hand.',
      'Wrong foot? Touch the other leg first, then step.',
      'other',
    ),
    row(
      'Swing',
      'Swing the arm straight back and straight through, past your knee.',
      'The arm brushes the side of the leg.',
      'A swing across the body sends the ball astray.',
    ),
    row(
      'Point',
      'Let go low and finish with your hand pointing at the target.',
      'The hand still points when the ball lands.',
      'If the hand stops early the ball falls short.',
    ),
  ],
  overarm: [
    row(
      'Sideways',
      'Stand side on with your {other} foot in front. Ball by your ear, other arm points.',
      'The shoulder, not the chest, faces the target.',
      'Facing the front gives a weak throw.',
      'other',
    ),
    row('Elbow', 'The elbow leads, then the hand.', 'The elbow is as high as the shoulder.', 'An elbow that drops sends the ball high.'),
    row(
      'Across',
      'Follow through across your body, down to the {other} knee.',
      'The hand ends by the {other} knee.',
      'A hand that stops takes the speed away.',
    ),
  ],
  'set-shot': [
    row(
      'Bend',
      'Feet apart, your {hand} foot a little in front. Bend your knees.',
      'Knees bend before the arms move.',
      'Straight legs make the arms do it all.',
      'same',
    ),
    row(
      'Tray',
      'Ball on the {hand} hand, elbow under it; the other hand only guides.',
      'The elbow is under the ball.',
      'An elbow that points out gives a flat shot.',
    ),
    row(
      'High',
      'Stretch up and finish with your hand high.',
      'The hand ends above the head, fingers down.',
      'A hand that ends low leaves the ball short.',
    ),
  ],
  roll: [
    row(
      'Step',
      'Face it. Step with your {other} foot and get low.',
      'The {other} knee is bent and the hand near the floor.',
      'Standing tall makes the ball bounce.',
      'other',
    ),
    row('Floor', 'Let the ball go on the floor, not above it.', 'No bounce is heard.', 'A roll that bounces: get lower.'),
    row('Follow', 'Your hand goes on towards the target.', 'The palm ends facing the target.', 'A hand that turns sends the ball to the side.'),
  ],
  kick: [
    row(
      'Beside',
      'Put your {other} foot beside the ball, toes to the target.',
      'The standing foot is level with the ball.',
      'Standing behind the ball lifts it.',
      'other',
    ),
    row(
      'Inside',
      'Turn your {hand} foot out and strike with its inside. Eyes on the ball.',
      'The inside of the foot meets the middle of the ball.',
      'With the toe the ball goes astray.',
    ),
    row(
      'Through',
      'Swing straight on towards the target.',
      'The foot ends pointing at the target.',
      'A leg across the body pulls the ball to the side.',
    ),
  ],
  lift: [
    row(
      'Beside',
      'Put your {other} foot beside the ball, a little behind it.',
      'There is a hand of room between foot and ball.',
      'Too close, and the ball stays low.',
      'other',
    ),
    row(
      'Under',
      'Get your laces under the ball, toes pointing down.',
      'The laces meet the ball below its middle.',
      'With the toe the ball flies where it likes.',
    ),
    row('Up', 'Lift your knee and lean back a little.', 'The knee comes up after the strike.', 'Leaning forward keeps the ball down.'),
  ],
  'strike-up': [
    row(
      'Drop',
      'Hold it at your waist and let it drop; do not throw it.',
      'The hands open and stay where they are.',
      'A throw makes the first touch too hard.',
      'both',
    ),
    row('Small', 'Small touches: laces or knee, up to your waist.', 'It never goes above the head.', 'A big touch runs away.'),
    row('Eyes', 'Watch it all the way. Move your feet to get under it.', 'The feet move between touches.', 'Feet that stand still make you reach.'),
  ],
  gather: [
    row('Meet', 'Run to meet the ball; do not wait for it.', 'The child goes towards the ball.', 'Waiting lets the ball go by.'),
    row(
      'Together',
      'Pick it up with your {hand} hand beside your {hand} foot.',
      'Hand and foot of one side are by the ball.',
      'With the feet together there is no room to bend.',
      'same',
    ),
    row('Rhythm', 'Step and throw without a stop.', 'Pick-up and throw are one movement.', 'A stop in between loses the speed.'),
  ],
  move: [
    row('Look', 'Look where you are going, head up.', 'Eyes are up before the turn.', 'Looking down makes you bump.'),
    row('Slow', 'Slow down before you turn, then push off.', 'Steps get short before the turn.', 'Turning at full speed makes you slip.'),
  ],
};

/** Sides are given as nouns, so that a language can bend them to the hand or the foot that they stand beside. */
const filled = (text: string, hand: Hand, { own, forms }: Words) =>
  own(text, { ...forms('hand', hand), ...forms('other', hand === 'right' ? 'left' : 'right') });

/** Words as a teacher types them while the points are shown for one hand: left and right become the child's own side and the other. */
export function openedFor(text: string, hand: Hand): string {
  return text.replace(/\b(left|right)\b/g, (side) => (side === hand ? '{hand}' : '{other}'));
}

/** The skill that a task trains; null for one of another kind. */
export function skillOf(task: Pick<Task, 'technique' | 'feeder'>): Skill | null {
  if (task.feeder && (task.technique === 'underarm' || task.technique === 'overarm')) return 'gather';
  return SKILLS.find((skill) => skill === task.technique) ?? null;
}

/** The skills of a game, each once, in the order of its stages. */
export function skillsOf(game: Pick<Game, 'parts'>): readonly Skill[] {
  return [...new Set(game.parts.flatMap((part) => part.stages).flatMap((task) => skillOf(task) ?? []))];
}

/** The points of a skill as they are kept: the teacher's own, else ours, with their slots open. */
export function pointsToTell(game: Pick<Game, 'teaching'>, skill: Skill): readonly ToldPoint[] {
  return game.teaching?.points?.[skill] ?? ROWS[skill].map(({ word, point, look, fault }) => ({ word, point, look, fault }));
}

/** Teaching points of a skill for this hand, in the order in which they are done. */
export function teachingPoints(game: Pick<Game, 'teaching'>, skill: Skill | null, hand: Hand, words = english): readonly TeachingPoint[] {
  if (skill === null) return [];
  return pointsToTell(game, skill).map((told, index): TeachingPoint => {
    const front = ROWS[skill][index]?.front ?? null;
    const other: Hand = hand === 'right' ? 'left' : 'right';
    return {
      word: words.own(told.word),
      point: filled(told.point, hand, words),
      look: filled(told.look, hand, words),
      fault: filled(told.fault, hand, words),
      frontFoot: front === 'other' ? other : front === 'same' ? hand : front,
    };
  });
}

/** Whether a point belongs to a hand at all: then there is another one for the other hand. */
export function isHanded(game: Pick<Game, 'teaching'>, skill: Skill): boolean {
  return pointsToTell(game, skill).some((told) => [told.point, told.look, told.fault].some((text) => /\{(hand|other)\}/.test(text)));
}

/** What to look for in a skill, in words that hold for either side. */
export function lookForsOfSkill(game: Pick<Game, 'teaching'>, skill: Skill): readonly string[] {
  const own = skill === 'kick' || skill === 'lift' ? 'kicking' : 'throwing';
  return pointsToTell(game, skill).map(({ look }) => look.replaceAll('{hand}', own).replaceAll('{other}', 'opposite'));
}

/** What to look for, up to four: the teacher's, else the first that its skills say. */
export function lookForsOf(game: Game): readonly string[] {
  if (game.teaching?.lookFors) return game.teaching.lookFors;
  const [skill] = skillsOf(game);
  return skill ? lookForsOfSkill(game, skill).slice(0, 4) : [];
}
