import type { AimedShape } from '@/core/objects/catalogue';

/** Top view of a target at its real size, in centimetres about its middle; depth lies along x. */
export function TargetDrawing({ shape, casing }: { shape: AimedShape; casing: number }) {
  const stroke = { fill: 'none', stroke: 'var(--heather)', strokeWidth: casing * 1.6 };
  if (shape.kind === 'opening' && shape.outline === 'rectangle') {
    const w = shape.depthM * 100;
    const h = shape.widthM * 100;
    return (
      <g>
        <rect x={-w / 2} y={-h / 2} width={w} height={h} rx={4} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={casing * 3.2} />
        <rect x={-w / 2} y={-h / 2} width={w} height={h} rx={4} {...stroke} />
        <rect x={-w / 2 + 4} y={-h / 2 + 4} width={w - 8} height={h - 8} rx={2} {...stroke} strokeWidth={casing * 0.7} />
        {[0.25, 0.5, 0.75].map((share) => (
          <line key={share} x1={-w / 2 + w * share} x2={-w / 2 + w * share} y1={-h / 2 + 4} y2={h / 2 - 4} {...stroke} strokeWidth={casing * 0.4} />
        ))}
      </g>
    );
  }
  const r = (shape.kind === 'opening' ? shape.diameterM : shape.widthM) * 50;
  return (
    <g>
      <circle r={r} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={casing * 3.2} />
      <circle r={r} {...stroke} />
      {shape.kind === 'opening' ? (
        <circle r={Math.max(1, r - 4)} {...stroke} strokeWidth={casing * 0.7} />
      ) : (
        <circle r={Math.max(0.8, r * 0.35)} fill="var(--heather)" />
      )}
    </g>
  );
}
