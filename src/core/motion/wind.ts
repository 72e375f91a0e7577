/** Wind that tips a standing pin over, by the balance of moments about the edge of its foot. */
import { AIR_DENSITY, PIN_DRAG, WIND_AT_PINS } from './assumed';
import type { Pin } from './chain';
import { GRAVITY } from './flight';

export interface TippingWind {
  /** Standing wind at the pin, m/s: between a drag of 1.1 and of 0.7. */
  readonly leastMs: number;
  readonly mostMs: number;
  /** The wind of a forecast, at ten metres, that comes to the middle of these. */
  readonly forecastMs: number;
}

/**
 * ½ρ·Cd·(w·h)·v² pushes at half the height, the weight holds at half the width: v = √(2mg/(ρ·Cd·h²)), whatever the width. Water or rice
 * in the bottom counts by its mass alone.
 */
export function tippingWind(pin: Pick<Pin, 'massKg' | 'heightM'>): TippingWind {
  const at = (drag: number) => Math.sqrt((2 * pin.massKg * GRAVITY) / (AIR_DENSITY * drag * pin.heightM * pin.heightM));
  const [leastMs, mostMs] = [at(PIN_DRAG[1]), at(PIN_DRAG[0])];
  return { leastMs, mostMs, forecastMs: (leastMs + mostMs) / 2 / WIND_AT_PINS };
}
