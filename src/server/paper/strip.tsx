/** The scene of a game as a strip of six pictures: what the page at home shows moving, for a family without one. */
import { Circle, Ellipse, G, Line, Path, Rect, Svg, Text, View } from '@react-pdf/renderer';
import { stepPace } from '@/core/measure/lengths';
import type { Game, Spot } from '@/core/rules/format/game';
import { courseAt, fallenAt, viewOf } from '@/core/scene/floor-view';
import { stillOf } from '@/core/scene/moment';
import { captionOf, scenesOf, stripOf, type StripPicture } from '@/core/scene/scene';
import { exerciseIn } from '@/core/sheet/exercise-words';
import { EXERCISES } from '@/core/sheet/exercises';
import { FigureInLines, footprint } from './drawing';
import type { SheetOf } from './job';
import { INK, SOFT, WHITE, type PaperStyle } from './style';

/** Points: as wide as four of them are in a column. */
const [PICTURE, ROOM] = [{ width: 60, height: 38 }, 4.4];

export function PictureStrip({ level, of, style }: { level: Game; of: SheetOf; style: PaperStyle }) {
  const pictures = stripOf(scenesOf(level, { pace: stepPace(of.stepM), hand: of.hand, words: style.words }));
  const by = style.large ? 2 : 1;
  const [width, height] = [PICTURE.width * by, PICTURE.height * by];
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: ROOM, marginTop: style.pt(5), flexShrink: 0 }} wrap={false}>
      {pictures.map((picture, index) => (
        <View key={index} style={{ width }}>
          <View style={{ width, height, borderWidth: 0.8, borderColor: INK, backgroundColor: WHITE }}>
            <Svg width={width} height={height} viewBox={`0 0 ${PICTURE.width} ${PICTURE.height}`} style={{ minHeight: height }}>
              <Drawn picture={picture} level={level} of={of} />
            </Svg>
          </View>
          <Text style={[style.sheet.small, { fontSize: style.pt(6.8), lineHeight: 1.1 }]}>
            {index + 1}. {captionOf(picture, style.words)}
          </Text>
        </View>
      ))}
    </View>
  );
}

function Drawn({ picture: { scene, shot, demo }, level, of }: { picture: StripPicture; level: Game; of: SheetOf }) {
  const { moment } = stillOf(shot, demo, level.kit.form);
  const exercise = moment.owed?.kind === 'exercise' ? exerciseIn(moment.owed.what) : null;
  const figure = exercise ? EXERCISES[exercise][1] : moment.figure;
  const view = viewOf(level, scene);
  const mirrored = of.hand === 'left';
  // A movement fills the picture; beside a floor the figure stands small in the corner.
  const large = view === null || exercise !== null || ['movement', 'count', 'end', 'clock'].includes(shot.kind);
  const scale = large ? 0.165 : 0.085;
  const course = courseAt(level, scene, moment);
  const k = view ? Math.min(PICTURE.width / view.widthM, PICTURE.height / view.depthM) : 1;
  const x = ({ xM }: Spot) => (view ? (xM - view.xM) * k : 0);
  const y = ({ yM }: Spot) => (view ? (yM - view.yM) * k : 0);
  return (
    <>
      {!large && view && (
        <>
          {Object.values(course.targets)
            .flat()
            .map((target, index) => {
              const { widthM } = footprint(target);
              return (
                <Circle key={index} cx={x(target)} cy={y(target)} r={Math.max(2, (widthM * k) / 2)} fill={WHITE} stroke={INK} strokeWidth={1.2} />
              );
            })}
          {fallenAt(level, moment).map((spot, index) => (
            <Line
              key={index}
              x1={x(spot) - 3}
              y1={y(spot) + 2}
              x2={x(spot) + 3}
              y2={y(spot) - 2}
              stroke={INK}
              strokeWidth={1}
              strokeDasharray="1.5 1"
            />
          ))}
          {Object.values(course.places)
            .flat()
            .map((spot, index) => (
              <Path key={index} d={`M${x(spot) - 2.2} ${y(spot) - 2.2}l4.4 4.4m0 -4.4l-4.4 4.4`} stroke={INK} strokeWidth={1.2} fill="none" />
            ))}
          {demo && moment.ball && (
            <Line
              x1={x(demo.shown.from)}
              y1={y(demo.shown.from)}
              x2={x(moment.ball)}
              y2={y(moment.ball)}
              stroke={SOFT}
              strokeWidth={0.8}
              strokeDasharray="2 1.6"
            />
          )}
          {moment.child && <Ellipse cx={x(moment.child)} cy={y(moment.child)} rx={2.6} ry={4} fill={WHITE} stroke={INK} strokeWidth={1.2} />}
          {moment.ball && <Circle cx={x(moment.ball)} cy={y(moment.ball)} r={2.2} fill={INK} />}
        </>
      )}
      {figure && (large || demo) && (
        <G
          transform={`translate(${large ? (mirrored ? 36 : 24) : mirrored ? 10 : 7} ${PICTURE.height - 2}) scale(${mirrored ? -scale : scale} ${scale})`}
        >
          <FigureInLines frame={figure} />
        </G>
      )}
      {!figure && large && <Sign kind={shot.kind} went={demo?.shown.success} />}
    </>
  );
}

/** A sign where nobody moves: a box for the count, a flag for the end, a tick or a cross for how it went. */
function Sign({ kind, went }: { kind: StripPicture['shot']['kind']; went: boolean | undefined }) {
  if (kind === 'count') return <Rect x={19} y={8} width={22} height={22} fill={WHITE} stroke={INK} strokeWidth={1.6} />;
  if (went === undefined) return <Path d="M22 33V6C31 1 36 12 45 7V21C36 26 31 15 22 20" fill="none" stroke={INK} strokeWidth={1.8} />;
  return <Path d={went ? 'M18 19L26 28L42 10' : 'M21 10L39 28M39 10L21 28'} fill="none" stroke={INK} strokeWidth={2.4} />;
}
