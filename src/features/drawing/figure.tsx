import { jointsOf, type MovementFrame } from '@/core/sheet/movements';

/** Of a figure as it is drawn: its width, and its height from the floor up. */
export const FIGURE_W = 190;
export const FIGURE_H = 215;

/** One drawn figure; for the left side mirrored. The limbs of the throwing side are drawn firm, the others thin. */
export function Figure({ frame, mirrored }: { frame: MovementFrame; mirrored: boolean }) {
  const at = ([x, y]: readonly [number, number]) => `${x * 100} ${-y * 100}`;
  const j = jointsOf(frame);
  return (
    <>
      <line x1={8} x2={FIGURE_W - 8} y1={FIGURE_H} y2={FIGURE_H} stroke="var(--ink)" strokeWidth={1.5} />
      <g
        transform={`translate(${FIGURE_W * 0.4} ${FIGURE_H}) ${mirrored ? 'translate(38 0) scale(-1 1)' : ''}`}
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
    </>
  );
}
