'use client';
import { AIMED, outlineWidthM, type AimedId, type AimedShape } from '@/core/objects/catalogue';
import { SideView, tallM } from '../drawing/side-view';
import { Thing } from '../drawing/thing';

/** From above and from the side, both at one scale (pixels a metre); what would not fit is drawn smaller. */
export function Views({
  object,
  width,
  height,
  scale,
  shape = AIMED[object].shape,
}: {
  object: AimedId;
  width: number;
  height: number;
  scale: number;
  shape?: AimedShape;
}) {
  const w = outlineWidthM(shape);
  const d = 'depthM' in shape ? shape.depthM : 'diameterM' in shape ? shape.diameterM : shape.kind === 'upright' ? shape.widthM : 0.06;
  const tall = Math.max(tallM(shape), object.startsWith('sofa') || object.startsWith('chair') || object === 'plate-on-chair' ? 0.85 : 0);
  const fits = Math.min(scale, (width / 2 - 6) / Math.max(w, object.startsWith('sofa') ? 1.8 : 0.1), (height - 4) / Math.max(tall, w, d));
  const px = 1 / fits;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      <g transform={`translate(${width * 0.26} ${height / 2}) scale(${fits / 100})`}>
        <Thing shape={shape} casing={px * 80} />
      </g>
      <g transform={`translate(${width * 0.74} ${height - 2}) scale(${fits / 100})`}>
        <SideView object={object} shape={shape} line={px * 100} />
      </g>
    </svg>
  );
}
