/**
 * The figures in the words of a message: "Ailsa B, week 6, level 2: 3 then 4, best 4". What was read is marked in the text, and how sure
 * the reading is. A message is never more than a proposal: a person says yes, since senders can be forged and replies quote.
 */
import { readShortCode } from '../codes/short-code';
import { matchChild, type Named } from './match-child';

export interface Span {
  readonly from: number;
  readonly to: number;
  readonly what: 'child' | 'week' | 'game' | 'level' | 'score' | 'code';
}

export interface MessageReading<Id extends string = string> {
  readonly childId: Id | null;
  readonly childWords: string;
  readonly week: number | null;
  /** The title of the game that is named; empty for none. */
  readonly game: string;
  /** As written: a number or a name; empty for none. */
  readonly level: string;
  /** The scores of the goes, in their order, and the one that is said to be the best. */
  readonly scores: readonly number[];
  readonly best: number | null;
  readonly notFinished: boolean;
  /** A code that has the form of a slip's. */
  readonly code: string | null;
  readonly spans: readonly Span[];
  /** 0 to 1: how much of child, week, level and score is said, and whether the figures agree. */
  readonly confidence: number;
}

const CODE = /(?<![A-Za-z0-9_-])[A-Za-z0-9_-]{22}(?![A-Za-z0-9_-])/;
/** As it is printed, or in one piece; its check letter tells it from ten letters of anything else. */
const SHORT_CODE = /(?<![A-Za-z0-9])[A-Za-z0-9]{3}[ -]?[A-Za-z0-9]{4}[ -]?[A-Za-z0-9]{3}(?![A-Za-z0-9])/g;

const shortCodeIn = (words: string): RegExpExecArray | null =>
  [...words.matchAll(SHORT_CODE)].find(([found]) => readShortCode(found).is === 'code') ?? null;
const WEEK = /\bweek\s*(?:no\.?\s*)?(\d{1,2})\b/i;
const LEVEL = /\blevel\s*(\d|[A-Za-z]+)/i;
const BEST = /\b(?:best|total|score(?:d)?(?:\s+(?:was|of|is))?|got|made|altogether)\s*:?\s*(\d{1,5})\b/i;
const LIST = /\b\d{1,5}(?:\s*(?:,|then|and|&|;)\s*\d{1,5})+\b/i;
const UNITS = /\b(\d{1,5})\s*(?:points?|hits?|goals?|strokes?|steps?|taps?|pins?|seconds?|sec)\b/i;
const UNFINISHED = /\b(?:not finished|did not finish|didn['’]t finish|gave up|stopped early)\b/i;

/** Of a mail only what its writer wrote: quoted lines and what follows "On … wrote:" are left out, by blanks, so that places stay. */
export function ownWords(text: string): string {
  let quoting = false;
  return text
    .split('\n')
    .map((line) => {
      if (/^\s*On .{4,80} wrote:\s*$/i.test(line) || /^-{2,}\s*(original|forwarded) message/i.test(line)) quoting = true;
      return quoting || /^\s*>/.test(line) ? ' '.repeat(line.length) : line;
    })
    .join('\n');
}

export function readMessage<Id extends string>(text: string, children: readonly Named<Id>[], titles: readonly string[] = []): MessageReading<Id> {
  const words = ownWords(text);
  const spans: Span[] = [];
  const mark = (what: Span['what'], found: RegExpExecArray | null) => {
    if (found) spans.push({ from: found.index, to: found.index + found[0].length, what });
    return found;
  };
  const code = mark('code', CODE.exec(words) ?? shortCodeIn(words))?.[0] ?? null;
  const week = mark('week', WEEK.exec(words));
  const level = mark('level', LEVEL.exec(words));
  const game = titleIn(words, titles);
  if (game) spans.push({ from: game.from, to: game.to, what: 'game' });
  // The figures of week, game, level and code are no scores.
  const rest = spans.reduce((left, { from, to }) => left.slice(0, from) + ' '.repeat(to - from) + left.slice(to), words);
  const list = mark('score', LIST.exec(rest));
  const best = mark('score', BEST.exec(rest));
  const counted = list || best ? null : mark('score', UNITS.exec(rest));
  const scores = list ? list[0].match(/\d{1,5}/g)!.map(Number) : counted ? [Number(counted[1])] : best ? [Number(best[1])] : [];
  const notFinished = UNFINISHED.test(rest);
  const child = childIn(words, children);
  if (child) spans.push({ from: child.from, to: child.to, what: 'child' });
  const said = best ? Number(best[1]) : null;
  const agrees = said === null || scores.length === 0 || scores.includes(said);
  const confidence =
    [child ? 0.35 : 0, week ? 0.15 : 0, level ? 0.1 : 0, scores.length > 0 || notFinished ? 0.3 : 0].reduce((sum, one) => sum + one, 0) +
    (agrees ? 0.1 : -0.2);
  return {
    childId: child?.id ?? null,
    childWords: child ? words.slice(child.from, child.to) : '',
    week: week ? Number(week[1]) : null,
    game: game?.title ?? '',
    level: level?.[1] ?? '',
    scores,
    best: said,
    notFinished,
    code,
    spans: spans.sort((a, b) => a.from - b.from),
    confidence: Math.max(0, Math.min(1, Math.round(confidence * 100) / 100)),
  };
}

/** The longest title that is said. */
function titleIn(words: string, titles: readonly string[]): { title: string; from: number; to: number } | null {
  const said = words.toLocaleLowerCase('en-GB');
  const [title] = titles.filter((one) => said.includes(one.toLocaleLowerCase('en-GB'))).sort((a, b) => b.length - a.length);
  if (title === undefined) return null;
  const from = said.indexOf(title.toLocaleLowerCase('en-GB'));
  return { title, from, to: from + title.length };
}

/** The one child who is named: "Ailsa B" first, else a first name that only one child has. Two children named is nobody. */
function childIn<Id extends string>(words: string, children: readonly Named<Id>[]): { id: Id; from: number; to: number } | null {
  const found = new Map<Id, { from: number; to: number }>();
  for (const match of words.matchAll(/\p{Lu}[\p{L}'-]+(?:\s+\p{Lu}\b\.?)?/gu)) {
    const meant = matchChild(match[0], children);
    if (meant.kind === 'one') found.set(meant.id, { from: match.index, to: match.index + match[0].length });
  }
  const [only] = found;
  return found.size === 1 && only ? { id: only[0], ...only[1] } : null;
}
