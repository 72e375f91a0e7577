'use client';
import { createGlobalStyle } from 'styled-components';

/** A chart of shallow water: pale paper, thin ink, bands that deepen with difficulty. Roles are fixed; only their tones change in the dark. */
export const GlobalStyle = createGlobalStyle`
  :root {
    /* Six sizes of type, three radii, one scale of spaces. */
    --type-1: 0.875rem;
    --type-2: 0.9375rem;
    --type-3: 1.0625rem;
    --type-4: 1.25rem;
    --type-5: 1.5rem;
    --type-6: 2rem;
    --radius-1: 4px;
    --radius-2: 12px;
    --radius-3: 999px;
    --space-1: 4px;
    --space-2: 8px;
    --space-3: 12px;
    --space-4: 16px;
    --space-5: 24px;
    --space-6: 36px;
    --paper: #f6f3ea;
    --sheet: #fcfaf4;
    --ink: #17323a;
    --ink-soft: #4c6269;
    --line: #cfcbbb;
    --line-strong: #8b938d;
    --band-1: #e9f3ef;
    --band-2: #cbe1db;
    --band-3: #a4cac5;
    --band-4: #78adad;
    --band-5: #3b7279;
    --on-deep: #f3f8f5;
    --half: #78adad;
    --tide: #2f7076;
    --gorse: #e9b000;
    --gorse-ink: #5c4500;
    --heather: #75417f;
    --rowan: #b3402a;
    --on-ink: #fbfaf5;
    --focus: #9a5a00;
    color-scheme: light;
  }
  @media (prefers-color-scheme: dark) {
    :root {
      --paper: #11242b;
      --sheet: #172e36;
      --ink: #ecf1ea;
      --ink-soft: #aebfbf;
      --line: #3a525a;
      --line-strong: #76898c;
      --band-1: #2c5a62;
      --band-2: #244d55;
      --band-3: #1d4048;
      --band-4: #17343c;
      --band-5: #0f2830;
      --on-deep: #dbe8e5;
    --half: #4d8087;
      --tide: #7cc0c0;
      --gorse: #f0bd1c;
      --gorse-ink: #f0bd1c;
      --heather: #d3a3dd;
      --rowan: #f0927c;
      --on-ink: #11242b;
      --focus: #ffc95c;
      color-scheme: dark;
    }
  }
  @media print {
    :root {
      --paper: #fff;
      --sheet: #fff;
      --ink: #000;
      --ink-soft: #333;
      --line: #999;
      --on-ink: #fff;
      color-scheme: light;
    }
  }
  *, *::before, *::after { box-sizing: border-box; }
  html { background: var(--paper); color: var(--ink); font-family: var(--font-desk), system-ui, sans-serif; font-size: 16px; line-height: 1.45; -webkit-text-size-adjust: 100%; }
  body { margin: 0; font-variant-numeric: tabular-nums; }
  h1, h2, h3, p { margin: 0; }
  h1 { font-size: 1.5rem; line-height: 1.2; letter-spacing: -0.01em; }
  h2 { font-size: 1.125rem; line-height: 1.3; }
  a { color: inherit; text-decoration-color: var(--gorse); text-decoration-thickness: 2px; text-underline-offset: 4px; }
  :focus-visible { outline: 3px solid var(--focus); outline-offset: 2px; border-radius: 3px; }
  button, input, select, textarea { font: inherit; color: inherit; }
  [hidden] { display: none !important; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { animation: none !important; transition: none !important; } }
`;
