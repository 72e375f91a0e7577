'use client';
import { fromBelow, marksOf, targetOf } from '@/core/course/geometry';
import styled from 'styled-components';
import { isThrownAt, nameOf, shapeOf } from '@/core/objects/catalogue';
import type { Game } from '@/core/rules/format/game';
import { readThrowRules } from '@/core/rules/format/throw-rules';
import type { PacedPlace } from '@/core/sheet/set-up';
import { useWords } from '@/features/languages/use-words';
import { CourseDrawing } from '../drawing/course-drawing';
import { toDegrees } from '@/core/measure/angles';

const Board = styled.svg`
  && {
    width: 100%;
    max-height: 340px;
    border: 1.5px solid var(--ink);
  }
`;

/** A drawing on the smallest phone: how wide and high it may be, and how small its letters. */
const [WIDE_PX, HIGH_PX, LETTERS_PX] = [270, 340, 14.5];
/** Beside a mark: the gap, and the words, of which one is below the other. */
const [GAP_PX, LINE_PX] = [24, 17];
const WORDS_PX = GAP_PX + 62;

interface Label {
  readonly x: number;
  readonly y: number;
  /** −1 left of its mark, 1 right of it. */
  readonly side: number;
  readonly lines: readonly string[];
}

/** The figure, its unit and what the mark is worth, beside each mark; the last is left out where it would lie over the words of another. */
function labelsFor(
  spots: readonly { readonly x: number; readonly y: number }[],
  steps: readonly string[],
  worth: readonly string[],
): readonly Label[] {
  const sides = spots.map((spot) => {
    // Straight ahead: on the side where no way to a farther mark goes through the words.
    const ahead = spots.some((other) => other.y > spot.y && other.x > 8) ? -1 : 1;
    return Math.abs(spot.x) > 8 ? Math.sign(spot.x) : ahead;
  });
  const order = spots.map((_, index) => index).sort((a, b) => spots[a]!.y - spots[b]!.y);
  const placed = (height: number) => {
    const next = new Map<number, number>();
    let moved = 0;
    const ys = spots.map(({ y }) => y);
    for (const index of order) {
      const side = sides[index]!;
      const y = Math.max(spots[index]!.y, next.get(side) ?? -Infinity);
      moved = Math.max(moved, y - spots[index]!.y);
      ys[index] = y;
      next.set(side, y + height);
    }
    return { ys, moved };
  };
  const whole = placed(3 * LINE_PX);
  const all = worth.length > 0 && whole.moved < LINE_PX;
  const { ys } = all ? whole : placed(2 * LINE_PX + 2);
  return spots.map((spot, index) => {
    const [figure, ...unit] = (steps[index] ?? '').split(' ');
    return {
      x: spot.x + sides[index]! * GAP_PX,
      y: ys[index]!,
      side: sides[index]!,
      lines: [figure!, unit.join(' '), ...(all ? [worth[index]!] : [])].filter((line) => line !== ''),
    };
  });
}

const Whole = styled.div`
  & svg {
    display: block;
    width: 100%;
    max-height: 340px;
    border: 1.5px solid var(--ink);
  }
`;

/** The set-up from above, turned so that the child stands at the bottom: target, marks, and the child's own steps to each. */
export function SetUpDrawing({ level, places, values }: { level: Game; places: readonly PacedPlace[]; values: readonly number[] }) {
  const { i18n, noun, forms } = useWords();
  const target = targetOf(level);
  const shape = target && shapeOf(target);
  if (!target || !shape || !isThrownAt(shape) || readThrowRules(level) === null || marksOf(level).some(({ box }) => box))
    return (
      <Whole>
        <CourseDrawing
          id="set-up"
          course={level.course}
          parts={level.parts}
          label={i18n.t('The set-up from above')}
          numbers
          drawnPx={Math.min(WIDE_PX, (HIGH_PX * level.course.floor.widthM) / level.course.floor.depthM)}
          lettersPx={LETTERS_PX}
        />
      </Whole>
    );
  const farthest = Math.max(...places.map((place) => place.lengthM));
  const ways = marksOf(level).map((mark) => fromBelow(target, mark));
  const aside = Math.max(...ways.map(({ rightM }) => Math.abs(rightM)));
  const wide = WIDE_PX / 2;
  // As it stands on the smallest phone: no letter gets smaller there than it is written here.
  const scale = Math.min(250 / (farthest + 0.45), (wide - WORDS_PX) / Math.max(aside, 0.01));
  const spots = ways.map(({ rightM, downM }) => ({ x: rightM * scale, y: downM * scale }));
  const worth = values.length > 1 ? values.map((n) => i18n.t('{n, plural, one {1 point} other {{n} points}}', { n })) : [];
  const labels = labelsFor(
    spots,
    places.map(({ steps }) => steps),
    worth,
  );
  const deepest = Math.max(...spots.map((spot) => spot.y), ...labels.map(({ y, lines }) => y + LINE_PX * (lines.length - 2)));
  const r =
    (shape.kind === 'opening' && shape.outline === 'rectangle' ? shape.depthM : shape.kind === 'opening' ? shape.diameterM : shape.widthM) * scale;
  const top = -52;
  const height = deepest + 34 - top;
  return (
    <Board
      viewBox={`${-wide} ${top} ${2 * wide} ${height}`}
      role="img"
      aria-label={i18n.t('From above: {places}', {
        places: places
          .map(({ name, steps }) => i18n.t('{place} mark {steps} from the {thing}', { place: name, steps, ...forms('thing', nameOf(target)) }))
          .join(', '),
      })}
    >
      <rect x={-wide} y={top} width={2 * wide} height={height} fill="var(--band-4)" />
      {[1, 0.66, 0.33].map((share, index) => (
        <circle key={share} r={farthest * scale * share + 22} fill={`var(--band-${3 - index})`} stroke="var(--band-5)" strokeOpacity={0.4} />
      ))}
      {spots.map((spot, index) => (
        <g key={index}>
          <line x1={0} y1={0} x2={spot.x} y2={spot.y} stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="2 6" strokeLinecap="round" />
          <g transform={`translate(${spot.x} ${spot.y}) rotate(${toDegrees(Math.atan2(-spot.y, -spot.x))})`}>
            <rect x={-4} y={-19} width={8} height={38} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.5} />
          </g>
        </g>
      ))}
      {labels.map(({ x, y, side, lines }, index) => (
        <text
          key={index}
          textAnchor={side < 0 ? 'end' : 'start'}
          fill="var(--ink)"
          stroke="var(--band-2)"
          strokeWidth={4}
          strokeLinejoin="round"
          paintOrder="stroke"
        >
          {lines.map((line, at) => (
            <tspan key={line} x={x} y={y + LINE_PX * at} fontSize={at === 0 ? 18 : 15} fontWeight={at === 2 ? 400 : 700}>
              {line}
            </tspan>
          ))}
        </text>
      ))}
      {shape.kind === 'opening' && shape.outline === 'rectangle' ? (
        <rect
          x={(-shape.widthM * scale) / 2}
          y={-r / 2}
          width={shape.widthM * scale}
          height={r}
          rx={4}
          fill="var(--sheet)"
          stroke="var(--heather)"
          strokeWidth={4}
        />
      ) : (
        <circle r={Math.max(7, r / 2)} fill="var(--sheet)" stroke="var(--heather)" strokeWidth={4} />
      )}
      <text y={-Math.max(12, r / 2) - 10} textAnchor="middle" fontSize={16} fill="var(--ink)">
        {noun(nameOf(target))}
      </text>
    </Board>
  );
}
