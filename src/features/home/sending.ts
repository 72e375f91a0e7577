/** Sends what waits. A report or an entry stays in the phone until the school has said that it received it. */

import { saveFile } from '@/ui/save-file';
import { store, type KeptPlay, type NotYet, type WaitingEntry, type WaitingInvention } from './store';

interface Problems {
  readonly problems?: readonly { readonly place?: string; readonly reason: string; readonly fix: string }[];
}

/** A problem as it is kept: reason and fix on a line each, so that each can be said in the family's language. */
export const problemLines = ({ reason, fix }: { readonly reason: string; readonly fix: string }) => `${reason}\n${fix}`;

export type SendAnswer<T> =
  | { readonly kind: 'taken'; readonly body: T }
  | { readonly kind: 'later'; readonly why: NotYet }
  | { readonly kind: 'refused'; readonly words: string };

/** So long the school has to answer; on the slowest line that is meant a report is through in a third of it. Milliseconds. */
const ANSWER_MS = 30_000;

/** Ends a request that is not answered; null in a browser that is too old for it, which waits as long as it likes. */
export const patience = (): AbortSignal | null => (typeof AbortSignal.timeout === 'function' ? AbortSignal.timeout(ANSWER_MS) : null);

/**
 * Posts to the school for one child. Without a connection, when the school is too busy, and under a link that was replaced, it is to be tried
 * later: only what the school has read and cannot take is refused.
 */
async function post<T>(path: string, token: string, body: unknown): Promise<SendAnswer<T>> {
  try {
    const response = await fetch(`/api/v1/home/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${token}` },
      body: JSON.stringify(body),
      signal: patience(),
    });
    const answer = (await response.json().catch(() => ({}))) as T & Problems;
    if (response.ok) return { kind: 'taken', body: answer };
    if (response.status === 429 && answer.problems?.[0]?.place === 'day') return { kind: 'later', why: 'today' };
    if (response.status >= 500 || response.status === 429) return { kind: 'later', why: 'busy' };
    if (response.status === 401) return { kind: 'later', why: 'link' };
    const problem = answer.problems?.[0];
    return { kind: 'refused', words: problem ? problemLines(problem) : /*i18n*/ 'The school could not take this.' };
  } catch {
    return { kind: 'later', why: 'unreachable' };
  }
}

/** The play as it stands after an answer: the same one where nothing changed. */
function answeredPlay(play: KeptPlay, answer: SendAnswer<{ at: string }>): KeptPlay {
  if (answer.kind === 'later') return play.tried === answer.why ? play : { ...play, tried: answer.why };
  const { tried: _tried, ...rest } = play;
  return answer.kind === 'taken' ? { ...rest, state: 'received', words: answer.body.at } : { ...rest, state: 'refused', words: answer.words };
}

/** Tries one report; the play as it stands afterwards. */
export async function trySending(play: KeptPlay): Promise<KeptPlay> {
  const report = { ...play.report, sentAt: new Date().toISOString() };
  const answer = await post<{ at: string }>('reports', play.token, { playId: play.playId, assignmentId: play.assignmentId, report });
  const answered = answeredPlay(play, answer);
  if (answered !== play) await store.keepPlay(answered);
  return answered;
}

/** So many lines go at once. */
const LINES_AT_ONCE = 50;

/** Tries the diary lines of one child that wait, week by week: what is wrong with one week does not keep back another. True when some were received. */
export async function tryEntries(token: string, waiting: readonly WaitingEntry[]): Promise<boolean> {
  let taken = false;
  for (const weekId of new Set(waiting.map(({ entry }) => entry.weekId))) {
    const ofWeek = waiting.filter(({ entry }) => entry.weekId === weekId);
    for (let at = 0; at < ofWeek.length; at += LINES_AT_ONCE) {
      const some = ofWeek.slice(at, at + LINES_AT_ONCE);
      const answer = await post('diary', token, { entries: some.map(({ entry }) => entry) });
      if (answer.kind === 'later') return taken;
      for (const one of some) await store.keepEntry({ ...one, state: answer.kind === 'taken' ? 'received' : 'refused' });
      taken = taken || answer.kind === 'taken';
    }
  }
  return taken;
}

/** Tries a game that the child made. */
export async function tryInvention(token: string, waiting: WaitingInvention): Promise<void> {
  const answer = await post('inventions', token, waiting.invention);
  if (answer.kind !== 'later') await store.keepInvention({ ...waiting, state: answer.kind === 'taken' ? 'received' : 'refused' });
}

/** What a code from paper opens: a token, or why it does not, a line for reason and fix each. */
export async function openCode(code: string): Promise<{ readonly token: string } | { readonly problem: string }> {
  try {
    const response = await fetch('/api/v1/home/codes', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code }),
      signal: patience(),
    });
    const answer = (await response.json()) as { readonly token?: unknown } & Problems;
    if (response.ok && typeof answer.token === 'string') return { token: answer.token };
    const problem = answer.problems?.[0];
    return { problem: problem ? problemLines(problem) : UNREACHED };
  } catch {
    return { problem: UNREACHED };
  }
}

const UNREACHED = /*i18n*/ 'There is no connection to the school just now. Try again, or use the square on the paper.';

/** What the school tells this child; null where it does not answer, or not with that. */
export async function askSchool(token: string, path: string): Promise<unknown> {
  try {
    const response = await fetch(`/api/v1/home/${path}`, { headers: { authorization: `Bearer ${token}` }, signal: patience() });
    return response.ok ? ((await response.json()) as unknown) : null;
  } catch {
    return null;
  }
}

/** The due day as a calendar file, handed to the device. Without a connection nothing happens. */
export async function fetchCalendar(token: string): Promise<void> {
  const response = await fetch('/api/v1/home/calendar', { headers: { authorization: `Bearer ${token}` } }).catch(() => null);
  if (!response?.ok) return;
  saveFile(await response.blob(), 'due.ics');
}
