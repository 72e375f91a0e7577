/** The sheet of one group of a class test, for the hall: what is done, and boxes to tick. In English: it is the teacher's. */
import { Text, View } from '@react-pdf/renderer';
import { dayWords } from '@/core/measure/days';
import { protocolOf, TESTED_WORDS, TRIES_A_MARK } from '@/core/progress/tested';
import type { Sheet } from './job';
import { INK, LINE, type PaperStyle } from './style';

const BOX = 18;

function Ticks({ style }: { style: PaperStyle }) {
  return (
    <View style={{ flex: 2, flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      {Array.from({ length: TRIES_A_MARK }, (_, index) => (
        <View key={index} style={{ width: BOX, height: BOX, borderWidth: 1, borderColor: INK }} />
      ))}
      <Text style={style.sheet.soft}>hits</Text>
      <View style={{ width: BOX * 1.4, height: BOX, borderBottomWidth: 1, borderColor: INK }} />
    </View>
  );
}

export function ClassTestPaper({
  sheet: { className, family, marksM, heldOn, names, group, groups },
  style,
}: {
  sheet: Extract<Sheet, { kind: 'class-test' }>;
  style: PaperStyle;
}) {
  return (
    <>
      <View style={style.sheet.head}>
        <View style={{ flex: 1 }}>
          <Text style={style.sheet.title}>Class test: {TESTED_WORDS[family]}</Text>
          <Text style={style.sheet.soft}>
            {className}, {dayWords(heldOn, 'en-GB')}, group {group} of {groups}
          </Text>
        </View>
      </View>
      {protocolOf(family, marksM).map((step, index) => (
        <View key={index} style={style.sheet.item} wrap={false}>
          <Text style={style.sheet.bold}>{index + 1}</Text>
          <Text style={{ flex: 1 }}>{step}</Text>
        </View>
      ))}
      <View style={{ flexDirection: 'row', borderBottomWidth: 1.5, borderColor: INK, paddingTop: 10, paddingBottom: 3 }}>
        <Text style={{ flex: 1.6, fontWeight: 700 }}>Child</Text>
        {marksM.map((lengthM, index) => (
          <Text key={index} style={{ flex: 2, fontWeight: 700 }}>
            {index === 0 ? 'Near' : 'Far'}, {lengthM.toFixed(1)} m
          </Text>
        ))}
      </View>
      {names.map((name) => (
        <View key={name} wrap={false} style={{ flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, borderColor: LINE, height: 42 }}>
          <Text style={{ flex: 1.6, fontSize: style.pt(13) }}>{name}</Text>
          {marksM.map((_, index) => (
            <Ticks key={index} style={style} />
          ))}
        </View>
      ))}
      <Text style={{ ...style.sheet.soft, marginTop: 10 }}>
        Tick a box for a hit, strike it out for a miss. Then type the hits in under Classes, Class test.
      </Text>
    </>
  );
}
