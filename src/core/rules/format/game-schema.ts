/** What admits a game of format 2, and what format 1 shares with it. */
import Joi from 'joi';
import { IMPLEMENT_IDS } from '../../objects/catalogue';
import { byDo } from './by-do';
import { courseSchema, ID, idSchema, metres, wordsSchema } from './course-format';
import { GAME_FORMAT } from './formats';
import type { Game } from './game';

const OPERAND = /^(end|felled|count|length|face|attempts|carry|time|card\.level|stage|row|(left|at|n|flag|passed)\.[a-z][a-z0-9-]{0,23})$/;
const points = Joi.number().integer().min(-999).max(999);

const condSchema = Joi.array()
  .ordered(
    Joi.string().pattern(OPERAND).required(),
    Joi.string().valid('=', '>=', '<=').required(),
    Joi.alternatives(Joi.number().integer().min(-100000).max(10_000_000), idSchema).required(),
  )
  .min(3)
  .max(3);
export const condsSchema = Joi.array().items(condSchema).max(8);
const amountSchema = Joi.alternatives(points, Joi.string().pattern(/^(felled|count|face|value|length|(n|at|left)\.[a-z][a-z0-9-]{0,23})$/));
export const finishReason = Joi.string().valid('time', 'goal', 'attempts', 'cap', 'all-out', 'target-score', 'rounds', 'stopped', 'given-up');

/** Effects that both formats have. */
export const commonEffects = [
  Joi.object({
    do: Joi.string().valid('add').required(),
    counter: idSchema.required(),
    amount: amountSchema.required(),
    of: idSchema,
    timesCarry: Joi.boolean(),
    for: Joi.string().valid('others'),
  }),
  Joi.object({
    do: Joi.string().valid('set', 'keepMax', 'keepMin').required(),
    counter: idSchema.required(),
    amount: amountSchema.required(),
    of: idSchema,
  }),
  Joi.object({
    do: Joi.string().valid('go').required(),
    group: idSchema.required(),
    to: Joi.string().valid('next', 'back', 'first', 'stay').required(),
  }),
  Joi.object({ do: Joi.string().valid('mark').required(), group: idSchema.required(), as: Joi.string().valid('down', 'out').required() }),
  Joi.object({ do: Joi.string().valid('reset').required(), group: idSchema.required() }),
  Joi.object({ do: Joi.string().valid('owe').required(), gate: idSchema.required() }),
  Joi.object({
    do: Joi.string().valid('carry').required(),
    next: Joi.number().integer().min(0).max(3).required(),
    afterNext: Joi.number().integer().min(0).max(3).required(),
  }),
];
const effectsSchema = Joi.array()
  .items(
    byDo(
      ...commonEffects,
      Joi.object({ do: Joi.string().valid('restore').required(), group: idSchema.required(), but: Joi.valid(1) }),
      Joi.object({ do: Joi.string().valid('stage').required(), to: idSchema.required() }),
      Joi.object({ do: Joi.string().valid('turn').required() }),
    ),
  )
  .max(12);

export const groupSchema = Joi.object({
  kind: Joi.string().valid('place', 'target', 'pin', 'item', 'implement').required(),
  n: Joi.number().integer().min(1).max(30).required(),
  order: Joi.string().valid('fixed', 'either-way', 'free').required(),
  end: Joi.string().valid('stay', 'wrap').required(),
  up: idSchema,
  value: Joi.array().items(points).max(30),
  labels: Joi.array().items(Joi.string().max(24)).max(30),
});

const rowSchema = Joi.object({
  id: idSchema,
  if: condsSchema.required(),
  validity: Joi.string().valid('counts', 'gone', 'again', 'never').required(),
  do: effectsSchema.required(),
});

export const taskSchema = Joi.object({
  id: idSchema.required(),
  from: idSchema,
  at: idSchema,
  technique: Joi.string().valid('underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift', 'strike-up', 'move', 'other').required(),
  see: Joi.string().valid('end', 'felled', 'count', 'length', 'face', 'text').required(),
  ends: Joi.array()
    .items(
      Joi.object({
        id: idSchema.required(),
        label: Joi.string().max(30).required(),
        says: wordsSchema(60),
        as: Joi.string().valid('success', 'failure', 'seldom').required(),
      }),
    )
    .max(8),
  flags: Joi.array().items(idSchema).max(8),
  flagWords: Joi.object().pattern(ID, wordsSchema(40)),
  faces: Joi.array().items(wordsSchema(24)).min(2).max(6),
  asked: Joi.string().valid('each', 'whistle'),
  feeder: Joi.string().valid('partner', 'wall'),
  what: wordsSchema(140),
});

const stageSchema = taskSchema.keys({
  name: wordsSchema(30),
  rows: Joi.array().items(rowSchema).max(24),
  with: Joi.string().valid('nothing', ...IMPLEMENT_IDS),
});

const measureLeaf = {
  of: Joi.alternatives(Joi.object({ sum: Joi.object().pattern(ID, points).required() }), Joi.string().valid('clock', 'minutes', 'done')).required(),
  unit: Joi.string().max(20).required(),
  better: Joi.string().valid('high', 'low').required(),
};
const measureSchema = Joi.object({ ...measureLeaf, tie: Joi.array().items(Joi.object(measureLeaf)).max(3) });

/** What both formats say of a part alike. */
export const commonOfPart = {
  id: idSchema.required(),
  title: wordsSchema(40),
  when: condsSchema,
  goes: Joi.object({ n: Joi.number().integer().min(1).max(20).required(), keep: Joi.string().valid('best', 'last', 'sum').required() }).required(),
  counters: Joi.array().items(idSchema).min(1).max(12).required(),
  startAt: Joi.object().pattern(ID, points),
  counterWords: Joi.object().pattern(ID, wordsSchema(30)),
  gates: Joi.object()
    .pattern(
      ID,
      Joi.object({
        kind: Joi.string().valid('exercise', 'rest', 'set-up', 'face').required(),
        what: Joi.string().max(60).required(),
        n: Joi.number().integer().min(1).max(200).required(),
        onClock: Joi.boolean().required(),
        before: Joi.string().valid('attempt', 'round'),
        faces: Joi.array().items(wordsSchema(24)).min(2).max(6),
        passes: Joi.array().items(Joi.number().integer().min(0).max(5)).min(1).max(6),
      }),
    )
    .required(),
  rows: Joi.array().items(rowSchema).max(24).required(),
  flagsTogether: Joi.string().valid('each', 'one'),
  clock: Joi.object({
    kind: Joi.string().valid('none', 'down', 'up').required(),
    s: Joi.number().integer().min(0).max(3600).required(),
    per: Joi.string().valid('part', 'item', 'side').required(),
    inFlight: Joi.string().valid('released', 'landed'),
  }).required(),
  stop: Joi.array()
    .items(Joi.object({ if: condsSchema.min(1).required(), why: finishReason.required() }))
    .max(8)
    .required(),
  measure: measureSchema.required(),
  unfinished: Joi.string().valid('not-finished', 'as-it-stands'),
};

const partSchema = Joi.object({
  ...commonOfPart,
  groups: Joi.object().pattern(ID, groupSchema).required(),
  needs: Joi.array()
    .items(Joi.object({ name: wordsSchema(30).required(), n: Joi.number().integer().min(1).max(30).required() }))
    .max(12),
  together: Joi.number().integer().min(2).max(4),
  kept: Joi.object().pattern(ID, Joi.object({ farthest: idSchema.required() })),
  stages: Joi.array().items(stageSchema).min(1).max(8).required(),
  rows: Joi.array().items(rowSchema).max(24).required(),
  also: Joi.object().pattern(ID, effectsSchema),
});

/** Slots that a level may replace: of the kit, the course, the players and the parts; never the card, nor the levels themselves. */
export const LEVEL_SLOT =
  /^\/(kit\/(implement|marker|form|hand)|course\/(floor\/(widthM|depthM|surface)|furniture|obstacles|zones|doors|patches|open|(places|targets|routes)\/[a-z][a-z0-9-]*(\/\d+)?)|sides\/(n|turn|score|fartherM)|parts\/\d+\/(title|needs|together|counterWords|clock|goes|groups|gates|stages|rows|also|stop|startAt|measure|unfinished|flagsTogether)(\/[A-Za-z0-9-]+)*)$/;

const toldPoint = Joi.object({
  word: wordsSchema(24).required(),
  point: wordsSchema(160).required(),
  look: wordsSchema(120).required(),
  fault: wordsSchema(160).required(),
});
const teachingSchema = Joi.object({
  points: Joi.object().pattern(
    Joi.string().valid('underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift', 'strike-up', 'move', 'gather'),
    Joi.array().items(toldPoint).min(1).max(6),
  ),
  lookFors: Joi.array().items(wordsSchema(80)).max(4),
  cautions: Joi.array().items(wordsSchema(160)).max(8),
});
const toBeatSchema = Joi.object({
  value: Joi.number().integer().min(-99_999).max(9_999_999).required(),
  unit: Joi.string().max(20).required(),
  by: wordsSchema(60).required(),
  on: Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .required(),
  setUp: Joi.object({
    implement: Joi.string()
      .valid(...IMPLEMENT_IDS)
      .required(),
    distancesM: Joi.array().items(metres).max(60).required(),
    targets: Joi.array().items(wordsSchema(60)).max(60).required(),
  }).required(),
});

export const levelSchema = Joi.object({
  id: idSchema.required(),
  name: Joi.string().trim().min(1).max(24).required(),
  set: Joi.object().pattern(LEVEL_SLOT, Joi.any()).required(),
  moveUpAt: Joi.number().integer().min(-999).max(9999),
  toBeat: toBeatSchema,
});

export const gameSchema = Joi.object<Game>({
  format: Joi.string().valid(GAME_FORMAT).required(),
  title: Joi.string().trim().min(1).max(60).required(),
  ageYears: Joi.number().integer().min(4).max(12),
  aim: Joi.string().trim().max(140).allow('').required(),
  kit: Joi.object({
    implement: Joi.string()
      .valid(...IMPLEMENT_IDS)
      .required(),
    marker: Joi.string().trim().min(1).max(30).required(),
    form: Joi.string().valid('standing', 'seated', 'kneeling', 'two-hands'),
    hand: Joi.string().valid('own', 'other'),
  }).required(),
  course: courseSchema.required(),
  parts: Joi.array().items(partSchema).min(1).max(20).required(),
  card: Joi.object({
    combine: Joi.string().valid('sum', 'wins', 'list').required(),
    better: Joi.string().valid('high', 'low').required(),
  }).required(),
  sides: Joi.object({
    n: Joi.number().integer().min(1).max(4).required(),
    turn: Joi.string().valid('none', 'attempt', 'miss', 'frame', 'half-time', 'part', 'said').required(),
    lastTurnLevel: Joi.boolean(),
    score: Joi.string().valid('own', 'joint'),
    fartherM: Joi.array().items(Joi.number().min(0).max(20)).min(2).max(4),
  }).required(),
  calls: Joi.string().valid('thrower', 'partner', 'again'),
  childAdds: Joi.valid(true),
  teaching: teachingSchema,
  levels: Joi.array().items(levelSchema).min(1).max(6).required(),
}).required();
