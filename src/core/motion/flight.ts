/** A ball in flight without drag (drag moves a chance by 1 to 7 points; left out and said so). Metres, seconds, radians. */

/** Standard gravity (CGPM 1901), m/s². */
export const GRAVITY = 9.80665;

/**
 * Speed that carries a ball released at angle θ to horizontal distance `distanceM`, `riseM` above the release.
 * v = √(g R² / (2 cos²θ (R tanθ − Δz))). Infinity when no speed does.
 */
export function speedToReach(distanceM: number, riseM: number, angleRad: number): number {
  const clearance = distanceM * Math.tan(angleRad) - riseM;
  if (clearance <= 0) return Infinity;
  const cos = Math.cos(angleRad);
  return Math.sqrt((GRAVITY * distanceM * distanceM) / (2 * cos * cos * clearance));
}

/** The angle at which the least speed reaches a point `riseM` above the release: tanθ = (Δz + √(R² + Δz²)) / R. */
export function easiestAngle(distanceM: number, riseM: number): number {
  return Math.atan2(riseM + Math.hypot(distanceM, riseM), distanceM);
}

/** The flatter of the two angles at which this speed (above the least one) meets the point. */
export function flatAngle(distanceM: number, riseM: number, speed: number): number {
  const k = (GRAVITY * distanceM * distanceM) / (2 * speed * speed);
  return Math.atan((distanceM - Math.sqrt(Math.max(0, distanceM * distanceM - 4 * k * (k + riseM)))) / (2 * k));
}

/** Range over level ground, v² sin 2θ / g. */
export function levelRange(speed: number, angleRad: number): number {
  return (speed * speed * Math.sin(2 * angleRad)) / GRAVITY;
}

/** Time of flight to a horizontal distance, seconds. */
export function flightSeconds(distanceM: number, speed: number, angleRad: number): number {
  return distanceM / (speed * Math.cos(angleRad));
}

/** Steepness at which the ball comes down at that distance: angle below the horizontal, radians. */
export function entryAngle(distanceM: number, speed: number, angleRad: number): number {
  const cos = Math.cos(angleRad);
  const slope = Math.tan(angleRad) - (GRAVITY * distanceM) / (speed * speed * cos * cos);
  return Math.atan(-slope);
}

/** Height of the ball over the floor at a horizontal distance, metres, thrown at this speed and angle from `releaseM`. */
export function heightAt(distanceM: number, { speed, angleRad }: { readonly speed: number; readonly angleRad: number }, releaseM: number): number {
  const along = speed * Math.cos(angleRad);
  return releaseM + distanceM * Math.tan(angleRad) - (GRAVITY * distanceM * distanceM) / (2 * along * along);
}
