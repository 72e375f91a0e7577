/** The paper maker as a process of its own: a job as JSON on its input, lines of JSON on its output, the last of them the PDF. */
import { text } from 'node:stream/consumers';
import { renderPaper } from '@/server/paper/render';
import type { PaperJob } from '@/server/paper/job';

const write = (line: unknown) => process.stdout.write(`${JSON.stringify(line)}\n`);
const job = JSON.parse(await text(process.stdin)) as PaperJob;
const pdf = await renderPaper(
  job,
  (done, of) => write({ done, of }),
  (failed) => write({ failed }),
);
write({ pdf: Buffer.from(pdf).toString('base64') });
