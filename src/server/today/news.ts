/** What was changed for those who work with Lochside, told to each of them once. A new line is added at the end, with the last migration of its version. */
import type { News } from '@/contract/today';
import type { Uuid } from '@/contract/ids';
import type { SignedIn } from '../auth/sessions';
import { toBytes } from '../db/ids';
import { change, direct, firstRow } from '../db/pool';

interface Line extends Omit<News, 'number'> {
  /** The version whose last change of the database this was brought it. */
  readonly from: string;
  readonly forLeads?: true;
}

const LINES: readonly Line[] = [
  { from: '0078', words: 'Your name, password, a second factor and where you are signed in stand on a page of your own.', href: '/me' },
  {
    from: '0078',
    words: 'Colleagues are invited, and accounts closed, on the page People; it also says who did what.',
    href: '/school',
    forLeads: true,
  },
  { from: '0081', words: 'What is kept, for how long, and what goes when can be seen and set.', href: '/school/keeping', forLeads: true },
  { from: '0081', words: 'A page about personal data, to print for whoever asks; and how the server stands.', href: '/school/data', forLeads: true },
  {
    from: '0081',
    words: 'The class as JSON no longer tells how each child plays (seated, with two hands); a file that does is asked for beside it.',
    href: '/scores/weeks',
  },
  {
    from: '0085',
    words: 'Whoever works at several schools signs in to all of them with one account, and goes from one to another there.',
    href: '/me',
  },
  { from: '0085', words: 'A colleague who has an account at another school can be invited to yours.', href: '/school', forLeads: true },
  { from: '0086', words: 'A term can be planned for every class: say what it is for, and the plan that fits best is worked out.', href: '/plan' },
  { from: '0088', words: 'The list of the school’s own system (OneRoster) can be read, and again next year.', href: '/classes' },
  { from: '0090', words: 'The cupboard of the school: what is lent, who has it, packing lists for a week.', href: '/plan/cupboard' },
];

const ALL: readonly (News & Line)[] = LINES.map((line, index) => ({ ...line, number: index + 1 }));

/** Somebody who begins now has nothing to be told. */
export const NEWEST_NEWS = ALL.length;

/** What a database has not had whose last migration was this; nothing for a new one. */
export const newsSince = (migration: string): readonly { readonly words: string }[] =>
  migration === '' ? [] : ALL.filter(({ from }) => from > migration.slice(0, 4));

export async function newsFor({ teacherId, isLead }: Pick<SignedIn, 'teacherId' | 'isLead'>): Promise<News[]> {
  const row = await firstRow<{ news_told: number }>('SELECT news_told FROM teachers WHERE id = ?', [toBytes(teacherId)]);
  return ALL.filter((one) => one.number > (row?.news_told ?? NEWEST_NEWS) && (isLead || !one.forLeads)).map(({ number, words, href }) => ({
    number,
    words,
    href,
  }));
}

/** Never back: an older page that says so later changes nothing. */
export async function newsTold(teacherId: Uuid, upTo: number): Promise<void> {
  await change(direct(), 'UPDATE teachers SET news_told = GREATEST(news_told, ?) WHERE id = ?', [Math.min(upTo, NEWEST_NEWS), toBytes(teacherId)]);
}
