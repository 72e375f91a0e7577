/** One card for an event: its games in their order, each with its drawing, minutes, tally and slip. */
import { Text, View } from '@react-pdf/renderer';
import { dayWords } from '@/core/measure/days';
import { catalogueIn } from '@/core/rules/telling/languages';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { setUpFor } from '@/core/sheet/set-up';
import { tallyOf } from '@/core/sheet/tally';
import { warmUpWords } from '@/core/sheet/warm-ups';
import type { Words } from '@/core/words/words';
import { SetUpToScale } from './drawing';
import type { EventGameOnPaper, Sheet, SheetOf } from './job';
import { SheetHead, SheetList, ReportSlip, Tally, whenWords } from './sheet-parts';
import { LINE, type PaperStyle } from './style';

export function EventSheet({ sheet: { of, title, week, games, kit }, style }: { sheet: Extract<Sheet, { kind: 'event' }>; style: PaperStyle }) {
  const { words } = style;
  const { i18n, own, noun } = words;
  const kitOf = (from: 'home' | 'school') =>
    kit.filter((thing) => thing.from === from).map((thing) => `${thing.n > 1 ? `${thing.n} × ` : ''}${noun(thing.name)}`);
  return (
    <>
      <SheetHead
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
              <SheetList items={kitOf(from)} style={style} box />
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
