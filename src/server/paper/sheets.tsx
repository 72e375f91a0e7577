/** The sheets themselves, each a page or two: a home sheet, a frame sheet, a weekly diary, notices. */
import { dayWords } from '@/core/measure/days';
import { Page, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { cautionsFor, setUpFor } from '@/core/sheet/set-up';
import { tallyOf } from '@/core/sheet/tally';
import { skillsOf, teachingPoints } from '@/core/sheet/teaching-points';
import { Feet, MovementFrames, SetUpToScale } from './drawing';
import { catalogueIn } from '@/core/rules/telling/languages';
import { counted } from '@/core/rules/telling/counted';
import { warmUpWords } from '@/core/sheet/warm-ups';
import { PictureStrip } from './strip';
import { EventSheet } from './event-sheet';
import type { PaperLook, Sheet } from './job';
import { FrameBoxes, SheetHead, SheetList, ReportSlip, Tally, whenWords, Write } from './sheet-parts';
import { ClassTestPaper } from './class-test-paper';
import { INK, LINE, PALE, styleOf, type PaperStyle } from './style';

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
      <SheetHead
        title={`${own(game.title)}, ${own(game.levelName)}`}
        of={of}
        right={[when, own(game.aim)].filter(Boolean).join('. ')}
        style={style}
      />
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
          <SheetList items={setUp.directions} style={style} />
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
          <SheetList items={rules} style={style} />
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

function FramesSheet({ sheet: { of, game, week, slip }, style }: { sheet: Extract<Sheet, { kind: 'frames' }>; style: PaperStyle }) {
  const { words } = style;
  const { i18n, own } = words;
  const n = tallyOf(game.level, words).find((part) => part.kind === 'frames')?.frames ?? 10;
  return (
    <>
      <SheetHead
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
      <SheetHead title={i18n.t('Movement diary')} of={of} right={whenWords(week, words)} style={style} />
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
