/** What the scene shows of the floor: a part of it with all that this station has, no wider than it must be. */
import type { Game, Spot } from '../rules/format/game';
import type { Scene, SceneShot } from './scene';
import type { SceneMoment } from './moment';

/** A part of a floor, metres. */
export interface View {
  readonly xM: number;
  readonly yM: number;
  readonly widthM: number;
  readonly depthM: number;
}

/** Metres round what is shown, the least that is shown, and how wide the picture is to its height. */
const [MARGIN_M, LEAST_M, ASPECT] = [0.7, 2.2, 1.45];

/** The targets that a station aims at. */
const aimedAt = (level: Game, { part }: Scene): ReadonlySet<string> => new Set(level.parts[part]!.stages.flatMap(({ at }) => at ?? []));

/** Null where nothing is laid out. */
export function viewOf(level: Game, scene: Scene): View | null {
  const { course } = level;
  const aimed = aimedAt(level, scene);
  const spots: readonly Spot[] = [
    ...scene.marks.flatMap(({ group, index }) => course.places[group]?.[index] ?? []),
    ...Object.entries(course.targets).flatMap(([group, targets]) => (aimed.has(group) ? targets : [])),
    ...scene.shots.flatMap(({ demos }) => demos.map(({ shown }) => shown.ends)),
  ];
  if (scene.marks.length + aimed.size === 0 || spots.length === 0) return null;
  const across = spots.map(({ xM }) => xM);
  const down = spots.map(({ yM }) => yM);
  const middle = { xM: (Math.min(...across) + Math.max(...across)) / 2, yM: (Math.min(...down) + Math.max(...down)) / 2 };
  const wide = Math.max(LEAST_M, Math.max(...across) - Math.min(...across) + 2 * MARGIN_M);
  const deep = Math.max(LEAST_M / ASPECT, Math.max(...down) - Math.min(...down) + 2 * MARGIN_M);
  const widthM = Math.max(wide, deep * ASPECT);
  return { xM: middle.xM - widthM / 2, yM: middle.yM - widthM / ASPECT / 2, widthM, depthM: widthM / ASPECT };
}

/** The course as it is at a moment: what is out by now, and of what falls what stands. */
export function courseAt({ course }: Game, scene: Scene, { thingsOut, marksOut, laid, standing }: SceneMoment): Game['course'] {
  const out = scene.marks.slice(0, laid < 1 ? marksOut - 1 : marksOut);
  const places = Object.fromEntries(
    Object.entries(course.places).map(([group, spots]) => [
      group,
      spots.filter((_, index) => out.some((mark) => mark.group === group && mark.index === index)),
    ]),
  );
  const targets = Object.fromEntries(
    Object.entries(course.targets).map(([group, list]) => [
      group,
      thingsOut ? list.filter((_, index) => standing?.group !== group || standing.up.includes(index)) : [],
    ]),
  );
  return { ...course, places, targets, obstacles: thingsOut ? (course.obstacles ?? []) : [] };
}

/** What has fallen, to be drawn lying. */
export const fallenAt = ({ course }: Game, { standing }: SceneMoment): readonly Spot[] =>
  standing ? (course.targets[standing.group] ?? []).filter((_, index) => !standing.up.includes(index)) : [];

/** A key of all that the still part of the picture rests on. */
export const floorKeyOf = ({ thingsOut, marksOut, laid, standing }: SceneMoment): string =>
  [thingsOut, marksOut, laid < 1, standing?.up.join('.') ?? ''].join(' ');

/** What is said large beside the figure: the word of a movement, or what a try gave. */
export function wordOf(shot: SceneShot, { beat, label, demo }: SceneMoment): string {
  return beat >= 0 ? (shot.beats[beat] ?? '') : label === '' ? (demo?.about ?? '') : label;
}
