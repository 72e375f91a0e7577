import { LIGHT } from '@/design/palette';
import type { Metadata, Viewport } from 'next';
import localFont from 'next/font/local';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { GlobalStyle } from '@/ui/global-style';
import { StyleRegistry } from '@/ui/registry';

// Neither is asked for before the words are there: on a poor line they would be in the way of them.
const desk = localFont({
  variable: '--font-desk',
  preload: false,
  src: [
    { path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2', weight: '400' },
    { path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-600-normal.woff2', weight: '600' },
    { path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff2', weight: '700' },
  ],
});

const child = localFont({
  variable: '--font-child',
  src: [
    { path: '../../node_modules/@fontsource/andika/files/andika-latin-400-normal.woff2', weight: '400' },
    { path: '../../node_modules/@fontsource/andika/files/andika-latin-700-normal.woff2', weight: '700' },
  ],
  preload: false,
});

export const metadata: Metadata = { title: { default: 'Lochside', template: '%s · Lochside' }, robots: { index: false } };
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: LIGHT.paper };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en-GB" className={`${desk.variable} ${child.variable}`}>
      <head>
        <meta property="csp-nonce" nonce={nonce} />
      </head>
      <body>
        <StyleRegistry nonce={nonce}>
          <GlobalStyle />
          {children}
        </StyleRegistry>
      </body>
    </html>
  );
}
