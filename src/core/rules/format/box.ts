/** The sides of a box to stand in, metres: at least, at most. */
export const BOX_M = [0.2, 10] as const;
