'use client';
import styled, { css, keyframes } from 'styled-components';
import { MOVEMENTS } from '@/core/sheet/movements';
import { useWords } from '@/features/languages/use-words';
import { SKILL_NAMES, type Hand, type Skill } from '@/core/sheet/teaching-points';
import { Figure, FIGURE_H, FIGURE_W } from './figure';

const Frame = styled.svg`
  max-width: 100%;
  display: block;
`;

/** A movement in four frames, side by side; for the left side mirrored. */
function Movement({ skill, hand, height = 120 }: { skill: Skill; hand: Hand; height?: number }) {
  const { i18n, own } = useWords();
  return (
    <Frame
      viewBox={`-24 0 ${FIGURE_W * 4 + 48} ${FIGURE_H + 12}`}
      height={height}
      role="img"
      aria-label={
        hand === 'left'
          ? i18n.t('{skill} in four frames, left side', { skill: own(SKILL_NAMES[skill]) })
          : i18n.t('{skill} in four frames, right side', { skill: own(SKILL_NAMES[skill]) })
      }
    >
      {MOVEMENTS[skill].map((frame, index) => (
        <g key={index} transform={`translate(${(hand === 'left' ? 3 - index : index) * FIGURE_W} 0)`}>
          <text x={hand === 'left' ? FIGURE_W - 14 : 14} y={18} fontSize={17} textAnchor="middle" fill="var(--ink-soft)">
            {index + 1}
          </text>
          <Figure frame={frame} mirrored={hand === 'left'} />
        </g>
      ))}
    </Frame>
  );
}

const appear = keyframes`
  0%, 24.9% { opacity: 1; }
  25%, 100% { opacity: 0; }
`;

/** Each frame is shown for a quarter of the loop. Where motion is not wanted the loop gives way to the frames side by side. */
const LOOP_S = 3.2;

const Loop = styled.svg`
  display: block;
  align-self: center;
  max-width: 100%;
  & > g {
    opacity: 0;
    ${css`
      animation: ${appear} ${LOOP_S}s steps(1, end) infinite;
    `}
  }
  @media (prefers-reduced-motion: reduce), print {
    display: none;
  }
`;

const Still = styled.div`
  display: none;
  @media (prefers-reduced-motion: reduce), print {
    display: block;
  }
`;

/** A movement as a drawn loop of one figure; still, four frames side by side, where motion is not wanted. */
export function MovementLoop({ skill, hand, height = 170 }: { skill: Skill; hand: Hand; height?: number }) {
  const { i18n, own } = useWords();
  return (
    <>
      <Loop
        viewBox={`-40 0 ${FIGURE_W + 80} ${FIGURE_H + 6}`}
        height={height}
        role="img"
        aria-label={
          hand === 'left'
            ? i18n.t('{skill}, left side, shown again and again', { skill: own(SKILL_NAMES[skill]) })
            : i18n.t('{skill}, right side, shown again and again', { skill: own(SKILL_NAMES[skill]) })
        }
      >
        {MOVEMENTS[skill].map((frame, index) => (
          <g key={index} style={{ animationDelay: `${(index * LOOP_S) / 4 - LOOP_S}s` }}>
            <Figure frame={frame} mirrored={hand === 'left'} />
          </g>
        ))}
      </Loop>
      <Still>
        <Movement skill={skill} hand={hand} height={92} />
      </Still>
    </>
  );
}
