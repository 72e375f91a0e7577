import type { Uuid } from '@/contract/ids';
import Joi from 'joi';
import { isUuid } from '@/contract/ids';
import { refuse } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';
import { PAPER_LANGUAGES, type PaperLook } from '@/server/paper/job';
import { makePaper, paperAnswer } from '@/server/paper/make';
import { PAPER_KINDS, sheetsOfWeek, type PaperKind } from '@/server/paper/week-sheets';

const body = Joi.object<PaperLook & { kind: PaperKind; who: string }>({
  kind: Joi.string()
    .valid(...PAPER_KINDS)
    .required(),
  who: Joi.string().max(36).required(),
  size: Joi.string().valid('A4', 'LETTER').required(),
  print: Joi.string().valid('usual', 'large').required(),
  ground: Joi.string().valid('white', 'pale').required(),
  language: Joi.string()
    .valid(...PAPER_LANGUAGES)
    .default('en'),
});

/** The sheets of a week as lines of JSON: how far the making is, and at last the PDF in base64. */
export const POST = teacherRoute({ roles: ['teacher', 'helper'], body }, async ({ request, body: { kind, who, ...look }, who: asker, id, now }) => {
  if (who !== 'all' && who !== 'paper' && !isUuid(who)) throw refuse(400, '/who', 'That is nobody of this class.', 'Choose all, or those on paper.');
  const sheets = await sheetsOfWeek(
    { schoolId: asker.schoolId, weekId: id(), kind, who: who as 'all' | 'paper' | Uuid, timeZone: asker.timeZone },
    now,
  );
  return paperAnswer(makePaper({ look, sheets }, request.signal));
});
