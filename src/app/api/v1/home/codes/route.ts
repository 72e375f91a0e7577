import Joi from 'joi';
import { LETTERS_OF_SCHOOL, readShortCode } from '@/core/codes/short-code';
import { codeLimit } from '@/server/auth/limits';
import { tokenWritten } from '@/server/db/access-keys';
import { json, Refused, refuse } from '@/server/http/answer';
import { addressOf } from '@/server/http/address';
import { openRoute } from '@/server/http/route';

const body = Joi.object<{ code: string }>({ code: Joi.string().max(40).required() });

/** A code typed from paper, for the token of the slip that it stands for. Wrong ones are counted by school and by address. */
export const POST = openRoute({ body }, async ({ request, body: { code }, now }) => {
  const typed = readShortCode(code);
  if (typed.is !== 'code')
    throw refuse(400, '/code', /*i18n*/ 'A letter of this code is not right.', /*i18n*/ 'Compare it with the paper, letter by letter.');
  const [school, address] = [typed.code.slice(0, LETTERS_OF_SCHOOL), addressOf(request)];
  const wait = await codeLimit.tried(school, address);
  if (wait > 0) {
    const problem = { place: '/code', reason: /*i18n*/ 'Too many codes were tried.', fix: /*i18n*/ 'Wait a while, or use the square on the paper.' };
    throw new Refused(429, [problem], { 'retry-after': `${wait}` });
  }
  const token = await tokenWritten(typed.code, now);
  if (token !== undefined) {
    await codeLimit.right(school, address);
    return json({ token });
  }
  throw refuse(404, '/code', /*i18n*/ 'This code is not known, or it has ended.', /*i18n*/ 'Ask the school for the newest paper.');
});
