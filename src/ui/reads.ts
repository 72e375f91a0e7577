/**
 * Reads of Lochside's own routes: kept up to date, read again when somebody comes back to the page, and never an older answer over a newer
 * one. What comes is checked against the schema of its contract; what has not changed (the same ETag) is the same object, so nothing is drawn anew.
 */
import type Joi from 'joi';
import { LRUCache } from 'lru-cache';
import useSWR, { type SWRConfiguration, type SWRResponse } from 'swr';
import { deskFetch } from './desk-fetch';
import { problemIn } from './post';

const MOST_KEPT = 40;

interface Kept {
  readonly tag: string;
  readonly value: unknown;
}

const kept = new LRUCache<string, Kept>({ max: MOST_KEPT });

export interface HowToRead<T> {
  /** What the page was served with: shown at once, and not read again before something asks for it. */
  readonly first?: T;
  /** Asked by POST, of what depends on all of this. */
  readonly body?: unknown;
  readonly everyMs?: number;
  /** Also when the person comes back to the page; so unless it is said otherwise. */
  readonly onFocus?: boolean;
}

/** What a route tells; with null nothing is asked. An error's message is a sentence for the person. */
export function useRead<T>(
  url: string | null,
  schema: Joi.Schema<T>,
  { first, body, everyMs, onFocus = true }: HowToRead<T> = {},
): SWRResponse<T, Error> {
  const key = url === null ? null : body === undefined ? url : [url, JSON.stringify(body)];
  const config: SWRConfiguration<T, Error> = {
    keepPreviousData: true,
    dedupingInterval: 500,
    focusThrottleInterval: 1000,
    revalidateOnFocus: onFocus && body === undefined,
    shouldRetryOnError: false,
    ...(everyMs !== undefined && {
      refreshInterval: everyMs,
      shouldRetryOnError: true,
      // What is kept up to date goes on being asked for, at the same pace, until there is an answer again.
      onErrorRetry: (_error, _key, _config, again, { retryCount }) => void setTimeout(() => void again({ retryCount }), everyMs),
    }),
    ...(first !== undefined && { fallbackData: first, revalidateOnMount: false }),
  };
  return useSWR<T, Error>(key, (asked: string | readonly [string, string]) => read(asked, schema), config);
}

/** The same once, when somebody asks for it; throws a sentence for the person. */
export const readOnce = <T>(url: string, schema: Joi.Schema<T>): Promise<T> => read(url, schema);

async function read<T>(asked: string | readonly [string, string], schema: Joi.Schema<T>): Promise<T> {
  const response = await answerTo(asked);
  const before = typeof asked === 'string' ? kept.get(asked) : undefined;
  if (response.status === 304 && before) return before.value as T;
  const answer: unknown = await response.json().catch(() => null);
  if (!response.ok) throw new Error(problemIn(answer));
  const { value, error } = schema.validate(answer, { convert: false });
  if (error) throw new Error('The server answered with something that this page does not know. Load the page again.');
  const tag = response.headers.get('etag');
  if (tag && typeof asked === 'string') kept.set(asked, { tag, value });
  return value as T;
}

async function answerTo(asked: string | readonly [string, string]): Promise<Response> {
  try {
    if (typeof asked !== 'string') {
      const [url, body] = asked;
      return await deskFetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
    }
    const tag = kept.get(asked)?.tag;
    return await deskFetch(asked, tag === undefined ? {} : { headers: { 'if-none-match': tag } });
  } catch {
    throw new Error('There is no connection. Nothing was changed; try again when it is back.');
  }
}
