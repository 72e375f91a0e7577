/**
 * npm run drill: two minutes of families and teachers at work while machines die, and what came of it as a table in the guide. Anything lost, doubled or
 * old, or a pause over five seconds where one machine died, fails.
 */
import { BLOWS, drill, PAUSE_S } from './drill';
import { conclude, reportOf } from './report-of';

const SECONDS = 150;
const blows = [
  BLOWS.writer(15),
  BLOWS.nodeBack(25),
  BLOWS.web(45),
  BLOWS.webBack(55),
  BLOWS.favourite(70),
  BLOWS.nodeBack(80),
  BLOWS.hangs(100, 8),
  BLOWS.all(120),
];

const drilled = await drill({ seconds: SECONDS, blows, say: (line) => process.stdout.write(`${line}\n`) });
const text = `${reportOf(drilled, SECONDS)} A pause may last ${PAUSE_S} s where one machine dies; the whole cluster is begun again by a script.`;
conclude('drill', drilled, text);
