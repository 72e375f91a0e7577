/**
 * Any game of the grammar in words: steps in the order in which they are done, each a sentence of text and slots. One source for what the family
 * reads and what the chart table edits. A slot is named by the JSON Pointer of what it shows.
 */
import { IMPLEMENTS } from '../../objects/catalogue';
import { targetsOf } from '../../course/geometry';
import type { GeneralWords } from './general-words.en-gb';
import type { Catalogue } from './languages';
import type { Cond, Game, Group, Measure, Part, Row, Stage, Stop, Task } from '../format/game';
import { mostOf } from '../format/most';
import { readFrames, type Frames } from '../format/read-frames';
import { allRows, endsBy, endsPast, rowPlaces, stopOf } from '../format/rows';
import { RuleWords } from './tell-rows';
import { unfinishedRule } from '../format/unfinished';
import { usedAt } from '../format/used';
import { capital, uncapital, choice, fill, joined, number, said, text, words, type Slots } from './tell-tokens';
import type { Audience, Sentence, Token } from './tokens';

type Template = keyof GeneralWords['precise'];

/** What a sentence is about: the order in which a game is shown. */
export type StepKind = 'aim' | 'players' | 'body' | 'clock' | 'move' | 'before' | 'then' | 'end' | 'count' | 'card';

export interface Step {
  readonly kind: StepKind;
  readonly sentence: Sentence;
  /** The part that it is about, from 0; null: the whole game. */
  readonly part: number | null;
  /** The rules that it tells, where it tells some: JSON Pointers of rows ("/parts/0/rows/2") and of what happens on the way ("/parts/0/also/edge"). */
  readonly tells: readonly string[];
}

const plain = (tokens: readonly Token[]) => tokens.map((token) => token.text).join('');

/** Writes the sentences of one game. Holds what every sentence needs, so that it need not be handed from one to the next. */
class Writer {
  private readonly catalogue: GeneralWords;

  constructor(
    private readonly game: Game,
    private readonly audience: Audience,
    private readonly language: Catalogue,
  ) {
    this.catalogue = language.general;
  }

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

  all(): readonly Step[] {
    const { game } = this;
    const steps: Step[] = [];
    const tell = (kind: StepKind, ...sentences: readonly Sentence[]) =>
      steps.push(...sentences.filter((sentence) => sentence.length > 0).map((sentence) => ({ kind, sentence, part: null, tells: [] })));
    tell(
      'aim',
      this.say('aim', {
        aim: [words('/aim', 'What the child is to do', this.own(game.aim), 140)],
        stop: said(/[.?]$/.test(game.aim) ? '' : '.'),
      }),
    );
    if (game.sides.n > 1) tell('players', ...this.sides());
    tell('body', this.form());
    game.parts.forEach((part, index) => steps.push(...this.part(part, index)));
    if (game.parts.length > 1) tell('card', this.card());
    tell('count', this.childAdds());
    if (game.calls) tell('count', this.say('calls', { calls: [choice('/calls', 'Who says in doubt', game.calls, this.catalogue.calls)] }));
    return steps;
  }

  private card(): Sentence {
    const { combine, better } = this.game.card;
    if (combine === 'list') return this.say('cardList');
    return this.say(combine === 'sum' ? 'cardSum' : 'cardWins', {
      better: [choice('/card/better', 'Which card is better', better, this.catalogue.better)],
    });
  }

  /** That the child is asked for the sum first. */
  childAdds(): Sentence {
    return this.game.childAdds ? this.say('childAdds') : [];
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
    const { sides, parts } = this.game;
    const found: Sentence[] = [
      this.say(sides.score ? 'sidesScore' : 'sides', {
        n: [text(`${sides.n}`)],
        turn: [choice('/sides/turn', 'Whose turn', sides.turn, this.catalogue.turn)],
        score: sides.score ? [choice('/sides/score', 'Whose score', sides.score, this.catalogue.score)] : [],
      }),
    ];
    if (sides.turn === 'miss') {
      const misses = parts.flatMap((part, index) => {
        const rules = new RuleWords(this.game, part, `/parts/${index}`, this.language, this.audience);
        return part.stages.flatMap((task) => (task.ends ?? []).filter((end) => end.as !== 'success').map((end) => plain(rules.end(end.id))));
      });
      if (misses.length > 0) found.push(this.say('misses', { ends: joined([...new Set(misses)].map(said), this.catalogue.or) }));
    }
    for (const [player, farther] of (sides.fartherM ?? []).entries())
      if (farther > 0)
        found.push(
          this.say('farther', {
            player: [text(`${player + 1}`)],
            length: [number(`/sides/fartherM/${player}`, `Metres farther, player ${player + 1}`, farther, 0, 20, 0.5)],
          }),
        );
    if (sides.lastTurnLevel !== undefined)
      found.push(this.say('lastTurn', { lastTurn: [text(sides.lastTurnLevel ? this.catalogue.lastTurn.yes : this.catalogue.lastTurn.no)] }));
    return found;
  }

  private part(part: Part, index: number): Step[] {
    const at = `/parts/${index}`;
    const rules = new RuleWords(this.game, part, at, this.language, this.audience);
    const several = this.game.parts.length > 1;
    const steps: Step[] = [];
    const told = (kind: StepKind, sentence: Sentence, tells: readonly string[]) => {
      if (sentence.length > 0) steps.push({ kind, sentence, part: index, tells });
    };
    const tell = (kind: StepKind, ...sentences: readonly Sentence[]) => sentences.forEach((sentence) => told(kind, sentence, []));
    const title: Token[] =
      several && part.title
        ? [...this.say('partTitle', { title: [words(`${at}/title`, 'Name of the part', this.own(part.title), 40)] }), text(' ')]
        : [];
    const level = part.when?.find(([operand]) => operand === 'card.level')?.[2];
    const when: Token[] = level === undefined ? [] : [...this.say(level === 1 ? 'whenLevel' : 'whenNotLevel'), text(' ')];
    if (part.together !== undefined)
      tell('players', this.say('together', { n: [number(`${at}/together`, 'How many together', part.together, 2, 4)] }));
    const clock = this.clock(part, rules, at);
    if (clock.length > 0) tell('clock', [...title, ...when, ...clock]);
    const frames = readFrames(part);
    // The balls of a frame are one movement.
    part.stages.slice(0, frames ? 1 : undefined).forEach((task, taskIndex) => {
      const lead = taskIndex === 0 && clock.length === 0 ? [...title, ...when] : [];
      tell('move', [...lead, ...this.task(part, task, rules, `${at}/stages/${taskIndex}`, taskIndex)]);
    });
    tell('move', ...this.groups(part, rules, at));
    if (!frames) tell('before', ...this.starts(part, rules));
    for (const [id, gate] of Object.entries(part.gates))
      if (gate.before) tell('before', this.say(gate.before === 'attempt' ? 'gateAttempt' : 'gateRound', rules.gateWords(gate, `${at}/gates/${id}`)));
    if (frames) told('then', this.frames(frames), rowPlaces(part, at));
    else {
      const whistle = part.stages.some((task) => task.asked === 'whistle') ? [text(`${this.template('whistle')} `)] : [];
      const tellRow = (lead: readonly Token[], rows: readonly Row[], index: number, place: string) => {
        const line = this.row(part, rows, index, rules, place);
        const before = [...lead, ...whistle];
        told('then', line.length === 0 || before.length === 0 ? line : [...before, ...(whistle.length > 0 ? uncapital(line) : line)], [place]);
      };
      part.stages.forEach((stage, stageIndex) =>
        stage.rows?.forEach((_, index) =>
          tellRow(
            [...this.say('stage', { stage: capital([text(rules.stage(stage.id))]) }), text(' ')],
            stage.rows!,
            index,
            `${at}/stages/${stageIndex}/rows/${index}`,
          ),
        ),
      );
      part.rows.forEach((_, index) => tellRow([], part.rows, index, `${at}/rows/${index}`));
    }
    for (const { flag, sentence } of this.flags(part, rules, at)) told('then', sentence, flag === null ? [] : [`${at}/also/${flag}`]);
    if (!frames) tell('end', ...this.stops(part, rules, at));
    if (part.clock.kind === 'down' && part.clock.inFlight && this.throwsInAir(part))
      tell(
        'end',
        this.say('inFlight', { inFlight: [choice(`${at}/clock/inFlight`, 'In the air at the end', part.clock.inFlight, this.catalogue.inFlight)] }),
      );
    if (part.goes.n > 1)
      tell(
        'count',
        this.say('goes', {
          n: [number(`${at}/goes/n`, 'How many goes', part.goes.n, 1, 20)],
          keep: [choice(`${at}/goes/keep`, 'Which go counts', part.goes.keep, this.catalogue.keep)],
        }),
      );
    for (const [counter, { farthest }] of Object.entries(part.kept ?? {}))
      tell('count', this.farthest(part, farthest, rules, [rules.counter(counter, 2)]));
    tell('count', this.measure(part, at));
    const { unfinished } = this.catalogue;
    if (part.unfinished)
      tell('count', this.say('unfinished', { unfinished: [choice(`${at}/unfinished`, 'Not finished', part.unfinished, unfinished)] }));
    // Where the rules leave it open it is said too; of a time it goes without saying.
    else if (typeof part.measure.of !== 'string' && unfinishedRule(part) === 'not-finished')
      tell('count', this.say('unfinished', { unfinished: [text(unfinished['not-finished'])] }));
    if (!several || !part.title) return steps;
    // The same slot of several parts is told apart by the part's name.
    return steps.map(({ sentence, ...step }) => ({
      ...step,
      sentence: sentence.map((token) => (token.kind === 'slot' ? { ...token, label: `${part.title}: ${token.label}` } : token)),
    }));
  }

  private frames({ frames }: Frames): Sentence {
    return this.say('frames', { n: [text(`${frames}`)] });
  }

  private throwsInAir(part: Part): boolean {
    return part.stages.some(
      (task) => task.asked !== 'whistle' && ['underarm', 'overarm', 'set-shot', 'lift', 'kick', 'roll'].includes(task.technique),
    );
  }

  private clock(part: Part, rules: RuleWords, at: string): readonly Token[] {
    const { clock } = part;
    if (clock.kind === 'none') return [];
    if (clock.kind === 'up') return this.say('clockUp');
    const time = rules.time(`${at}/clock/s`, clock.s);
    const of = this.say(clock.per === 'item' ? 'clockItem' : clock.per === 'side' ? 'clockSide' : 'clockDown', { time });
    if (this.game.sides.turn !== 'half-time' || this.game.sides.n === 1) return of;
    const half = this.say('clockHalf', { time });
    return clock.per === 'part' ? half : [...of, text(' '), ...half];
  }

  private task(part: Part, task: Stage, rules: RuleWords, at: string, index: number): Sentence {
    const { catalogue, game } = this;
    const lead = part.stages.length > 1 && !readFrames(part) ? (index === 0 ? catalogue.first : catalogue.then) : '';
    const implement: Token = choice(
      task.with === undefined ? '/kit/implement' : `${at}/with`,
      'What is played with',
      usedAt(game, task) ?? game.kit.implement,
      Object.fromEntries(Object.values(IMPLEMENTS).map((thing) => [thing.id, this.language.implement(thing.id)])) as Record<
        typeof game.kit.implement,
        string
      >,
    );
    const verb = task.what
      ? [words(`${at}/what`, 'What is to be done', this.own(task.what), 140)]
      : fill(this.verb(task.technique), { implement: [implement] });
    const from = task.from === undefined ? undefined : part.groups[task.from];
    const aim = task.at === undefined ? undefined : part.groups[task.at];
    const sentence: Token[] = [
      ...said(lead),
      ...fill(this.template('tryWith'), {
        verb,
        // A task in words of its own says where to; an order that is set is said behind.
        from: from && from.kind === 'place' && !task.what && (from.n === 1 || from.order !== 'fixed') ? this.from(from, rules) : [],
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
      const n: Token = counted ? number(`${pointer}/n`, `How many ${rules.kind(group)}s`, group.n, 1, 30) : text(`${group.n}`);
      sentence.push(text(' '), ...this.say(template, { places: this.several(group, rules, n) }));
      if (group.labels && !group.value && counted) {
        const labels = group.labels
          .slice(0, group.n)
          .map((label, at) => [words(`${pointer}/labels/${at}`, `${rules.kind(group)} ${at + 1}`, this.own(label), 24)]);
        sentence.push(text(' '), ...this.say(group.n === 1 ? 'item' : 'items', { items: joined(labels, this.catalogue.and) }));
      }
    }
    if (task.faces)
      sentence.push(
        text(' '),
        ...this.say('faces', {
          faces: joined(
            task.faces.map((face) => said(this.own(face))),
            this.catalogue.or,
          ),
        }),
      );
    if (task.feeder) sentence.push(text(' '), ...this.say(task.feeder === 'partner' ? 'feederPartner' : 'feederWall'));
    return sentence;
  }

  /** What comes after the last of several, and how many stand. */
  private groups(part: Part, rules: RuleWords, at: string): Sentence[] {
    const effects = [...allRows(part).flatMap((row) => row.do), ...Object.values(part.also ?? {}).flat()];
    const goesOn = (id: string) => effects.some((effect) => effect.do === 'go' && effect.group === id && effect.to === 'next');
    return Object.entries(part.groups).flatMap(([id, group]): Sentence[] => {
      const kind = [text(rules.kind(group))];
      const found: Sentence[] = [];
      if (group.n > 1 && goesOn(id) && !endsPast(part, id)) found.push(this.say(group.end === 'wrap' ? 'wraps' : 'staysAtLast', { kind }));
      if (group.up !== undefined) {
        const stand = part.startAt?.[group.up] ?? 0;
        found.push(
          this.say('upFrom', {
            stand: fill(this.language.plural(this.catalogue.stand, stand), {
              figure: [number(`${at}/startAt/${group.up}`, 'At first', stand, 0, 30)],
            }),
          }),
        );
      }
      return found;
    });
  }

  /** Counters that do not start at nothing; how many pins stand at first is said with the pins. */
  private starts(part: Part, rules: RuleWords): Sentence[] {
    const standing = new Set(Object.values(part.groups).map((group) => group.up));
    return Object.entries(part.startAt ?? {})
      .filter(([counter, n]) => n !== 0 && !standing.has(counter))
      .map(([counter, n]) => this.say('startsAt', { n: [text(`${n}`)], counter: [rules.counter(counter, n)] }));
  }

  /** "3 marks", "1 balloon". */
  private several(group: Group, rules: RuleWords, n: Token): Token[] {
    if (group.kind === 'implement') return [n, text(` ${rules.kind(group, group.n)}`)];
    return fill((group.n === 1 ? this.catalogue.oneKind : this.catalogue.manyKinds)[group.kind], { n: [n] });
  }

  private verb(technique: Task['technique']): string {
    const { verbs, childVerbs } = this.catalogue;
    return (
      (this.audience === 'child' ? (childVerbs as Readonly<Partial<Record<Task['technique'], string>>>)[technique] : undefined) ?? verbs[technique]
    );
  }

  private from(group: Group, rules: RuleWords): readonly Token[] {
    const { fromPlace, fromPlaces, standAt, standAtOne } = this.catalogue;
    const [one, several] = this.audience === 'child' ? [standAt, standAtOne] : [fromPlace, fromPlaces];
    const template = group.n === 1 ? one : several;
    return fill(template, { places: fill(this.catalogue.manyKinds[group.kind], { n: [text(`${group.n}`)] }), place: [text(rules.kind(group))] });
  }

  private aim(group: Group, id: string): readonly Token[] {
    const target = targetsOf(this.game, id)[0];
    if (group.kind !== 'target' && group.kind !== 'pin') return [];
    if (group.n > 1)
      return [text(' '), ...fill(group.kind === 'pin' ? this.catalogue.atPins : this.catalogue.atTargets, { n: [text(`${group.n}`)] })];
    const template = target?.aim === 'hit' ? this.catalogue.atToHit : target?.aim === 'in' ? this.catalogue.atToGoIn : this.catalogue.atTarget;
    return target ? [text(' '), ...fill(template, { target: [text(this.language.aimed(target.object))] })] : [];
  }

  /** Which place counts: the farthest from which a try of its stages came to one of its good ends. */
  private farthest(part: Part, group: string, rules: RuleWords, counter: readonly Token[]): Sentence {
    const good = part.stages
      .filter(({ from }) => from === group)
      .flatMap(({ ends = [] }) => ends.flatMap((end) => (end.as === 'success' ? [rules.end(end.id)] : [])));
    const ends = good.length > 0 ? joined(good, this.catalogue.or) : rules.cond(['felled', '>=', 1], '');
    return this.say('farthestCounts', { kind: [text(rules.kind(part.groups[group]!))], ends, counter });
  }

  /** A rule, with all that it looks at and all that it does. One that comes to bear only where an earlier one does not says so. */
  private row(part: Part, rows: readonly Row[], index: number, rules: RuleWords, at: string): Sentence {
    const { catalogue } = this;
    const row = rows[index]!;
    const conds = row.if.map((cond, place) => rules.cond(cond, `${at}/if/${place}`)).filter((tokens) => tokens.length > 0);
    const effects = rules.effects(row.do, `${at}/do`);
    const validity = row.validity === 'counts' ? [] : [[choice(`${at}/validity`, 'Does it count', row.validity, catalogue.validity)]];
    const why = endsBy(part, row);
    const all = [...validity, ...effects, ...(why === undefined ? [] : [[text(rules.finish(why))]])];
    const body = all.length > 0 ? all : [[text(catalogue.effects.nothing)]];
    const earlier = rows.slice(0, index).some((other) => row.if.length < other.if.length && row.if.every((cond) => other.if.some(same(cond))));
    const lead = earlier ? catalogue.otherwiseIf : catalogue.if;
    if (conds.length === 0 && index === 0) return [...capital(joined(body, catalogue.and)), text('.')];
    const conditions = conds.length === 0 ? [text(this.template('otherwise'))] : joined(conds, catalogue.and);
    return this.rule(conds.length === 0 ? [] : said(this.language.elided(lead, conditions[0]!.text)), conditions, body);
  }

  /** The child's voice asks and answers, a short sentence each. */
  private rule(lead: readonly Token[], conditions: readonly Token[], body: readonly (readonly Token[])[]): Sentence {
    if (this.audience !== 'child') return this.say('rule', { conditions: [...lead, ...conditions], effects: joined(body, this.catalogue.and) });
    return this.say('rule', { conditions: capital(conditions), effects: joined(body.map(capital), '. ', '. ') });
  }

  private flags(part: Part, rules: RuleWords, at: string): { readonly flag: string | null; readonly sentence: Sentence }[] {
    const found: { flag: string | null; sentence: Sentence }[] = [];
    const flags = [...new Set(part.stages.flatMap((task) => task.flags ?? []))];
    for (const flag of flags) {
      const effects = rules.effects(part.also?.[flag] ?? [], `${at}/also/${flag}`);
      const body = effects.length > 0 ? effects : [[text(this.catalogue.effects.noMatter)]];
      found.push({
        flag,
        sentence: this.say('flag', {
          flag: [text(rules.flag(flag))],
          effects: this.audience === 'child' ? joined(body.map(capital), '. ', '. ') : joined(body, this.catalogue.and),
        }),
      });
    }
    if (flags.length > 1 && part.flagsTogether)
      found.push({ flag: null, sentence: this.say(part.flagsTogether === 'each' ? 'flagsEach' : 'flagsOne') });
    return found;
  }

  private stops(part: Part, rules: RuleWords, at: string): Sentence[] {
    const players = this.game.sides.n > 1 && this.game.sides.score !== 'joint';
    const kindOf = (why: Stop['why']): Template =>
      rules.isUnfinished(why) ? 'stopUnfinished' : !players ? 'stop' : why === 'goal' || why === 'target-score' ? 'stopAll' : 'stopOne';
    // What ends by a rule alone is said with the rule.
    const rowEnds = new Set(allRows(part).flatMap((row) => stopOf(part, row) ?? []));
    const told = part.stop.flatMap((stop, index) =>
      rowEnds.has(stop) || onlyOne(part, stop) ? [] : [{ kind: kindOf(stop.why), when: this.stop(stop, rules, `${at}/stop/${index}`) }],
    );
    const kinds = [...new Set(told.map(({ kind }) => kind))];
    // The child is told of one end after the other.
    if (this.audience === 'child') return told.map(({ kind, when }) => this.say(kind, { when })).concat(told.length > 0 ? [] : this.stopNever(part));
    if (kinds.length > 0)
      return kinds.map((kind) =>
        this.say(kind, {
          when: joined(
            told.flatMap((one) => (one.kind === kind ? [one.when] : [])),
            this.catalogue.or,
          ),
        }),
      );
    return this.stopNever(part);
  }

  private stopNever(part: Part): Sentence[] {
    return part.clock.kind !== 'none' || part.stop.length > 0 ? [] : [this.say('stopNever')];
  }

  private stop(stop: Stop, rules: RuleWords, at: string): Token[] {
    const { stops } = this.catalogue;
    const [only, ...more] = stop.if;
    if (only && more.length === 0 && only[0].startsWith('passed.')) return rules.cond(only, at);
    if (only && more.length === 0 && only[1] !== '<=') {
      const n = Number(only[2]);
      const figure = [number(`${at}/if/0/2`, 'How many', n, 0, mostOf(only[0]) ?? 9999)];
      if (only[0] === 'attempts') return fill(this.language.plural(stops.attempts, n), { figure });
      if (only[0] === 'time' && only[1] === '>=') return fill(stops.seconds, { time: rules.time(`${at}/if/0/2`, n) });
      if (only[0].startsWith('n.') && only[1] === '>=' && stop.why === 'cap')
        return fill(stops.cap, { figure, counter: [rules.counter(only[0].slice(2), n)] });
    }
    return fill(stops.when, {
      conditions: joined(
        stop.if.map((cond, index) => rules.cond(cond, `${at}/if/${index}`)),
        this.catalogue.and,
      ),
    });
  }

  private measure(part: Part, at: string): Sentence {
    const { measure } = part;
    const tie = this.tie(part, measure);
    const main = this.score(part, measure, at);
    return tie.length > 0 ? [...main, text(' '), ...tie] : main;
  }

  private score(part: Part, measure: Measure, at: string): Sentence {
    const { catalogue } = this;
    const pointer = `${at}/measure/better`;
    const unit = [text(this.own(measure.unit))];
    const better = (labels: Readonly<Record<'high' | 'low', string>>) => [choice(pointer, 'Which is better', measure.better, labels)];
    if (measure.of === 'clock') return this.say('measureClock', { unit, better: better(catalogue.betterTime) });
    if (measure.of === 'minutes') return this.say('measureMinutes', { unit, better: better(catalogue.betterTime) });
    if (measure.of === 'done') return this.say('measureDone', { unit });
    const counters = Object.entries(measure.of.sum);
    const what = joined(
      counters.map(([counter, weight]): Token[] => {
        const name = this.own(part.counterWords?.[counter] ?? (counters.length === 1 ? measure.unit : `“${counter}”`));
        return weight === 1 ? [text(name)] : [text(`${name} × `), number(`${at}/measure/of/sum/${counter}`, name, weight, -99, 99)];
      }),
      ' + ',
    );
    // The unit is said where it is not one of the words already.
    const inWords = (tokens: readonly Token[]) =>
      ` ${plain(tokens)
        .split(/[^\p{L}]+/u)
        .join(' ')} `;
    const inUnit = inWords(what).includes(inWords(unit)) ? what : fill(catalogue.inUnit, { what, unit });
    const lengths = part.stages.some((task) => task.see === 'length');
    return this.say('measureSum', { what: inUnit, better: better(lengths ? catalogue.betterLength : catalogue.better) });
  }

  private tie(part: Part, { tie }: Measure): Sentence {
    const { catalogue } = this;
    if (tie === undefined) return [];
    if (tie.length === 0) return this.game.sides.n > 1 ? this.say('draw') : [];
    const ties = tie.map((one): Token[] => {
      const name =
        typeof one.of === 'string'
          ? this.own(one.unit)
          : Object.entries(one.of.sum)
              .map(([counter, weight]) => `${this.own(part.counterWords?.[counter] ?? `“${counter}”`)}${weight === 1 ? '' : ` × ${weight}`}`)
              .join(' + ');
      return fill(one.better === 'high' ? catalogue.more : catalogue.fewer, { what: [text(name)] });
    });
    return this.say('tie', { what: joined(ties, catalogue.thenTie, catalogue.thenTie) });
  }
}

/** Past the only element of a group: said with the rule that goes on from it. */
function onlyOne(part: Part, { if: [cond, ...more] }: Stop): boolean {
  const [space, group] = cond![0].split('.') as [string, string | undefined];
  return more.length === 0 && space === 'passed' && part.groups[group!]!.n === 1;
}

const same = (cond: Cond) => (other: Cond) => cond.every((one, index) => one === other[index]);

/** The rules of any game as steps, in the words of a catalogue. */
export function generalSteps(game: Game, audience: Audience, language: Catalogue): readonly Step[] {
  return new Writer(game, audience, language).all();
}

/** How the body is held, as a sentence of any game; empty where nothing is said of it. */
export function formSentence(game: Game, audience: Audience, language: Catalogue): Sentence {
  return new Writer(game, audience, language).form();
}

/** That the child adds up first, as a sentence of any game; empty where it does not. */
export function childAddsSentence(game: Game, audience: Audience, language: Catalogue): Sentence {
  return new Writer(game, audience, language).childAdds();
}
