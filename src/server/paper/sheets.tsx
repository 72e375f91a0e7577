/** The sheets themselves: a home sheet, a frame sheet, a weekly diary, one card for an event. */
import { dayWords } from '@/core/measure/days';
import { Page, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { cautionsFor, setUpFor } from '@/core/sheet/set-up';
import { tallyOf, type TallyPart } from '@/core/sheet/tally';
import { skillsOf, teachingPoints } from '@/core/sheet/teaching-points';
import { Boxes, Feet, MovementFrames, SetUpToScale, Square } from './drawing';
import { catalogueIn } from '@/core/rules/telling/languages';
import { counted } from '@/core/rules/telling/counted';
import { warmUpWords } from '@/core/sheet/warm-ups';
import type { Words } from '@/core/words/words';
import { PictureStrip } from './strip';
import type { EventGameOnPaper, PaperLook, Sheet, SheetOf, Slip, WeekOnPaper } from './job';
import { ClassTestPaper } from './class-test-paper';
import { INK, LINE, PALE, styleOf, WHITE, type PaperStyle } from './style';

export function SheetPage({ sheet, look }: { sheet: Sheet; look: PaperLook }) {
  const style = styleOf(look);
  const page = (children: ReactNode, wrap = true) => (
    <Page size={look.size} style={[style.sheet.page, look.ground === 'pale' ? { backgroundColor: PALE } : {}]} wrap={wrap}>
      {children}
    </Page>
  );
  switch (sheet.kind) {
    case 'home':
      return page(<HomeSheet sheet={sheet} style={style} />);
    case 'frames':
      return page(<FramesSheet sheet={sheet} style={style} />);
    case 'diary':
      return page(<DiarySheet sheet={sheet} style={style} />);
    case 'class-test':
      return page(<ClassTestPaper sheet={sheet} style={style} />);
    case 'notice':
      return page(<NoticeSheet sheet={sheet} style={style} />);
    case 'event':
      return page(<EventSheet sheet={sheet} style={style} />);
  }
}

function Head({ title, of, right, style }: { title: string; of: SheetOf; right: string; style: PaperStyle }) {
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

function List({ items, style, box = false }: { items: readonly string[]; style: PaperStyle; box?: boolean }) {
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

/** Two columns side by side; in large print one below the other, straight on the page: what is nested is squeezed where a page ends. */
function Columns({ style, children }: { style: PaperStyle; children: ReactNode }) {
  return style.large ? <>{children}</> : <View style={style.sheet.row}>{children}</View>;
}

function Column({ style, children }: { style: PaperStyle; children: ReactNode }) {
  return style.large ? <>{children}</> : <View style={style.sheet.half}>{children}</View>;
}

/** Lines of text that are as high as the drawing of the set-up. */
const DRAWING_LINES = 12;

function HomeSheet({ sheet: { of, game, week, par, slip }, style }: { sheet: Extract<Sheet, { kind: 'home' }>; style: PaperStyle }) {
  const { words } = style;
  const { i18n, own } = words;
  const { level } = game;
  const setUp = setUpFor(level, of.stepM, words);
  const skill = skillsOf(level)[0] ?? null;
  const points = teachingPoints(level, skill, of.hand, words);
  const rules = sentencesOf(level, 'child', catalogueIn(words)).map(plainText);
  const frames = tallyOf(level, words).some((part) => part.kind === 'frames');
  const when = whenWords(week, words);
  const columns = !style.large;
  const wide = columns ? 262 : 520;
  const strip = <PictureStrip level={level} of={of} style={style} />;
  // In the column that has more room, of lines of so many letters.
  const lines = (texts: readonly string[]) => texts.reduce((sum, text) => sum + Math.ceil(text.length / 50), 0);
  const left = columns && DRAWING_LINES + lines(setUp.directions) <= lines([...setUp.things.map(({ name, hint }) => name + hint), ...rules]);
  return (
    <>
      <Head title={`${own(game.title)}, ${own(game.levelName)}`} of={of} right={[when, own(game.aim)].filter(Boolean).join('. ')} style={style} />
      {week.note !== '' && <Text style={style.sheet.bold}>{week.note}</Text>}
      {week.warmUp !== '' && (
        <Text>
          <Text style={style.sheet.bold}>{i18n.t('First, warm up.')} </Text>
          {warmUpWords(week.warmUp, words)}
        </Text>
      )}
      <Columns style={style}>
        <Column style={style}>
          <View wrap={false}>
            <Text style={style.sheet.h}>{i18n.t('Set it out')}</Text>
            <SetUpToScale level={level} stepM={of.stepM} widthPt={wide} heightPt={style.large ? 260 : 168} fontPt={style.pt(8.5)} words={words} />
          </View>
          <List items={setUp.directions} style={style} />
          {left && strip}
        </Column>
        <Column style={style}>
          {setUp.things.length > 0 && (
            <Text style={style.sheet.h} minPresenceAhead={60}>
              {i18n.t('You need')}
            </Text>
          )}
          {setUp.things.map((thing) => (
            <View key={thing.name} style={style.sheet.item} wrap={false}>
              <View style={{ width: style.pt(8), height: style.pt(8), borderWidth: 1, borderColor: INK, marginTop: 2 }} />
              <Text style={{ flex: 1 }}>
                <Text style={style.sheet.bold}>{thing.name}. </Text>
                <Text style={style.sheet.small}>{thing.hint}</Text>
              </Text>
            </View>
          ))}
          <Text style={style.sheet.h} minPresenceAhead={60}>
            {i18n.t('How to play')}
          </Text>
          <List items={rules} style={style} />
          {!left && strip}
        </Column>
      </Columns>
      <Columns style={style}>
        <Column style={style}>
          <View wrap={false}>
            <Text style={style.sheet.h}>{i18n.t('Practise first')}</Text>
            {points.length === 0 && <Text>{i18n.t('Try it slowly once, without counting.')}</Text>}
            {skill && <MovementFrames skill={skill} hand={of.hand} height={style.pt(50)} />}
          </View>
          {points.map((point) => (
            <View key={point.word} style={[style.sheet.item, { alignItems: 'center' }]} wrap={false}>
              {point.frontFoot ? <Feet front={point.frontFoot} hand={of.hand} size={style.pt(34)} /> : <View style={{ width: style.pt(34) }} />}
              <Text style={[style.sheet.small, { flex: 1 }]}>
                <Text style={style.sheet.bold}>{point.word}. </Text>
                {point.point} {point.fault}
              </Text>
            </View>
          ))}
        </Column>
        <View
          style={[columns ? style.sheet.half : style.sheet.whole, { borderLeftWidth: 3, borderColor: INK, paddingLeft: 8, marginTop: style.pt(6) }]}
        >
          <Text style={[style.sheet.h, { marginTop: 0 }]}>{i18n.t('Safe to play? An adult looks first')}</Text>
          {cautionsFor(level, words).map((caution) => (
            <Text key={caution} style={style.sheet.small}>
              {caution}
            </Text>
          ))}
        </View>
      </Columns>
      {week.film !== '' && (
        <Text style={[style.sheet.small, { marginTop: 4 }]}>
          <Text style={style.sheet.bold}>{i18n.t('Film, at most 15 seconds.')} </Text>
          {week.film} {week.filmAlone && `${i18n.t('The film is enough this time: no score is asked.')} `}
          {i18n.t(
            'No faces, names or uniforms; only if your school and the adult agree; hand it in the way your school says and delete it afterwards.',
          )}
        </Text>
      )}
      <View wrap={frames} style={style.sheet.whole}>
        <Text style={style.sheet.h} minPresenceAhead={60}>
          {i18n.t('Keep the tally')}
        </Text>
        {tallyOf(level, words).map((part, index) => (
          <Tally key={index} part={part} style={style} />
        ))}
        {par !== null && (
          <Text style={[style.sheet.soft, { marginBottom: 4 }]}>
            {i18n.t('Par for you is {score}. Your own best is the one to beat.', {
              score: `${par} ${counted(par, level.parts[0]!.measure.unit, words)}`,
            })}
          </Text>
        )}
      </View>
      <ReportSlip of={of} title={`${own(game.title)}, ${own(game.levelName)}`} unit={level.parts[0]!.measure.unit} slip={slip} style={style} />
    </>
  );
}

/** "week 6, back by Friday 4 December": what is known of it. */
function whenWords(week: WeekOnPaper, { i18n, tag }: Words): string {
  return [
    week.number === null ? '' : i18n.t('week {number}', { number: week.number }),
    week.dueOn ? i18n.t('back by {day}', { day: dayWords(week.dueOn, tag) }) : '',
  ]
    .filter(Boolean)
    .join(', ');
}

function Write({ width, style }: { width: number; style: PaperStyle }) {
  return <View style={{ width, height: style.pt(15), borderWidth: 1.1, borderColor: INK, backgroundColor: WHITE }} />;
}

function Tally({ part, style }: { part: TallyPart; style: PaperStyle }) {
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
function FrameBoxes({ n, style }: { n: number; style: PaperStyle }) {
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

function ReportSlip({ of, title, unit, slip, style }: { of: SheetOf; title: string; unit: string; slip: Slip | null; style: PaperStyle }) {
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

function FramesSheet({ sheet: { of, game, week, slip }, style }: { sheet: Extract<Sheet, { kind: 'frames' }>; style: PaperStyle }) {
  const { words } = style;
  const { i18n, own } = words;
  const n = tallyOf(game.level, words).find((part) => part.kind === 'frames')?.frames ?? 10;
  return (
    <>
      <Head
        title={i18n.t('{title}: frame sheet', { title: own(game.title) })}
        of={of}
        right={[own(game.levelName), whenWords(week, words)].filter(Boolean).join(', ')}
        style={style}
      />
      {[1, 2, 3, 4].map((player) => (
        <View key={player} wrap={false} style={{ marginBottom: 8 }}>
          <Text style={style.sheet.bold}>{player === 1 && of.name !== null ? of.name : i18n.t('Player {n}', { n: player })}</Text>
          <FrameBoxes n={n} style={style} />
        </View>
      ))}
      <ReportSlip of={of} title={`${own(game.title)}, ${own(game.levelName)}`} unit={game.level.parts[0]!.measure.unit} slip={slip} style={style} />
    </>
  );
}

function DiarySheet({ sheet: { of, week, days }, style }: { sheet: Extract<Sheet, { kind: 'diary' }>; style: PaperStyle }) {
  const { words } = style;
  const { i18n } = words;
  return (
    <>
      <Head title={i18n.t('Movement diary')} of={of} right={whenWords(week, words)} style={style} />
      <Text>
        {week.diary || i18n.t('Write down what made you warm, and for how many minutes.')}{' '}
        {i18n.t('An hour a day, all in all, is a good aim at your age: school playtime, walking and dancing count.')}
      </Text>
      <View style={{ marginTop: 8, borderTopWidth: 1, borderColor: INK }}>
        <View style={{ flexDirection: 'row', borderBottomWidth: 1, borderColor: INK }}>
          {[
            i18n.t('day (column of the diary)', {}, { message: 'day' }),
            i18n.t('what (column of the diary: what was done)', {}, { message: 'what' }),
            i18n.t('minutes (a length of time)', {}, { message: 'minutes' }),
            i18n.t("adult's initials"),
          ].map((heading, index) => (
            <Text key={heading} style={[style.sheet.bold, { flex: [2, 4, 1, 1.3][index]!, padding: 4 }]}>
              {heading}
            </Text>
          ))}
        </View>
        {days.map((day) => (
          <View key={day} style={{ flexDirection: 'row', borderBottomWidth: 1, borderColor: LINE, height: style.large ? 62 : 54 }} wrap={false}>
            {[dayWords(day, words.tag), '', '', ''].map((cell, index) => (
              <Text key={index} style={{ flex: [2, 4, 1, 1.3][index]!, padding: 4, borderLeftWidth: index === 0 ? 0 : 1, borderColor: LINE }}>
                {cell}
              </Text>
            ))}
          </View>
        ))}
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, paddingTop: 8 }}>
          <Text style={style.sheet.bold}>{i18n.t('All week')}</Text>
          <Write width={70} style={style} />
          <Text>{i18n.t('minutes (a length of time)', {}, { message: 'minutes' })}</Text>
        </View>
      </View>
    </>
  );
}

/** The same notice several times on a sheet, to be cut apart. */
function NoticeSheet({ sheet: { title, words }, style }: { sheet: Extract<Sheet, { kind: 'notice' }>; style: PaperStyle }) {
  return (
    <>
      {Array.from({ length: style.large ? 3 : 4 }, (_, index) => (
        <View key={index} wrap={false} style={{ flex: 1, paddingVertical: 14, borderBottomWidth: 1, borderColor: LINE, borderStyle: 'dashed' }}>
          <Text style={style.sheet.title}>{title}</Text>
          <Text>{words}</Text>
        </View>
      ))}
    </>
  );
}

function EventSheet({ sheet: { of, title, week, games, kit }, style }: { sheet: Extract<Sheet, { kind: 'event' }>; style: PaperStyle }) {
  const { words } = style;
  const { i18n, own, noun } = words;
  const kitOf = (from: 'home' | 'school') =>
    kit.filter((thing) => thing.from === from).map((thing) => `${thing.n > 1 ? `${thing.n} × ` : ''}${noun(thing.name)}`);
  return (
    <>
      <Head
        title={own(title)}
        of={of}
        right={[whenWords(week, words), words.i18n.t('{n, plural, one {1 game} other {{n} games, in this order}}', { n: games.length })]
          .filter(Boolean)
          .join(', ')}
        style={style}
      />
      {week.warmUp !== '' && (
        <Text>
          <Text style={style.sheet.bold}>{i18n.t('First, warm up.')} </Text>
          {warmUpWords(week.warmUp, words)}
        </Text>
      )}
      <View style={style.sheet.row}>
        {(['home', 'school'] as const).map((from) =>
          kitOf(from).length === 0 ? null : (
            <View key={from} style={style.sheet.half}>
              <Text style={style.sheet.h} minPresenceAhead={60}>
                {from === 'home' ? i18n.t('Find at home') : i18n.t('The school sends')}
              </Text>
              <List items={kitOf(from)} style={style} box />
            </View>
          ),
        )}
      </View>
      {games.map((game, index) => (
        <EventGame key={index} number={index + 1} game={game} of={of} style={style} />
      ))}
      <View style={[style.sheet.slip, { borderStyle: 'solid' }]} wrap={false}>
        <Text style={style.sheet.small}>
          {i18n.t(
            "An adult agrees to the place and the things before each game. Clear floor, nothing breakable, hot or sharp in reach; look before you throw. Follow your school's and your national guidance; the adult with you decides. Put everything back where it lives.",
          )}
        </Text>
      </View>
    </>
  );
}

function EventGame({ number, game, of, style }: { number: number; game: EventGameOnPaper; of: SheetOf; style: PaperStyle }) {
  const { words } = style;
  const { i18n, own } = words;
  const setUp = setUpFor(game.level, of.stepM, words);
  const rules = sentencesOf(game.level, 'child', catalogueIn(words)).map(plainText);
  const tally = tallyOf(game.level, words);
  return (
    <View style={{ borderTopWidth: 1, borderColor: LINE, paddingTop: 4, marginTop: 6 }}>
      <View wrap={false}>
        <Text style={{ fontSize: style.pt(12), fontWeight: 700 }}>
          {number}. {own(game.title)}, {own(game.levelName)}
          {game.opensOn ? ` (${i18n.t('from {day}', { day: dayWords(game.opensOn, words.tag) })})` : ''}
        </Text>
        {game.slot && <Text style={style.sheet.soft}>{slotWords(game.slot, words)}</Text>}
        <View style={style.sheet.row}>
          <View style={{ width: style.pt(150) }}>
            <SetUpToScale level={game.level} stepM={of.stepM} widthPt={style.pt(150)} heightPt={style.pt(104)} fontPt={style.pt(8)} words={words} />
          </View>
          <Text style={[style.sheet.small, { flex: 1 }]}>
            {[setUp.things.length > 0 ? `${setUp.things.map((thing) => thing.name).join(', ')}.` : '', ...setUp.directions, ...rules]
              .filter(Boolean)
              .join(' ')}
          </Text>
        </View>
      </View>
      <View style={{ marginTop: 3 }} wrap={false}>
        {tally.map((part, index) => (
          <Tally key={index} part={part} style={style} />
        ))}
      </View>
      <ReportSlip
        of={of}
        title={`${number}. ${own(game.title)}, ${own(game.levelName)}`}
        unit={game.level.parts[0]!.measure.unit}
        slip={game.slip}
        style={style}
      />
    </View>
  );
}

/** "4 min to set out, 2 min to play, then 1 min of rest" */
function slotWords({ setUpMinutes, playMinutes, restMinutes }: NonNullable<EventGameOnPaper['slot']>, { i18n }: Words): string {
  const minutes = { out: setUpMinutes, play: playMinutes, rest: restMinutes };
  return restMinutes > 0
    ? i18n.t('{out} min to set out, {play} min to play, then {rest} min of rest', minutes)
    : i18n.t('{out} min to set out, {play} min to play', minutes);
}
