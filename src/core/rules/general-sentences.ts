/**
 * Any game of the grammar as sentences: text and slots in reading order, one source for what the family reads and what the chart table
 * edits. A slot is named by the JSON Pointer of what it shows.
 */
import { IMPLEMENTS } from '../objects/catalogue';
import { targetsOf } from '../course/geometry';
import type { GeneralWords } from './general-words.en-gb';
import type { Catalogue } from './languages';
import type { Cond, Effect, Game, Gate, Group, Part, Row, Stop, Task } from './game';
import type { Audience, Sentence, SlotEditor, Token } from './tokens';

type Template = keyof GeneralWords['precise'];
type Slots = Readonly<Record<string, readonly Token[]>>;

const text = (words: string): Token => ({ kind: 'text', text: words });
const said = (words: string): readonly Token[] => (words === '' ? [] : [text(words)]);

function number(pointer: string, label: string, value: number, min: number, max: number, step = 1): Token {
  return { kind: 'slot', slot: pointer, label, text: `${value}`, editor: { kind: 'number', value, min, max, step } };
}

function choice<K extends string>(pointer: string, label: string, value: K, labels: Readonly<Record<K, string>>): Token {
  const options = (Object.keys(labels) as K[]).map((option) => ({ value: option as string, label: labels[option] }));
  const editor: SlotEditor = { kind: 'choice', value, options };
  return { kind: 'slot', slot: pointer, label, text: labels[value], editor };
}

function words(pointer: string, label: string, value: string, maxLength: number): Token {
  return { kind: 'slot', slot: pointer, label, text: value, editor: { kind: 'text', value, maxLength } };
}

export function fill(template: string, slots: Slots): Token[] {
  const tokens: Token[] = [];
  for (const piece of template.split(/(\{\w+\})/)) {
    if (piece === '') continue;
    const name = /^\{(\w+)\}$/.exec(piece)?.[1];
    if (name === undefined) tokens.push(text(piece));
    else tokens.push(...(slots[name] ?? []));
  }
  return tokens;
}

function joined(lists: readonly (readonly Token[])[], last: string, between = ', '): Token[] {
  return lists.flatMap((list, index) => (index === 0 ? [...list] : [text(index === lists.length - 1 ? last : between), ...list]));
}

/** Writes the sentences of one game. Holds what every sentence needs, so that it need not be handed from one to the next. */
class Writer {
  constructor(
    private readonly game: Game,
    private readonly audience: Audience,
    private readonly language: Catalogue,
  ) {
    this.catalogue = language.general;
  }

  private readonly catalogue: GeneralWords;

  private template(name: Template): string {
    return (this.audience === 'child' ? this.catalogue.child[name] : undefined) ?? this.catalogue.precise[name];
  }

  /** What the makers of a game wrote: as it is, or in the family's language where that knows it. */
  private own(written: string): string {
    return this.language.own(written);
  }

  private say(name: Template, slots: Slots = {}): Sentence {
    return fill(this.template(name), slots);
  }

  all(): readonly Sentence[] {
    const { game } = this;
    const sentences: Sentence[] = [
      this.say('aim', {
        aim: [words('/aim', 'What the child is to do', this.own(game.aim), 140)],
        stop: said(/[.?]$/.test(game.aim) ? '' : '.'),
      }),
    ];
    if (game.sides.n > 1) sentences.push(...this.sides());
    sentences.push(this.form());
    game.parts.forEach((part, index) => sentences.push(...this.part(part, index)));
    if (game.parts.length > 1 && game.card.combine !== 'list') {
      const better = [choice('/card/better', 'Which card is better', game.card.better, this.catalogue.better)];
      sentences.push(this.say(game.card.combine === 'sum' ? 'cardSum' : 'cardWins', { better }));
    }
    if (game.calls) sentences.push(this.say('calls', { calls: [choice('/calls', 'Who says in doubt', game.calls, this.catalogue.calls)] }));
    return sentences.filter((sentence) => sentence.length > 0);
  }

  /** How the body is held, where a game or a level says so. */
  form(): Sentence {
    const { form, hand } = this.game.kit;
    const told = [
      ...(form === undefined ? [] : [this.say('form', { form: [choice('/kit/form', 'How the body is held', form, this.catalogue.form)] })]),
      ...(hand === undefined ? [] : [this.say('hand', { hand: [choice('/kit/hand', 'Which hand or foot', hand, this.catalogue.hand)] })]),
    ];
    return told.flatMap((tokens, index) => (index === 0 ? tokens : [text(' '), ...tokens]));
  }

  private sides(): Sentence[] {
    const { sides } = this.game;
    const found: Sentence[] = [
      this.say('sides', {
        n: [text(`${sides.n}`)],
        turn: [choice('/sides/turn', 'Whose turn', sides.turn, this.catalogue.turn)],
        score: sides.score ? [choice('/sides/score', 'Whose score', sides.score, this.catalogue.score)] : [],
      }),
    ];
    if (sides.lastTurnLevel !== undefined)
      found.push(this.say('lastTurn', { lastTurn: [text(sides.lastTurnLevel ? this.catalogue.lastTurn.yes : this.catalogue.lastTurn.no)] }));
    return found;
  }

  private part(part: Part, index: number): Sentence[] {
    const at = `/parts/${index}`;
    const several = this.game.parts.length > 1;
    const lines: Sentence[] = [];
    const title: Token[] =
      several && part.title
        ? [...this.say('partTitle', { title: [words(`${at}/title`, 'Name of the part', this.own(part.title), 40)] }), text(' ')]
        : [];
    const when: Token[] = part.when ? [...this.say('when'), text(' ')] : [];
    const clock = this.clock(part, at);
    if (clock.length > 0) lines.push([...title, ...when, ...clock]);
    part.tasks.forEach((task, taskIndex) => {
      const lead = taskIndex === 0 && clock.length === 0 ? [...title, ...when] : [];
      lines.push([...lead, ...this.task(part, task, `${at}/tasks/${taskIndex}`, taskIndex)]);
    });
    for (const [id, gate] of Object.entries(part.gates)) if (gate.before) lines.push(this.gateBefore(gate, `${at}/gates/${id}`));
    const whistle = part.tasks.some((task) => task.asked === 'whistle') ? [text(`${this.template('whistle')} `)] : [];
    const carried = part.rows.some((row) => row.do.some((effect) => effect.do === 'carry'));
    if (carried) lines.push(this.frames(part));
    part.rows.forEach((row, rowIndex) => {
      if (carried) return;
      const line = this.row(part, row, `${at}/rows/${rowIndex}`, rowIndex > 0);
      if (line.length > 0) lines.push([...whistle, ...line]);
    });
    lines.push(...this.flags(part, at));
    const stops = carried ? [] : this.stops(part, at);
    if (stops.length > 0) lines.push(stops);
    if (part.clock.kind === 'down' && part.clock.inFlight && this.throwsInAir(part))
      lines.push(
        this.say('inFlight', { inFlight: [choice(`${at}/clock/inFlight`, 'In the air at the end', part.clock.inFlight, this.catalogue.inFlight)] }),
      );
    if (part.goes.n > 1)
      lines.push(
        this.say('goes', {
          n: [number(`${at}/goes/n`, 'How many goes', part.goes.n, 1, 20)],
          keep: [choice(`${at}/goes/keep`, 'Which go counts', part.goes.keep, this.catalogue.keep)],
        }),
      );
    lines.push(this.measure(part, at));
    if (part.unfinished)
      lines.push(this.say('unfinished', { unfinished: [choice(`${at}/unfinished`, 'Not finished', part.unfinished, this.catalogue.unfinished)] }));
    if (!several || !part.title) return lines;
    // The same slot of several parts is told apart by the part's name.
    return lines.map((line) => line.map((token) => (token.kind === 'slot' ? { ...token, label: `${part.title}: ${token.label}` } : token)));
  }

  /** Frames have a name for what their rows do: they are told as a whole. */
  private frames(part: Part): Sentence {
    const stop = part.stop.findIndex((one) => one.if.some(([operand, op]) => operand.startsWith('n.') && op === '>='));
    const n = part.stop[stop]?.if.find(([, op]) => op === '>=')?.[2] ?? 10;
    return this.say('frames', { n: [text(`${n}`)] });
  }

  private throwsInAir(part: Part): boolean {
    return part.tasks.some(
      (task) => task.asked !== 'whistle' && ['underarm', 'overarm', 'set-shot', 'lift', 'kick', 'roll'].includes(task.technique),
    );
  }

  private clock(part: Part, at: string): readonly Token[] {
    const { clock } = part;
    if (clock.kind === 'none') return [];
    if (clock.kind === 'up') return this.say('clockUp');
    const seconds = [number(`${at}/clock/s`, 'Seconds', clock.s, 5, 3600, 5)];
    if (this.game.sides.turn === 'half-time' && this.game.sides.n > 1) return this.say('clockHalf', { seconds });
    return this.say(clock.per === 'item' ? 'clockItem' : clock.per === 'side' ? 'clockSide' : 'clockDown', { seconds });
  }

  private kind(group: Group): string {
    return this.catalogue.kinds[group.kind];
  }

  private task(part: Part, task: Task, at: string, index: number): Sentence {
    const { catalogue, game } = this;
    const lead = part.tasks.length > 1 ? (index === 0 ? catalogue.first : catalogue.then) : '';
    const implement: Token = choice(
      '/kit/implement',
      'What is played with',
      game.kit.implement,
      Object.fromEntries(Object.values(IMPLEMENTS).map((thing) => [thing.id, this.language.implement(thing.id)])) as Record<
        typeof game.kit.implement,
        string
      >,
    );
    const verb = task.what
      ? [words(`${at}/what`, 'What is to be done', this.own(task.what), 140)]
      : fill(catalogue.verbs[task.technique], { implement: [implement] });
    const from = task.from === undefined ? undefined : part.groups[task.from];
    const aim = task.at === undefined ? undefined : part.groups[task.at];
    const sentence: Token[] = [
      ...said(lead),
      ...fill(this.template('tryWith'), {
        verb,
        // A task in words of its own says where to; an order that is set is said behind.
        from: from && from.kind === 'place' && !task.what && (from.n === 1 || from.order !== 'fixed') ? this.from(from) : [],
        at: aim && task.at !== undefined && !task.what ? this.aim(aim, task.at) : [],
      }),
    ];
    for (const id of [task.from, task.at]) {
      const group = id === undefined ? undefined : part.groups[id];
      // What is not laid out is counted here; the course counts the rest.
      const counted = group?.kind === 'item' || group?.kind === 'implement';
      if (!group || (group.n === 1 && !counted) || (task.see === 'felled' && id === task.at)) continue;
      const template = group.n === 1 ? 'onlyOne' : group.order === 'fixed' ? 'fixedOrder' : group.order === 'free' ? 'freeOrder' : 'eitherOrder';
      const pointer = `${at.split('/').slice(0, 3).join('/')}/groups/${id!}`;
      const n: Token = counted ? number(`${pointer}/n`, `How many ${this.kind(group)}s`, group.n, 1, 30) : text(`${group.n}`);
      sentence.push(
        text(' '),
        ...this.say(template, { places: fill((group.n === 1 ? catalogue.oneKind : catalogue.manyKinds)[group.kind], { n: [n] }) }),
      );
      if (group.kind === 'item' && group.labels) {
        const labels = group.labels
          .slice(0, group.n)
          .map((label, at) => [words(`${pointer}/labels/${at}`, `${this.kind(group)} ${at + 1}`, this.own(label), 24)]);
        sentence.push(text(' '), ...this.say('items', { items: joined(labels, this.catalogue.and) }));
      }
    }
    if (task.feeder) sentence.push(text(' '), ...this.say(task.feeder === 'partner' ? 'feederPartner' : 'feederWall'));
    return sentence;
  }

  private from(group: Group): readonly Token[] {
    const template = group.n === 1 ? this.catalogue.fromPlace : this.catalogue.fromPlaces;
    return fill(template, { places: fill(this.catalogue.manyKinds[group.kind], { n: [text(`${group.n}`)] }), place: [text(this.kind(group))] });
  }

  private aim(group: Group, id: string): readonly Token[] {
    const target = targetsOf(this.game, id)[0];
    if (group.kind !== 'target' && group.kind !== 'pin') return [];
    if (group.n > 1)
      return [text(' '), ...fill(group.kind === 'pin' ? this.catalogue.atPins : this.catalogue.atTargets, { n: [text(`${group.n}`)] })];
    return target ? [text(' '), ...fill(this.catalogue.atTarget, { target: [text(this.language.aimed(target.object))] })] : [];
  }

  private times(gate: Gate, at: string): readonly Token[] {
    if (gate.kind === 'face') {
      const faces = (gate.passes ?? []).map((face) => this.own(gate.faces?.[face] ?? `${face + 1}`));
      return fill(this.template('gateFace'), { faces: [text(faces.join(this.catalogue.or))] });
    }
    if (gate.kind === 'set-up') return [];
    return fill(gate.kind === 'rest' ? this.catalogue.secondsLong : this.catalogue.times, { n: [number(`${at}/n`, 'How many', gate.n, 1, 200)] });
  }

  private gateWords(gate: Gate, at: string): Slots {
    return {
      what: [words(`${at}/what`, 'What is to be done', this.own(gate.what), 60)],
      times: this.times(gate, at),
      clock: gate.onClock ? [] : said(this.template('gateOff')),
    };
  }

  private gateBefore(gate: Gate, at: string): Sentence {
    return this.say(gate.before === 'attempt' ? 'gateAttempt' : 'gateRound', this.gateWords(gate, at));
  }

  /** A row is told by what a family can see: bookkeeping counters without words are left out. */
  private row(part: Part, row: Row, at: string, hasEarlier: boolean): Sentence {
    const conds = row.if.map((cond, index) => this.cond(part, cond, `${at}/if/${index}`)).filter((tokens) => tokens.length > 0);
    const effects = this.effects(part, row.do, `${at}/do`);
    const validity = row.validity === 'counts' ? [] : [[choice(`${at}/validity`, 'Does it count', row.validity, this.catalogue.validity)]];
    const all = [...validity, ...effects];
    if (all.length === 0 && conds.length === 0) return [];
    const conditions: Token[] =
      conds.length > 0 ? [text(this.catalogue.if), ...joined(conds, this.catalogue.and)] : hasEarlier ? [text(this.template('otherwise'))] : [];
    const body = all.length > 0 ? joined(all, this.catalogue.and) : [text(this.catalogue.effects.nothing)];
    if (conditions.length === 0) return [...capital(body), text('.')];
    return this.say('rule', { conditions, effects: body });
  }

  private flags(part: Part, at: string): Sentence[] {
    const found: Sentence[] = [];
    const flags = [...new Set(part.tasks.flatMap((task) => task.flags ?? []))];
    for (const flag of flags) {
      const says = part.tasks.find((task) => task.flagWords?.[flag])?.flagWords?.[flag] ?? flag;
      const effects = this.effects(part, part.also?.[flag] ?? [], `${at}/also/${flag}`);
      if (effects.length > 0) found.push(this.say('flag', { flag: [text(this.own(says))], effects: joined(effects, this.catalogue.and) }));
    }
    if (flags.length > 1 && part.flagsTogether) found.push(this.say(part.flagsTogether === 'each' ? 'flagsEach' : 'flagsOne'));
    return found;
  }

  private counterWords(part: Part, counter: string): string {
    return part.counterWords?.[counter] ?? (typeof part.measure.of !== 'string' && counter in part.measure.of.sum ? part.measure.unit : '');
  }

  private cond(part: Part, [operand, op, value]: Cond, at: string): Token[] {
    const { conds } = this.catalogue;
    const [space, name] = operand.split('.') as [string, string | undefined];
    const n = typeof value === 'number' ? [number(`${at}/2`, 'How many', value, 0, 9999)] : [];
    const pick = (exactly: string, atLeast: string, atMost: string) => (op === '=' ? exactly : op === '>=' ? atLeast : atMost);
    switch (space) {
      case 'end': {
        const end = part.tasks.flatMap((task) => task.ends ?? []).find((one) => one.id === value);
        return end?.says
          ? fill(conds.end, { says: [text(this.own(end.says))] })
          : fill(conds.endQuoted, { label: [text(this.own(end?.label ?? `${value}`))] });
      }
      case 'felled':
        return value === 0 && op !== '>='
          ? [text(conds.felledNone)]
          : fill(pick(conds.felledExactly, conds.felledAtLeast, conds.felledAtMost), { n });
      case 'left':
        if (value === 0 && op !== '>=') return [text(part.groups[name!]!.kind === 'pin' ? conds.allDown : conds.leftNone)];
        return fill(pick(conds.left, conds.leftAtLeast, conds.leftAtMost), { n });
      case 'at': {
        const group = part.groups[name!]!;
        const kind = [text(this.kind(group))];
        if (value === group.n && op !== '<=') return fill(conds.atLast, { kind });
        return fill(pick(conds.at, conds.atAtLeast, conds.atAtMost), { n, kind });
      }
      case 'n': {
        const counter = this.counterWords(part, name!);
        return counter === ''
          ? []
          : fill(pick(conds.counter, conds.counterAtLeast, conds.counterAtMost), {
              n,
              counter: [text(this.language.counted(Number(value), counter))],
            });
      }
      case 'attempts':
        return fill(conds.attempts, { n });
      case 'time':
        return fill(conds.seconds, { n });
      case 'face': {
        const faces = part.tasks.find((task) => task.see === 'face')?.faces;
        return fill(conds.face, { face: [text(this.own(faces?.[Number(value)] ?? `${Number(value) + 1}`))] });
      }
      case 'count':
        return fill(pick(conds.count, conds.countAtLeast, conds.countAtMost), { n });
      case 'length':
        return fill(pick(conds.length, conds.lengthAtLeast, conds.lengthAtMost), { n });
      case 'flag': {
        const flag = part.tasks.find((task) => task.flagWords?.[name!])?.flagWords?.[name!] ?? name!;
        return fill(value === 0 ? conds.noFlag : conds.flag, { flag: [text(this.own(flag))] });
      }
      default:
        return [];
    }
  }

  private effects(part: Part, effects: readonly Effect[], at: string): Token[][] {
    return effects.map((effect, index) => this.effect(part, effect, `${at}/${index}`, effects)).filter((tokens) => tokens.length > 0);
  }

  private effect(part: Part, effect: Effect, at: string, all: readonly Effect[]): Token[] {
    const { effects } = this.catalogue;
    const group = 'group' in effect ? part.groups[effect.group]! : undefined;
    const kind = group ? [text(this.kind(group))] : [];
    const alsoScores = all.some((other) => other.do === 'add');
    const setUp = all.some((other) => other.do === 'owe' && part.gates[other.gate]!.kind === 'set-up');
    switch (effect.do) {
      case 'add':
        return this.add(part, effect, at);
      case 'set': {
        const counter = this.counterWords(part, effect.counter);
        const telling = typeof part.measure.of !== 'string' && effect.counter in part.measure.of.sum && !alsoScores;
        return counter === '' || !telling || typeof effect.amount !== 'number'
          ? []
          : fill(effects.restart, { counter: [text(this.own(counter))], n: [text(`${effect.amount}`)] });
      }
      case 'keepMax': {
        return this.counterWords(part, effect.counter) === '' ? [] : [text(effects.keepMax)];
      }
      case 'keepMin':
        return [text(effects.keepMin)];
      case 'go':
        return group!.n === 1 ? [] : [choice(`${at}/to`, 'Where to', effect.to, this.goWords(group!))];
      case 'mark':
        return group!.kind === 'place' ? fill(effects.placeDone, { kind }) : [text(effects[effect.as])];
      case 'reset':
        // What is to be set up is said by the gate that comes with it.
        return setUp ? [] : [text(effects.reset)];
      case 'restore':
        return [text(effects.restore)];
      case 'owe': {
        const gate = part.gates[effect.gate]!;
        const pointer = `${at.split('/').slice(0, 3).join('/')}/gates/${effect.gate}`;
        const slots = this.gateWords(gate, pointer);
        return [...fill(effects.owe, slots), ...(slots['clock'] ?? [])];
      }
      case 'carry':
        return [text(effect.afterNext > 0 ? effects.carryTwo : effects.carryOne)];
      case 'next':
        return effect.what === 'side' ? [text(effects.nextSide)] : [text(effects.nextTask)];
      case 'finish':
        return fill(effects.finish, { kind });
    }
  }

  private goWords(group: Group): Record<'next' | 'back' | 'first' | 'stay', string> {
    const of = (template: string) =>
      fill(template, { kind: [text(this.kind(group))] })
        .map((token) => token.text)
        .join('');
    const { next, back, first, stay } = this.catalogue.effects;
    return { next: of(next), back: of(back), first: of(first), stay: of(stay) };
  }

  private add(part: Part, effect: Extract<Effect, { do: 'add' }>, at: string): Token[] {
    const { effects } = this.catalogue;
    const counter = this.counterWords(part, effect.counter);
    // What is only counted to break a tie or to end the game is said there.
    const told = typeof part.measure.of === 'string' || effect.counter in part.measure.of.sum;
    if (counter === '' || !told) return [];
    const { amount } = effect;
    const unit = [text(this.language.counted(typeof amount === 'number' ? amount : 1, counter))];
    if (effect.timesCarry) return [text(effects.addCarry)];
    if (typeof amount === 'number') {
      const n = [number(`${at}/amount`, 'How many', amount, -99, 99)];
      if (effect.for === 'others') return fill(effects.others, { n, unit });
      return amount < 0 ? fill(effects.lose, { n: [text(`${-amount}`)], unit }) : fill(effects.add, { n, unit });
    }
    switch (amount) {
      case 'value': {
        const group = part.groups[effect.of!]!;
        const pointer = `${at.split('/').slice(0, 3).join('/')}/groups/${effect.of!}/value`;
        const values = (group.value ?? []).map((value, index): Token[] => {
          const label = this.own(group.labels?.[index] ?? `${this.kind(group)} ${index + 1}`);
          return [number(`${pointer}/${index}`, label, value, -99, 99), text(` (${label})`)];
        });
        return fill(effects.addValue, { values: joined(values, this.catalogue.or) });
      }
      case 'felled':
        return fill(effects.addEach, { unit });
      case 'count':
        return [text(effects.addCount)];
      case 'length':
        return [text(effects.addLength)];
      default:
        return [];
    }
  }

  private stops(part: Part, at: string): Sentence {
    const { stops } = this.catalogue;
    const told = part.stop.map((stop, index) => this.stop(part, stop, `${at}/stop/${index}`)).filter((tokens) => tokens.length > 0);
    const ending = Object.values(part.groups).find((group) => group.end === 'finish');
    if (ending) told.push(fill(stops.groupEnd, { kind: [text(this.kind(ending))] }));
    if (told.length > 0) return this.say('stop', { when: joined(told, this.catalogue.or) });
    const ends = part.clock.kind !== 'none' || part.rows.some((row) => row.do.some((effect) => effect.do === 'finish'));
    return ends ? [] : this.say('stopNever');
  }

  private stop(part: Part, stop: Stop, at: string): Token[] {
    const { stops } = this.catalogue;
    for (const [index, [operand, op, value]] of stop.if.entries()) {
      const [space, name] = operand.split('.') as [string, string | undefined];
      const n = typeof value === 'number' ? [number(`${at}/if/${index}/2`, 'How many', value, 0, 9999)] : [];
      if (space === 'attempts') return fill(stops.attempts, { n });
      if (space === 'left') return value === 0 ? [text(stops.left)] : fill(stops.leftSome, { n });
      if (space === 'time') return fill(stops.seconds, { n });
      if (space === 'at') return fill(stops.at, { n, kind: [text(this.kind(part.groups[name!]!))] });
      if (space === 'n') {
        const counter = this.counterWords(part, name!);
        if (counter === '') continue;
        return fill(stop.why === 'cap' ? stops.cap : op === '=' ? stops.counterExactly : stops.counter, {
          n,
          counter: [text(this.language.counted(Number(value), counter))],
        });
      }
    }
    return [];
  }

  private measure(part: Part, at: string): Sentence {
    const { measure } = part;
    const { catalogue } = this;
    const pointer = `${at}/measure/better`;
    if (measure.of === 'clock')
      return this.say('measureClock', { better: [choice(pointer, 'Which is better', measure.better, catalogue.betterTime)] });
    if (measure.of === 'minutes') return this.say('measureMinutes', { better: [text(catalogue.betterTime[measure.better])] });
    if (measure.of === 'done') return this.say('measureDone');
    const what = joined(
      Object.entries(measure.of.sum).map(([counter, weight]): Token[] => {
        const name = this.own(part.counterWords?.[counter] ?? measure.unit);
        return weight === 1 ? [text(name)] : [text(`${name} × `), number(`${at}/measure/of/sum/${counter}`, name, weight, -99, 99)];
      }),
      ' + ',
    );
    const lengths = part.tasks.some((task) => task.see === 'length');
    const main = this.say('measureSum', {
      what,
      better: [choice(pointer, 'Which is better', measure.better, lengths ? catalogue.betterLength : catalogue.better)],
    });
    if (!measure.tie?.length) return main;
    const ties = measure.tie.map((tie): Token[] => {
      const name =
        typeof tie.of === 'string'
          ? this.own(tie.unit)
          : Object.keys(tie.of.sum)
              .map((counter) => this.own(part.counterWords?.[counter] ?? tie.unit))
              .join(' + ');
      return fill(tie.better === 'high' ? catalogue.more : catalogue.fewer, { what: [text(name)] });
    });
    return [...main, text(' '), ...this.say('tie', { what: joined(ties, catalogue.thenTie, catalogue.thenTie) })];
  }
}

function capital(tokens: readonly Token[]): Token[] {
  const [first, ...rest] = tokens;
  if (!first || first.kind !== 'text') return [...tokens];
  return [text(first.text.charAt(0).toLocaleUpperCase('en-GB') + first.text.slice(1)), ...rest];
}

/** The rules of any game, in the words of a catalogue. */
export function generalSentences(game: Game, audience: Audience, language: Catalogue): readonly Sentence[] {
  return new Writer(game, audience, language).all();
}

/** How the body is held, as a sentence of any game; empty where nothing is said of it. */
export function formSentence(game: Game, audience: Audience, language: Catalogue): Sentence {
  return new Writer(game, audience, language).form();
}
