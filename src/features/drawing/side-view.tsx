import { curveLinearClosed, line as polyline } from 'd3-shape';
import { outlineWidthM, type AimedId, type AimedShape, type ImplementId } from '@/core/objects/catalogue';

type Outline = readonly (readonly [number, number])[];
const BOTTLE: Outline = [
  [-0.5, 0],
  [-0.5, 0.6],
  [-0.2, 0.84],
  [-0.2, 1],
  [0.2, 1],
  [0.2, 0.84],
  [0.5, 0.6],
  [0.5, 0],
];
const BOWL: Outline = [
  [-0.24, 0],
  [-0.42, 0.36],
  [-0.5, 1],
  [0.5, 1],
  [0.42, 0.36],
  [0.24, 0],
];
/** Narrower at the floor than at the rim, by so much of its width on either side. */
const tapered = (foot: number): Outline => [
  [-foot, 0],
  [-0.5, 1],
  [0.5, 1],
  [foot, 0],
];

/** Outlines that are more than a box, as shares of width (from −0.5 to 0.5) and height (from 0 at the floor up). */
const OUTLINES: Readonly<Partial<Record<AimedId, Outline>>> = {
  bottle: BOTTLE,
  'small-bottle': BOTTLE,
  'weighted-bottle': BOTTLE,
  'paper-cup': [
    [-0.5, 0],
    [-0.36, 1],
    [0.36, 1],
    [0.5, 0],
  ],
  'yoghurt-pot': tapered(0.38),
  bucket: tapered(0.36),
  'laundry-basket': tapered(0.42),
  'washing-up-bowl': tapered(0.42),
  'mixing-bowl': BOWL,
  'large-bowl': BOWL,
  'small-bowl': BOWL,
  ramp: [
    [-0.5, 0],
    [0.5, 1],
    [0.5, 0],
  ],
};

const heightM = (shape: AimedShape): number =>
  shape.kind === 'opening' ? shape.rimM : shape.kind === 'gate' ? 0.25 : 'heightM' in shape ? shape.heightM : 0.1;

/** How tall a thing stands, metres; what is on a seat with its seat. */
export function tallM(shape: AimedShape): number {
  return Math.max(0.01, heightM(shape));
}

const outlinePath = polyline().curve(curveLinearClosed).digits(2);

/** A thing from its side, standing on y = 0, in centimetres, to scale. */
export function SideView({ object, shape, line }: { object: AimedId | null; shape: AimedShape; line: number }) {
  const w = outlineWidthM(shape) * 100;
  const h = tallM(shape) * 100;
  const pen = { fill: 'var(--sheet)', stroke: 'var(--heather)', strokeWidth: line * 1.5, strokeLinejoin: 'round' as const };
  const thin = { fill: 'none', stroke: 'var(--heather)', strokeWidth: line * 0.7 };
  const outline = object ? OUTLINES[object] : undefined;
  if (outline)
    return (
      <g>
        <path d={outlinePath(outline.map(([x, y]) => [x * w, -y * h])) ?? ''} {...pen} />
        {object === 'weighted-bottle' && <path d={`M${-w / 2} 0V${-h * 0.25}H${w / 2}V0Z`} fill="var(--heather)" fillOpacity={0.35} stroke="none" />}
        {object === 'bucket' && <path d={`M${-w / 2} ${-h}C${-w / 3} ${-h * 1.5} ${w / 3} ${-h * 1.5} ${w / 2} ${-h}`} {...thin} />}
        {object === 'laundry-basket' &&
          [0.25, 0.5, 0.75].map((y) => <line key={y} x1={-w * (0.42 + 0.08 * y)} x2={w * (0.42 + 0.08 * y)} y1={-h * y} y2={-h * y} {...thin} />)}
      </g>
    );
  switch (object) {
    case 'plate-on-chair':
    case 'chair':
    case 'chair-legs':
    case 'sofa-seat':
    case 'sofa-front': {
      const sofa = object.startsWith('sofa');
      const wide = sofa ? 180 : 42;
      const [seat, back] = sofa ? [42, 80] : [44, 85];
      return (
        <g>
          <path d={`M${-wide / 2} 0V${-seat}H${wide / 2}V0M${-wide / 2} ${-seat}V${-back}H${-wide / 2 + (sofa ? 20 : 4)}V${-seat}`} {...pen} />
          {object === 'plate-on-chair' && (
            <ellipse cx={-wide / 2 + 9} cy={-seat - 13} rx={4} ry={11.5} {...pen} transform={`rotate(12 ${-wide / 2 + 9} ${-seat - 13})`} />
          )}
        </g>
      );
    }
    case 'clothes-horse':
      return (
        <g>
          <path
            d={`M${-w / 2} 0L${-w / 6} ${-h}L${w / 6} ${-h}L${w / 2} 0M${-w / 6} ${-h}L${w / 3} 0M${w / 6} ${-h}L${-w / 3} 0`}
            {...pen}
            fill="none"
          />
          {[0.35, 0.65].map((y) => (
            <line key={y} x1={-w / 2 + (w / 3) * y} x2={w / 2 - (w / 3) * y} y1={-h * y} y2={-h * y} {...thin} />
          ))}
        </g>
      );
    case 'shoe-gate':
      return (
        <g>
          {[-1, 1].map((side) => (
            <path key={side} d={`M${side * (w / 2)} 0h${side * 10}v-6q0 -3 ${-side * 4} -4l${-side * 3} -4h${-side * 3}z`} {...pen} />
          ))}
        </g>
      );
    default:
      break;
  }
  switch (shape.kind) {
    case 'gate':
      return (
        <g>
          {[-1, 1].map((side) => (
            <rect key={side} x={side > 0 ? w / 2 : -w / 2 - shape.postM * 100} y={-h} width={shape.postM * 100} height={h} {...pen} />
          ))}
        </g>
      );
    case 'flat':
      return <rect x={-w / 2} y={-Math.max(1.2, h)} width={w} height={Math.max(1.2, h)} rx={0.6} {...pen} />;
    case 'mouth':
      return (
        <g>
          <rect x={-w / 2} y={-h} width={w} height={h} rx={2} {...pen} />
          <rect
            x={-w / 2 + 3}
            y={-h + 3}
            width={Math.max(1, w - 6)}
            height={Math.max(1, h - 3)}
            fill="var(--heather)"
            fillOpacity={0.25}
            stroke="none"
          />
        </g>
      );
    default:
      return (
        <g>
          <rect x={-w / 2} y={-h} width={w} height={h} rx={object === 'pillow' ? Math.min(w, h) / 3 : 1} {...pen} />
          {(object === 'food-can' || object === 'biscuit-tin') &&
            [0.12, 0.88].map((y) => <line key={y} x1={-w / 2} x2={w / 2} y1={-h * y} y2={-h * y} {...thin} />)}
          {(object === 'tube' || object === 'kitchen-roll') && <ellipse cy={-h} rx={w / 2} ry={w / 7} {...pen} />}
        </g>
      );
  }
}

/** What is thrown, rolled or kicked, from its side, its middle at (0, 0), in centimetres. */
export function BallView({ ball, radiusM, line }: { ball: ImplementId; radiusM: number; line: number }) {
  const r = radiusM * 100;
  const pen = { fill: 'var(--sheet)', stroke: 'var(--heather)', strokeWidth: line * 1.5, strokeLinejoin: 'round' as const };
  const thin = { fill: 'none', stroke: 'var(--heather)', strokeWidth: line * 0.8 };
  switch (ball) {
    case 'paper-plane':
      return (
        <path
          d={`M${-r * 1.6} ${-r * 0.3}L${r * 1.6} 0L${-r * 1.6} ${r * 0.5}L${-r * 0.9} ${r * 0.05}ZM${-r * 0.9} ${r * 0.05}L${r * 1.6} 0`}
          {...pen}
        />
      );
    case 'toilet-roll':
      return (
        <g>
          <rect x={-r} y={-r} width={2 * r} height={2 * r} {...pen} />
          <ellipse cy={-r} rx={r} ry={r / 4} {...pen} />
          <ellipse cy={-r} rx={r / 3} ry={r / 10} {...thin} />
        </g>
      );
    case 'jar-lid':
    case 'coin':
      return <rect x={-r} y={-r / 6} width={2 * r} height={r / 3} rx={r / 12} {...pen} />;
    case 'shoe':
      return (
        <path d={`M${-r} ${r * 0.4}h${2 * r}v${-r * 0.25}q0 ${-r * 0.25} ${-r * 0.6} ${-r * 0.3}l${-r * 0.6} ${-r * 0.5}h${-r * 0.8}z`} {...pen} />
      );
    case 'cork':
      return <rect x={-r * 0.6} y={-r} width={r * 1.2} height={2 * r} rx={r * 0.1} {...pen} />;
    case 'sponge':
      return <rect x={-r} y={-r * 0.6} width={2 * r} height={r * 1.2} rx={r * 0.2} {...pen} />;
    case 'rice-bag':
      return (
        <path
          d={`M${-r} ${r * 0.5}q${r} ${r * 0.4} ${2 * r} 0q${r * 0.1} ${-r} ${-r * 0.8} ${-r}l${r * 0.2} ${-r * 0.4}h${-r * 0.8}l${r * 0.2} ${r * 0.4}q${-r * 0.9} 0 ${-r * 0.8} ${r}z`}
          {...pen}
        />
      );
    case 'balloon':
      return (
        <g>
          <ellipse rx={r * 0.9} ry={r} {...pen} />
          <path d={`M0 ${r}l${-r * 0.1} ${r * 0.15}h${r * 0.2}z`} {...pen} />
        </g>
      );
    default:
      return (
        <g>
          <circle r={r} {...pen} />
          {(ball === 'sock-ball' || ball === 'big-sock-ball') && (
            <path
              d={`M${-r * 0.95} ${-r * 0.2}Q0 ${r * 0.35} ${r * 0.95} ${-r * 0.3}M${-r * 0.6} ${-r * 0.75}Q${-r * 0.1} ${-r * 0.2} ${r * 0.5} ${-r * 0.8}`}
              {...thin}
            />
          )}
          {(ball === 'foil-ball' || ball === 'paper-ball') && (
            <path
              d={`M${-r * 0.7} ${-r * 0.3}L${-r * 0.1} ${-r * 0.6}L${r * 0.3} ${-r * 0.1}L${r * 0.8} ${-r * 0.2}M${-r * 0.5} ${r * 0.5}L0 ${r * 0.1}L${r * 0.5} ${r * 0.6}`}
              {...thin}
            />
          )}
          {ball === 'tennis-ball' && (
            <path d={`M${-r * 0.75} ${-r * 0.65}Q0 0 ${-r * 0.75} ${r * 0.65}M${r * 0.75} ${-r * 0.65}Q0 0 ${r * 0.75} ${r * 0.65}`} {...thin} />
          )}
          {ball === 'wool-ball' && (
            <path
              d={`M${-r} 0Q0 ${-r * 0.6} ${r} 0M${-r * 0.8} ${r * 0.55}Q0 ${-r * 0.2} ${r * 0.8} ${r * 0.55}M${-r * 0.7} ${-r * 0.7}Q${r * 0.2} 0 ${-r * 0.2} ${r}`}
              {...thin}
            />
          )}
          {ball === 'football' && (
            <path d={`M0 ${-r * 0.4}l${r * 0.4} ${r * 0.3}l${-r * 0.15} ${r * 0.45}h${-r * 0.5}l${-r * 0.15} ${-r * 0.45}z`} {...thin} />
          )}
          {ball === 'soft-toy' && (
            <>
              <circle cx={-r * 0.6} cy={-r * 0.8} r={r * 0.3} {...pen} />
              <circle cx={r * 0.6} cy={-r * 0.8} r={r * 0.3} {...pen} />
              <path d={`M${-r * 0.3} ${r * 0.2}q${r * 0.3} ${r * 0.3} ${r * 0.6} 0`} {...thin} />
            </>
          )}
        </g>
      );
  }
}
