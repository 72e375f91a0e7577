import { json } from '@/server/http/answer';

export const dynamic = 'force-dynamic';

export function GET(): Response {
  return json({ ok: true });
}
