/**
 * Messages that are not written in the code that asks for them: words of the rules, things, teaching points, warm-ups, and what stands in the
 * games that ship. Each with what a translator should know. Paths are relative: the extraction reads this file without the project's own.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { STARTING_FLOORS } from '../../src/core/course/floors';
import { SURFACE_NAMES } from '../../src/core/course/surface-names';
import { emptyPlan, gameFromPlan } from '../../src/core/invent/plan';
import { AIMED, IMPLEMENTS } from '../../src/core/objects/catalogue';
import { MARKERS } from '../../src/core/objects/markers';
import { countedMessage } from '../../src/core/rules/telling/counted';
import type { Game } from '../../src/core/rules/format/game';
import { resolveLevel } from '../../src/core/rules/format/level';
import { generalWords } from '../../src/core/rules/telling/general-words.en-gb';
import { messages } from '../../src/core/rules/telling/messages.en-gb';
import { rulesMessage } from '../../src/core/rules/telling/rules-message';
import { THROW_EXERCISES } from '../../src/core/rules/format/throw-rules';
import { lookForsOfSkill, pointsToTell, SKILL_NAMES, SKILLS } from '../../src/core/sheet/teaching-points';
import { WARM_UPS, warmUpMoves } from '../../src/core/sheet/warm-ups';

const STARTERS = join(import.meta.dirname, '../../data/starters');

type Told = readonly [id: string, comment: string, message?: string];

/** Every text of a table of texts, with the way to it. */
function deep(texts: unknown, of: string): Told[] {
  if (typeof texts === 'string') return [[texts, of]];
  return typeof texts === 'object' && texts !== null ? Object.entries(texts).flatMap(([key, one]) => deep(one, `${of}, ${key}`)) : [];
}

/** The words of the rules, a lone one under a name of its own. */
function rules(texts: unknown, path = ''): Told[] {
  if (typeof texts === 'string') return [[rulesMessage(texts, path), `The words of the rules, ${path}`, texts]];
  return typeof texts === 'object' && texts !== null ? Object.entries(texts).flatMap(([key, one]) => rules(one, `${path} ${key}`.trim())) : [];
}

const told = (comment: string, ...texts: readonly (string | undefined)[]): Told[] =>
  texts.flatMap((text) => (text ? [[text, comment] as const] : []));

const counters = (comment: string, ...plurals: readonly (string | undefined)[]): Told[] => [
  ...told(comment, ...plurals),
  ...told(`${comment}, for a number of them`, ...plurals.map((plural) => plural && countedMessage(plural))),
];

const groundOf = ({ furniture, patches = [], zones = [] }: Pick<Game['course'], 'furniture' | 'patches' | 'zones'>): Told[] =>
  told('On the floor of a home', ...[...furniture, ...patches, ...zones].map((one) => one.name));

function ofGame(game: Game): Told[] {
  const of = `From the game “${game.title}”`;
  return [
    ...told(`The name of a game`, game.title),
    ...told(`${of}: what it is about`, game.aim),
    ...told(`${of}: a level`, ...game.levels.map((level) => level.name)),
    ...groundOf(game.course),
    ...told(`${of}: to look for`, ...(game.teaching?.lookFors ?? [])),
    ...told(`${of}: a caution`, ...(game.teaching?.cautions ?? [])),
    ...Object.values(game.teaching?.points ?? {}).flatMap((points) => points.flatMap((point) => deep(point, `${of}: a teaching point`))),
    // With what a level says otherwise.
    ...[game, ...game.levels.map((_, level) => resolveLevel(game, level))]
      .flatMap(({ parts }) => parts)
      .flatMap((part) => [
        ...told(`${of}: a part of it`, part.title),
        ...counters(
          `${of}: what is counted`,
          part.measure.unit,
          ...(part.measure.tie ?? []).map((tie) => tie.unit),
          ...Object.values(part.counterWords ?? {}),
        ),
        ...told(`${of}: a stage of it`, ...part.stages.map((stage) => stage.name)),
        ...told(`${of}: a place or a thing`, ...Object.values(part.groups).flatMap((group) => group.labels ?? [])),
        ...told(`${of}: what is done in between`, ...Object.values(part.gates).flatMap((gate) => [gate.what, ...(gate.faces ?? [])])),
        ...part.stages.flatMap((task) => [
          ...told(`${of}: what is to be done`, task.what),
          ...(task.ends ?? []).flatMap((end) => [...told(`${of}: a button, how a try ended`, end.label), ...told(`${of}: after “if”`, end.says)]),
          ...told(`${of}: what happened besides`, ...Object.values(task.flagWords ?? {})),
          ...told(`${of}: a side that comes up`, ...(task.faces ?? [])),
        ]),
      ]),
  ];
}

const starters = (): Game[] =>
  readdirSync(STARTERS)
    .filter((name) => name.endsWith('.json'))
    .map((name) => JSON.parse(readFileSync(join(STARTERS, name), 'utf8')) as Game);

/** Each message with its comment; one that stands in several places is told once. */
export function shippedMessages(): readonly Told[] {
  const all: Told[] = [
    ...rules(messages),
    ...rules(generalWords),
    ...[...Object.values(AIMED), ...Object.values(IMPLEMENTS)].flatMap((thing) => [
      ...told(`How a ${thing.name} is made`, thing.makeIt),
      ...told(`A caution with a ${thing.name}`, thing.caution),
    ]),
    ...told('A caution with what marks a place', ...MARKERS.map((marker) => marker.caution)),
    ...SKILLS.flatMap((skill) => [
      ...pointsToTell({}, skill).flatMap((point) => deep(point, `Teaching points of ${SKILL_NAMES[skill]}`)),
      ...told('A skill', SKILL_NAMES[skill]),
      ...told(`To look for in ${SKILL_NAMES[skill]}`, ...lookForsOfSkill({}, skill)),
    ]),
    ...told('An exercise between throws', ...THROW_EXERCISES),
    ...ofGame(gameFromPlan(emptyPlan)),
    ...ofGame(gameFromPlan({ ...emptyPlan, target: { ...emptyPlan.target, object: 'bottle' } })),
    ...told('A kind of thing', 'target', 'pin', 'item', 'implement'),
    ...told('A ground', ...Object.values(SURFACE_NAMES)),
    ...Object.values(STARTING_FLOORS).flatMap(groundOf),
    ...told('A level', 'Dive'),
    ...WARM_UPS.flatMap(({ words }) => told('A warm-up', warmUpMoves(words).intro, ...warmUpMoves(words).moves.map((move) => move.words))),
    ...starters().flatMap(ofGame),
  ];
  const once = new Map<string, Told>();
  for (const one of all) if (/\p{L}/u.test(one[0]) && !once.has(one[0])) once.set(one[0], one);
  return [...once.values()];
}
