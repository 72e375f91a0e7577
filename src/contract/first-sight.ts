import type { Card } from './card';

/** The card of a child as it looks, for a page whose scripts have not come yet. */
export interface SightOfCard {
  readonly html: string;
  readonly css: string;
  /** In which it is written, and its direction of reading, as HTML has them. */
  readonly language: string;
  readonly direction: string;
}

/** Renders `card` as it is read on the day `today`, ISO 8601, in the language with this tag, or in English. */
export type RenderFirstSight = (card: Card, language: string, today: string) => Promise<SightOfCard>;
