const WEEK_MS = 7 * 24 * 60 * 60 * 1000;

/** Weeks are only counted: from which day they run does not matter, as long as it is always the same. */
export const weekNumber = (at: Date): number => Math.floor(at.getTime() / WEEK_MS);
