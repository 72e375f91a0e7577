/**
 * What the rules of a part say: conditions, effects and amounts, each in words. Nothing is left out: a counter without words of its own is
 * called by its name in the rules.
 */
import { IMPLEMENTS } from '../../objects/catalogue';
import type { Amount, Cond, Effect, FinishReason, Game, Gate, Group, Part } from '../format/game';
import { mostOf } from '../format/most';
import { endsPast } from '../format/rows';
import { usedAt } from '../format/used';
import type { GeneralWords } from './general-words.en-gb';
import type { Catalogue } from './languages';
import { choice, fill, joined, number, said, text, words, type Slots } from './tell-tokens';
import type { Audience, Token } from './tokens';

type Op = Cond[1];
type Kept = Extract<Effect, { readonly do: 'set' | 'keepMax' | 'keepMin' }>;

/** The least and the most seconds of a clock, and how far apart they are chosen. */
const CLOCK_S = [5, 3600, 5] as const;

export class RuleWords {
  private readonly words: GeneralWords;

  constructor(
    private readonly game: Game,
    private readonly part: Part,
    /** JSON Pointer of the part. */
    private readonly at: string,
    private readonly language: Catalogue,
    private readonly audience: Audience,
  ) {
    this.words = language.general;
  }

  private plural(message: string, n: number, slots: Slots = {}): Token[] {
    return fill(this.language.plural(message, n), slots);
  }

  /** "mark", "pin", or of what is played with its own name: "balloon". */
  kind(group: Group, n = 1): string {
    if (group.kind === 'implement') {
      const stage = this.part.stages.find(({ from, at }) => [from, at].some((id) => id !== undefined && this.part.groups[id] === group));
      return this.language.noun(IMPLEMENTS[(stage && usedAt(this.game, stage)) ?? this.game.kit.implement].name, n);
    }
    return n === 1 ? this.words.kinds[group.kind] : this.words.allKinds[group.kind];
  }

  /** "1 second", "4 minutes", "2 minutes 30 seconds"; for the teacher as the seconds that she edits, with that beside them. */
  time(pointer: string, seconds: number, [least, most, step]: readonly [number, number, number] = CLOCK_S): Token[] {
    const { time } = this.words;
    const of = (message: string, n: number) => this.plural(message, n, { figure: [text(`${n}`)] });
    const [minutes, rest] = [Math.floor(seconds / 60), seconds % 60];
    const long = seconds >= 120;
    const inMinutes =
      rest === 0 ? of(time.minutes, minutes) : fill(time.both, { minutes: of(time.minutes, minutes), seconds: of(time.seconds, rest) });
    if (this.audience === 'child') return long ? inMinutes : of(time.seconds, seconds);
    const edited = this.plural(time.seconds, seconds, { figure: [number(pointer, 'Seconds', seconds, least, most, step)] });
    return long ? [...edited, text(' ('), ...inMinutes, text(')')] : edited;
  }

  /** A length in millimetres of the rules, said in centimetres where it is a whole number of them; edited in millimetres. */
  private length(pointer: string, mm: number): Token[] {
    const { lengths } = this.words;
    const cm = mm % 10 === 0 ? fill(lengths.cm, { figure: [text(`${mm / 10}`)] }) : null;
    if (this.audience === 'child') return cm ?? fill(lengths.mm, { figure: [text(`${mm}`)] });
    const edited = fill(lengths.mm, { figure: [number(pointer, 'Millimetres', mm, 0, 100_000, 10)] });
    return cm ? [...edited, text(' ('), ...cm, text(')')] : edited;
  }

  private isInSum(counter: string): boolean {
    const { of } = this.part.measure;
    return typeof of !== 'string' && counter in of.sum;
  }

  private isOnlyOfSum(counter: string): boolean {
    const { of } = this.part.measure;
    return typeof of !== 'string' && counter in of.sum && Object.keys(of.sum).length === 1;
  }

  /** The words of a counter; undefined for one that the rules only call by its name. */
  private wordsOf(counter: string): string | undefined {
    return this.part.counterWords?.[counter] ?? (this.isOnlyOfSum(counter) ? this.part.measure.unit : undefined);
  }

  counter(counter: string, n: number): Token {
    const known = this.wordsOf(counter);
    return text(known === undefined ? `“${counter}”` : this.language.counted(n, known));
  }

  /** The group of which a counter says how many stand. */
  private standing(counter: string): Group | undefined {
    return Object.values(this.part.groups).find((group) => group.up === counter);
  }

  cond([operand, op, value]: Cond, at: string): Token[] {
    const { conds } = this.words;
    const [space, name] = operand.split('.') as [string, string | undefined];
    const n = Number(value);
    const figure = [number(`${at}/2`, 'How many', n, 0, mostOf(operand) ?? 9999)];
    const pick = (exactly: string, atLeast: string, atMost: string) => (op === '=' ? exactly : op === '>=' ? atLeast : atMost);
    const say = (exactly: string, atLeast: string, atMost: string, slots: Slots = {}) =>
      this.plural(pick(exactly, atLeast, atMost), n, { figure, ...slots });
    switch (space) {
      case 'end':
        return this.end(String(value));
      case 'felled':
        return n === 0 && op !== '>=' ? [text(conds.felledNone)] : say(conds.felledExactly, conds.felledAtLeast, conds.felledAtMost);
      case 'left':
        if (n === 0 && op !== '>=') return [text(this.part.groups[name!]!.kind === 'pin' ? conds.allDown : conds.leftNone)];
        return say(conds.left, conds.leftAtLeast, conds.leftAtMost);
      case 'at': {
        const group = this.part.groups[name!]!;
        const kind = [text(this.kind(group))];
        if (n === group.n && op !== '<=') return fill(conds.atLast, { kind });
        return say(conds.at, conds.atAtLeast, conds.atAtMost, { kind });
      }
      case 'n':
        if (this.standing(name!)) return say(conds.up, conds.upAtLeast, conds.upAtMost);
        return this.wordsOf(name!) === undefined
          ? say(conds.named, conds.namedAtLeast, conds.namedAtMost, { counter: [this.counter(name!, n)] })
          : say(conds.counter, conds.counterAtLeast, conds.counterAtMost, { counter: [this.counter(name!, n)] });
      case 'attempts':
        return say(conds.attempts, conds.attemptsAtLeast, conds.attemptsAtMost);
      case 'time':
        return say(conds.seconds, conds.secondsAtLeast, conds.secondsAtMost, { time: this.time(`${at}/2`, n) });
      case 'carry':
        return say(conds.carry, conds.carryAtLeast, conds.carryAtMost);
      case 'face':
        return say(conds.face, conds.faceAtLeast, conds.faceAtMost, { face: [text(this.face(n))] });
      case 'count':
        return say(conds.count, conds.countAtLeast, conds.countAtMost);
      case 'length':
        return say(conds.length, conds.lengthAtLeast, conds.lengthAtMost, { length: this.length(`${at}/2`, n) });
      case 'flag':
        return fill(this.flagCond(op, n), { flag: [text(this.flag(name!))] });
      case 'stage':
        return fill(conds.stage, { stage: [text(this.stage(String(value)))] });
      case 'passed':
        return fill(this.words.stops.groupEnd, { kind: [text(this.kind(this.part.groups[name!]!))] });
      default:
        return [];
    }
  }

  private flagCond(op: Op, n: number): string {
    const { conds } = this.words;
    const [whenSet, whenNot] = op === '=' ? [n === 1, n === 0] : op === '>=' ? [n <= 1, n <= 0] : [n >= 1, n >= 0];
    return whenSet && whenNot ? conds.anyFlag : whenSet ? conds.flag : conds.noFlag;
  }

  /** "it stays in", or the words of its button. */
  end(id: string): Token[] {
    const { conds } = this.words;
    const end = this.part.stages.flatMap((task) => task.ends ?? []).find((one) => one.id === id);
    return end?.says
      ? fill(conds.end, { says: [text(this.language.own(end.says))] })
      : fill(conds.endQuoted, { label: [text(this.language.own(end?.label ?? id))] });
  }

  flag(id: string): string {
    return this.language.own(this.part.stages.find((task) => task.flagWords?.[id])?.flagWords?.[id] ?? id);
  }

  /** How a stage is called: by its name, else by what is done in it. */
  stage(id: string): string {
    const stage = this.part.stages.find((one) => one.id === id);
    return this.language.own(stage?.name ?? stage?.what ?? id);
  }

  private face(index: number): string {
    const faces = this.part.stages.find((task) => task.see === 'face')?.faces;
    return this.language.own(faces?.[index] ?? `${index + 1}`);
  }

  /** What a list of effects says, one after the other. */
  effects(effects: readonly Effect[], at: string): Token[][] {
    const told = effects.map((effect, index) => this.effect(effect, `${at}/${index}`, effects)).filter((tokens) => tokens.length > 0);
    const setsUp = effects.some((effect) => effect.do === 'owe' && this.part.gates[effect.gate]!.kind === 'set-up');
    const puts = effects.some((effect) => effect.do === 'reset' || effect.do === 'restore');
    return setsUp && !puts ? [...told, [text(this.words.effects.noReset)]] : told;
  }

  private effect(effect: Effect, at: string, all: readonly Effect[]): Token[] {
    const { effects } = this.words;
    const group = 'group' in effect ? this.part.groups[effect.group]! : undefined;
    const kind = group ? [text(this.kind(group))] : [];
    switch (effect.do) {
      case 'add':
        return this.add(effect, at);
      case 'set': {
        const counter = [this.counter(effect.counter, 2)];
        if (typeof effect.amount !== 'number') return fill(effects.becomes, { counter, amount: this.amount(effect.amount, effect.of, at) });
        const figure = [number(`${at}/amount`, 'How many', effect.amount, -99, 99)];
        if (this.standing(effect.counter)) return fill(effects.upTo, { stand: this.plural(this.words.stand, effect.amount, { figure }) });
        return fill(effects.restart, { counter, figure });
      }
      case 'keepMax':
      case 'keepMin': {
        const kept = this.kept(effect, at);
        return this.isOnlyOfSum(effect.counter) ? kept : fill(effects.keepAs, { kept, counter: [this.counter(effect.counter, 2)] });
      }
      case 'go':
        if (group!.n === 1) return effect.to === 'next' && endsPast(this.part, effect.group) ? [text(this.finish('goal'))] : [];
        return [choice(`${at}/to`, 'Where to', effect.to, this.goWords(group!))];
      case 'mark':
        return group!.kind === 'place' ? fill(effects.placeDone, { kind }) : [text(effects[effect.as])];
      case 'reset':
        // What is to be set up is said by the gate that comes with it.
        return all.some((other) => other.do === 'owe' && this.part.gates[other.gate]!.kind === 'set-up') ? [] : this.reset(group!);
      case 'restore':
        return [text(effect.but ? effects.restoreBut : effects.restore)];
      case 'owe': {
        const slots = this.gateWords(this.part.gates[effect.gate]!, `${this.at}/gates/${effect.gate}`);
        return [...fill(effects.owe, slots), ...(slots['clock'] ?? [])];
      }
      case 'carry':
        if (effect.next === 1 && effect.afterNext <= 1) return [text(effect.afterNext === 1 ? effects.carryTwo : effects.carryOne)];
        return fill(effects.carry, { next: [text(`${effect.next}`)], after: [text(`${effect.afterNext}`)] });
      case 'turn':
        return this.game.sides.n === 1 ? [] : [text(effects.nextSide)];
      case 'stage': {
        const { stages } = this.part;
        if (effect.to !== 'next') return fill(effects.stage, { stage: [text(this.stage(effect.to))] });
        return stages.length === 1 ? [] : [text(stages.length > 2 ? effects.nextOfTasks : effects.nextTask)];
      }
    }
  }

  /** What the end of one player means for the others, and whether it is an end at all. */
  finish(why: FinishReason): string {
    const { effects } = this.words;
    if (this.isUnfinished(why)) return effects.finishUnfinished;
    if (this.game.sides.n === 1 || this.game.sides.score === 'joint') return effects.finish;
    return why === 'goal' || why === 'target-score' ? effects.finishAll : effects.finishOne;
  }

  isUnfinished(why: string): boolean {
    return why === 'stopped' || why === 'given-up' || (why === 'time' && this.part.measure.of === 'clock');
  }

  private reset(group: Group): Token[] {
    const { effects } = this.words;
    const kinds = [text(this.kind(group, 2))];
    if (group.kind === 'place') return fill(effects.resetPlaces, { kinds });
    const several = Object.values(this.part.groups).filter((one) => one.kind !== 'place').length > 1;
    return several ? fill(effects.resetKind, { kinds }) : [text(effects.reset)];
  }

  private goWords(group: Group): Record<'next' | 'back' | 'first' | 'stay', string> {
    const of = (template: string) =>
      fill(template, { kind: [text(this.kind(group))] })
        .map((token) => token.text)
        .join('');
    const { next, back, first, stay } = this.words.effects;
    return { next: of(next), back: of(back), first: of(first), stay: of(stay) };
  }

  private values(of: string): Token[] {
    const group = this.part.groups[of]!;
    const values = (group.value ?? []).map((value, index): Token[] => {
      const label = this.language.own(group.labels?.[index] ?? `${this.kind(group)} ${index + 1}`);
      return [number(`${this.at}/groups/${of}/value/${index}`, label, value, -99, 99), text(` (${label})`)];
    });
    return joined(values, this.words.or);
  }

  private amount(amount: Amount, of: string | undefined, at: string): Token[] {
    const { amounts } = this.words;
    if (typeof amount === 'number') return fill(amounts.number, { figure: [number(`${at}/amount`, 'How many', amount, -99, 99)] });
    if (amount === 'value') return fill(amounts.value, { values: this.values(of!) });
    const [space, name] = amount.split('.') as [string, string | undefined];
    if (name === undefined) return [text(amounts[space as 'felled' | 'count' | 'face' | 'length'])];
    if (space === 'n') return fill(amounts.counter, { counter: [this.counter(name, 2)] });
    return space === 'at' ? fill(amounts.at, { kind: [text(this.kind(this.part.groups[name]!))] }) : [text(amounts.left)];
  }

  private kept(effect: Kept, at: string): Token[] {
    const { effects } = this.words;
    const { amount } = effect;
    const [space, name] = typeof amount === 'number' ? ['', undefined] : (amount.split('.') as [string, string | undefined]);
    if (effect.do === 'keepMin') {
      if (space === 'length') return [text(effects.nearest)];
      return fill(effects.keepMin, { amount: this.amount(amount, effect.of, at) });
    }
    if (space === 'length') return [text(effects.longest)];
    if (space === 'at') return fill(effects.farthest, { kind: [text(this.kind(this.part.groups[name!]!))] });
    if (space === 'n') return this.standing(name!) ? [text(effects.upMost)] : fill(effects.most, { counter: [this.counter(name!, 2)] });
    return fill(effects.keepMax, { amount: this.amount(amount, effect.of, at) });
  }

  private add(effect: Extract<Effect, { do: 'add' }>, at: string): Token[] {
    const { effects } = this.words;
    const once = this.addOnce(effect, at);
    return effect.timesCarry ? fill(effects.again, { effect: once }) : once;
  }

  private addOnce(effect: Extract<Effect, { do: 'add' }>, at: string): Token[] {
    const { effects } = this.words;
    const { amount, counter, of } = effect;
    const others = effect.for === 'others';
    const gets = this.isInSum(counter);
    if (typeof amount === 'number') {
      const figure = [number(`${at}/amount`, 'How many', amount, -99, 99)];
      const unit = [this.counter(counter, Math.abs(amount))];
      const less = [text(`${-amount}`)];
      if (others) return fill(effects.others, { figure, unit });
      if (this.standing(counter))
        return this.plural(amount < 0 ? effects.upFewer : effects.upMore, Math.abs(amount), { figure: amount < 0 ? less : figure });
      if (gets) return amount < 0 ? fill(effects.lose, { figure: less, unit }) : fill(effects.add, { figure, unit });
      return amount < 0 ? fill(effects.fewer, { figure: less, counter: unit }) : fill(effects.more, { figure, counter: unit });
    }
    if (others) return fill(effects.othersAmount, { amount: this.amount(amount, of, at) });
    if (amount === 'felled')
      return fill(gets ? effects.addEach : effects.moreEach, { unit: [this.counter(counter, 1)], counter: [this.counter(counter, 1)] });
    if (!this.isOnlyOfSum(counter)) return fill(effects.moreAmount, { counter: [this.counter(counter, 2)], amount: this.amount(amount, of, at) });
    if (amount === 'count') return [text(effects.addCount)];
    if (amount === 'length') return [text(effects.addLength)];
    if (amount === 'face') return [text(effects.addFace)];
    if (amount === 'value') return fill(effects.addValue, { values: this.values(of!) });
    return fill(effects.addAmount, { amount: this.amount(amount, of, at) });
  }

  private times(gate: Gate, at: string): readonly Token[] {
    if (gate.kind === 'face') {
      const faces = (gate.passes ?? []).map((face) => this.language.own(gate.faces?.[face] ?? `${face + 1}`));
      return fill(this.words.precise.gateFace, { faces: [text(faces.join(this.words.or))] });
    }
    if (gate.kind === 'rest') return fill(this.words.secondsLong, { time: this.time(`${at}/n`, gate.n, [1, 200, 1]) });
    if (gate.kind === 'set-up' && gate.n === 1) return [];
    return this.plural(this.words.times, gate.n, { figure: [number(`${at}/n`, 'How many', gate.n, 1, 200)] });
  }

  /** What is to be done, how often, and whether the clock waits for it. */
  gateWords(gate: Gate, at: string): Slots {
    const timed = this.part.clock.kind !== 'none';
    const clock = !timed ? '' : gate.onClock ? (gate.kind === 'set-up' ? this.words.precise.gateOn : '') : this.words.precise.gateOff;
    return {
      what: [words(`${at}/what`, 'What is to be done', this.language.own(gate.what), 60)],
      times: this.times(gate, at),
      clock: said(clock),
    };
  }
}
