'use client';
import { createGlobalStyle } from 'styled-components';
import { PALETTE_CSS } from '@/design/palette';

/** A chart of shallow water: pale paper, thin ink, bands that deepen with difficulty. Roles are fixed; only their tones change in the dark. */
export const GlobalStyle = createGlobalStyle`
  :root {
    /* Six sizes of type and two for figures read from afar, three radii, nine spaces; where the layout changes: design/breakpoints.ts. */
    --type-1: 0.875rem;
    --type-2: 0.9375rem;
    --type-3: 1.0625rem;
    --type-4: 1.25rem;
    --type-5: 1.5rem;
    --type-6: 1.75rem;
    --type-7: 2.75rem;
    --type-8: 5rem;
    --radius-1: 4px;
    --radius-2: 10px;
    --radius-3: 999px;
    --space-1: 2px;
    --space-2: 4px;
    --space-3: 6px;
    --space-4: 8px;
    --space-5: 12px;
    --space-6: 16px;
    --space-7: 24px;
    --space-8: 36px;
    --space-9: 48px;
  }
  ${PALETTE_CSS}
  *, *::before, *::after { box-sizing: border-box; }
  html { background: var(--paper); color: var(--ink); font-family: var(--font-desk), system-ui, sans-serif; font-size: 16px; line-height: 1.45; -webkit-text-size-adjust: 100%; }
  body { margin: 0; font-variant-numeric: tabular-nums; }
  h1, h2, h3, p { margin: 0; }
  h1 { font-size: var(--type-5); line-height: 1.2; letter-spacing: -0.01em; }
  h2 { font-size: var(--type-4); line-height: 1.3; }
  a { color: inherit; text-decoration-color: var(--gorse); text-decoration-thickness: 2px; text-underline-offset: 4px; }
  :focus-visible { outline: 3px solid var(--focus); outline-offset: 2px; border-radius: var(--radius-1); }
  button, input, select, textarea { font: inherit; color: inherit; }
  /* A sheet that is wide is printed lying: page: lying. */
  @page lying { size: A4 landscape; margin: 10mm; }
  [hidden] { display: none !important; }
  /* Where a device has colours of its own, what is chosen has a frame and what fills up stays filled. */
  @media (forced-colors: active) {
    [aria-checked='true'], [aria-pressed='true'], [aria-current='true'] { outline: 3px solid Highlight; outline-offset: 1px; }
    :focus-visible { outline: 4px double CanvasText; outline-offset: 3px; }
    [data-fill] { forced-color-adjust: none; background: Highlight !important; }
  }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { animation: none !important; transition: none !important; } }
`;
