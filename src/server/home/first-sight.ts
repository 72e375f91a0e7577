/** The card as it looks, rendered by a program of its own: a route of this framework cannot render a screen. */
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Card } from '@/contract/card';
import type { SightOfCard, RenderFirstSight } from '@/contract/first-sight';

/** Loaded once; Node keeps it. Throws where the programs are not built. */
export async function firstSightOf(card: Card, language: string, today: string): Promise<SightOfCard> {
  const built = pathToFileURL(join(process.cwd(), 'build/cli/first-sight.mjs')).href;
  const { renderFirstSight } = (await import(/* turbopackIgnore: true */ /* @vite-ignore */ built)) as { renderFirstSight: RenderFirstSight };
  return renderFirstSight(card, language, today);
}
