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
/** Beside a mark: the gap, and the words. */
const WORDS_PX = 96;

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
  const deepest = Math.max(...spots.map((spot) => spot.y));
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
      {spots.map((spot, index) => {
        const angle = toDegrees(Math.atan2(-spot.y, -spot.x));
        // Straight ahead: on the side where no way to a farther mark goes through the words.
        const ahead = spots.some((other) => other.y > spot.y && other.x > 8) ? -1 : 1;
        const side = Math.abs(spot.x) > 8 ? Math.sign(spot.x) : ahead;
        return (
          <g key={index}>
            <line x1={0} y1={0} x2={spot.x} y2={spot.y} stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="2 6" strokeLinecap="round" />
            <g transform={`translate(${spot.x} ${spot.y}) rotate(${angle})`}>
              <rect x={-4} y={-19} width={8} height={38} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.5} />
            </g>
            <text
              x={spot.x + side * 28}
              y={spot.y + 4}
              textAnchor={side < 0 ? 'end' : 'start'}
              fontSize={17}
              fill="var(--ink)"
              fontWeight={700}
              stroke="var(--band-2)"
              strokeWidth={4}
              paintOrder="stroke"
            >
              {places[index]?.steps}
            </text>
            {values.length > 1 && (
              <text
                x={spot.x + side * 28}
                y={spot.y + 22}
                textAnchor={side < 0 ? 'end' : 'start'}
                fontSize={15}
                fill="var(--ink)"
                stroke="var(--band-2)"
                strokeWidth={4}
                paintOrder="stroke"
              >
                {i18n.t('{n, plural, one {1 point} other {{n} points}}', { n: values[index]! })}
              </text>
            )}
          </g>
        );
      })}
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
