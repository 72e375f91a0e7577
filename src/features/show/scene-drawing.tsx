'use client';
import { memo, useMemo } from 'react';
import styled from 'styled-components';
import type { BodyForm } from '@/core/motion/assumed';
import { distanceM, spotBetween } from '@/core/course/geometry';
import { toDegrees } from '@/core/measure/angles';
import type { Game, Spot } from '@/core/rules/format/game';
import { courseAt, fallenAt, floorKeyOf, viewOf, wordOf, type View } from '@/core/scene/floor-view';
import { momentOfShot, stillOf, type SceneMoment } from '@/core/scene/moment';
import { owedWords, worthWords, type Demo, type Scene, type SceneShot } from '@/core/scene/scene';
import { exerciseIn } from '@/core/sheet/exercise-words';
import { EXERCISES } from '@/core/sheet/exercises';
import type { Hand } from '@/core/sheet/teaching-points';
import { useWords } from '@/features/languages/use-words';
import { CasedText } from '../drawing/cased-text';
import { CourseDrawing, viewBoxOf } from '../drawing/course-drawing';
import { Figure, FIGURE_H, FIGURE_W } from '../drawing/figure';

/** The figure below the floor; beside it where there is room. */
const Room = styled.div`
  container-type: inline-size;
`;

const Picture = styled.div`
  display: grid;
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  @container (min-width: 460px) {
    &[data-floor] {
      grid-template-columns: 1fr 168px;
    }
    &[data-floor] > :last-child {
      display: flex;
      flex-direction: column;
      justify-content: center;
      border-inline-start: 1.5px solid var(--ink);
      text-align: center;
    }
    &[data-floor] > :first-child {
      border-bottom: 0;
    }
  }
`;

/** The floor fills the width; what moves on it lies over it. */
const FloorRoom = styled.div`
  position: relative;
  aspect-ratio: 1.45;
  border-bottom: 1.5px solid var(--ink);
  overflow: hidden;
  && svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    max-height: none;
    border: 0;
  }
`;

const Beside = styled.div`
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: center;
  gap: var(--space-5);
  min-height: 132px;
  padding: var(--space-3) var(--space-5);
  & svg {
    display: block;
    width: auto;
    height: 122px;
  }
  & b {
    font-size: var(--type-6);
    line-height: 1.15;
  }
  & small {
    display: block;
    font-size: var(--type-4);
  }
`;

interface SceneDrawingProps {
  readonly id: string;
  readonly level: Game;
  readonly scene: Scene;
  readonly shot: SceneShot;
  readonly hand: Hand;
  readonly form?: BodyForm | undefined;
  /** How wide the floor stands on the screen, for lines and letters of one size. */
  readonly drawnPx?: number | undefined;
}

/** A shot at a share of its time. */
export function SceneDrawing({ share, ...about }: SceneDrawingProps & { readonly share: number }) {
  return <Drawn {...about} share={share} moment={momentOfShot(about.shot, share, about.form)} />;
}

/** The moment of a shot that tells most, or of one of its tries. */
export function StillDrawing({ demo, ...about }: SceneDrawingProps & { readonly demo: Demo | null }) {
  return <Drawn {...about} {...stillOf(about.shot, demo, about.form)} />;
}

function Drawn({
  id,
  level,
  scene,
  shot,
  hand,
  share,
  moment,
  drawnPx = 360,
}: SceneDrawingProps & { readonly share: number; readonly moment: SceneMoment }) {
  const view = useMemo(() => viewOf(level, scene), [level, scene]);
  return (
    <Room>
      <Picture data-floor={view ? '' : undefined}>
        {view && (
          <FloorRoom>
            <Floor id={id} level={level} scene={scene} moment={moment} floorKey={floorKeyOf(moment)} view={view} drawnPx={drawnPx} />
            <Moving level={level} scene={scene} shot={shot} moment={moment} view={view} px={(view.widthM * 100) / drawnPx} />
          </FloorRoom>
        )}
        <AtTheSide shot={shot} moment={moment} hand={hand} share={share} />
      </Picture>
    </Room>
  );
}

interface FloorProps {
  readonly id: string;
  readonly level: Game;
  readonly scene: Scene;
  readonly moment: SceneMoment;
  readonly view: View;
  readonly drawnPx: number;
  readonly floorKey: string;
}

/** What stands still: drawn again only when something of it changes. */
const Floor = memo(
  function Floor({ id, level, scene, moment, view, drawnPx }: FloorProps) {
    return (
      <CourseDrawing
        id={`show-${id}`}
        course={courseAt(level, scene, moment)}
        parts={level.parts}
        view={view}
        drawnPx={drawnPx}
        lettersPx={14.5}
        wordless
        names="targets"
      />
    );
  },
  (before, after) =>
    before.floorKey === after.floorKey && before.level === after.level && before.scene === after.scene && before.drawnPx === after.drawnPx,
);

interface MovingProps {
  readonly level: Game;
  readonly scene: Scene;
  readonly shot: SceneShot;
  readonly moment: SceneMoment;
  readonly view: View;
  readonly px: number;
}

function Moving({ level, scene, shot, moment, view, px }: MovingProps) {
  const { child, ball, lift, gain, label } = moment;
  const at = ({ xM, yM }: Spot) => `translate(${xM * 100} ${yM * 100})`;
  const words = `${label}  ${worthWords(gain)}`.trim();
  return (
    <svg viewBox={viewBoxOf(view)} aria-hidden>
      {fallenAt(level, moment).map((spot, index) => (
        <g key={index} transform={at(spot)}>
          <rect
            x={-4 * px}
            y={-10 * px}
            width={8 * px}
            height={20 * px}
            rx={3 * px}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.2 * px}
            strokeDasharray={`${3 * px} ${2 * px}`}
            transform="rotate(64)"
          />
        </g>
      ))}
      <Steps level={level} scene={scene} shot={shot} moment={moment} view={view} px={px} />
      {child && (
        <g transform={at(child)}>
          <ellipse rx={9 * px} ry={14 * px} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.8 * px} />
          <circle r={6.5 * px} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.8 * px} />
        </g>
      )}
      {ball && (
        <g transform={at(ball)}>
          {lift > 0 && <ellipse rx={5 * px} ry={2.6 * px} fill="var(--ink)" fillOpacity={0.35} />}
          <circle cy={-lift * 34 * px} r={(5.2 + 1.8 * lift) * px} fill="var(--heather)" stroke="var(--ink)" strokeWidth={1.5 * px} />
        </g>
      )}
      {ball && words !== '' && <Label spot={ball} words={words} view={view} px={px} />}
    </svg>
  );
}

/** Of more marks than these the words would lie on each other. */
const MOST_LABELS = 6;
/** A mark so little beside the line is in a row with others, metres. */
const ASIDE_M = 0.2;

/** Beside the ball, inside of the picture. */
function Label({ spot, words, view, px }: { spot: Spot; words: string; view: View; px: number }) {
  const half = words.length * 5.2 * px;
  const x = Math.min((view.xM + view.widthM) * 100 - half, Math.max(view.xM * 100 + half, spot.xM * 100));
  const below = spot.yM * 100 + 46 * px;
  return (
    <CasedText x={x} y={below > (view.yM + view.depthM) * 100 - 8 * px ? spot.yM * 100 - 36 * px : below} size={18 * px} casing={5 * px}>
      {words}
    </CasedText>
  );
}

/** The way to each mark that is out, in the child's own steps; the last as far as it is walked. */
function Steps({ scene, shot, moment, view, px }: MovingProps) {
  if (moment.child) return null;
  const out = scene.marks.slice(0, moment.marksOut);
  // While marks go out the newest says how far; then each, once where several lie together.
  const lieTogether = (a: Spot, b: Spot) => distanceM(a, b) * 100 < 40 * px;
  const isLabelled = (at: number) =>
    out.length <= MOST_LABELS &&
    (shot.kind === 'mark' ? at === out.length - 1 : !out.slice(0, at).some(({ spot }) => lieTogether(spot, out[at]!.spot)));
  return out.map(({ group, index, spot, towards, drawn }, at) => {
    if (!towards || drawn === '') return null;
    const share = at === out.length - 1 ? moment.laid : 1;
    const { xM: x, yM: y } = spotBetween(towards, spot, share);
    // On the side of the mark that is away from what it looks at, by turns for marks in a row; inside of the picture.
    const aside = spot.yM - towards.yM;
    const below = Math.abs(aside) < ASIDE_M ? at % 2 === 0 : aside > 0;
    const half = drawn.length * 4.3 * px;
    const label = {
      x: Math.min((view.xM + view.widthM) * 100 - half - 4 * px, Math.max(view.xM * 100 + half + 4 * px, spot.xM * 100)),
      y: spot.yM * 100 + (below ? 32 : -20) * px,
    };
    const angle = toDegrees(Math.atan2(spot.yM - towards.yM, spot.xM - towards.xM));
    return (
      <g key={`${group} ${index}`}>
        <line
          x1={towards.xM * 100}
          y1={towards.yM * 100}
          x2={x * 100}
          y2={y * 100}
          stroke="var(--ink)"
          strokeWidth={1.6 * px}
          strokeDasharray={`${2 * px} ${5 * px}`}
          strokeLinecap="round"
        />
        {share < 1 && (
          <ellipse cx={x * 100} cy={y * 100} rx={9 * px} ry={4.5 * px} fill="var(--ink)" transform={`rotate(${angle} ${x * 100} ${y * 100})`} />
        )}
        {share === 1 && isLabelled(at) && (
          <CasedText {...label} size={14.5 * px} casing={4 * px}>
            {drawn}
          </CasedText>
        )}
      </g>
    );
  });
}

function AtTheSide({ shot, moment, hand, share }: { shot: SceneShot; moment: SceneMoment; hand: Hand; share: number }) {
  const words = useWords();
  const { i18n } = words;
  const { owed, figure } = moment;
  const exercise = owed?.kind === 'exercise' ? exerciseIn(owed.what) : null;
  // Who steps the marks out walks, and who looks for something.
  const walks = shot.kind === 'things' || shot.kind === 'mark' || (figure === null && ['aim', 'said', 'rule'].includes(shot.kind));
  const poses = exercise ? EXERCISES[exercise] : walks ? EXERCISES.steps : null;
  const frame = poses ? poses[Math.floor(share * (exercise ? 16 : 8)) % 2]! : figure;
  const word = owed ? owedWords(owed, words) : wordOf(shot, moment);
  const { gain } = moment;
  return (
    <Beside>
      {frame ? (
        <svg viewBox={`-40 -6 ${FIGURE_W + 60} ${FIGURE_H + 14}`} aria-hidden>
          <Figure frame={frame} mirrored={hand === 'left'} />
        </svg>
      ) : (
        <Sign kind={shot.kind} share={share} />
      )}
      <p>
        <b>{word}</b>
        {gain !== null && gain !== 0 && !owed && <small>{gain > 0 ? i18n.t('{n} more', { n: gain }) : i18n.t('{n} less', { n: -gain })}</small>}
      </p>
    </Beside>
  );
}

/** A sign where nobody moves: the clock, the count, the end. */
function Sign({ kind, share }: { kind: SceneShot['kind']; share: number }) {
  const line = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 5, strokeLinecap: 'round' as const, strokeLinejoin: 'round' as const };
  switch (kind) {
    case 'clock':
      return (
        <svg viewBox="0 0 120 120" aria-hidden>
          <circle cx={60} cy={66} r={44} {...line} fill="var(--sheet)" />
          <path d="M60 22V12M48 12H72" {...line} />
          <path d="M60 66V34" {...line} transform={`rotate(${360 * share} 60 66)`} />
        </svg>
      );
    case 'count':
      return (
        <svg viewBox="0 0 120 120" aria-hidden>
          <path d="M26 34V86M48 34V86M70 34V86M92 34V86" {...line} />
          <path d="M14 84L106 38" {...line} stroke="var(--gorse)" strokeWidth={9} />
          <path d="M14 84L106 38" {...line} strokeWidth={2.5} />
        </svg>
      );
    case 'end':
      return (
        <svg viewBox="0 0 120 120" aria-hidden>
          <path d="M30 108V14" {...line} />
          <path d="M30 18C56 6 72 34 100 22V64C72 76 56 48 30 60Z" {...line} fill="var(--gorse)" />
        </svg>
      );
    default:
      return <span />;
  }
}
