/** The ground of the chart: its bands of chances and what was sounded in between. */
import { memo } from 'react';
import type { FloorDepth } from '@/core/forecast/depth';
import type { Furniture, Spot } from '@/core/rules/format/game';
import { Soundings } from '../drawing/soundings';

const BAND_FILLS = ['var(--band-4)', 'var(--band-3)', 'var(--band-2)', 'var(--band-1)'];

/** The bands: drawn again only when the depth itself has changed. */
export const FloorBands = memo(function FloorBands({
  floor,
  width,
  depth,
  px,
}: {
  floor: FloorDepth | null;
  width: number;
  depth: number;
  px: number;
}) {
  return (
    <g clipPath="url(#floor-clip)" aria-hidden>
      <rect x={0} y={0} width={width} height={depth} fill={floor && floor.bands.length > 0 ? 'var(--band-5)' : 'var(--band-2)'} />
      {floor?.bands.map((path, index) => (
        <path key={index} d={path} fill={BAND_FILLS[index]!} stroke="var(--band-5)" strokeOpacity={0.55} strokeWidth={0.8 * px} />
      ))}
    </g>
  );
});

/** Which 20 cm squares hold something, as a key: soundings there are left out, and drawn again only when that changes. */
export function freeOf(spots: readonly Spot[]): string {
  return spots.map((spot) => `${Math.round(spot.xM * 5) / 5} ${Math.round(spot.yM * 5) / 5}`).join('|');
}

export const FloorSoundings = memo(function FloorSoundings({
  floor,
  px,
  free,
  furniture,
}: {
  floor: FloorDepth | null;
  px: number;
  free: string;
  furniture: readonly Furniture[];
}) {
  const busy = free.split('|').map((spot) => {
    const [xM, yM] = spot.split(' ').map(Number) as [number, number];
    return { xM, yM };
  });
  return <Soundings soundings={floor?.soundings ?? []} busy={busy} covered={furniture} px={px} />;
});
