'use client';
import type { Spot } from '@/core/rules/format/game';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';

const Rack = styled.svg`
  width: 100%;
  flex: 1 1 150px;
  min-height: 120px;
  max-height: 300px;
  & [data-up] {
    cursor: pointer;
  }
`;

/** Pins or targets where they stand, seen from the player: nearest at the bottom. Tap those that fell. */
export function Pins({
  label,
  spots,
  standing,
  fallen,
  onToggle,
}: {
  label: string;
  spots: readonly Spot[];
  standing: readonly number[];
  fallen: readonly number[];
  onToggle: (pin: number) => void;
}) {
  const { i18n } = useWords();
  const at = laidOut(spots);
  const radius = 13;
  const width = Math.max(...at.map((spot) => Math.abs(spot.x))) * 2 + 2 * radius + 8;
  const top = Math.min(...at.map((spot) => spot.y)) - radius - 4;
  const height = Math.max(...at.map((spot) => spot.y)) + radius + 4 - top;
  return (
    <Rack viewBox={`${-width / 2} ${top} ${width} ${height}`} role="group" aria-label={label}>
      {at.map(({ x, y }, pin) => {
        const up = standing.includes(pin);
        const down = fallen.includes(pin);
        return (
          <g
            key={pin}
            role="checkbox"
            aria-checked={down}
            aria-disabled={!up}
            aria-label={up ? i18n.t('Pin {n}', { n: pin + 1 }) : i18n.t('Pin {n}, already gone', { n: pin + 1 })}
            tabIndex={up ? 0 : -1}
            onClick={() => up && onToggle(pin)}
            onKeyDown={(event) => {
              if (!up || (event.key !== ' ' && event.key !== 'Enter')) return;
              event.preventDefault();
              onToggle(pin);
            }}
            data-up={up || undefined}
          >
            <circle cx={x} cy={y} r={radius + 2} fill="transparent" />
            <circle
              cx={x}
              cy={y}
              r={up ? radius : radius * 0.55}
              fill={down ? 'var(--heather)' : up ? 'var(--sheet)' : 'transparent'}
              stroke={up ? 'var(--ink)' : 'var(--line-strong)'}
              strokeWidth={1.6}
              strokeDasharray={up ? undefined : '2 2'}
            />
            {down && <path d={`M${x - 5} ${y - 5}l10 10m0-10l-10 10`} stroke="var(--sheet)" strokeWidth={2.4} strokeLinecap="round" />}
            {up && !down && (
              <text x={x} y={y + 4} textAnchor="middle" fontSize={11} fontWeight={700} fill="var(--ink)">
                {pin + 1}
              </text>
            )}
          </g>
        );
      })}
    </Rack>
  );
}

/** True places, spread so that a finger can tell them apart; the throw comes from below. */
function laidOut(spots: readonly Spot[]): { x: number; y: number }[] {
  const middle = { x: mean(spots.map((spot) => spot.xM)), y: mean(spots.map((spot) => spot.yM)) };
  const closest = Math.min(
    ...spots.flatMap((one, index) => spots.slice(index + 1).map((other) => Math.hypot(one.xM - other.xM, one.yM - other.yM))),
    1,
  );
  const scale = 32 / Math.max(0.02, closest);
  const most = Math.max(...spots.map((spot) => Math.hypot(spot.xM - middle.x, spot.yM - middle.y)), 0.01);
  const fitted = Math.min(scale, 90 / most);
  return spots.map((spot) => ({ x: (spot.yM - middle.y) * fitted, y: -(spot.xM - middle.x) * fitted }));
}

function mean(numbers: readonly number[]): number {
  return numbers.reduce((sum, one) => sum + one, 0) / Math.max(1, numbers.length);
}
