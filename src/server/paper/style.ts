/** Type and measures of the paper. The fonts are static .woff files from their package: others are not embedded. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { inflateSync } from 'node:zlib';
import fonts from 'fonteditor-core';
import { Font, StyleSheet } from '@react-pdf/renderer';
import { TRANSLATED } from '@/core/words/compiled/all';
import { english } from '@/core/words/english';
import type { Words } from '@/core/words/words';
import { ON_PAPER } from '@/design/palette';
import type { PaperLook } from './job';

const { resolve } = createRequire(import.meta.url);

/** A font unpacked: packed, all of its outlines would be unpacked again for each letter that a PDF holds. */
function fontOf(subset: string, weight: number): string {
  const packed = Uint8Array.from(readFileSync(resolve(`@fontsource/andika/files/andika-${subset}-${weight}-normal.woff`)));
  const font = fonts.woff2ttf(packed.buffer, { inflate: (data) => [...inflateSync(Uint8Array.from(data))] });
  return `data:font/ttf;base64,${Buffer.from(font).toString('base64')}`;
}

let registered = false;

/** Once a process. Names from many places need the second family: what the first lacks is taken from it. */
export function registerFonts(): void {
  if (registered) return;
  registered = true;
  for (const [family, subset] of [
    ['Andika', 'latin'],
    ['Andika more', 'latin-ext'],
  ] as const)
    Font.register({
      family,
      fonts: [
        { src: fontOf(subset, 400), fontWeight: 400 },
        { src: fontOf(subset, 700), fontWeight: 700 },
      ],
    });
  Font.registerHyphenationCallback((word) => [word]);
}

export const FAMILY = ['Andika', 'Andika more'];
export const { ink: INK, 'ink-soft': SOFT, 'line-strong': LINE, pale: PALE, paper: WHITE } = ON_PAPER;

const wordsIn = (language: string): Words => TRANSLATED[language] ?? english;

/** Points of the usual print; large print is about half as large again. */
export function styleOf({ print, language }: PaperLook) {
  const k = print === 'large' ? 1.45 : 1;
  const pt = (size: number) => Math.round(size * k * 10) / 10;
  return {
    pt,
    words: wordsIn(language),
    large: print === 'large',
    sheet: StyleSheet.create({
      page: { paddingVertical: 30, paddingHorizontal: 34, fontFamily: FAMILY, fontSize: pt(9.6), lineHeight: 1.3, color: INK },
      head: {
        flexDirection: 'row',
        justifyContent: 'space-between',
        alignItems: 'flex-end',
        borderBottomWidth: 1.5,
        borderColor: INK,
        paddingBottom: 4,
        marginBottom: 6,
      },
      title: { fontSize: pt(19), fontWeight: 700, lineHeight: 1.3 },
      soft: { color: SOFT },
      h: { fontSize: pt(11.5), fontWeight: 700, marginTop: pt(6), marginBottom: 2 },
      /** Goes on overleaf where there is no room; it is never squeezed into what is left of the page. */
      whole: { flexShrink: 0 },
      row: { flexDirection: 'row', gap: 14, flexShrink: 0 },
      half: { flex: 1 },
      item: { flexDirection: 'row', gap: 4, marginBottom: 1.5, flexShrink: 0 },
      bold: { fontWeight: 700 },
      small: { fontSize: pt(8.4), lineHeight: 1.25 },
      box: { borderWidth: 1.2, borderColor: INK },
      slip: { flexShrink: 0, marginTop: 'auto', paddingTop: 6, borderTopWidth: 1.2, borderColor: INK, borderStyle: 'dashed' },
    }),
  };
}

export type PaperStyle = ReturnType<typeof styleOf>;
