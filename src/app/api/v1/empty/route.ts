/** An empty handler, the yardstick of `npm run bench` for the intake of reports. */
export async function POST(request: Request): Promise<Response> {
  await request.text();
  return new Response(null, { status: 204 });
}
