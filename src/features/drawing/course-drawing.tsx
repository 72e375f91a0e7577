import { aimOf } from '@/core/course/geometry';
import type { View } from '@/core/scene/floor-view';
import { nameOf, outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import type { Course, Part } from '@/core/rules/format/game';
import { useWords } from '@/features/languages/use-words';
import { BoxToStandIn } from './box';
import { Surroundings } from './ground';
import { Soundings, type SoundingMark } from './soundings';
import { Thing } from './thing';
import { toDegrees } from '@/core/measure/angles';

const FILLS = ['var(--band-4)', 'var(--band-3)', 'var(--band-2)', 'var(--band-1)'];

export interface CourseDrawingProps {
  readonly id: string;
  readonly course: Course;
  /** The rules, where they are at hand: they say what each place looks towards. */
  readonly parts?: readonly Part[];
  /** Radii in metres at which the bands of depth end, round the first target; empty where no depth is known. */
  readonly radii?: readonly number[];
  /** Bands of depth as SVG paths in centimetres, and figures over the floor. */
  readonly bands?: readonly string[];
  readonly soundings?: readonly SoundingMark[];
  /** Words for screen readers; without them it is an ornament. */
  readonly label?: string;
  readonly numbers?: boolean;
  /** How wide it stands on the screen, for lines and letters of the same size whatever the floor. */
  readonly drawnPx?: number;
  /** No letter is smaller than this on the screen, px. */
  readonly lettersPx?: number;
  /** Names beside the things, where there is room for them: of all, or of what is aimed at alone. */
  readonly names?: boolean | 'targets';
  /** As small as a stamp: nobody could read words in it. */
  readonly wordless?: boolean;
  /** The part of the floor that is shown, metres; the whole where it is not given. */
  readonly view?: View;
}

export const viewBoxOf = ({ xM, yM, widthM, depthM }: View) => `${xM * 100} ${yM * 100} ${widthM * 100} ${depthM * 100}`;

/** A course from above, to scale, in centimetres: ways, patches, things in the way, targets and places, each as large as it is. */
export function CourseDrawing({
  id,
  course,
  parts = [],
  radii = [],
  bands = [],
  soundings = [],
  label,
  numbers = false,
  drawnPx = 300,
  lettersPx = 0,
  names = false,
  wordless = false,
  view = { xM: 0, yM: 0, ...course.floor },
}: CourseDrawingProps) {
  const { i18n, noun } = useWords();
  const { widthM, depthM } = course.floor;
  const width = widthM * 100;
  const depth = depthM * 100;
  const px = (view.widthM * 100) / drawnPx;
  const letters = (size: number) => Math.max(size, lettersPx) * px;
  const clip = `clip-${id}`;
  const targets = Object.values(course.targets).flat();
  // Of things that are alike the first bears the name.
  const named = new Map(
    targets.flatMap((target, index) => (targets.findIndex((other) => nameOf(other) === nameOf(target)) === index ? [[index, nameOf(target)]] : [])),
  );
  const busy = [...targets, ...Object.values(course.places).flat(), ...(course.obstacles ?? [])];
  const deep = radii.length > 0 ? targets[0] : undefined;
  return (
    <svg className="chart" viewBox={viewBoxOf(view)} {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}>
      <clipPath id={clip}>
        <rect width={width} height={depth} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect width={width} height={depth} fill={deep || bands.length > 0 ? 'var(--band-5)' : 'var(--band-2)'} />
        {bands.map((path, index) => (
          <path key={index} d={path} fill={FILLS[index]!} stroke="var(--band-5)" strokeOpacity={0.55} strokeWidth={0.8 * px} />
        ))}
        <Soundings soundings={soundings} busy={busy} px={px} />
        {deep &&
          radii.map((radius, index) => (
            <circle key={index} cx={deep.xM * 100} cy={deep.yM * 100} r={radius * 100} fill={FILLS[index]} stroke="var(--band-5)" strokeWidth={px} />
          ))}
        <Surroundings course={course} px={px} letters={letters} />
        {course.obstacles?.map((thing, index) => (
          <g key={index} transform={`translate(${thing.xM * 100} ${thing.yM * 100}) rotate(${toDegrees(thing.turnRad)})`}>
            <Thing shape={shapeOf(thing)} casing={px} role="obstacle" />
            {names === true && (
              <text y={outlineWidthM(shapeOf(thing)) * 50 + 15 * px} fontSize={letters(11.5)} textAnchor="middle" fill="var(--ink-soft)">
                {noun(nameOf(thing))}
              </text>
            )}
          </g>
        ))}
        {targets.map((target, index) => (
          <g key={index} transform={`translate(${target.xM * 100} ${target.yM * 100}) rotate(${toDegrees(target.turnRad)})`}>
            <Thing shape={shapeOf(target)} casing={px} />
            {names && named.get(index) && (
              <text
                y={-outlineWidthM(shapeOf(target)) * 50 - 7 * px}
                fontSize={letters(12.5)}
                textAnchor="middle"
                fill="var(--ink)"
                stroke="var(--band-2)"
                strokeWidth={3 * px}
                paintOrder="stroke"
              >
                {noun(named.get(index)!)}
              </text>
            )}
          </g>
        ))}
        {Object.entries(course.places).flatMap(([group, spots]) =>
          spots.map((spot, index) => {
            const aim = aimOf({ course, parts }, group, spot);
            const angle = aim ? toDegrees(Math.atan2(aim.yM - spot.yM, aim.xM - spot.xM)) : 0;
            return (
              <g key={`${group} ${index}`} transform={`translate(${spot.xM * 100} ${spot.yM * 100})`}>
                {spot.box && <BoxToStandIn box={spot.box} px={px} />}
                <rect
                  x={-4.5 * px}
                  y={-13 * px}
                  width={9 * px}
                  height={26 * px}
                  fill="var(--gorse)"
                  stroke="var(--ink)"
                  strokeWidth={1.4 * px}
                  transform={`rotate(${angle})`}
                />
                {numbers && spots.length > 1 && (
                  <text y={4.5 * px} fontSize={letters(12)} fontWeight={700} textAnchor="middle" fill="var(--on-gorse)">
                    {index + 1}
                  </text>
                )}
              </g>
            );
          }),
        )}
        {!wordless && targets.length + Object.keys(course.places).length + course.furniture.length === 0 && (
          <text x={width / 2} y={depth / 2} fontSize={letters(14)} textAnchor="middle" fill="var(--ink)">
            {i18n.t('a clear space of {width} by {depth} m', { width: widthM, depth: depthM })}
          </text>
        )}
      </g>
    </svg>
  );
}
