/** What a lead should know of the server, in words. No interface here. */
import type { ServerWorry } from '@/contract/server-standing';

export const WORRY_WORDS: Readonly<Record<ServerWorry, string>> = {
  'no backup key': 'There are no backups: nobody has made a key for them. Whoever runs the server does it once, with npx lochside backup key.',
  'no backup': 'No backup has been made yet. The first comes within a day; if it does not, ask whoever runs the server.',
  'backup is old': 'The last backup is more than two days old. Ask whoever runs the server to look into its log.',
  'disk is full': 'The disk of the server is nearly full. Ask whoever runs it to make room before nothing can be stored.',
  'clock is wrong': 'The clock of the server is not right: days, links and sign-in codes go by it. Ask whoever runs it to let the network set it.',
  'nothing is taken away': 'What should go by the school’s rules has not been gone through for three days. Ask whoever runs the server.',
};

/** "12 GB", "640 MB". */
export function bytesWords(bytes: number): string {
  return bytes >= 1024 ** 3 ? `${Math.round(bytes / 1024 ** 3)} GB` : `${Math.round(bytes / 1024 ** 2)} MB`;
}
