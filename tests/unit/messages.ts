/** Every message that a family may read: those asked for in the code, and those that stand in tables, in the shipped games among them. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { STARTING_FLOORS } from '@/core/course/floors';
import { SURFACE_NAMES } from '@/core/course/surface-names';
import { AIMED, IMPLEMENTS } from '@/core/objects/catalogue';
import { MARKERS } from '@/core/objects/markers';
import type { Game } from '@/core/rules/game';
import { generalWords } from '@/core/rules/general-words.en-gb';
import { messages } from '@/core/rules/messages.en-gb';
import { EXERCISES as THROW_EXERCISES } from '@/core/rules/throw-rules';
import { emptyPlan, gameFromPlan } from '@/core/invent/plan';
import { SHEET_PACE, stepPace, TOWEL_PACE } from '@/core/measure/lengths';
import { pointsToTell, SKILL_NAMES, SKILLS, lookForsOfSkill } from '@/core/sheet/teaching-points';
import { WARM_UPS, warmUpMoves } from '@/core/sheet/warm-ups';

const PACES = [stepPace(0.5), SHEET_PACE, TOWEL_PACE];
const GROUP_KINDS = ['target', 'pin', 'item', 'implement'];
const KEEPS = ['best', 'last', 'sum'];

const ROOT = join(import.meta.dirname, '../..');
const READ = [
  'src/features/home',
  'src/features/counter',
  'src/features/drawing',
  'src/features/languages',
  'src/features/chart-table',
  'src/core',
  'src/server/paper',
  'src/server/home',
  'src/server/reports/take-in.ts',
  'src/app/api/v1/home',
];

function files(folder: string): string[] {
  if (folder.endsWith('.ts')) return [folder];
  return readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return files(path);
    return /\.tsx?$/.test(path) && !/\.test\.|core\/words/.test(path) ? [path] : [];
  });
}

/** The literals among an expression's possible values: of a choice both. */
function literals(node: ts.Expression): string[] {
  if (ts.isStringLiteralLike(node)) return [node.text];
  if (ts.isConditionalExpression(node)) return [...literals(node.whenTrue), ...literals(node.whenFalse)];
  if (ts.isBinaryExpression(node)) return [...literals(node.left), ...literals(node.right)];
  return [];
}

/** What the code asks for by t('…') and count(n, '…', '…'), marks by message('…'), or refuses a family with. */
export function askedInCode(): Set<string> {
  const found = new Set<string>();
  for (const path of READ.flatMap(files)) {
    const source = ts.createSourceFile(path, readFileSync(join(ROOT, path), 'utf8'), ts.ScriptTarget.Latest, true);
    const visit = (node: ts.Node): void => {
      if (ts.isCallExpression(node)) {
        const callee = ts.isPropertyAccessExpression(node.expression)
          ? node.expression.name.text
          : ts.isIdentifier(node.expression)
            ? node.expression.text
            : '';
        const asked =
          callee === 't' || callee === 'message'
            ? [node.arguments[0]]
            : callee === 'count'
              ? [node.arguments[2]]
              : callee === 'refuse' && /home|take-in/.test(path)
                ? node.arguments.slice(2, 4)
                : [];
        for (const text of asked.flatMap((argument) => (argument ? literals(argument) : []))) if (/\p{L}/u.test(text)) found.add(text);
      }
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return found;
}

function deep(texts: unknown): string[] {
  if (typeof texts === 'string') return [texts];
  return typeof texts === 'object' && texts !== null ? Object.values(texts).flatMap(deep) : [];
}

const groundNames = ({ furniture, patches = [], zones = [] }: Pick<Game['course'], 'furniture' | 'patches' | 'zones'>) =>
  [...furniture, ...patches, ...zones].map((one) => one.name);

function ofGame(game: Game): (string | undefined)[] {
  return [
    game.title,
    game.aim,
    ...game.levels.map((level) => level.name),
    ...groundNames(game.course),
    ...(game.teaching?.lookFors ?? []),
    ...(game.teaching?.cautions ?? []),
    ...Object.values(game.teaching?.points ?? {}).flatMap((points) => points.flatMap(({ word, point, look, fault }) => [word, point, look, fault])),
    ...game.parts.flatMap((part) => [
      part.title,
      part.measure.unit,
      ...(part.measure.tie ?? []).map((tie) => tie.unit),
      ...Object.values(part.counterWords ?? {}),
      ...Object.values(part.groups).flatMap((group) => group.labels ?? []),
      ...Object.values(part.gates).flatMap((gate) => [gate.what, ...(gate.faces ?? [])]),
      ...part.tasks.flatMap((task) => [
        task.what,
        ...(task.ends ?? []).flatMap((end) => [end.label, end.says]),
        ...Object.values(task.flagWords ?? {}),
        ...(task.faces ?? []),
      ]),
    ]),
  ];
}

function starters(): Game[] {
  const folder = join(ROOT, 'data/starters');
  return readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .map((name) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as Game);
}

/** What stands in tables and is asked for from there. */
export function askedInTables(): Set<string> {
  const things = [...Object.values(AIMED), ...Object.values(IMPLEMENTS)];
  return new Set(
    [
      ...deep(messages),
      ...deep(generalWords),
      ...things.flatMap((thing) => [thing.makeIt, thing.caution]),
      ...MARKERS.map((marker) => marker.caution),
      ...SKILLS.flatMap((skill) => pointsToTell({}, skill).flatMap(({ word, point, look, fault }) => [word, point, look, fault])),
      ...Object.values(SKILL_NAMES),
      ...SKILLS.flatMap((skill) => lookForsOfSkill({}, skill)),
      ...THROW_EXERCISES,
      ...PACES.flatMap((pace) => [pace.many]),
      ...ofGame(gameFromPlan(emptyPlan)),
      ...ofGame(gameFromPlan({ ...emptyPlan, target: { ...emptyPlan.target, object: 'bottle' } })),
      ...GROUP_KINDS,
      ...KEEPS,
      ...Object.values(SURFACE_NAMES),
      ...Object.values(STARTING_FLOORS).flatMap(groundNames),
      'Dive',
      ...WARM_UPS.flatMap(({ words }) => [warmUpMoves(words).intro, ...warmUpMoves(words).moves.map((move) => move.words)]),
      ...starters().flatMap(ofGame),
    ].filter((text): text is string => text !== undefined && /\p{L}/u.test(text)),
  );
}

/** The names of things, which a language knows with their gender. */
export function nouns(): Set<string> {
  return new Set([
    ...Object.values(AIMED).map((thing) => thing.name),
    ...Object.values(IMPLEMENTS).map((thing) => thing.name),
    ...MARKERS.map((marker) => marker.name),
    'left',
    'right',
    ...starters().flatMap((game) =>
      Object.values(game.course.targets)
        .flat()
        .concat(game.course.obstacles ?? [])
        .flatMap((thing) => thing.own?.name ?? []),
    ),
  ]);
}
