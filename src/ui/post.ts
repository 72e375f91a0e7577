/** Requests to Lochside's own routes: the answer, or the problems it gave in words. */
import { DEED_HEADER } from '@/contract/deed';
import { newUuid, type Uuid } from '@/contract/ids';
import { deskFetch } from './desk-fetch';

export interface PostAnswer<T> {
  readonly ok: boolean;
  readonly status: number;
  readonly value: T | null;
  /** One sentence for the person: what is wrong and what to do. */
  readonly problem: string;
  /** All of them, each with its place, where the answer lists several. */
  readonly problems?: readonly PlacedProblem[];
}

export interface PlacedProblem {
  readonly place: string;
  readonly reason: string;
  readonly fix: string;
}

interface ProblemAnswer {
  readonly problems?: readonly PlacedProblem[];
}

/** The first problem of an answer, as one sentence for the person. */
export function problemIn(answer: unknown): string {
  const first = (answer as ProblemAnswer | null)?.problems?.[0];
  return first ? `${first.reason} ${first.fix}` : 'Something went wrong. Try again in a moment.';
}

/** Deeds whose answer did not come yet, or never, by what they ask for: asked for again, they are the same. */
const unanswered = new Map<string, Uuid>();

/** Sends a file as it is; the answer, or what is wrong with it in words. */
export async function sendFile<T>(url: string, file: Blob): Promise<PostAnswer<T>> {
  try {
    const response = await deskFetch(url, { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: file });
    const value = (await response.json().catch(() => null)) as (T & ProblemAnswer) | null;
    return response.ok
      ? { ok: true, status: response.status, value, problem: '' }
      : { ok: false, status: response.status, value: null, problem: problemIn(value) };
  } catch {
    return { ok: false, status: 0, value: null, problem: 'There is no connection. Try again when it is back.' };
  }
}

export async function send<T>(method: 'POST' | 'PUT' | 'PATCH' | 'DELETE', url: string, body?: unknown): Promise<PostAnswer<T>> {
  const text = body === undefined ? {} : { body: JSON.stringify(body) };
  const asked = `${method} ${url} ${text.body}`;
  const sentAs = unanswered.get(asked) ?? newUuid();
  unanswered.set(asked, sentAs);
  try {
    const response = await deskFetch(url, { method, headers: { 'content-type': 'application/json', [DEED_HEADER]: sentAs }, ...text });
    if (response.status < 500) unanswered.delete(asked);
    const value = (await response.json().catch(() => null)) as (T & ProblemAnswer) | null;
    if (response.ok) return { ok: true, status: response.status, value, problem: '' };
    return {
      ok: false,
      status: response.status,
      value: null,
      problems: value?.problems ?? [],
      problem: problemIn(value),
    };
  } catch {
    return {
      ok: false,
      status: 0,
      value: null,
      problem: 'There is no connection. Try again when it is back: what arrived already is not done twice.',
    };
  }
}
