import { middleOf } from '@/core/course/things';
import { useWords } from '@/features/languages/use-words';
import { SURFACE_NAMES } from '@/core/course/surface-names';
import type { Course, Door, Furniture, Patch } from '@/core/rules/format/game';

/** How large letters of so many px are drawn. */
type Letters = (size: number) => number;

/** A part of the floor of another ground, about its middle, in centimetres: dots for soft ground, lines for hard. */
export function Ground({ patch, px, letters = (size) => size * px }: { patch: Patch; px: number; letters?: Letters }) {
  const { own } = useWords();
  const [w, d] = [patch.widthM * 100, patch.depthM * 100];
  const soft = patch.surface === 'carpet' || patch.surface === 'grass';
  const step = 22;
  const lines = Array.from({ length: Math.floor(w / step) }, (_, index) => -w / 2 + (index + 0.5) * (w / Math.floor(w / step)));
  return (
    <g>
      <rect
        x={-w / 2}
        y={-d / 2}
        width={w}
        height={d}
        fill="var(--sheet)"
        fillOpacity={0.35}
        stroke="var(--ink)"
        strokeWidth={0.8 * px}
        strokeDasharray={soft ? `${px} ${3 * px}` : undefined}
      />
      {lines.map((x) => (
        <line
          key={x}
          x1={x}
          x2={x}
          y1={-d / 2 + 4}
          y2={d / 2 - 4}
          stroke="var(--ink)"
          strokeOpacity={0.28}
          strokeWidth={px}
          strokeLinecap="round"
          strokeDasharray={soft ? `0.1 ${9 * px}` : undefined}
        />
      ))}
      <text y={-d / 2 + 13 * px} fontSize={letters(10.5)} textAnchor="middle" fill="var(--ink)">
        {own(patch.name)}
        <title>{own(SURFACE_NAMES[patch.surface])}</title>
      </text>
    </g>
  );
}

/** A piece of furniture about its middle, in centimetres: hatched when it is soft, cracked when it breaks, solid when it is a wall. */
export function Piece({ piece, px, letters = (size) => size * px }: { piece: Furniture; px: number; letters?: Letters }) {
  const { own } = useWords();
  const [w, d] = [piece.widthM * 100, piece.depthM * 100];
  const box = { x: -w / 2, y: -d / 2, width: w, height: d };
  const { kind = 'hard' } = piece;
  if (kind === 'wall') return <rect {...box} fill="var(--ink)" stroke="var(--ink)" strokeWidth={px} />;
  const stripes = kind === 'soft' ? Array.from({ length: Math.max(1, Math.floor((w + d) / 14)) }, (_, index) => (index + 0.5) * 14) : [];
  // Words stand upright in what is narrow, and beside what is too small for them.
  const narrow = w < own(piece.name).length * 6.4 * px && d > w;
  const thin = Math.min(w, d) < 14 * px;
  return (
    <g>
      <rect
        {...box}
        rx={4}
        fill="var(--sheet)"
        stroke={kind === 'breakable' ? 'var(--rowan)' : 'var(--ink)'}
        strokeWidth={(kind === 'breakable' ? 1.8 : 1) * px}
      />
      {stripes.map((at) => {
        const x1 = Math.min(w, at);
        const y1 = Math.max(0, at - w);
        const x2 = Math.max(0, at - d);
        const y2 = Math.min(d, at);
        return <line key={at} x1={x1 - w / 2} y1={y1 - d / 2} x2={x2 - w / 2} y2={y2 - d / 2} stroke="var(--line-strong)" strokeWidth={0.6 * px} />;
      })}
      {kind === 'breakable' && (
        <path
          d={`M${-w / 2 + 3} ${-d / 2 + 3}l${w * 0.18} ${d * 0.4}l${-w * 0.08} ${d * 0.1}l${w * 0.16} ${d * 0.3}`}
          fill="none"
          stroke="var(--rowan)"
          strokeWidth={1.1 * px}
        />
      )}
      <text
        y={thin ? (narrow ? 0 : d / 2 + 12 * px) : 4 * px}
        fontSize={letters(12)}
        textAnchor="middle"
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth={3 * px}
        paintOrder="stroke"
        transform={narrow ? 'rotate(-90)' : undefined}
      >
        {own(piece.name)}
      </text>
    </g>
  );
}

const TURN: Readonly<Record<Door['side'], number>> = { top: 0, right: 90, bottom: 180, left: -90 };

/** A door about its middle, in centimetres: the gap in the wall, and the way it swings. */
export function Swing({ door, px }: { door: Door; px: number }) {
  const half = door.widthM * 50;
  return (
    <g transform={`rotate(${TURN[door.side]})`}>
      <line x1={-half} x2={half} y1={0} y2={0} stroke="var(--paper)" strokeWidth={5 * px} />
      <path
        d={`M${half} 0A${half * 2} ${half * 2} 0 0 1 ${-half} ${half * 2}L${-half} 0`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={px}
        strokeDasharray={`${3 * px} ${3 * px}`}
      />
    </g>
  );
}

/** The sides of a floor: a wall is a firm line, an open side a dotted one. */
export function Sides({ course, px }: { course: Pick<Course, 'floor' | 'open'>; px: number }) {
  const [w, d] = [course.floor.widthM * 100, course.floor.depthM * 100];
  const lines = { top: [0, 0, w, 0], right: [w, 0, w, d], bottom: [0, d, w, d], left: [0, 0, 0, d] } as const;
  return (
    <>
      {(Object.keys(lines) as (keyof typeof lines)[]).map((side) => {
        const [x1, y1, x2, y2] = lines[side];
        const open = course.open?.includes(side) ?? false;
        return (
          <line
            key={side}
            x1={x1}
            y1={y1}
            x2={x2}
            y2={y2}
            stroke="var(--ink)"
            strokeWidth={(open ? 1.2 : 3) * px}
            strokeLinecap="square"
            strokeDasharray={open ? `${1.5 * px} ${6 * px}` : undefined}
          />
        );
      })}
    </>
  );
}

/** Everything of a floor that is not played with, to scale, in centimetres. */
export function Surroundings({ course, px, letters = (size) => size * px }: { course: Course; px: number; letters?: Letters }) {
  const { own } = useWords();
  return (
    <>
      {course.patches?.map((patch, index) => (
        <g key={index} transform={`translate(${(patch.xM + patch.widthM / 2) * 100} ${(patch.yM + patch.depthM / 2) * 100})`}>
          <Ground patch={patch} px={px} letters={letters} />
        </g>
      ))}
      {course.zones?.map((zone, index) => (
        <g key={index} transform={`translate(${zone.xM * 100} ${zone.yM * 100})`}>
          <circle r={zone.radiusM * 100} fill="var(--band-4)" stroke="var(--ink)" strokeWidth={px} strokeDasharray={`${3 * px} ${3 * px}`} />
          <text y={4 * px} fontSize={letters(11)} textAnchor="middle" fill="var(--ink)">
            {own(zone.name)}
          </text>
        </g>
      ))}
      <RouteLines course={course} px={px} />
      {course.furniture.map((piece, index) => (
        <g key={index} transform={`translate(${(piece.xM + piece.widthM / 2) * 100} ${(piece.yM + piece.depthM / 2) * 100})`}>
          <Piece piece={piece} px={px} letters={letters} />
        </g>
      ))}
      <Sides course={course} px={px} />
      {course.doors?.map((door, index) => {
        const at = middleOf(course, door);
        return (
          <g key={index} transform={`translate(${at.xM * 100} ${at.yM * 100})`}>
            <Swing door={door} px={px} />
          </g>
        );
      })}
    </>
  );
}

/** Ways to go or to roll, as dotted lines. */
export function RouteLines({ course, px }: { course: Pick<Course, 'routes'>; px: number }) {
  return Object.entries(course.routes ?? {}).map(([name, way]) => (
    <polyline
      key={name}
      points={way.map((spot) => `${spot.xM * 100},${spot.yM * 100}`).join(' ')}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={1.4 * px}
      strokeDasharray={`${2 * px} ${5 * px}`}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  ));
}
