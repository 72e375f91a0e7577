/** An empty handler of the same framework, the yardstick for the intake of reports; no route of Lochside. */
export async function POST(request: Request): Promise<Response> {
  await request.text();
  return new Response(null, { status: 204 });
}
