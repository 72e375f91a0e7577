'use client';
/** What a step is, for whoever does not read: a few lines, of which one moves; it stands still where motion is not wanted. */
import styled, { css, keyframes } from 'styled-components';

const Picture = styled.svg`
  display: block;
  align-self: center;
  width: 180px;
  max-width: 100%;
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
  stroke-linecap: round;
  stroke-linejoin: round;
`;

const press = keyframes`
  0%, 55%, 100% { transform: translateY(0); }
  70% { transform: translateY(-11px); }
`;
const travel = keyframes`
  0%, 15% { transform: translateX(0); }
  70%, 100% { transform: translateX(58px); }
`;
const nod = keyframes`
  0%, 60%, 100% { transform: rotate(0); }
  75% { transform: rotate(9deg); }
`;
const MOVES = { press, travel, nod };

const Moving = styled.g<{ $how: keyof typeof MOVES }>`
  transform-box: fill-box;
  transform-origin: bottom center;
  ${({ $how }) => css`
    animation: ${MOVES[$how]} 2.4s ease-in-out infinite;
  `}
  @media (prefers-reduced-motion: reduce), print {
    animation: none;
  }
`;

/** Somebody from the front, so tall. */
function Person({ x, tall, arm }: { x: number; tall: number; arm: string }) {
  const head = tall * 0.16;
  return (
    <g transform={`translate(${x} 92)`}>
      <circle cy={-tall + head} r={head} fill="var(--sheet)" />
      <path d={`M0 ${-tall + 2 * head}V${-tall * 0.4}M0 ${-tall * 0.4}L${-tall * 0.13} 0M0 ${-tall * 0.4}L${tall * 0.13} 0M0 ${-tall * 0.6}${arm}`} />
    </g>
  );
}

const House = () => <path d="M120 92V52L146 32L172 52V92ZM139 92V70H153V92" fill="var(--sheet)" />;

const DRAWN = {
  /** A child and an adult look at the place; the adult says yes. */
  safe: (
    <>
      <path d="M14 92H166" />
      <Person x={48} tall={56} arm="l20 -6" />
      <Person x={84} tall={78} arm="l-16 8" />
      <circle cx={134} cy={86} r={12} fill="var(--band-2)" stroke="var(--heather)" />
      <Moving $how="nod">
        <path d="M118 36l12 13l24 -30" stroke="var(--ink)" strokeWidth={6} />
      </Moving>
    </>
  ),
  /** A try goes in; a finger counts it, in strokes. */
  count: (
    <>
      <rect x={22} y={8} width={58} height={84} rx={9} fill="var(--sheet)" />
      <path d="M43 16h16" />
      <rect x={31} y={26} width={40} height={26} rx={5} fill="var(--ink)" />
      <path d="M43 39l6 6l11 -12" stroke="var(--sheet)" strokeWidth={3.5} />
      <Moving $how="press">
        <path d="M43 98V62c0 -10 16 -10 16 0V98" fill="var(--paper)" />
        <path d="M48 60c1 -2 5 -2 6 0" strokeWidth={1.5} />
      </Moving>
      <path d="M112 40V76M124 40V76M136 40V76M148 40V76M106 70L154 46" stroke="var(--heather)" strokeWidth={4} />
    </>
  ),
  /** What was played goes to the school. */
  send: (
    <>
      <path d="M10 92H176" />
      <House />
      <path d="M146 32V18l14 5l-14 5" stroke="var(--heather)" />
      <Moving $how="travel">
        <rect x={14} y={50} width={36} height={26} rx={2} fill="var(--sheet)" />
        <path d="M14 52l18 13l18 -13" />
      </Moving>
    </>
  ),
  /** The school has it. */
  arrived: (
    <>
      <path d="M10 92H176" />
      <House />
      <path d="M146 32V18l14 5l-14 5" stroke="var(--heather)" />
      <path d="M36 62l18 19l36 -46" strokeWidth={6} />
    </>
  ),
  /** A clock that was stopped. */
  begun: (
    <>
      <circle cx={90} cy={52} r={38} fill="var(--sheet)" />
      <path d="M90 14V8M84 8h12" />
      <path d="M90 52V26" stroke="var(--heather)" strokeWidth={4} />
      <path d="M80 46v22M100 46v22" strokeWidth={7} />
    </>
  ),
} as const;

export function StepPicture({ of }: { of: keyof typeof DRAWN }) {
  return (
    <Picture viewBox="0 0 186 100" aria-hidden>
      {DRAWN[of]}
    </Picture>
  );
}
