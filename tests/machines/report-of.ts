/** What came of a drill, as the guide shows it. */
import { availableParallelism } from 'node:os';
import { markdownTable } from '../section-of-guide';
import type { Drilled } from './drill';

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
