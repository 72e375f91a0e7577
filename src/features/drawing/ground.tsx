import type { Course } from '@/core/rules/game';

/** What lies and stands on a floor and is not aimed at: patches, ways and furniture, to scale, in centimetres. */
export function Ground({ course, px }: { course: Course; px: number }) {
  return (
    <>
      {course.zones?.map((zone) => (
        <g key={zone.name}>
          <circle
            cx={zone.xM * 100}
            cy={zone.yM * 100}
            r={zone.radiusM * 100}
            fill="var(--band-4)"
            stroke="var(--ink)"
            strokeWidth={px}
            strokeDasharray={`${3 * px} ${3 * px}`}
          />
          <text x={zone.xM * 100} y={zone.yM * 100 + 4 * px} fontSize={11 * px} textAnchor="middle" fill="var(--ink)">
            {zone.name}
          </text>
        </g>
      ))}
      {Object.entries(course.routes ?? {}).map(([name, way]) => (
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
      ))}
      {course.furniture.map((thing) => (
        <g key={thing.name}>
          <rect
            x={thing.xM * 100}
            y={thing.yM * 100}
            width={thing.widthM * 100}
            height={thing.depthM * 100}
            rx={4}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={px}
          />
          <text
            x={(thing.xM + thing.widthM / 2) * 100}
            y={(thing.yM + thing.depthM / 2) * 100 + 4 * px}
            fontSize={12 * px}
            textAnchor="middle"
            fill="var(--ink)"
          >
            {thing.name}
          </text>
        </g>
      ))}
    </>
  );
}
