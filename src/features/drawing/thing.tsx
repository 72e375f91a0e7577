import type { AimedShape } from '@/core/objects/catalogue';

/** Top view of a thing at its real size, in centimetres about its middle; depth lies along x, towards the one who throws is −x. */
export function Thing({ shape, casing, role = 'target' }: { shape: AimedShape; casing: number; role?: 'target' | 'obstacle' }) {
  const colour = role === 'target' ? 'var(--heather)' : 'var(--ink-soft)';
  const line = { fill: 'none', stroke: colour, strokeWidth: casing * 1.6 };
  const cased = { fill: 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: casing * 3.2 };
  switch (shape.kind) {
    case 'opening': {
      if (shape.outline === 'round') {
        const r = shape.diameterM * 50;
        return (
          <g>
            <circle r={r} {...cased} />
            <circle r={r} {...line} />
            <circle r={Math.max(1, r - 4)} {...line} strokeWidth={casing * 0.7} />
          </g>
        );
      }
      const w = shape.depthM * 100;
      const h = shape.widthM * 100;
      return (
        <g>
          <rect x={-w / 2} y={-h / 2} width={w} height={h} rx={4} {...cased} />
          <rect x={-w / 2} y={-h / 2} width={w} height={h} rx={4} {...line} />
          <rect x={-w / 2 + 4} y={-h / 2 + 4} width={Math.max(1, w - 8)} height={Math.max(1, h - 8)} rx={2} {...line} strokeWidth={casing * 0.7} />
          {[0.25, 0.5, 0.75].map((share) => (
            <line key={share} x1={-w / 2 + w * share} x2={-w / 2 + w * share} y1={-h / 2 + 4} y2={h / 2 - 4} {...line} strokeWidth={casing * 0.4} />
          ))}
        </g>
      );
    }
    case 'upright': {
      const r = shape.widthM * 50;
      return (
        <g>
          <circle r={r} {...cased} />
          <circle r={r} {...line} />
          <circle r={Math.max(0.8, r * 0.35)} fill={colour} />
        </g>
      );
    }
    case 'flat': {
      const r = shape.diameterM * 50;
      return (
        <g>
          <circle r={r} fill="var(--sheet)" fillOpacity={0.55} stroke="var(--ink)" strokeWidth={casing * 2.6} />
          <circle r={r} {...line} strokeDasharray={`${casing * 5} ${casing * 3}`} />
        </g>
      );
    }
    case 'gate': {
      const half = shape.widthM * 50;
      const post = Math.max(3, shape.postM * 100);
      return (
        <g>
          <line x1={0} x2={0} y1={-half} y2={half} {...line} strokeDasharray={`${casing * 2} ${casing * 4}`} />
          {[-1, 1].map((side) => (
            <g key={side}>
              <rect x={-post / 2} y={side * (half + post / 2) - post / 2} width={post} height={post} rx={2} {...cased} />
              <rect x={-post / 2} y={side * (half + post / 2) - post / 2} width={post} height={post} rx={2} {...line} />
            </g>
          ))}
        </g>
      );
    }
    case 'mouth': {
      const h = shape.widthM * 50;
      const d = shape.depthM * 100;
      const path = `M${-d / 2} ${-h}L${d / 2} ${-h * 0.8}V${h * 0.8}L${-d / 2} ${h}`;
      return (
        <g>
          <path d={`${path}Z`} fill="var(--sheet)" stroke="none" />
          <path d={path} {...cased} fill="none" />
          <path d={path} {...line} />
        </g>
      );
    }
    case 'face': {
      const h = shape.widthM * 50;
      return (
        <g>
          <rect x={-3} y={-h} width={6} height={2 * h} {...cased} />
          <rect x={-3} y={-h} width={6} height={2 * h} fill={colour} />
        </g>
      );
    }
    case 'block': {
      const w = shape.depthM * 100;
      const h = shape.widthM * 100;
      return (
        <g>
          <rect x={-w / 2} y={-h / 2} width={w} height={h} rx={5} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={casing * 1.6} />
          <path
            d={`M${-w / 2} ${-h / 4}L${-w / 4} ${-h / 2}M${-w / 2} ${h / 4}L${w / 4} ${-h / 2}M${-w / 4} ${h / 2}L${w / 2} ${-h / 4}M${w / 4} ${h / 2}L${w / 2} ${h / 4}`}
            {...line}
            strokeWidth={casing * 0.6}
          />
        </g>
      );
    }
  }
}
