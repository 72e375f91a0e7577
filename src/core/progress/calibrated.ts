/** A class with fewer attempts is not calibrated: its forecast stays that of its age, and nothing is called rare. Assumed. */
export const CALIBRATED_FROM = 36;
