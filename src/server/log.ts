/**
 * The log of a server: lines of JSON, in files that are rotated by the day and kept for thirty of them where the launcher names a file; warnings go
 * to the console too. Never a token, a password, an address or a child's name: routes are written without their ids, values in the messages of the
 * database are taken out.
 */
import pino, { stdSerializers, type LoggerOptions, type TransportTargetOptions } from 'pino';

export const LOGS_KEPT_DAYS = 30;

/** What a database says of a value it names in quotes. */
const withoutValues = (words: string) => words.replace(/'[^']*'/g, "'…'");

interface Told {
  readonly type: string;
  readonly message: string;
  readonly stack: string;
  readonly code?: unknown;
  readonly errno?: unknown;
}

/** An error with its kind, its place and its stack; not the statement and not the values. Exported for the test that looks for them. */
export function errorInLog(error: Error): Told {
  const { type, message, stack, code, errno } = stdSerializers.err(error) as unknown as Told;
  return {
    type,
    message: withoutValues(message),
    stack: withoutValues(stack),
    ...(code !== undefined && { code }),
    ...(errno !== undefined && { errno }),
  };
}

const level = process.env['LOCHSIDE_LOG'] ?? 'info';
const options: LoggerOptions = { level, base: null, timestamp: pino.stdTimeFunctions.isoTime, serializers: { err: errorInLog } };

function targets(file: string): TransportTargetOptions[] {
  const rolled = { file, frequency: 'daily', dateFormat: 'yyyy-MM-dd', extension: '.log', mkdir: true, limit: { count: LOGS_KEPT_DAYS } };
  return [
    { target: 'pino-roll', level, options: rolled },
    { target: 'pino/file', level: 'warn', options: { destination: 2 } },
  ];
}

const file = process.env['LOCHSIDE_LOG_FILE'];

export const log = file ? pino(options, pino.transport({ targets: targets(file) })) : pino(options);
