'use client';
import type { Game } from '@/core/rules/format/game';
import { ON_PAPER, type ColourRole } from '@/design/palette';
import { CourseDrawing } from '../drawing/course-drawing';
import { saveFile } from '@/ui/save-file';
import { ScaleBar } from './chart-marks';

/** Scales that a drawing may have, and the widest that it may be on paper (A4 across with a margin), millimetres. */
const SCALES = [5, 10, 20, 25, 50, 100, 200] as const;
const WIDEST_MM = 270;
const TALLEST_MM = 165;

/** The largest of the usual scales at which a floor fits a sheet of A4. */
function scaleFor(widthM: number, depthM: number): number {
  return SCALES.find((scale) => (widthM * 1000) / scale <= WIDEST_MM && (depthM * 1000) / scale <= TALLEST_MM) ?? SCALES.at(-1)!;
}

/** The drawing of a level to scale, with a scale bar and what it shows; its size is in millimetres, so that it prints to scale. */
async function drawingOf(level: Game, levelName: string): Promise<{ svg: string; scale: number }> {
  const { renderToStaticMarkup } = await import('react-dom/server');
  const { widthM, depthM } = level.course.floor;
  const scale = scaleFor(widthM, depthM);
  const head = 0.9 * scale;
  const mm = (lengthM: number) => (lengthM * 1000) / scale;
  const markup = renderToStaticMarkup(
    <svg
      xmlns="http://www.w3.org/2000/svg"
      width={`${mm(widthM).toFixed(2)}mm`}
      height={`${(mm(depthM) + (head * 10) / scale).toFixed(2)}mm`}
      viewBox={`0 0 ${widthM * 100} ${depthM * 100 + head}`}
      fontFamily="sans-serif"
    >
      <rect width={widthM * 100} height={depthM * 100 + head} fill="var(--paper)" />
      <svg width={widthM * 100} height={depthM * 100} viewBox={`0 0 ${widthM * 100} ${depthM * 100}`}>
        <CourseDrawing id="kept" course={level.course} parts={level.parts} numbers names drawnPx={900} />
        <ScaleBar x={Math.max(10, widthM * 100 - 128)} y={depthM * 100 - 12} px={(widthM * 100) / 900} />
      </svg>
      <text x={2} y={depthM * 100 + head * 0.68} fontSize={head * 0.5} fill="var(--ink)">
        {`${level.title}, ${levelName}. ${widthM} × ${depthM} m, drawn 1 : ${scale}`}
      </text>
    </svg>,
  );
  return { svg: markup.replace(/var\(--([a-z0-9-]+)\)/g, (_, role: string) => ON_PAPER[role as ColourRole] ?? ON_PAPER.ink), scale };
}

const fileName = (title: string, levelName: string) =>
  `${title}-${levelName}`
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase() || 'drawing';

/** Offers the drawing of a level as a file. */
export async function keepDrawing(level: Game, levelName: string, as: 'svg' | 'png'): Promise<void> {
  const { svg, scale } = await drawingOf(level, levelName);
  const name = fileName(level.title, levelName);
  const blob = new Blob([svg], { type: 'image/svg+xml' });
  if (as === 'svg') return saveFile(blob, `${name}.svg`);
  const image = new Image();
  image.src = URL.createObjectURL(blob);
  await image.decode();
  // 200 pixels to the inch, so that the picture prints to the same scale.
  const dots = 200 / 25.4;
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(((level.course.floor.widthM * 1000) / scale) * dots);
  canvas.height = Math.round((canvas.width * image.naturalHeight) / image.naturalWidth);
  const pen = canvas.getContext('2d')!;
  pen.fillStyle = '#fff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(image, 0, 0, canvas.width, canvas.height);
  URL.revokeObjectURL(image.src);
  const png = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
  if (png) saveFile(png, `${name}.png`);
}
