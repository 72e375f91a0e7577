/**
 * Where the figures of a forecast come from: for a game, the lines of the tables that it rests on, each with its value, its source (or the word
 * assumed) and what replaces it. The values are read from the tables themselves.
 */
import { throwerWith } from '../motion/release';
import {
  AIM_MS,
  AIR_DENSITY,
  ageFactor,
  FORM_FACTOR,
  GATE_MS,
  GIVE,
  GROUND,
  GROUND_SPREAD,
  OTHER_HAND_FACTOR,
  PIN_DRAG,
  PINS_DOUBT,
  ROLL_FORMS,
  ROLLING,
  runSpeed,
  SKILL_SPREAD_LN,
  SOFT_ROLL_BELOW,
  TECHNIQUE_SPREAD,
  THROWN,
  touchChance,
  TURN_MS,
  WIND_AT_PINS,
} from '../motion/assumed';
import { movementOf } from '../motion/families';
import { rolledMu } from '../motion/ground';
import { AIMED, IMPLEMENTS } from '../objects/catalogue';
import type { Fitted } from '../progress/fit';
import { forFamily } from '../progress/by-family';
import type { AimedTry } from '../progress/evidence';
import type { Game, Part, Stage } from '../rules/format/game';
import { atStage } from '../rules/format/used';

export interface FigureLine {
  readonly what: string;
  readonly value: string;
  readonly source: string;
  /** What takes its place; empty where nothing does. */
  readonly replacedBy: string;
}

const ASSUMED = 'assumed';
const CLASS_TEST = 'a class test, or 36 tries that the class reports';
const times = (factor: number) => `${factor.toFixed(2)} times`;
const degrees = (value: number) => `${value}°`;
const percent = (share: number) => `${Math.round(100 * share)}%`;

const TECHNIQUE_WORDS: Readonly<Record<string, string>> = {
  underarm: 'an underarm throw',
  overarm: 'an overarm throw',
  'set-shot': 'a set shot',
  roll: 'a roll',
  kick: 'a kick',
  lift: 'a lifted ball',
};

/** What the lines depend on. */
export interface LevelFigures extends Pick<Game, 'kit' | 'course'> {
  readonly parts: readonly Pick<Part, 'stages' | 'gates'>[];
}

/** The lines of a game resolved to one level, for children of an age; `fitted` where a class has reported enough. */
export function whereFrom(level: LevelFigures, ageYears: number, fitted: Fitted | null): readonly FigureLine[] {
  const lines: FigureLine[] = [];
  const told = new Set<string>();
  const tell = (what: string, value: string, source: string, replacedBy = '') => {
    if (!told.has(what)) lines.push({ what, value, source, replacedBy });
    told.add(what);
  };
  const stages = level.parts.flatMap((part) => part.stages.map((stage) => ({ part, stage, game: atStage(level, stage) })));
  for (const { stage, game } of stages) {
    spreadLines(game, stage, ageYears, fitted, tell);
    thingLines(game, stage, tell);
    if (stage.technique === 'strike-up')
      tell('Chance of another touch', percent(touchChance(ageYears, 1)), 'assumed, from .55 at six years to .75 at eleven', CLASS_TEST);
    if (stage.see === 'felled')
      tell(
        'Which pins fall',
        `the floor’s grip moves the mean by up to ${PINS_DOUBT} of a pin`,
        'our own rigid bodies, not checked against real pins',
      );
  }
  if (stages.some(({ stage }) => stage.technique === 'move'))
    tell('Running from mark to mark', `${runSpeed(ageYears).toFixed(1)} m/s`, 'assumed, 1.6 m/s at four years and 0.16 more a year');
  else
    tell(
      'Aiming, turning round and fetching',
      `${AIM_MS.least / 1000} to ${(AIM_MS.least + AIM_MS.spread) / 1000} s, ${TURN_MS / 1000} s, and there and back at ${runSpeed(ageYears).toFixed(1)} m/s`,
      ASSUMED,
    );
  if (level.parts.some(({ gates }) => Object.keys(gates).length > 0))
    tell('Exercises and setting up again', `${GATE_MS.exercise / 1000} s a repetition, ${GATE_MS['set-up'] / 1000} s a thing`, ASSUMED);
  tell(
    'Difference between children of one age',
    `four in five within ${percent(Math.exp(1.28 * SKILL_SPREAD_LN) - 1)} of the middle`,
    ASSUMED,
    'what each child reports, drawn to its class',
  );
  return lines;
}

/** The same of one way of trying at one thing, on a hard floor. */
export function whereFromTry({ technique, implement, target, form, otherHand, ageYears }: AimedTry, fitted: Fitted | null): readonly FigureLine[] {
  const aimed = [{ xM: 1, yM: 0, object: target, turnRad: 0, standM: 0 }];
  const stage: Stage = { id: 'try', technique, see: 'end', at: 'aim' };
  return whereFrom(
    {
      kit: { implement, marker: 'sock', form, hand: otherHand ? 'other' : 'own' },
      course: { floor: { widthM: 5, depthM: 5, surface: 'hard' }, furniture: [], places: {}, targets: { aim: aimed } },
      parts: [{ stages: [stage], gates: {} }],
    },
    ageYears,
    fitted,
  );
}

type Tell = (what: string, value: string, source: string, replacedBy?: string) => void;

/** How exactly this age throws, rolls or kicks. */
function spreadLines({ kit }: Pick<Game, 'kit'>, { technique }: Stage, ageYears: number, fitted: Fitted | null, tell: Tell): void {
  const words = TECHNIQUE_WORDS[technique];
  if (!words) return;
  const { form = 'standing', otherHand = false } = throwerWith(kit, { ageYears });
  const thrown = THROWN[technique];
  const ground = GROUND[technique];
  if (thrown) {
    const { azimuthDeg, elevationDeg, speedShare } = TECHNIQUE_SPREAD[thrown];
    tell(
      `Spread of ${words}, an adult`,
      `${degrees(azimuthDeg)} to the side, ${degrees(elevationDeg)} in height, ${(100 * speedShare).toFixed(0)}% in speed`,
      'assumed: nothing is published for children that we know of',
      CLASS_TEST,
    );
    if (form !== 'standing') tell(`The same, ${form}`, times(FORM_FACTOR[form].spread), ASSUMED, CLASS_TEST);
  } else if (ground) {
    const { azimuthDeg, speedShare } = GROUND_SPREAD[ground === 'roll' ? ROLL_FORMS[form] : ground];
    tell(
      `Spread of ${words}, an adult`,
      `${degrees(azimuthDeg)} to the side, ${percent(speedShare)} in speed`,
      'assumed: nothing is published for children that we know of',
      CLASS_TEST,
    );
  }
  tell(`The spread at ${ageYears} years`, `${times(ageFactor(ageYears))} that of an adult`, 'assumed: 1 + 2.2·exp(−(age − 4)/4.5)', CLASS_TEST);
  if (otherHand) tell('The other hand or foot', `${times(OTHER_HAND_FACTOR)} the spread`, ASSUMED, CLASS_TEST);
  if (fitted?.others) {
    const { others, bend } = fitted;
    tell(
      'What others measured with this game',
      `${others.hits} of ${others.tries} tries hit: log odds times ${bend!.b.toFixed(2)}, plus ${bend!.a.toFixed(2)}`,
      'measured by another school, weighed by a third beside the model',
      CLASS_TEST,
    );
  } else if (fitted) {
    const { skill, low, high, attempts } = forFamily(fitted, movementOf(technique));
    tell(
      `This class at ${words}`,
      `${times(skill)} the spread of its age (${low.toFixed(2)} to ${high.toFixed(2)})`,
      attempts > 0 ? `${attempts} tries that it reported` : 'what it reported of other movements',
      'its next reports',
    );
    if (fitted.trend)
      tell(
        'Its change a week',
        `${(100 * Math.expm1(fitted.trend.aWeek)).toFixed(1)}% of the spread`,
        'its reports, week by week',
        'its next reports',
      );
    if (fitted.bend)
      tell(
        'Bend of its chances',
        `log odds times ${fitted.bend.b.toFixed(2)}, plus ${fitted.bend.a.toFixed(2)}`,
        'its reports: unseen weeks were told better so',
        'its next reports',
      );
  }
}

/** Ball, floor and what is aimed at. */
function thingLines({ kit, course }: Pick<Game, 'kit' | 'course'>, stage: Stage, tell: Tell): void {
  const ball = IMPLEMENTS[kit.implement];
  if (stage.with !== 'nothing' && stage.technique !== 'move')
    tell(`A ${ball.name}`, `${(200 * ball.radiusM).toFixed(0)} cm across, keeps ${percent(ball.restitution)} of its speed in a bounce`, ball.source);
  for (const { object, own } of stage.at === undefined ? [] : (course.targets[stage.at] ?? [])) {
    if (own) continue;
    const thing = AIMED[object];
    tell(
      `A ${thing.name}`,
      `${Math.round(100 * thing.sizeM[0])} to ${Math.round(100 * thing.sizeM[1])} cm wide in homes`,
      thing.source,
      'its width, where you give it',
    );
    if (thing.give && THROWN[stage.technique])
      tell(
        `What stays in a ${thing.name}`,
        `walls keep ${percent(GIVE[thing.give].wall)}, its floor ${percent(GIVE[thing.give].floor)} of a bounce`,
        'assumed gives, in our own rigid bodies',
      );
  }
  if (GROUND[stage.technique] && stage.technique !== 'lift') {
    const { surface, rolled } = course.floor;
    if (rolled?.implement === kit.implement) {
      tell(
        'Rolling on this floor',
        `resistance µ ${rolledMu(rolled, ball).toFixed(3)}`,
        `a ball let roll off a book of ${(100 * rolled.heightM).toFixed(1)} cm, ${rolled.lengthM.toFixed(2)} m far`,
      );
      return;
    }
    const mu = ROLLING[surface][ball.restitution < SOFT_ROLL_BELOW ? 'soft' : 'firm'];
    tell(
      `Rolling on ${surface === 'hard' ? 'a hard floor' : surface}`,
      `resistance µ ${mu}`,
      'middle of assumed ranges; grass from the ball-roll test of football turf, derived',
      'letting it roll off a book, in a class test',
    );
  }
}

/** The lines of the wind that tips what stands. */
export const windFrom = (): readonly FigureLine[] => [
  { what: 'Drag of what stands across the wind', value: `${PIN_DRAG[0]} to ${PIN_DRAG[1]}`, source: ASSUMED, replacedBy: '' },
  {
    what: 'Wind near the ground',
    value: `${percent(WIND_AT_PINS)} of the wind of a forecast, which is at ten metres`,
    source: ASSUMED,
    replacedBy: '',
  },
  { what: 'Density of air', value: `${AIR_DENSITY} kg/m³`, source: 'International Standard Atmosphere at 15 °C, sea level', replacedBy: '' },
  { what: 'Mass, height and balance of a thing', value: 'typical of homes', source: ASSUMED, replacedBy: 'its own, for a thing of yours' },
];
