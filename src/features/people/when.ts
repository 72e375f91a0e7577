/** Instants as the desk says them, in the zone and the manner of the browser that shows them. */
const FULL = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', hour: '2-digit', minute: '2-digit' });

export const dayAndTime = (instant: string): string => FULL.format(new Date(instant));
