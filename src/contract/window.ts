/** The header by which a window of the desk says of which school it is: another one may have gone over to another since. */
export const SCHOOL_HEADER = 'lochside-school';
