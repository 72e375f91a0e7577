/**
 * A game that shows itself: shots in the order in which a teacher would show it, made of the same telling as the sentences. Each shot has words,
 * which are said and stand below it, and what is drawn meanwhile; a rule is drawn as a try of a play that the engine has played.
 */
import { placedMarks, targetFrom, type PlacedMark } from '../course/geometry';
import { nameOf } from '../objects/catalogue';
import type { Game, Gate, Spot } from '../rules/format/game';
import { compile } from '../rules/playing/compile';
import { catalogueIn } from '../rules/telling/languages';
import { plainText, stepsOf } from '../rules/telling/sentences';
import type { Step } from '../rules/telling/general-sentences';
import type { Pace } from '../measure/lengths';
import { setUpFor, type SetUp } from '../sheet/set-up';
import { skillOf, skillsOf, teachingPoints, type Hand, type Skill } from '../sheet/teaching-points';
import { capitalised } from '../words/capitalised';
import { english } from '../words/english';
import type { Words } from '../words/words';
import { shownTry, type ShownTry } from './shown-try';
import { shownRules, type ShownRule } from './shown-rules';

/** A rule in the scene: a try, and what follows. */
export interface Demo extends ShownRule {
  /** The rule that it shows, as a JSON Pointer. */
  readonly rule: string;
  readonly shown: ShownTry;
  /** Said beside the try: how it ended, in the words of the counter. */
  readonly label: string;
  /** Said before it, where the try is about one of several things by name: the letter, the thing of a list. */
  readonly about: string;
  readonly skill: Skill | null;
  /** The marks of the task that comes next, in their order. */
  readonly spots: readonly Spot[];
}

export type ShotKind = 'aim' | 'things' | 'mark' | 'movement' | 'rule' | 'clock' | 'count' | 'end' | 'said';

export interface SceneShot {
  readonly kind: ShotKind;
  /** What is said, and read below it. */
  readonly says: string;
  readonly s: number;
  /** What is on the floor by now: the things, and so many of the marks. */
  readonly thingsOut: boolean;
  readonly marksOut: number;
  /** Of a movement: its words, one after the other. */
  readonly skill: Skill | null;
  readonly beats: readonly string[];
  readonly demos: readonly Demo[];
}

/** One station of a game, or the whole of one that has only one. */
export interface Scene {
  readonly title: string;
  readonly part: number;
  /** The marks of this station, in the order in which they go out: how each is drawn and called. */
  readonly marks: readonly SceneMark[];
  readonly shots: readonly SceneShot[];
}

export interface SceneMark extends Pick<PlacedMark, 'group' | 'index' | 'spot' | 'towards'> {
  readonly name: string;
  /** "4 steps", or "4 steps from the bucket" where there are several things; empty for a start. */
  readonly steps: string;
  /** As it is written beside the mark: without what it is from. */
  readonly drawn: string;
}

export interface ShownTo {
  readonly pace: Pace;
  readonly hand: Hand;
  readonly words?: Words;
}

/** Words a second as a voice says them to children; seconds between two shots, and the least of a try and of anything else. Assumed. */
const SPEECH = { wordsPerS: 2.6, pauseS: 0.5, tryS: 3.4, leastS: 2.4, beatS: 1.3 } as const;
/** How long a scene of one station should be, seconds, and how far it is drawn out or pressed together for that. */
const LENGTH = { leastS: 40, mostS: 60, longest: 1.7, shortest: 0.7 } as const;
/** Marks told one by one; of more the nearest and the farthest. And tries shown of one sentence. */
const [TOLD_MARKS, SHOWN_TRIES] = [6, 3];

const countWords = (says: string) => says.split(/\s+/).filter((word) => word !== '').length;
const spokenS = (says: string) => Math.max(SPEECH.leastS, countWords(says) / SPEECH.wordsPerS + SPEECH.pauseS);

/** What is told before the things go out, and what in which order after them. */
const BEFORE: readonly Step['kind'][] = ['aim', 'players'];
const ORDER: readonly Step['kind'][] = ['body', 'clock', 'move', 'before', 'then', 'count', 'card', 'end'];
const KINDS: Readonly<Partial<Record<Step['kind'], ShotKind>>> = { clock: 'clock', count: 'count', card: 'count', end: 'end', then: 'rule' };

/** The scenes of a level that is resolved and set out, a station each; empty where it cannot be played. */
export function scenesOf(level: Game, { pace, hand, words = english }: ShownTo): readonly Scene[] {
  const compiled = compile(level);
  if (!compiled.ok) return [];
  const rules = shownRules(compiled.value);
  const steps = stepsOf(level, 'child', catalogueIn(words));
  const { things, places } = setUpFor(level, pace, words);
  return level.parts.map((part, index): Scene => {
    const last = index === level.parts.length - 1;
    const here = steps.filter((step) => (step.part === null ? (BEFORE.includes(step.kind) ? index === 0 : last) : step.part === index));
    const marks = marksOfPart(level, index, places, words);
    const skills = skillsOf({ parts: [part] });
    const demoOf = (rule: string): Demo[] => {
      const found = rules.get(rule);
      return found ? [{ ...found, rule, ...shownAs(level, found, words) }] : [];
    };
    const all = { thingsOut: true, marksOut: marks.length, skill: null, beats: [], demos: [] };
    const told = (step: Step): SceneShot => {
      const says = plainText(step.sentence);
      const demos = shownFirst(step.tells).flatMap(demoOf).slice(0, SHOWN_TRIES);
      // Somebody moves while it is told what it is about, and how it is done.
      const skill = step.kind === 'aim' || step.kind === 'move' ? (skills[0] ?? null) : null;
      return { ...all, skill, kind: KINDS[step.kind] ?? 'said', says, s: Math.max(spokenS(says), demos.length * SPEECH.tryS), demos };
    };
    const shots = [
      ...here.filter(({ kind }) => BEFORE.includes(kind)).map((step): SceneShot => ({ ...told(step), kind: 'aim' })),
      ...setOut(index === 0 ? things : [], marks, words).map((shot): SceneShot => ({ ...all, ...shot, s: spokenS(shot.says) })),
      ...ORDER.flatMap((kind) => [
        ...here.filter((step) => step.kind === kind).map(told),
        ...(kind === 'move' ? skills.map((skill): SceneShot => ({ ...all, ...movement(level, skill, hand, words) })) : []),
      ]),
    ];
    return { title: words.own(part.title ?? ''), part: index, marks, shots: level.parts.length > 1 ? shots : fitted(shots) };
  });
}

/** Of rules that one sentence tells the first of each stage before the others. */
function shownFirst(tells: readonly string[]): readonly string[] {
  const list = (place: string) => place.slice(0, place.lastIndexOf('/'));
  const firsts = tells.filter((place, at) => tells.findIndex((other) => list(other) === list(place)) === at);
  return firsts.length > 1 ? [...firsts, ...tells.filter((place) => !firsts.includes(place))] : tells;
}

/** Pressed together, or drawn out, towards the length that a scene should have. */
function fitted(shots: readonly SceneShot[]): readonly SceneShot[] {
  const whole = shots.reduce((sum, { s }) => sum + s, 0);
  const by =
    whole < LENGTH.leastS
      ? Math.min(LENGTH.longest, LENGTH.leastS / whole)
      : whole > LENGTH.mostS
        ? Math.max(LENGTH.shortest, LENGTH.mostS / whole)
        : 1;
  return shots.map((shot) => ({ ...shot, s: shot.s * by }));
}

/** The marks from which something of this part is tried, as the child steps them out. */
function marksOfPart(level: Game, part: number, places: SetUp['places'], words: Words): readonly SceneMark[] {
  const used = new Set(level.parts[part]!.stages.flatMap(({ from }) => from ?? []));
  const marks = placedMarks(level);
  const things = new Set(marks.map((mark) => nameOfAim(level, mark)));
  return marks.flatMap((mark, at) => {
    if (!used.has(mark.group)) return [];
    const { name, steps } = places[at]!;
    const thing = nameOfAim(level, mark);
    const isStart = mark.lengthM === 0 || (thing === undefined && mark.index === 0);
    const far = thing !== undefined && things.size > 1 ? words.i18n.t('{steps} from the {thing}', { steps, ...words.forms('thing', thing) }) : steps;
    const { group, index, spot, towards } = mark;
    return [{ group, index, spot, towards, name, steps: isStart ? '' : far, drawn: isStart ? '' : steps }];
  });
}

/** What a mark looks towards; nothing on a route. */
function nameOfAim(level: Game, { group, spot }: PlacedMark): string | undefined {
  const target = targetFrom(level, group, spot);
  return target && nameOf(target);
}

type SetOut = Pick<SceneShot, 'kind' | 'says' | 'marksOut'>;

function setOut(things: SetUp['things'], marks: readonly SceneMark[], words: Words): readonly SetOut[] {
  const { i18n } = words;
  const needed = i18n.t('You need {things}.', { things: things.map(({ name }) => name).join(', ') });
  const shots: SetOut[] = things.length === 0 ? [] : [{ kind: 'things', says: needed, marksOut: 0 }];
  const stepped = marks.filter(({ steps }) => steps !== '');
  if (marks.length <= TOLD_MARKS || stepped.length < 2)
    return [
      ...shots,
      ...marks.slice(0, TOLD_MARKS).map((mark, index): SetOut => ({ kind: 'mark', says: markWords(mark, words), marksOut: index + 1 })),
    ];
  const [from, to] = [stepped[0]!, stepped.at(-1)!];
  const says = i18n.t('{n} marks go out: {first} at {steps}, {last} at {most}.', {
    n: marks.length,
    first: from.name,
    steps: from.steps,
    last: to.name,
    most: to.steps,
  });
  return [...shots, { kind: 'mark', says, marksOut: marks.length }];
}

function markWords({ name, steps }: SceneMark, words: Words): string {
  const { i18n } = words;
  const place = capitalised(name, words);
  if (steps === '') return name === '' ? i18n.t('Begin here.') : i18n.t('{place}: begin here.', { place });
  return name === '' ? i18n.t('Your mark: {steps}.', { steps }) : i18n.t('{place}: {steps}.', { place, steps });
}

function movement(level: Game, skill: Skill, hand: Hand, words: Words): Pick<SceneShot, 'kind' | 'says' | 's' | 'skill' | 'beats'> {
  const beats = teachingPoints(level, skill, hand, words).map(({ word }) => word);
  const says = beats.map((word) => `${word}.`).join(' ');
  return { kind: 'movement', says, s: Math.max(spokenS(says), beats.length * SPEECH.beatS), skill, beats };
}

function shownAs(level: Game, { attempt, before, after }: ShownRule, words: Words): Pick<Demo, 'shown' | 'label' | 'about' | 'skill' | 'spots'> {
  // Past and to the right, the same each time.
  const shown = shownTry(level, before, attempt, 0x6000_0000, 0xa000_0000);
  const { groups } = level.parts[before.part]!;
  const { at, from } = before.task;
  const [item] = [at, from].flatMap((id) => (id !== undefined && groups[id]!.kind === 'item' ? [{ id, group: groups[id]! }] : []));
  const about = item?.group.labels?.[item.id === from ? before.place : (before.aim?.at ?? before.standing[0] ?? 0)] ?? '';
  return {
    shown,
    about: words.own(about),
    label: labelOf({ attempt, before }, words),
    skill: skillOf(before.task),
    spots: level.course.places[after.task.from ?? ''] ?? [],
  };
}

/** How a try ended, as the counter's button says it; what fell can be seen. */
function labelOf({ attempt, before: { task } }: Pick<ShownRule, 'attempt' | 'before'>, { own, i18n, figure }: Words): string {
  const flags = (attempt.flags ?? []).map((flag) => own(task.flagWords?.[flag] ?? flag));
  const end = task.ends?.find(({ id }) => id === attempt.end)?.label;
  const seen =
    end !== undefined
      ? own(end)
      : attempt.lengthMm !== undefined
        ? i18n.t('{length} m', { length: figure(attempt.lengthMm / 1000, 2) })
        : attempt.face !== undefined
          ? own(task.faces?.[attempt.face] ?? '')
          : attempt.count !== undefined
            ? `${attempt.count}`
            : '';
  return [seen, ...flags].filter((one) => one !== '').join(', ');
}

/** How long a scene takes at its own speed, seconds. */
export const secondsOf = ({ shots }: Scene): number => shots.reduce((sum, { s }) => sum + s, 0);

/** A picture of a strip: a shot, or one try of it. */
export interface StripPicture {
  readonly scene: Scene;
  readonly shot: SceneShot;
  readonly demo: Demo | null;
}

const PICTURES = 6;

/** The pictures that tell a game, in order, at most six: how it is laid out, the movement, a hit, a miss, the count, the end; of several stations the tries of each. */
export function stripOf(scenes: readonly Scene[]): readonly StripPicture[] {
  if (scenes.length === 1) return stripOfScene(scenes[0]!);
  const each = Math.max(1, Math.floor(PICTURES / scenes.length));
  return scenes
    .flatMap((scene) => {
      const strip = stripOfScene(scene);
      const tries = strip.filter(({ demo }) => demo !== null);
      return [...tries, ...strip.filter(({ demo }) => demo === null)].slice(0, each);
    })
    .slice(0, PICTURES);
}

function stripOfScene(scene: Scene): readonly StripPicture[] {
  const { shots } = scene;
  const tries = shots.flatMap((shot) => shot.demos.map((demo): StripPicture => ({ scene, shot, demo })));
  const of = (...kinds: readonly ShotKind[]): readonly StripPicture[] => {
    const shot = shots.findLast(({ kind }) => kinds.includes(kind));
    return shot ? [{ scene, shot, demo: null }] : [];
  };
  const hit = tries.find(({ demo }) => demo!.shown.success);
  const miss = tries.find(({ demo }) => !demo!.shown.success) ?? tries.find((one) => one !== hit && one.shot !== hit?.shot);
  return [
    ...([of('mark'), of('things'), of('aim')].find((found) => found.length > 0) ?? []),
    ...of('movement'),
    ...(hit ? [hit] : []),
    ...(miss ? [miss] : []),
    ...(hit || miss ? [] : of('rule', 'said')),
    ...of('count'),
    ...of('end', 'clock'),
  ];
}

/** Letters of a sentence that has room below a picture. */
const SHORT = 44;

/** What stands below a picture of a strip, short: "Missed: touch the floor × 4". */
export function captionOf({ scene, shot, demo }: StripPicture, words: Words = english): string {
  const { i18n } = words;
  if (shot.kind === 'movement') return shot.beats.join('. ');
  if (shot.kind === 'mark') return i18n.t('Set it out');
  if (!demo && shot.says.length > SHORT)
    return shot.kind === 'count' ? i18n.t('How to count') : shot.kind === 'end' ? i18n.t('How it ends') : scene.title;
  if (!demo) return shot.says;
  const { label, gain, after, before } = demo;
  const gate = after.part === before.part ? after.owed : null;
  // What has no word of its own is asked for by the sentence: "All down with your first ball?"
  const seen = label === '' ? (/[^.?!]*\?/.exec(shot.says)?.[0].trim() ?? '') : label;
  const then = [`${seen} ${worthWords(gain)}`.trim(), gate ? owedWords(gate, words) : ''].filter((one) => one !== '');
  return [...(scene.title === '' ? [] : [scene.title]), ...then].join(': ');
}

/** "+3", "−1"; nothing for what gives nothing, or is no sum. */
export const worthWords = (gain: number | null): string => (gain === null || gain === 0 ? '' : gain > 0 ? `+${gain}` : `−${-gain}`);

/** "touch the floor × 4" */
export const owedWords = ({ what, n }: Pick<Gate, 'what' | 'n'>, { own }: Words): string => `${own(what)}${n > 1 ? ` × ${n}` : ''}`;
