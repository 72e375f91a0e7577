/** How a forecast is told: what it rests on, and between what it may lie. */
import type { ChanceAbout, LevelForecast } from './forecast-level';

/** "assumed for this age", "…, with 92 tries of others", or "from 62 attempts of this class". */
export function restsOnWords({ restsOn, others }: Pick<LevelForecast, 'restsOn' | 'others'>): string {
  if (restsOn === 0 && others) return `assumed for this age, with ${others.tries} tries of others`;
  return restsOn === 0 ? 'assumed for this age' : `from ${restsOn} ${restsOn === 1 ? 'attempt' : 'attempts'} of this class`;
}

/** "5 in 10 (4 to 6)": a chance in tenths with what it may well be; the brackets are left out where all three are the same. */
export function chanceWords({ chance, low, high }: Pick<ChanceAbout, 'chance' | 'low' | 'high'>): string {
  const [about, least, most] = [chance, low, high].map((one) => Math.round(one * 10));
  return least === most ? `${about} in 10` : `${about} in 10 (${least} to ${most})`;
}

/** "about 42 hits in 100"; of a box from where one stands nearest in it, and farthest. */
export function hitsInHundred({ chance, ends }: Pick<ChanceAbout, 'chance' | 'ends'>): string {
  const of = (one: number) => `${Math.round(100 * one)}`;
  return ends
    ? `about ${of(ends.nearest.chance)} hits in 100 from its nearest point, ${of(ends.farthest.chance)} from its farthest`
    : `about ${of(chance)} hits in 100`;
}
