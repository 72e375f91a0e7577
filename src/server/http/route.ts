/**
 * The one gate that every route passes: host, origin, who asks and with which role, size and shape of the body. A route handler
 * sees only what came through.
 */
import type { Uuid } from '@/contract/ids';
import { randomUUID } from 'node:crypto';
import { parseCookie } from 'cookie';
import { v5 } from 'uuid';
import type Joi from 'joi';
import { isUuid } from '@/contract/ids';
import { SCHOOL_HEADER } from '@/contract/window';
import { toBytes } from '../db/ids';
import { isLost } from '../db/patience';
import { direct, NotKnown } from '../db/pool';
import { audit } from '../db/schools';
import { log } from '../log';
import { settings } from '../settings';
import { sessionCookieName, signedInBy, type Role, type SignedIn } from '../auth/sessions';
import { json, Refused, refuse } from './answer';
import { isSmall, readBody } from './body';
import { deedOf, type Deed } from './once';
import { problemsOf } from '@/core/rules/format/read-game';

/** The largest body: of a family or anybody else without a session, and of the desk. */
const MOST_BYTES = { open: 256 * 1024, desk: 1024 * 1024 };

export interface RouteAsk<Body> {
  readonly request: Request;
  readonly body: Body;
  /** The body as it came. */
  readonly raw: string;
  readonly now: Date;
  /** The parameter of the route by name, as an id; a 404 when it is none. */
  readonly id: (name?: string) => Uuid;
}

type Context = { params: Promise<Record<string, string | string[] | undefined>> };
type Handler = (request: Request, context: Context) => Promise<Response>;

function hostAllowed(request: Request): boolean {
  const { hosts } = settings();
  const host = request.headers.get('host');
  return hosts.length === 0 || (host !== null && hosts.includes(host));
}

async function bodyOf(request: Request, schema: Joi.Schema | undefined, most: number): Promise<{ value: unknown; raw: string }> {
  if (!schema) return { value: undefined, raw: '' };
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    throw refuse(415, '', 'The body must be JSON.', 'Send content-type: application/json.');
  const bytes = await readBody(request, most, () => refuse(413, '', `The body is larger than ${most / 1024} KB.`, 'Send less at once.'));
  const text = bytes.toString();
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    throw refuse(400, '', `The body is no JSON: ${(error as Error).message}`, 'Send one JSON value.');
  }
  const unwritable = /\\u(?:d[89a-f]|0000)/i.test(text) && placeOfUnwritable(input, '');
  if (typeof unwritable === 'string')
    throw refuse(400, unwritable, 'There is half a character or an empty one in this text.', 'Type the text again.');
  const { error, value } = schema.validate(input, { abortEarly: false, convert: false });
  if (error) throw new Refused(400, problemsOf(error));
  return { value: value as unknown, raw: text };
}

/** The place, a JSON Pointer, of the first text with half a surrogate pair or a NUL: no database and no file takes them. Null for none. */
function placeOfUnwritable(value: unknown, place: string): string | null {
  if (typeof value === 'string') return /[\p{Cs}\0]/u.test(value) ? place : null;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, one] of Object.entries(value)) {
    const found = placeOfUnwritable(key, place) ?? placeOfUnwritable(one, `${place}/${key}`);
    if (found !== null) return found;
  }
  return null;
}

/** The path without what it names: ids of children, classes and reports. */
export const routeOf = (url: string): string =>
  new URL(url).pathname.replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/gi, ':id');

/** Answers, and writes it in the log: which request, how long it took, what came of it; of what failed, where. */
async function guarded(request: Request, work: () => Promise<Response>): Promise<Response> {
  const began = performance.now();
  const answer = await answered(request, work);
  const { id, response, error } = answer;
  const told = { id, method: request.method, route: routeOf(request.url), status: response.status, ms: Math.round(performance.now() - began) };
  if (error !== undefined) log.error({ ...told, err: error }, 'a route failed');
  else log.info(told, 'answered');
  return response;
}

async function answered(request: Request, work: () => Promise<Response>): Promise<{ id: string; response: Response; error?: unknown }> {
  // A number of its own: what a stranger sends is not written into the log.
  const id = randomUUID();
  try {
    return { id, response: await within(request, work) };
  } catch (error) {
    if (error instanceof Refused) return { id, response: json({ problems: error.problems }, error.status, error.headers) };
    if (error instanceof NotKnown) {
      const known = {
        place: '',
        reason: 'The database does not answer, and nobody knows whether this was kept.',
        fix: 'Send it again in a moment: what was kept is not done twice.',
      };
      return { id, error, response: json({ problems: [known], request: id }, 503, { 'retry-after': '5' }) };
    }
    if (isLost(error)) {
      const away = { place: '', reason: 'The database does not answer. Nothing was changed.', fix: 'Try again in a moment.' };
      return { id, error, response: json({ problems: [away], request: id }, 503, { 'retry-after': '5' }) };
    }
    const problem = { place: '', reason: 'Something went wrong here. Nothing was changed.', fix: 'Try again in a moment.' };
    return { id, error, response: json({ problems: [problem], request: id }, 500) };
  }
}

async function within(request: Request, work: () => Promise<Response>): Promise<Response> {
  if (!hostAllowed(request)) throw refuse(400, 'host', 'This name is not one that this server answers to.', 'Open it by its own address.');
  return work();
}

async function idsOf(context: Context): Promise<(name?: string) => Uuid> {
  const params = await context.params;
  return (name = 'id') => {
    const id = params[name];
    if (typeof id !== 'string' || !isUuid(id)) throw refuse(404, name, 'There is no such thing here.', 'Go back and open it again.');
    return id;
  };
}

/** A state-changing request must come from a page of this server: browsers say so in Origin or Sec-Fetch-Site. */
function checkOrigin(request: Request): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const own = origin !== null ? URL.canParse(origin) && new URL(origin).host === request.headers.get('host') : site === 'same-origin';
  if (!own) throw refuse(403, 'origin', 'This request did not come from a page of Lochside.', 'Open the page again and repeat it there.');
}

export function sessionToken(request: Request): string | undefined {
  return parseCookie(request.headers.get('cookie') ?? '')[sessionCookieName(settings().secure)];
}

interface TeacherGate<Body> {
  readonly roles: readonly Role[];
  /** For leads alone. */
  readonly lead?: boolean;
  /** Also for who still lacks a second factor that the school asks for. */
  readonly anyway?: boolean;
  /** What is written down under who did what, when it was done: of what goes out, and of deeds whose own tables say the rest. */
  readonly told?: string;
  readonly body?: Joi.Schema<Body>;
}

/** A route for people who are signed in with one of these roles. */
export function teacherRoute<Body = undefined>(
  { roles, lead = false, anyway = false, told, body }: TeacherGate<Body>,
  handle: (asked: RouteAsk<Body> & { who: SignedIn; deed: Deed | null }) => Promise<Response>,
): Handler {
  return (request, context) =>
    guarded(request, async () => {
      checkOrigin(request);
      const now = new Date();
      const who = await signedInBy(sessionToken(request), now);
      if (!who) throw refuse(401, '', 'You are not signed in.', 'Sign in again.');
      const shown = request.headers.get(SCHOOL_HEADER);
      if (shown !== null && shown !== who.schoolId)
        throw refuse(
          403,
          '',
          `You are in ${who.schoolName} now; this window is of another school. Nothing was changed.`,
          'Load the page anew, or go back to that school on your own page.',
        );
      if (!roles.includes(who.role))
        throw refuse(403, '', 'A helper may look, print and enter scores, but not change this.', 'Ask a teacher of the school.');
      if (lead && !who.isLead) throw refuse(403, '', 'Only a lead of the school may do this.', 'Ask a lead of the school.');
      if (who.lacksFactor && !anyway)
        throw refuse(403, '', 'The school asks for a second factor, and you have none yet.', 'Set it up on your own page first.');
      const { value, raw } = await bodyOf(request, body, MOST_BYTES.desk);
      const deed = deedOf(request, raw);
      const answer = await handle({ request, body: value as Body, raw, now, who, deed, id: await idsOf(context) });
      if (told !== undefined && answer.ok) await writeDown(who, told, await subjectOf(context), deed, now);
      return answer;
    });
}

/** Of what a deed is: the id in its path. */
async function subjectOf(context: Context): Promise<Uuid | undefined> {
  // A path without one has no parameters at all.
  return Object.values(((await context.params) as Record<string, unknown> | undefined) ?? {}).find(
    (value): value is Uuid => typeof value === 'string' && isUuid(value),
  );
}

/** Once a deed: what is sent again, because the answer was lost or this was, is written down if it was not yet. */
async function writeDown({ schoolId, teacherId }: SignedIn, action: string, subject: Uuid | undefined, deed: Deed | null, now: Date): Promise<void> {
  const id = deed && toBytes(v5(`${deed.sentAs} ${action}`, schoolId) as Uuid);
  await audit(direct(), { schoolId, teacherId, action, ...(subject && { subject }), ...(id && { id }) }, now);
}

/**
 * A route for anybody: sign-in, health, and the family routes, which check their token themselves. `known` refuses who is not known; it is asked
 * before a body is read that is not small, so that a stranger cannot make this server read much.
 */
export function openRoute<Body = undefined>(
  { body, origin = true, known }: { body?: Joi.Schema<Body>; origin?: boolean; known?: (request: Request, now: Date) => Promise<unknown> },
  handle: (asked: RouteAsk<Body>) => Promise<Response>,
): Handler {
  return (request, context) =>
    guarded(request, async () => {
      if (origin) checkOrigin(request);
      const now = new Date();
      if (body && known && !isSmall(request)) await known(request, now);
      const { value, raw } = await bodyOf(request, body, MOST_BYTES.open);
      return handle({ request, body: value as Body, raw, now, id: await idsOf(context) });
    });
}
