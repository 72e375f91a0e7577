import { jointsOf, MOVEMENTS } from '@/core/sheet/movements';
import { SKILL_NAMES, type Hand, type Skill } from '@/core/sheet/teaching-points';

const FRAME_W = 190;
const H = 215;

/** A movement in four frames, side by side; for the left side mirrored. The limbs of the throwing side are drawn firm, the others thin. */
export function Movement({ skill, hand, height = 120 }: { skill: Skill; hand: Hand; height?: number }) {
  const frames = MOVEMENTS[skill];
  const at = ([x, y]: readonly [number, number]) => `${x * 100} ${-y * 100}`;
  return (
    <svg
      viewBox={`-24 0 ${FRAME_W * 4 + 48} ${H + 12}`}
      height={height}
      style={{ maxWidth: '100%', display: 'block' }}
      role="img"
      aria-label={`${SKILL_NAMES[skill]} in four frames, ${hand} side`}
    >
      {frames.map((frame, index) => {
        const j = jointsOf(frame);
        const column = hand === 'left' ? 3 - index : index;
        return (
          <g key={index} transform={`translate(${column * FRAME_W} 0)`}>
            <line x1={8} x2={FRAME_W - 8} y1={H} y2={H} stroke="var(--ink)" strokeWidth={1.5} />
            <text x={hand === 'left' ? FRAME_W - 14 : 14} y={18} fontSize={17} textAnchor="middle" fill="var(--ink-soft)">
              {index + 1}
            </text>
            <g
              transform={`translate(${FRAME_W * 0.4} ${H}) ${hand === 'left' ? 'translate(38 0) scale(-1 1)' : ''}`}
              strokeLinecap="round"
              strokeLinejoin="round"
              fill="none"
            >
              <g stroke="var(--half)" strokeWidth={5}>
                <path d={`M${at(j.neck)}L${at(j.otherElbow)}L${at(j.otherHand)}`} />
                <path d={`M${at(j.hip)}L${at(j.otherKnee)}L${at(j.otherFoot)}l14 0`} />
              </g>
              <g stroke="var(--ink)" strokeWidth={7}>
                <path d={`M${at(j.neck)}L${at(j.hip)}`} />
                <path d={`M${at(j.hip)}L${at(j.knee)}L${at(j.foot)}l14 0`} />
                <path d={`M${at(j.neck)}L${at(j.elbow)}L${at(j.hand)}`} stroke="var(--gorse)" strokeWidth={10} />
                <path d={`M${at(j.neck)}L${at(j.elbow)}L${at(j.hand)}`} strokeWidth={2} />
              </g>
              <circle cx={j.head[0] * 100} cy={-j.head[1] * 100} r={13} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={3} />
              {j.ball && <circle cx={j.ball[0] * 100} cy={-j.ball[1] * 100} r={7.5} fill="var(--heather)" stroke="var(--ink)" strokeWidth={2} />}
            </g>
          </g>
        );
      })}
    </svg>
  );
}
