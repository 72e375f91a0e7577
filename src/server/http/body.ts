/** The one reader of bodies: as they stream in, stopped at the limit of the route and at a rate that no honest line has. */
import { refuse, type Refused } from './answer';

/** A body that is slower than this after its first seconds is no phone on a poor line (64 kbit/s are twice as much). */
const SLOWEST = { afterMs: 10_000, bytesPerS: 4096 };

/** The bytes of a body. More than `most` are refused with `tooLarge` as soon as they are more; of what is announced as more nothing is read. */
export async function readBody(request: Request, most: number, tooLarge: () => Refused): Promise<Buffer> {
  if (Number(request.headers.get('content-length') ?? 0) > most) throw tooLarge();
  const reader = request.body?.getReader();
  if (!reader) return Buffer.alloc(0);
  const parts: Uint8Array[] = [];
  const began = Date.now();
  let size = 0;
  let watch: NodeJS.Timeout | undefined;
  const tooSlow = new Promise<never>((_, reject) => {
    watch = setInterval(() => {
      const elapsed = Date.now() - began - SLOWEST.afterMs;
      if (elapsed > 0 && size < (SLOWEST.bytesPerS * elapsed) / 1000)
        reject(refuse(408, '', 'The body comes too slowly.', 'Send it again when the connection is better.'));
    }, 1000);
  });
  try {
    for (;;) {
      const part = await Promise.race([reader.read(), tooSlow]);
      if (part.done) return Buffer.concat(parts);
      size += part.value.byteLength;
      if (size > most) throw tooLarge();
      parts.push(part.value);
    }
  } catch (error) {
    await reader.cancel().catch(() => undefined);
    throw error;
  } finally {
    clearInterval(watch);
  }
}

/** A small body that says how small it is may be read before it is known who sends it; no other. */
const READ_UNASKED = 16 * 1024;

export function isSmall(request: Request): boolean {
  const said = request.headers.get('content-length');
  return said !== null && Number(said) <= READ_UNASKED;
}
