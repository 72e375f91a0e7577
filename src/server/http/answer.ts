/** Answers of the interface: JSON, and problems that name the place and the fix. */
import { createHash } from 'node:crypto';
import type { Problem } from '@/core/rules/format/problem';

export function json(body: unknown, status = 200, headers: Record<string, string> = {}): Response {
  return new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store', 'x-content-type-options': 'nosniff', ...headers },
  });
}

/** An answer with the ETag of what it holds; 304 where the asker has just that. */
export function tagged(request: Request, body: unknown): Response {
  const etag = `"${createHash('sha256').update(JSON.stringify(body)).digest('base64url').slice(0, 22)}"`;
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: { etag } });
  return json(body, 200, { etag });
}

/** A file to keep, under a name of plain letters. */
export function fileAnswer(body: BodyInit, type: string, name: string): Response {
  return new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
    },
  });
}

/** Thrown inside a route to answer with a problem. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 408 | 409 | 413 | 415 | 429,
    readonly problems: readonly Problem[],
    readonly headers: Record<string, string> = {},
  ) {
    super(problems[0]?.reason ?? 'refused');
  }
}

export function refuse(status: Refused['status'], place: string, reason: string, fix: string): Refused {
  return new Refused(status, [{ place, reason, fix }]);
}

export const notFound = (what: string) => refuse(404, '', `There is no such ${what} here.`, 'Go back and open it again.');
