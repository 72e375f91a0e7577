import pino from 'pino';

/** The server's log: never a token, a password or a child's name. */
export const log = pino({ level: process.env['LOCHSIDE_LOG'] ?? 'info', base: null });
