/**
 * npm run drill: two minutes of families and teachers at work while machines die, and what came of it as a table in the guide. Anything lost, doubled or
 * old, or a pause over five seconds where one machine died, fails.
 */
import { availableParallelism } from 'node:os';
import { markdownTable, writeSection } from '../section-of-guide';
import { BLOWS, drill, PAUSE_S, wrongIn } from './drill';

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
const kinds = (errors: Readonly<Record<string, number>>) =>
  Object.entries(errors)
    .map(([kind, times]) => `${kind} × ${times}`)
    .join(', ') || 'none';
const table = markdownTable([
  ['what happened', 'acknowledged', 'longest wait for one answer', 'longest with no answer to anybody', 'tries that failed'],
  ...drilled.stretches.map(({ name, acknowledged, longestWaitS, longestPauseS, errors }) => [
    name,
    `${acknowledged}`,
    `${longestWaitS.toFixed(1)} s`,
    `${longestPauseS.toFixed(1)} s`,
    kinds(errors),
  ]),
]);
const { reads } = drilled;
const text = `${table}

- Reports acknowledged: ${drilled.acknowledged}. Lost: ${drilled.lost}. Doubled: ${drilled.doubled}. (Each looked for on each of the three nodes.)
- Old reads, of those asked on either web server: replaced links ${reads.link.old} of ${reads.link.asked}; sessions signed out ${reads['signed out'].old} of ${reads['signed out'].asked}; decisions ${reads.decision.old} of ${reads.decision.asked}.
- How nodes came back: ${drilled.cameBack.join('; ')}.

${SECONDS} seconds, eight families that send without a rest, a teacher who signs in and out, one who replaces links, one who decides; all of it (three nodes, two web servers, the balancer and those who ask) on one machine with ${availableParallelism()} cores. A pause may last ${PAUSE_S} s where one machine dies; the whole cluster is begun again by a script.`;
process.stdout.write(`\n${text}\n`);
const wrong = wrongIn(drilled);
if (wrong.length > 0) {
  process.stdout.write(`\nWRONG: ${wrong.join('; ')}\n`);
  process.exitCode = 1;
} else writeSection('several-machines.md', 'drill', text);
