/** `npm run drill:one` and `LOCHSIDE_LONG=yes` take what takes long in its long form. */
export const LONG = process.env['LOCHSIDE_LONG'] === 'yes';
