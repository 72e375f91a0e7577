/** Angles: radians in the game and in the core, degrees where a person or SVG reads them. */
export const toDegrees = (rad: number): number => (rad * 180) / Math.PI;
export const toRadians = (degrees: number): number => (degrees * Math.PI) / 180;
