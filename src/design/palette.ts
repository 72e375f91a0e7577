/**
 * The colours of Lochside, each by its role, for the screen, for paper and for drawings that leave it. Roles are fixed; tones follow the
 * ground. Nothing is told by colour alone. Contrast is checked in the test beside this file (WCAG 2.2).
 */
export const LIGHT = {
  paper: '#f6f3ea',
  sheet: '#fcfaf4',
  ink: '#17323a',
  'ink-soft': '#4c6269',
  line: '#cfcbbb',
  'line-strong': '#8b938d',
  'band-1': '#e9f3ef',
  'band-2': '#cbe1db',
  'band-3': '#a4cac5',
  'band-4': '#78adad',
  'band-5': '#3b7279',
  'on-deep': '#f3f8f5',
  half: '#78adad',
  tide: '#2f7076',
  gorse: '#e9b000',
  'gorse-ink': '#5c4500',
  heather: '#75417f',
  rowan: '#b3402a',
  'on-ink': '#fbfaf5',
  focus: '#9a5a00',
  'on-gorse': '#17323a',
  veil: '#0d2027',
  pale: '#fbf6e3',
} as const;

export type ColourRole = keyof typeof LIGHT;
export type Palette = Readonly<Record<ColourRole, string>>;

export const DARK: Palette = {
  ...LIGHT,
  paper: '#11242b',
  sheet: '#172e36',
  ink: '#ecf1ea',
  'ink-soft': '#aebfbf',
  line: '#3a525a',
  'line-strong': '#76898c',
  'band-1': '#2c5a62',
  'band-2': '#244d55',
  'band-3': '#1d4048',
  'band-4': '#17343c',
  'band-5': '#0f2830',
  'on-deep': '#dbe8e5',
  half: '#4d8087',
  tide: '#7cc0c0',
  gorse: '#f0bd1c',
  'gorse-ink': '#f0bd1c',
  heather: '#d3a3dd',
  rowan: '#f0927c',
  'on-ink': '#11242b',
  focus: '#ffc95c',
};

/** Ink on white: what a browser prints. */
const PRINTED: Partial<Palette> = {
  paper: '#fff',
  sheet: '#fff',
  ink: '#000',
  'ink-soft': '#333',
  line: '#999',
  'on-ink': '#fff',
};

/** Sheets made as PDF, and drawings that are saved: on white, in the tones of the light screen. */
export const ON_PAPER: Palette = { ...LIGHT, paper: '#ffffff', sheet: '#ffffff', 'band-2': '#eef5f2', 'band-4': '#cbe1db' };

const asVariables = (palette: Partial<Palette>): string =>
  Object.entries(palette)
    .map(([role, tone]) => `--${role}: ${tone};`)
    .join('\n');

/** As custom properties: light, dark where the device asks for it, and for print. */
export const PALETTE_CSS = `
  :root { ${asVariables(LIGHT)} color-scheme: light; }
  @media (prefers-color-scheme: dark) { :root { ${asVariables(DARK)} color-scheme: dark; } }
  @media print { :root { ${asVariables(PRINTED)} color-scheme: light; } }
`;
