/** What came of a drill, as the guide shows it. */
import { availableParallelism } from 'node:os';
import { markdownTable, writeSection } from './section-of-guide';
import { wrongIn, type Drilled } from './drill';

const kinds = (errors: Readonly<Record<string, number>>) =>
  Object.entries(errors)
    .map(([kind, times]) => `${kind} × ${times}`)
    .join(', ') || 'none';

export function reportOf({ stretches, acknowledged, lost, doubled, reads, cameBack }: Drilled, seconds: number): string {
  const table = markdownTable([
    ['what happened', 'acknowledged', 'longest wait for one answer', 'longest with no answer to anybody', 'tries that failed'],
    ...stretches.map((one) => [
      one.name,
      `${one.acknowledged}`,
      `${one.longestWaitS.toFixed(1)} s`,
      `${one.longestPauseS.toFixed(1)} s`,
      kinds(one.errors),
    ]),
  ]);
  const [out, decision] = [reads['signed out'], reads.decision];
  return `${table}

- Reports acknowledged: ${acknowledged}. Lost: ${lost}. Doubled: ${doubled}. (Each looked for on each of the three nodes.)
- Old reads, of those asked on either web server: replaced links ${reads.link.old} of ${reads.link.asked}; sessions signed out ${out.old} of ${out.asked}; decisions ${decision.old} of ${decision.asked}.
${cameBack.length > 0 ? `- How nodes came back: ${cameBack.join('; ')}.\n` : ''}
${seconds} seconds, eight families that send without a rest, a teacher who signs in and out, one who replaces links, one who decides; all of it (three nodes, two web servers, the balancer and those who ask) on one machine with ${availableParallelism()} cores.`;
}

/** Shows it, and puts it into the guide where all is as it must be; else the command fails. */
export function conclude(section: 'drill' | 'rolling', drilled: Drilled, text: string): void {
  process.stdout.write(`\n${text}\n`);
  const wrong = wrongIn(drilled);
  if (wrong.length === 0) return writeSection('several-machines.md', section, text);
  process.stdout.write(`\nWRONG: ${wrong.join('; ')}\n`);
  process.exitCode = 1;
}
