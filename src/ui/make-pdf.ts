/** Has sheets made on the server: lines of JSON tell how far it is, the last one is the PDF. */
import { deskFetch } from './desk-fetch';

interface Line {
  readonly done?: number;
  readonly of?: number;
  readonly pdf?: string;
  /** A sheet that could not be made: the others are. */
  readonly failed?: { readonly sheet: string; readonly reason: string };
}

export type Made = { readonly ok: true; readonly pdf: Blob; readonly problem: string } | { readonly ok: false; readonly problem: string };

export async function makePdf(url: string, body: unknown, onProgress: (done: number, of: number) => void, signal: AbortSignal): Promise<Made> {
  const failed: Made = { ok: false, problem: 'The sheets could not be made. Try again in a moment.' };
  try {
    const response = await deskFetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal,
    });
    if (!response.ok) {
      const { problems } = (await response.json()) as { problems?: readonly { reason: string; fix: string }[] };
      return { ok: false, problem: problems?.[0] ? `${problems[0].reason} ${problems[0].fix}` : failed.problem };
    }
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    const missing: string[] = [];
    for (let read = await reader.read(); !read.done; read = await reader.read()) {
      const lines = (rest + read.value).split('\n');
      rest = lines.pop()!;
      for (const line of lines) {
        const { done, of, pdf, failed: not } = JSON.parse(line) as Line;
        if (not) missing.push(`${not.sheet} (${not.reason})`);
        if (done !== undefined && of !== undefined) onProgress(done, of);
        if (pdf !== undefined)
          return {
            ok: true,
            pdf: new Blob([Uint8Array.from(atob(pdf), (one) => one.charCodeAt(0))], { type: 'application/pdf' }),
            problem: missing.length === 0 ? '' : `Not in it, because it could not be made: ${missing.join('; ')}. Try the usual print for it.`,
          };
      }
    }
    return missing.length === 0 ? failed : { ok: false, problem: `Nothing could be made: ${missing.join('; ')}.` };
  } catch {
    return signal.aborted ? { ok: false, problem: 'Stopped. Nothing was made.' } : failed;
  }
}
