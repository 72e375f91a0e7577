/** Parts that several sheets have: the head, lists, boxes to tick and write in, the tally, the slip that goes back. */
import { Text, View } from '@react-pdf/renderer';
import { dayWords } from '@/core/measure/days';
import type { TallyPart } from '@/core/sheet/tally';
import type { Words } from '@/core/words/words';
import { Boxes, Square } from './drawing';
import type { SheetOf, Slip, WeekOnPaper } from './job';
import { INK, LINE, WHITE, type PaperStyle } from './style';

export function SheetHead({ title, of, right, style }: { title: string; of: SheetOf; right: string; style: PaperStyle }) {
  return (
    <View style={style.sheet.head}>
      <View style={{ flex: 1 }}>
        <Text style={style.sheet.title}>{title}</Text>
        <Text style={style.sheet.soft}>{right}</Text>
      </View>
      <Text style={{ fontSize: style.pt(13), fontWeight: 700 }}>
        {of.name ?? `${style.words.i18n.t('Name: (of the child on a sheet)', {}, { message: 'Name:' })} ____________________`}
      </Text>
    </View>
  );
}

export function SheetList({ items, style, box = false }: { items: readonly string[]; style: PaperStyle; box?: boolean }) {
  return (
    <>
      {items.map((item, index) => (
        <View key={index} style={style.sheet.item} wrap={false}>
          {box ? (
            <View style={{ width: style.pt(8), height: style.pt(8), borderWidth: 1, borderColor: INK, marginTop: 2 }} />
          ) : (
            <Text style={style.sheet.bold}>{index + 1}</Text>
          )}
          <Text style={{ flex: 1 }}>{item}</Text>
        </View>
      ))}
    </>
  );
}

/** "week 6, back by Friday 4 December": what is known of it. */
export function whenWords(week: WeekOnPaper, { i18n, tag }: Words): string {
  return [
    week.number === null ? '' : i18n.t('week {number}', { number: week.number }),
    week.dueOn ? i18n.t('back by {day}', { day: dayWords(week.dueOn, tag) }) : '',
  ]
    .filter(Boolean)
    .join(', ');
}

export function Write({ width, style }: { width: number; style: PaperStyle }) {
  return <View style={{ width, height: style.pt(15), borderWidth: 1.1, borderColor: INK, backgroundColor: WHITE }} />;
}

export function Tally({ part, style }: { part: TallyPart; style: PaperStyle }) {
  const { i18n } = style.words;
  if (part.kind === 'frames') return <FrameBoxes n={part.frames} style={style} />;
  return (
    <View wrap={false} style={{ marginBottom: 3 }}>
      {part.title !== '' && <Text style={style.sheet.bold}>{part.title}</Text>}
      {part.lines.map((line, index) => (
        <View key={index} style={{ flexDirection: 'row', alignItems: 'center', gap: 6, marginBottom: 3 }}>
          <Text style={{ width: style.pt(82) }}>{line.label}</Text>
          {line.ticks > 0 ? <Boxes n={line.ticks} size={style.large ? 15 : 12.5} /> : <Write width={64} style={style} />}
          {line.unit !== '' && <Text style={style.sheet.small}>{line.unit}</Text>}
          {line.each !== null && (
            <>
              <Text>× {line.each} =</Text>
              <Write width={44} style={style} />
            </>
          )}
        </View>
      ))}
      {part.lines.length > 1 && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          <Text style={[style.sheet.bold, { width: style.pt(82) }]}>{i18n.t('all together')}</Text>
          <Write width={64} style={style} />
          <Text>{part.unit}</Text>
        </View>
      )}
    </View>
  );
}

const FRAMES_A_ROW = 5;

/** A box for each frame: two balls above, the running score below; the last one has three. */
export function FrameBoxes({ n, style }: { n: number; style: PaperStyle }) {
  const { i18n } = style.words;
  const ball = style.large ? 20 : 17;
  const rows = Array.from({ length: Math.ceil(n / FRAMES_A_ROW) }, (_, row) =>
    Array.from({ length: Math.min(FRAMES_A_ROW, n - row * FRAMES_A_ROW) }, (_, column) => row * FRAMES_A_ROW + column),
  );
  return (
    <View>
      {rows.map((row) => (
        <View key={row[0]} style={{ flexDirection: 'row', marginBottom: 4 }} wrap={false}>
          {row.map((frame) => (
            <View key={frame} style={{ flex: 1, borderWidth: 1, borderColor: INK, marginRight: -1 }}>
              <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
                <Text style={[style.sheet.small, { padding: 2 }]}>{frame + 1}</Text>
                <View style={{ flexDirection: 'row' }}>
                  {Array.from({ length: frame === n - 1 ? 3 : 2 }, (_, index) => (
                    <View key={index} style={{ width: ball, height: ball, borderLeftWidth: 1, borderBottomWidth: 1, borderColor: LINE }} />
                  ))}
                </View>
              </View>
              <View style={{ height: style.pt(20) }} />
            </View>
          ))}
        </View>
      ))}
      <Text style={style.sheet.small}>
        {i18n.t(
          'All down with the first ball: the next two balls count a second time. All down with the second: the next one does. Write the sum so far under each frame.',
        )}
      </Text>
    </View>
  );
}

/** A code stands on one line. */
const NO_BREAK = '\u00a0';

const FACES = [/*i18n*/ 'hard', /*i18n*/ 'just right', /*i18n*/ 'easy'];

export function ReportSlip({ of, title, unit, slip, style }: { of: SheetOf; title: string; unit: string; slip: Slip | null; style: PaperStyle }) {
  const { i18n, own } = style.words;
  const shown = unit === 'mm' ? 'cm' : own(unit);
  return (
    <View style={style.sheet.slip} wrap={false}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        {slip && <Square url={slip.url} size={style.large ? 96 : 74} />}
        <View style={{ flex: 1, gap: 4 }}>
          <Text style={style.sheet.bold}>
            {title} · {of.name ?? '______________'}
          </Text>
          <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: 6 }}>
            <Text>{i18n.t('Score (heading on a sheet)', {}, { message: 'Score' })}</Text>
            <Write width={70} style={style} />
            <Text>{shown}</Text>
            <Text style={{ marginLeft: 10 }}>{i18n.t('not finished')}</Text>
            <Boxes n={1} size={12} />
            <Text style={{ marginLeft: 10 }}>{i18n.t("adult's initials")}</Text>
            <Write width={44} style={style} />
          </View>
          <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: 6 }}>
            <Text>{i18n.t('It was')}</Text>
            {FACES.map((words) => (
              <View key={words} style={{ flexDirection: 'row', alignItems: 'center', gap: 3 }}>
                <Boxes n={1} size={12} />
                <Text>{own(words)}</Text>
              </View>
            ))}
            <Text style={{ marginLeft: 10 }}>{i18n.t('set out otherwise?')}</Text>
            <Write width={110} style={style} />
          </View>
          {slip && (
            <Text style={style.sheet.small}>
              {i18n.t('Send it with a phone: point the camera at the square, or open {page} and type the code {code}. Or hand this slip in.', {
                page: slip.page,
                code: slip.code.replaceAll(' ', NO_BREAK),
              })}
            </Text>
          )}
        </View>
      </View>
    </View>
  );
}
