import type { Box } from '@/core/rules/format/game';

/** A box on the floor to stand in, about its middle, in centimetres. */
export function BoxToStandIn({ box: { widthM, depthM }, px }: { box: Box; px: number }) {
  return (
    <rect
      x={-widthM * 50}
      y={-depthM * 50}
      width={widthM * 100}
      height={depthM * 100}
      fill="var(--gorse)"
      fillOpacity={0.22}
      stroke="var(--ink)"
      strokeWidth={1.4 * px}
      strokeDasharray={`${5 * px} ${3 * px}`}
    />
  );
}
