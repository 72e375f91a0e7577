import { join } from 'node:path';

/** What the launcher tells the server, read once where it is needed. */
export interface Settings {
  readonly mode: 'demo' | 'school';
  /** The address that families use; in every link and code. */
  readonly publicUrl: string;
  readonly secure: boolean;
  readonly serverKey: string;
  /** Host headers that are answered; empty answers all (demo on loopback). */
  readonly hosts: readonly string[];
  readonly limitsOff: boolean;
  /** The folder that stands in for a mailbox; empty for none. */
  readonly mailbox: string;
}

export function settings(): Settings {
  const env = process.env;
  const publicUrl = (env['PUBLIC_URL'] ?? 'http://127.0.0.1:3000').replace(/\/$/, '');
  const serverKey = env['LOCHSIDE_SERVER_KEY'];
  if (!serverKey) throw new Error('LOCHSIDE_SERVER_KEY is not set: start Lochside with npm start or npm run serve.');
  const mode = env['LOCHSIDE_MODE'] === 'school' ? 'school' : 'demo';
  return {
    mode,
    publicUrl,
    secure: publicUrl.startsWith('https:'),
    serverKey,
    hosts: (env['LOCHSIDE_HOSTS'] ?? '').split(',').filter(Boolean),
    limitsOff: env['LOCHSIDE_LIMITS'] === 'off',
    // The demo's messages ship with Lochside; a school names its own folder.
    mailbox: env['LOCHSIDE_MAILBOX'] ?? (mode === 'demo' ? join(process.cwd(), 'data/mailbox') : ''),
  };
}
