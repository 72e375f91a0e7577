/** What is kept and for how long, in words. No interface here. */
import type { KeepingRules, KeptKind } from '@/contract/keeping';

export const KIND_WORDS: Readonly<Record<KeptKind, string>> = {
  raw: 'Single tries of every go, and messages that were settled',
  waiting: 'Messages that nobody settled, and scores of unknown children',
  leavers: 'Children who left, with all that is theirs',
  sessions: 'Sessions that are over, links and codes that ended',
  audit: 'Who did what',
};

export const YEARS = [0, 1, 2, 3, 4, 5] as const;

export const rawWords = (years: number): string =>
  years === 0
    ? 'until their school year ends'
    : years === 1
      ? 'until the next school year ends'
      : `until the ${ordinal(years)} school year after has ended`;

export const leaverWords = (years: number): string =>
  years === 0 ? 'until that school year ends' : `until the ${ordinal(years)} school year after has ended`;

const ordinal = (n: number): string => ['', 'first', 'second', 'third', 'fourth', 'fifth'][n]!;

const daysWords = (days: number): string => (days === 1 ? '1 day' : `${days} days`);
const yearsWords = (years: number): string => (years === 1 ? '1 year' : `${years} years`);

/** One line of the page for the data protection officer. */
export interface DataLine {
  readonly what: string;
  readonly why: string;
  readonly howLong: string;
  readonly who: string;
}

/** All personal data, by these rules. */
export function dataLines({ rawYears, waitingDays, leaverYears, sessionDays, auditYears }: KeepingRules): readonly DataLine[] {
  const inSchool = `while at the school; of who left, ${leaverWords(leaverYears)}`;
  return [
    {
      what: 'First name, first letter of the family name, class, age in years, hand and step length',
      why: 'to know whose score it is, and to set games at a distance that fits',
      howLong: inSchool,
      who: 'teachers and helpers of the school; the family its own child',
    },
    {
      what: 'How a child usually plays: standing, seated, kneeling, with two hands. No reason is kept',
      why: 'to set a fair distance. It can tell of a disability: it is on no printed list, and in files only where somebody asks for it',
      howLong: inSchool,
      who: 'teachers and helpers of the school; the family its own child',
    },
    {
      what: 'Scores: what each go came to, when it was played and sent, how it felt; bests, weeks, credit, skill worked out of them',
      why: 'to give points, to choose the next level',
      howLong: inSchool,
      who: 'teachers and helpers; the family, and whoever holds its telephone, its own child',
    },
    {
      what: 'Single tries of a go with their seconds',
      why: 'to work the score out again when there is a question',
      howLong: rawWords(rawYears),
      who: 'teachers and helpers',
    },
    {
      what: 'Minutes of exercise at home, games that a child made up, what was seen of its movement, a class test, a note of the teacher',
      why: 'to praise, and to teach',
      howLong: inSchool,
      who: 'teachers and helpers; the family its own diary and games',
    },
    {
      what: 'Messages and files with scores that families or colleagues sent in, with the address of the sender',
      why: 'to bring the scores in',
      howLong: `${rawWords(rawYears)}; what nobody settled ${daysWords(waitingDays)}`,
      who: 'teachers',
    },
    {
      what: 'People who work with Lochside: name, e-mail address, a password that cannot be read, when they were here and with which browser',
      why: 'to sign in',
      howLong: `while they have an account; sessions that are over ${daysWords(sessionDays)}`,
      who: 'leads of the school',
    },
    {
      what: 'Who did what: sign-ins, exports, links, decisions, erasures. Children stand in it by a number only',
      why: 'to find out who saw or changed something',
      howLong: yearsWords(auditYears),
      who: 'leads of the school',
    },
    {
      what: 'Log files of the server, without names, addresses or links',
      why: 'to find faults',
      howLong: '30 days',
      who: 'whoever runs the server',
    },
    {
      what: 'Backups of all of this, encrypted',
      why: 'to bring a school back after a fault',
      howLong: '35 days; what was erased meanwhile is erased again after a restore',
      who: 'whoever has the private key from the safe',
    },
  ];
}
