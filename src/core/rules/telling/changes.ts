/** What sets one form of a game apart from another, in words: two levels of a game, or a game before and after. */
import { placedMarks } from '../../course/geometry';
import { nameOf, outlineWidthM, shapeOf } from '../../objects/catalogue';
import type { Game, PlacedTarget } from '../format/game';
import { resolveLevel } from '../format/level';
import type { Lever } from '../format/levers';
import { plainText, sentencesOf } from './sentences';

export interface GameChange {
  readonly lever: Lever | 'words';
  readonly words: string;
}

const LEVER_ORDER: readonly GameChange['lever'][] = ['space', 'equipment', 'task', 'people', 'words'];

/** What the second of two games, each resolved to a level, has otherwise than the first: by the field's four levers. */
export function changesBetween(before: Game, after: Game): readonly GameChange[] {
  const changes: GameChange[] = [...spaceChanges(before, after), ...equipmentChanges(before, after), ...peopleChanges(before, after)];
  const stages = taskChanges(before, after);
  return [...changes, ...stages].sort((a, b) => LEVER_ORDER.indexOf(a.lever) - LEVER_ORDER.indexOf(b.lever));
}

const range = (lengths: readonly number[]) => {
  const [near, far] = [Math.min(...lengths).toFixed(1), Math.max(...lengths).toFixed(1)];
  return near === far ? `${near} m` : `${near}–${far} m`;
};

function spaceChanges(before: Game, after: Game): GameChange[] {
  const found: GameChange[] = [];
  const [a, b] = [placedMarks(before).filter((mark) => mark.towards), placedMarks(after).filter((mark) => mark.towards)];
  if (a.length > 0 && b.length > 0) {
    const mean = (marks: typeof a) => marks.reduce((sum, mark) => sum + mark.lengthM, 0) / marks.length;
    const [from, to] = [mean(a), mean(b)];
    if (Math.abs(to - from) > 0.03)
      found.push({
        lever: 'space',
        words: `${to > from ? 'farther' : 'nearer'}: ${range(b.map((mark) => mark.lengthM))}, was ${range(a.map((mark) => mark.lengthM))}`,
      });
    else if (a.length === b.length && a.some((mark, index) => Math.hypot(mark.spot.xM - b[index]!.spot.xM, mark.spot.yM - b[index]!.spot.yM) > 0.03))
      found.push({ lever: 'space', words: 'marks elsewhere, as far as before' });
  }
  const boxes = (marks: typeof a) => marks.map(({ spot: { box } }) => (box ? `${box.widthM} × ${box.depthM} m` : 'a point')).join(', ');
  if (a.length === b.length && boxes(a) !== boxes(b)) found.push({ lever: 'space', words: `to stand: ${boxes(b)}; was ${boxes(a)}` });
  const floor = (game: Game) => `${game.course.floor.widthM} × ${game.course.floor.depthM} m`;
  if (floor(before) !== floor(after)) found.push({ lever: 'space', words: `a floor of ${floor(after)}, was ${floor(before)}` });
  if (before.course.floor.surface !== after.course.floor.surface)
    found.push({ lever: 'space', words: `on ${after.course.floor.surface}, was ${before.course.floor.surface}` });
  const around = (game: Game) =>
    JSON.stringify([game.course.furniture, game.course.zones ?? [], game.course.doors ?? [], game.course.routes ?? {}, game.course.patches ?? []]);
  if (around(before) !== around(after)) found.push({ lever: 'space', words: 'other things round the floor' });
  if (moved(before, after)) found.push({ lever: 'space', words: 'targets elsewhere' });
  return found;
}

function moved(before: Game, after: Game): boolean {
  return Object.entries(before.course.targets).some(([group, list]) => {
    const other = after.course.targets[group];
    return (
      other?.length === list.length && list.some((target, index) => Math.hypot(target.xM - other[index]!.xM, target.yM - other[index]!.yM) > 0.03)
    );
  });
}

/** "3 small bottles, 1 box of 45 cm" as counts by name and width. */
function inventory(list: readonly PlacedTarget[]): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  for (const thing of list) {
    const name = thing.widthM === undefined ? nameOf(thing) : `${nameOf(thing)} of ${Math.round(100 * outlineWidthM(shapeOf(thing)))} cm`;
    found.set(name, (found.get(name) ?? 0) + 1);
  }
  return found;
}

function equipmentChanges(before: Game, after: Game): GameChange[] {
  const found: GameChange[] = [];
  const all = (game: Game) => [...Object.values(game.course.targets).flat(), ...(game.course.obstacles ?? [])];
  const [a, b] = [inventory(all(before)), inventory(all(after))];
  const gone = [...a].flatMap(([name, n]) => (n > (b.get(name) ?? 0) ? [`${n - (b.get(name) ?? 0)} ${name}`] : []));
  const come = [...b].flatMap(([name, n]) => (n > (a.get(name) ?? 0) ? [`${n - (a.get(name) ?? 0)} ${name}`] : []));
  if (come.length > 0 && gone.length > 0) found.push({ lever: 'equipment', words: `${come.join(', ')} in place of ${gone.join(', ')}` });
  else if (come.length > 0) found.push({ lever: 'equipment', words: `${come.join(', ')} more` });
  else if (gone.length > 0) found.push({ lever: 'equipment', words: `${gone.join(', ')} fewer` });
  if (before.kit.implement !== after.kit.implement)
    found.push({ lever: 'equipment', words: `played with a ${after.kit.implement.replaceAll('-', ' ')}` });
  return found;
}

function peopleChanges(before: Game, after: Game): GameChange[] {
  if (JSON.stringify(before.sides) === JSON.stringify(after.sides)) return [];
  return [{ lever: 'people', words: after.sides.n === before.sides.n ? 'other turns' : `${after.sides.n} players, was ${before.sides.n}` }];
}

const FORM_WORDS = { standing: 'standing', seated: 'seated', kneeling: 'kneeling', 'two-hands': 'with two hands' } as const;

function taskChanges(before: Game, after: Game): GameChange[] {
  const found: GameChange[] = [];
  const form = (game: Game) => game.kit.form ?? 'standing';
  if (form(before) !== form(after)) found.push({ lever: 'task', words: FORM_WORDS[form(after)] });
  if ((before.kit.hand ?? 'own') !== (after.kit.hand ?? 'own'))
    found.push({ lever: 'task', words: after.kit.hand === 'other' ? 'with the other hand' : 'with their own hand' });
  // The thing and the number of things are told above: sentences are compared without them.
  const told = (game: Game) => sentencesOf({ ...game, kit: before.kit, course: before.course, sides: before.sides }, 'precise').map(plainText);
  if (JSON.stringify([before.parts, before.aim, before.card]) === JSON.stringify([after.parts, after.aim, after.card])) return found;
  const [a, b] = [told(before), told(after)];
  // Each sentence beside the one most like it, and each of those once: the second of two alike is not set beside the first.
  const left = a.filter((other) => !b.includes(other));
  for (const sentence of b) {
    if (a.includes(sentence)) continue;
    const old = mostAlike(left, sentence);
    if (old !== undefined) left.splice(left.indexOf(old), 1);
    const words = old === undefined ? sentence : shortened(old, sentence);
    if (!found.some((one) => one.words === words)) found.push({ lever: 'task', words });
  }
  if (found.length === 0 && a.length > b.length) found.push({ lever: 'task', words: 'a rule fewer' });
  return found;
}

/** The sentence with most words in common, if that is more than half; of two as much alike the first. */
function mostAlike(sentences: readonly string[], sentence: string): string | undefined {
  let best: { readonly other: string; readonly alike: number } | undefined;
  for (const other of sentences) {
    const alike = likeness(other, sentence);
    if (alike > (best?.alike ?? 0.5)) best = { other, alike };
  }
  return best?.other;
}

/** Share of words that two sentences have in common. */
function likeness(one: string, other: string): number {
  const [a, b] = [new Set(one.split(' ')), new Set(other.split(' '))];
  return [...a].filter((word) => b.has(word)).length / Math.max(a.size, b.size);
}

/** "60 seconds, was 90": of two sentences that are much alike, only where they part. */
function shortened(old: string, now: string): string {
  const [a, b] = [old.split(' '), now.split(' ')];
  let start = 0;
  while (start < Math.min(a.length, b.length) && a[start] === b[start]) start += 1;
  let end = 0;
  while (end < Math.min(a.length, b.length) - start && a[a.length - 1 - end] === b[b.length - 1 - end]) end += 1;
  const was = a.slice(start, a.length - end);
  const is = b.slice(start, b.length - end);
  if (is.length > 6 || was.length > 6) return now;
  const context = end > 0 ? b.slice(b.length - end, b.length - end + 1) : [];
  const before = start > 0 && is.length <= 1 && !/^\d/.test(is[0] ?? '') ? [b[start - 1]!] : [];
  const words = [...before, ...is, ...context].join(' ').replace(/[.;,]$/, '');
  return was.length === 0 ? `${words}, new` : `${words}, was ${was.join(' ').replace(/[.;,]$/, '')}`;
}

/** What a game has otherwise than before: its name, its levels, and what changed at each level that both have. */
export function gameChanges(before: Game, after: Game): readonly string[] {
  const found: string[] = [];
  if (before.title !== after.title) found.push(`now called ${after.title}`);
  for (const level of after.levels) {
    const old = before.levels.find((one) => one.id === level.id);
    if (!old) found.push(`level ${level.name} new`);
    else if (old.name !== level.name) found.push(`level ${old.name} now called ${level.name}`);
  }
  for (const level of before.levels) if (!after.levels.some((one) => one.id === level.id)) found.push(`level ${level.name} gone`);
  const order = (game: Game, other: Game) =>
    game.levels
      .filter((level) => other.levels.some((one) => one.id === level.id))
      .map((level) => level.id)
      .join(' ');
  if (order(before, after) !== order(after, before)) found.push('levels in another order');
  const said = new Map<string, string[]>();
  after.levels.forEach((level, index) => {
    const from = before.levels.findIndex((one) => one.id === level.id);
    if (from < 0) return;
    for (const { words } of changesBetween(resolveLevel(before, from), resolveLevel(after, index)))
      said.set(words, [...(said.get(words) ?? []), level.name]);
  });
  const both = after.levels.filter((level) => before.levels.some((one) => one.id === level.id)).length;
  for (const [words, levels] of said) found.push(levels.length === both ? words : `${levels.join(' and ')}: ${words}`);
  if (JSON.stringify(before.teaching ?? {}) !== JSON.stringify(after.teaching ?? {})) found.push('other words on the movement');
  return found;
}
