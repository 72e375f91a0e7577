/** Called by Next: once before a server takes its first request, and for what a page fails at. */
import type { Instrumentation } from 'next';

export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { closeSlowHeads, logPages } = await import('./server/http/connections');
  closeSlowHeads();
  logPages();
  const port = Number(process.env['LOCHSIDE_METRICS_PORT'] ?? 0);
  if (port > 0) (await import('./server/http/figures-for-prometheus')).figuresOn(port);
}

export const onRequestError: Instrumentation.onRequestError = async (error, { path, method }) => {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { logFailedPage } = await import('./server/http/connections');
  logFailedPage(error, method, path);
};
