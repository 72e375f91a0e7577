/** How a forecast is told: what it rests on, and between what it may lie. */
import type { ChanceAbout, LevelForecast } from './forecast-level';

/** "assumed for this age", or "from 62 attempts of this class". */
export function restsOnWords({ restsOn }: Pick<LevelForecast, 'restsOn'>): string {
  return restsOn === 0 ? 'assumed for this age' : `from ${restsOn} ${restsOn === 1 ? 'attempt' : 'attempts'} of this class`;
}

/** "5 in 10 (4 to 6)": a chance in tenths with what it may well be; the brackets are left out where all three are the same. */
export function chanceWords({ chance, low, high }: Pick<ChanceAbout, 'chance' | 'low' | 'high'>): string {
  const [about, least, most] = [chance, low, high].map((one) => Math.round(one * 10));
  return least === most ? `${about} in 10` : `${about} in 10 (${least} to ${most})`;
}
