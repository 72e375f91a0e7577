/**
 * The service worker of the home pages: what was opened once opens again without a connection. Its scope is /home; it keeps the page and
 * what the page is made of, and leaves the API and the desk alone. Bundled into public/home-sw.js by scripts/lib/build.mjs.
 */
import { clientsClaim } from 'workbox-core';
import type { WorkboxPlugin } from 'workbox-core/types';
import { ExpirationPlugin } from 'workbox-expiration';
import { registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';

/** What is used here of a worker's global scope: TypeScript's libraries of pages and of workers exclude each other. */
declare const self: {
  readonly registration: { readonly scope: string };
  readonly location: Location;
  skipWaiting(): Promise<void>;
  addEventListener(type: 'install', listener: (event: { waitUntil(work: Promise<unknown>): void }) => void): void;
  addEventListener(type: 'message', listener: (event: { data: unknown; waitUntil(work: Promise<unknown>): void }) => void): void;
};

const PAGE = 'home-page';
const PARTS = 'home-parts';
const HOME = '/home';
const MOST_PARTS = 150;
const SLOW_S = 4;

const isPart = (url: URL) =>
  url.origin === self.location.origin && (url.pathname.startsWith('/_next/static/') || url.pathname.startsWith('/home-icon'));

/** Every part that the page names, and the fonts that its style sheets name. */
async function partsOf(html: string): Promise<readonly string[]> {
  const named = [...new Set([...html.matchAll(/\/_next\/static\/[^"'\\\s)<>]+/g)].map(([path]) => path))];
  const fonts = await Promise.all(
    named
      .filter((path) => path.split('?')[0]!.endsWith('.css'))
      .map(async (path) => {
        const css = await (await fetch(path)).text();
        return [...css.matchAll(/url\(["']?([^"')]+)/g)].map(([, url]) => new URL(url!, new URL(path, self.location.href)).pathname);
      }),
  );
  return [...named, ...fonts.flat().filter((path) => /andika/i.test(path))];
}

async function keepParts(paths: readonly string[]): Promise<void> {
  const parts = await caches.open(PARTS);
  await Promise.all(
    paths.map(async (path) => {
      if (!(await parts.match(path))) await parts.add(path);
    }),
  );
}

const keepWhole = async (response: Response): Promise<void> => keepParts(await partsOf(await response.text()));

self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const response = await fetch(HOME, { cache: 'reload' });
      if (!response.ok) throw new Error('the home page did not answer');
      await (await caches.open(PAGE)).put(HOME, response.clone());
      await keepWhole(response);
      await self.skipWaiting();
    })(),
  );
});
clientsClaim();

// The page tells what it loaded before this worker was there, or loads later.
self.addEventListener('message', (event) => {
  const { keep } = (event.data ?? {}) as { keep?: unknown };
  if (!Array.isArray(keep)) return;
  const paths = keep.filter((path): path is string => typeof path === 'string' && isPart(new URL(path, self.location.href)));
  event.waitUntil(keepParts(paths));
});

registerRoute(
  ({ request, url }) => request.mode === 'navigate' && url.origin === self.location.origin && url.pathname === HOME,
  new NetworkFirst({
    cacheName: PAGE,
    networkTimeoutSeconds: SLOW_S,
    plugins: [
      {
        // One page, whatever was asked with it; nothing of the link is kept.
        cacheKeyWillBeUsed: async () => HOME,
        cacheDidUpdate: async ({ newResponse }) => keepWhole(newResponse.clone()),
      },
    ],
  }),
);

registerRoute(
  ({ url }) => isPart(url),
  new CacheFirst({ cacheName: PARTS, plugins: [new ExpirationPlugin({ maxEntries: MOST_PARTS }) as WorkboxPlugin] }),
);
