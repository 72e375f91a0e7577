import type { Furniture } from '@/core/rules/format/game';

export interface SoundingMark {
  readonly xM: number;
  readonly yM: number;
  /** Chance of a hit from here, 0–1. */
  readonly chance: number;
}

/** Chances over the floor as whole percentages, left out within 36 cm of a thing or a place, where they would be covered. */
export function Soundings({
  soundings,
  busy,
  covered = [],
  px,
}: {
  soundings: readonly SoundingMark[];
  busy: readonly { readonly xM: number; readonly yM: number }[];
  /** Furniture, which stands over the floor. */
  covered?: readonly Furniture[];
  px: number;
}) {
  return (
    <g aria-hidden fontSize={11 * px} textAnchor="middle">
      {soundings
        .filter((sounding) => busy.every((spot) => Math.hypot(spot.xM - sounding.xM, spot.yM - sounding.yM) > 0.36))
        .filter((sounding) => !covered.some((piece) => isUnder(piece, sounding)))
        .map((sounding) => (
          <text
            key={`${sounding.xM} ${sounding.yM}`}
            x={sounding.xM * 100}
            y={sounding.yM * 100}
            fill={sounding.chance < 0.2 ? 'var(--on-deep)' : 'var(--ink)'}
          >
            {Math.round(sounding.chance * 100)}
          </text>
        ))}
    </g>
  );
}

/** Half the height and width of a figure, metres. */
const FIGURE_M = 0.12;

function isUnder(piece: Furniture, { xM, yM }: SoundingMark): boolean {
  const x = xM > piece.xM - FIGURE_M && xM < piece.xM + piece.widthM + FIGURE_M;
  return x && yM > piece.yM - FIGURE_M / 2 && yM < piece.yM + piece.depthM + FIGURE_M;
}
