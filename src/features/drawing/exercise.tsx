'use client';
import styled, { css, keyframes } from 'styled-components';
import { exerciseIn } from '@/core/sheet/exercise-words';
import { EXERCISES } from '@/core/sheet/exercises';
import { Figure, FIGURE_H, FIGURE_W } from './figure';

const toAndFro = keyframes`
  0%, 49.9% { opacity: 1; }
  50%, 100% { opacity: 0; }
`;

const Drawn = styled.svg`
  display: block;
  flex: none;
  & > g {
    ${css`
      animation: ${toAndFro} 1.6s steps(1, end) infinite;
    `}
  }
  & > g + g {
    animation-delay: -0.8s;
  }
  @media (prefers-reduced-motion: reduce) {
    & > g {
      animation: none;
    }
    & > g + g {
      opacity: 0;
    }
  }
`;

/** An exercise as a small figure that does it; nothing where the words name none that we have drawn. */
export function Exercise({ words, height = 64 }: { words: string; height?: number }) {
  const id = exerciseIn(words);
  if (!id) return null;
  return (
    <Drawn viewBox={`-20 -10 ${FIGURE_W + 20} ${FIGURE_H + 16}`} height={height} aria-hidden>
      {EXERCISES[id].map((frame, index) => (
        <g key={index}>
          <Figure frame={frame} mirrored={false} />
        </g>
      ))}
    </Drawn>
  );
}
