/** Sends what waits. A play stays in the phone until the school has said that it received it. */
import { store, type KeptPlay } from './store';

interface Receipt {
  readonly at: string;
}

interface Problems {
  readonly problems?: readonly { readonly reason: string; readonly fix: string }[];
}

/** Tries one play; the play as it stands afterwards. Without a connection it goes on waiting. */
export async function trySending(play: KeptPlay): Promise<KeptPlay> {
  const report = { ...play.report, sentAt: new Date().toISOString() };
  let answered: KeptPlay;
  try {
    const response = await fetch('/api/v1/home/reports', {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${play.token}` },
      body: JSON.stringify({ playId: play.playId, assignmentId: play.assignmentId, report }),
    });
    const body = (await response.json().catch(() => ({}))) as Receipt & Problems;
    if (response.ok) answered = { ...play, state: 'received', words: body.at };
    else if (response.status >= 500 || response.status === 429) answered = play;
    else
      answered = {
        ...play,
        state: 'refused',
        words: body.problems?.[0] ? `${body.problems[0].reason} ${body.problems[0].fix}` : 'The school could not take this report.',
      };
  } catch {
    return play;
  }
  if (answered !== play) await store.keepPlay(answered);
  return answered;
}
