import { readiness } from '@/server/readiness';
import { json } from '@/server/http/answer';

export const dynamic = 'force-dynamic';

/** Whether this server can do its work: for a balancer, the launcher and whoever looks. 503 where something is missing, named. */
export async function GET(): Promise<Response> {
  const found = await readiness();
  return json(found, found.ready ? 200 : 503);
}
