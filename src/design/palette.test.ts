import { describe, expect, it } from 'vitest';
import { DARK, LIGHT, ON_PAPER, PALETTE_CSS, type Palette, type ColourRole } from './palette';

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function luminance(hex: string): number {
  const channel = (from: number) => {
    const value = parseInt(hex.slice(from, from + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5);
}

function contrast(one: string, other: string): number {
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

describe('the palette', () => {
  it('black on white is 21 to 1, and grey #767676 on white 4.54 (both published with WCAG)', () => {
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
    expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
  });
  it.each([
    ['light', LIGHT],
    ['dark', DARK],
    ['on paper', ON_PAPER],
  ] as const)('reads at 4.5 to 1 or better: words on their grounds, %s', (_name, palette: Palette) => {
    const pairs: readonly (readonly [ColourRole, ColourRole])[] = [
      ['ink', 'paper'],
      ['ink', 'sheet'],
      ['ink', 'band-1'],
      ['ink', 'band-2'],
      ['ink-soft', 'paper'],
      ['ink-soft', 'sheet'],
      ['rowan', 'paper'],
      ['rowan', 'sheet'],
      ['on-ink', 'ink'],
      ['on-gorse', 'gorse'],
      ['on-deep', 'band-5'],
    ];
    for (const [words, ground] of pairs) expect(contrast(palette[words], palette[ground]), `${words} on ${ground}`).toBeGreaterThanOrEqual(4.5);
  });
  it('gives every role a tone on screen', () => {
    for (const role of Object.keys(LIGHT)) expect(PALETTE_CSS).toContain(`--${role}:`);
  });
});
