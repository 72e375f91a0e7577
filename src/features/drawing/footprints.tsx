'use client';
import { useWords } from '@/features/languages/use-words';
import styled from 'styled-components';
import type { Hand } from '@/core/sheet/teaching-points';

const Feet = styled.svg`
  flex: none;
`;

/** Two footprints from above, the one in front darker, with the throwing hand beside its foot's side. */
export function Footprints({ front, hand, width = 96 }: { front: Hand | 'both'; hand: Hand; width?: number }) {
  const { i18n } = useWords();
  const y = (foot: Hand) => (front === foot ? 12 : front === 'both' ? 34 : 54);
  return (
    <Feet
      viewBox="0 0 120 130"
      width={width}
      height={Math.round(width * (13 / 12))}
      role="img"
      aria-label={
        front === 'both'
          ? i18n.t('feet side by side')
          : front === 'left'
            ? hand === 'left'
              ? i18n.t('left foot in front, left hand throws')
              : i18n.t('left foot in front, right hand throws')
            : hand === 'left'
              ? i18n.t('right foot in front, left hand throws')
              : i18n.t('right foot in front, right hand throws')
      }
    >
      <path d="M60 8 v-6 m-5 4 l5 -5 l5 5" stroke="var(--ink)" strokeWidth={2} fill="none" />
      {(['left', 'right'] as const).map((foot) => (
        <g
          key={foot}
          transform={`translate(${foot === 'left' ? 30 : 66} ${y(foot)})`}
          fill={front === foot ? 'var(--gorse)' : 'var(--sheet)'}
          stroke="var(--ink)"
          strokeWidth={2}
        >
          <path
            d={foot === 'left' ? 'M4 14c0-9 5-14 11-14s10 5 9 15l-2 14c-1 5-14 5-15 0z' : 'M20 14c0-9-5-14-11-14s-10 5-9 15l2 14c1 5 14 5 15 0z'}
          />
          <ellipse cx={foot === 'left' ? 14 : 10} cy={46} rx={8} ry={10} />
        </g>
      ))}
      <circle cx={hand === 'left' ? 10 : 110} cy={70} r={8} fill="var(--heather)" stroke="var(--ink)" strokeWidth={2} />
    </Feet>
  );
}
