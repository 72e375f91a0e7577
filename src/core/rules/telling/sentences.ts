/**
 * The rules as sentences: text and slots in reading order. The chart table edits the slots; the family reads the same words.
 */
import { AIMED, BALL_IDS, IMPLEMENTS, THROWN_AT_IDS, type AimedId } from '../../objects/catalogue';
import type { Game } from '../format/game';
import { replaceAt } from '../format/level';
import { rowPlaces } from '../format/rows';
import { childAddsSentence, formSentence, generalSteps, type Step } from './general-sentences';
import { fill } from './tell-tokens';
import { CATALOGUES, type Catalogue } from './languages';
import { messages } from './messages.en-gb';
import { placeName } from './place-name';
import type { Audience, Sentence, SlotEditor, Token } from './tokens';
import { THROW_EXERCISES, readThrowRules, TECHNIQUES, withThrowRules, type ThrowRules } from '../format/throw-rules';

export type { Audience, Sentence, SlotEditor, Token };

const choice = <K extends string>(value: K, labels: Readonly<Record<K, string>>, only?: readonly K[]): SlotEditor => ({
  kind: 'choice',
  value,
  options: (only ?? (Object.keys(labels) as K[])).map((option) => ({ value: option, label: labels[option] })),
});
const number = (value: number, min: number, max: number, step = 1): SlotEditor => ({ kind: 'number', value, min, max, step });

type Slots = Readonly<Record<string, readonly Token[]>>;

function slot(name: string, label: string, text: string, editor: SlotEditor): Token {
  return { kind: 'slot', slot: name, label, text, editor };
}
const text = (words: string): Token => ({ kind: 'text', text: words });

function slotsOf(game: Game, rules: ThrowRules, audience: Audience, language: Catalogue): Slots {
  const words = language.plain;
  const n = rules.values.length;
  const shape = AIMED[rules.target].shape;
  const thrownAt = THROWN_AT_IDS.map((id) => AIMED[id]);
  const alike = thrownAt.filter((aimed) => aimed.shape.kind === shape.kind);
  const targets = Object.fromEntries(
    [...alike, ...thrownAt.filter((aimed) => aimed.shape.kind !== shape.kind)].map((aimed) => [aimed.id, language.aimed(aimed.id)]),
  );
  const implementsBy = Object.fromEntries(BALL_IDS.map((id) => [id, language.implement(id)]));
  const does = shape.kind === 'opening' ? 'opening' : 'upright';
  const values: Token[] = [];
  rules.values.forEach((value, index) => {
    const figure = slot(`value.${index}`, `Points from ${n === 1 ? 'the mark' : placeName(index, n)}`, `${value}`, number(value, 0, 99));
    const place = [text(language.place(index, n))];
    if (audience === 'child') {
      if (index > 0) values.push(text(', '));
      values.push(...(n === 1 ? [figure] : fill(words.valueChild, { place, value: [figure] })));
      return;
    }
    if (index > 0) values.push(text(index === n - 1 ? language.general.and : ', '));
    values.push(figure);
    const template = n > 3 ? words.valueNumbered : index === 0 ? words.valueFirst : words.valueNext;
    if (n > 1) values.push(...fill(template, { place, name: place }));
  });
  const stop: Token[] =
    rules.stop.kind === 'seconds'
      ? [
          slot('seconds', 'Seconds', `${rules.stop.s}`, number(rules.stop.s, 10, 900, 5)),
          text(' '),
          slot(
            'stopKind',
            'Clock or throws',
            words.secondsUnit,
            choice<'seconds' | 'attempts'>('seconds', { seconds: 'seconds', attempts: 'throws, no clock' }),
          ),
        ]
      : [
          slot('throws', 'Throws', `${rules.stop.n}`, number(rules.stop.n, 1, 100)),
          text(' '),
          slot(
            'stopKind',
            'Clock or throws',
            words.throwsUnit,
            choice<'seconds' | 'attempts'>('attempts', { seconds: 'seconds, by the clock', attempts: 'throws' }),
          ),
        ];
  const afterMiss: Token[] =
    rules.afterMiss === 'exercise'
      ? [
          slot('exercise', 'Exercise after a miss', language.own(rules.exercise.what), {
            kind: 'choice',
            value: rules.exercise.what,
            options: [...new Set([...THROW_EXERCISES, rules.exercise.what])]
              .map((what) => ({ value: what, label: what }))
              .concat([{ value: 'none', label: 'no exercise: throw again' }]),
          }),
          text(' '),
          slot('exerciseTimes', 'How many times', `${rules.exercise.n}`, number(rules.exercise.n, 1, 50)),
          text(` ${words.times}`),
        ]
      : [slot('afterMiss', 'After a miss', words.afterMiss[rules.afterMiss], choice(rules.afterMiss, words.afterMiss))];
  return {
    aim: [slot('aim', 'What the child is to do', language.own(game.aim), { kind: 'text', value: game.aim, maxLength: 140 })],
    stop,
    technique: [slot('technique', 'Kind of throw', words.technique[rules.technique], choice(rules.technique, words.technique, TECHNIQUES))],
    order: n === 1 ? [text(words.orderOne)] : [slot('order', 'Which mark', words.order[rules.order], choice(rules.order, words.order))],
    implement: [
      slot(
        'implement',
        'What is thrown',
        language.implement(rules.implement),
        choice(rules.implement, implementsBy as Record<typeof rules.implement, string>),
      ),
    ],
    does: [text((audience === 'precise' ? words.does : words.doesChild)[does])],
    doesChild: [text(words.doesChild[does])],
    target: [slot('target', 'What is aimed at', language.aimed(rules.target), choice(rules.target, targets as Record<typeof rules.target, string>))],
    values,
    afterHit:
      rules.order === 'free'
        ? [text(words.afterHit.choose)]
        : [slot('afterHit', 'After a hit', words.afterHit[rules.afterHit], choice(rules.afterHit, words.afterHit, ['stay', 'next', 'back']))],
    afterMiss,
    inFlight: [slot('inFlight', 'A ball in the air at the end', words.inFlight[rules.inFlight], choice(rules.inFlight, words.inFlight))],
    tipped: [slot('tipped', 'If it falls over', words.tipped[rules.tipped ?? 'nothing'], choice(rules.tipped ?? 'nothing', words.tipped))],
  };
}

/** Of the steps of the plain kind the one that says what comes after a hit and a miss, and the one of a target that falls over. */
const [AFTER, TIPPED] = [2, 4];

/**
 * The rules of a game as steps in the order in which a game is shown: what it is about, who plays, the movement, what a try gives and then, how
 * it ends and is counted. Sentences are one rendering of them. The plain kind has words of its own; every other is told from the grammar.
 */
export function stepsOf(game: Game, audience: Audience, catalogue: Catalogue = CATALOGUES['en-GB']): readonly Step[] {
  const rules = readThrowRules(game);
  if (!rules) return generalSteps(game, audience, catalogue);
  const words = catalogue.plain[audience];
  const slots = slotsOf(game, rules, audience, catalogue);
  const timed = rules.stop.kind === 'seconds';
  const places = rowPlaces(game.parts[0]!, '/parts/0');
  const tells = (index: number) => (index === AFTER ? places.slice(0, 2) : index === TIPPED ? places.slice(2) : []);
  const steps: readonly (readonly [Step['kind'], Sentence])[] = [
    ['aim', fill(game.aim === '' ? words.timeNoAim : words.time, slots)],
    ['move', [...fill(words.throwFree, slots), text(' '), ...fill(words.success, slots)]],
    ['then', fill(words.after, slots)],
    ['end', timed ? [...fill(words.fetch, slots), text(' '), ...fill(words.inFlight, slots)] : fill(words.fetchNoClock, slots)],
    ['then', rules.tipped ? fill(words.tipped, slots) : []],
    ['body', formSentence(game, audience, catalogue)],
    ['count', childAddsSentence(game, audience, catalogue)],
  ];
  return steps.flatMap(([kind, sentence], index) =>
    sentence.length > 0 ? [{ kind, sentence, part: kind === 'aim' ? null : 0, tells: tells(index) }] : [],
  );
}

/** The rules of a game as a family reads them. */
export function sentencesOf(game: Game, audience: Audience, catalogue?: Catalogue): readonly Sentence[] {
  return stepsOf(game, audience, catalogue).map(({ sentence }) => sentence);
}

export function plainText(sentence: Sentence): string {
  return sentence.map((token) => token.text).join('');
}

/** The game with one slot changed; unknown slots and values leave it as it is. */
export function withSlot(game: Game, slotName: string, value: string | number): Game {
  if (slotName === 'aim') return { ...game, aim: String(value).slice(0, 140) };
  if (slotName.startsWith('/')) return withPointer(game, slotName, value);
  const rules = readThrowRules(game);
  if (!rules) return game;
  const changed = changeSlot(rules, slotName, value);
  return changed === rules ? game : withThrowRules(game, changed);
}

/** The game with what a pointer names set, if a sentence shows it as a slot and the value is one that its editor gives. */
function withPointer(game: Game, pointer: string, value: string | number): Game {
  const token = generalSteps(game, 'precise', CATALOGUES['en-GB'])
    .flatMap(({ sentence }) => sentence)
    .find((one) => one.kind === 'slot' && one.slot === pointer);
  if (token?.kind !== 'slot') return game;
  const { editor } = token;
  if (editor.kind === 'number') {
    if (typeof value !== 'number' || !Number.isFinite(value)) return game;
    const steps = editor.step < 1 ? Math.round(value / editor.step) * editor.step : Math.round(value);
    return replaceAt(game, pointer, Math.min(editor.max, Math.max(editor.min, steps)));
  }
  if (editor.kind === 'choice') return editor.options.some((option) => option.value === value) ? replaceAt(game, pointer, value) : game;
  const written = String(value).trim().slice(0, editor.maxLength);
  return written === '' && pointer !== '/aim' ? game : replaceAt(game, pointer, written);
}

/** Another target. An upright is meant to fall, so nothing is said of its falling; of an opening it is. */
function retargeted(rules: ThrowRules, target: AimedId): ThrowRules {
  const opening = AIMED[target].shape.kind === 'opening';
  return { ...rules, target, tipped: opening ? (rules.tipped ?? 'nothing') : null };
}

function changeSlot(rules: ThrowRules, name: string, value: string | number): ThrowRules {
  const whole = typeof value === 'number' && Number.isFinite(value) ? Math.round(value) : 0;
  const within = (min: number, max: number) => Math.min(max, Math.max(min, whole));
  if (name.startsWith('value.')) {
    const index = Number(name.slice('value.'.length));
    return { ...rules, values: rules.values.map((old, i) => (i === index ? within(0, 99) : old)) };
  }
  const one = <K extends string>(labels: Readonly<Record<K, unknown>>): K | undefined =>
    typeof value === 'string' && Object.hasOwn(labels, value) ? (value as K) : undefined;
  switch (name) {
    case 'seconds':
      return { ...rules, stop: { kind: 'seconds', s: within(10, 900) } };
    case 'throws':
      return { ...rules, stop: { kind: 'attempts', n: within(1, 100) } };
    case 'stopKind':
      return value === 'attempts' ? { ...rules, stop: { kind: 'attempts', n: 10 } } : { ...rules, stop: { kind: 'seconds', s: 60 } };
    case 'technique':
      return { ...rules, technique: one(messages.technique) ?? rules.technique };
    case 'order': {
      const order = one(messages.order) ?? rules.order;
      return { ...rules, order, afterHit: order === 'free' ? 'choose' : rules.afterHit === 'choose' ? 'next' : rules.afterHit };
    }
    case 'implement':
      return { ...rules, implement: one(IMPLEMENTS) ?? rules.implement };
    case 'target':
      return retargeted(rules, one(AIMED) ?? rules.target);
    case 'afterHit':
      return rules.order === 'free' ? rules : { ...rules, afterHit: one(messages.afterHit) ?? rules.afterHit };
    case 'afterMiss':
      return { ...rules, afterMiss: one(messages.afterMiss) ?? rules.afterMiss };
    case 'exercise':
      return value === 'none' ? { ...rules, afterMiss: 'again' } : { ...rules, exercise: { ...rules.exercise, what: String(value).slice(0, 60) } };
    case 'exerciseTimes':
      return { ...rules, exercise: { ...rules.exercise, n: within(1, 50) } };
    case 'inFlight':
      return { ...rules, inFlight: one(messages.inFlight) ?? rules.inFlight };
    case 'tipped':
      return { ...rules, tipped: one(messages.tipped) ?? rules.tipped };
    default:
      return rules;
  }
}
