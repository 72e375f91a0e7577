/**
 * A term as a mixed-integer program: a binary variable for each class, offer and block of weeks in which it may stand; rows for what must be;
 * the wishes as costs. Classes meet only where they borrow the same things.
 */
import { cellCost, wholeCost } from './cost';
import {
  isOf,
  lentFor,
  mayStand,
  movementsOf,
  practises,
  shareOfWays,
  type Cell,
  type Lent,
  type Must,
  type PlanOffer,
  type TermPlan,
  type Term,
} from './term';

export interface Unknown {
  readonly cost: number;
  readonly isBinary: boolean;
}

export interface Condition {
  readonly terms: readonly (readonly [column: number, factor: number])[];
  readonly sense: '<=' | '>=' | '=';
  readonly rhs: number;
}

export interface Mip {
  readonly columns: readonly Unknown[];
  readonly rows: readonly Condition[];
}

/** An offer at some weeks of a class: those that stand by each other, since a game that stands once must stand again soon. */
interface Block {
  readonly classIndex: number;
  readonly offer: number;
  readonly cells: readonly BlockCell[];
}

interface BlockCell {
  readonly week: number;
  readonly level: number;
}

export interface MipOfTerm extends Mip {
  /** What each column stands for; null for those that help or measure. */
  readonly blocks: readonly (Block | null)[];
}

export interface ProgramOf {
  /** The classes that are planned; all unless it is said. */
  readonly classes?: readonly number[];
  readonly without?: ReadonlySet<string>;
  /** What of the cupboard others have already, by week and thing. */
  readonly taken?: readonly Lent[];
  /** What each of a thing that is borrowed costs beside the wishes, by week and thing. */
  readonly prices?: readonly Lent[];
  /** Whether any plan will do: the wishes are left out. */
  readonly anyPlan?: boolean;
  /** Only the blocks that are likely to hold a good plan, and no threes that are drawn out: fewer columns, soon solved, nearly as good. */
  readonly soon?: boolean;
}

/** The program of a term, or of some of its classes alone. */
export function programOf(term: Term, { classes, without = new Set(), taken, prices, anyPlan = false, soon = false }: ProgramOf = {}): MipOfTerm {
  const chosen = classes ?? term.classes.map((_, index) => index);
  const musts = term.musts.filter(({ id }) => !without.has(id));
  const blocks: (Block | null)[] = [];
  const columns: Unknown[] = [];
  const rows: Condition[] = [];
  for (const classIndex of chosen) {
    const own = ofClass(term, classIndex, musts, columns.length, { anyPlan, soon, ...(prices && { prices }) });
    blocks.push(...own.columns.map((_, index) => own.blocks[index] ?? null));
    columns.push(...own.columns);
    rows.push(...own.rows);
  }
  for (const must of musts)
    if (must.kind === 'cupboard')
      for (const [week] of term.weeks.entries()) {
        const terms = blocks.flatMap((of, column) => {
          const lent = of?.cells.some((cell) => cell.week === week) ? lentFor(term, of.classIndex, term.offers[of.offer]!, must.thing) : 0;
          return lent > 0 ? [[column, lent] as const] : [];
        });
        if (terms.length > 0) rows.push({ terms, sense: '<=', rhs: must.there - (taken?.[week]?.[must.thing] ?? 0) });
      }
  if (!anyPlan) for (const classIndex of chosen) wishesOf(term, classIndex, blocks, columns, rows);
  return { blocks, columns, rows };
}

/** All combinations that take one of each list. */
const combined = <T>(lists: readonly (readonly T[])[]): T[][] =>
  lists.reduce<T[][]>((all, list) => all.flatMap((before) => list.map((one) => [...before, one])), [[]]);

/**
 * The blocks of an offer. Any weeks of a game of which each has another near are pairs and threes of near weeks: nothing else need be tried, and a game
 * that stands alone comes up where it may alone.
 */
function blocksOf(weeks: readonly number[], within: number | null, soon: boolean, alone: (week: number) => boolean): number[][] {
  const singles = weeks.filter((week) => within === null || alone(week)).map((week) => [week]);
  if (within === null) return singles;
  const next = (week: number) => weeks.filter((one) => one > week && one - week < within);
  const pairs = weeks.flatMap((week) => next(week).map((other) => [week, other]));
  const threes = pairs.flatMap(([week, other]) => next(other!).map((third) => [week!, other!, third]));
  return [...singles, ...pairs, ...threes.filter(([first, , third]) => !soon || third! - first! === 2)];
}

/** So many of each movement in each week are tried for a plan that is there soon. */
const LIKELY = 3;

/** Blocks that hold a good plan, most likely: in each week, of each movement, those that cost least a week. */
function likelyOf(blocks: readonly Block[], offers: readonly PlanOffer[], costOf: (block: Block) => number): readonly Block[] {
  const places = new Map<string, { readonly block: Block; readonly costAWeek: number }[]>();
  for (const block of blocks) {
    const costAWeek = costOf(block) / block.cells.length;
    const movements = offers[block.offer]!.skills.join();
    for (const { week } of block.cells) {
      const place = `${week} ${movements}`;
      const there = places.get(place) ?? [];
      there.push({ block, costAWeek });
      places.set(place, there);
    }
  }
  const likely = new Set<Block>();
  for (const there of places.values()) for (const { block } of there.sort((a, b) => a.costAWeek - b.costAWeek).slice(0, LIKELY)) likely.add(block);
  return blocks.filter((block) => likely.has(block));
}

type Terms = Condition['terms'];

function ofClass(
  term: Term,
  classIndex: number,
  musts: readonly Must[],
  firstColumn: number,
  { anyPlan = false, soon = false, prices }: Pick<ProgramOf, 'anyPlan' | 'soon' | 'prices'>,
) {
  const { offers, weeks, classes } = term;
  const own = musts.filter((must) => isOf(must, classes[classIndex]!.id));
  const pinned = new Map(own.flatMap((must) => (must.kind === 'pinned' && must.cell ? [[must.week, must.cell] as const] : [])));
  /** How many weeks are pinned with such an offer. */
  const pinnedOf = (is: (offer: PlanOffer) => boolean) =>
    [...pinned.values()].filter(({ offerId }) => offers.some((offer) => offer.id === offerId && is(offer))).length;
  /** Not barred in each week in which it is not pinned. */
  const isWanted = ({ id, floorM }: PlanOffer) =>
    own.every((must) => (must.kind !== 'never' || must.offerId !== id) && (must.kind !== 'floor' || floorM <= must.metres));
  const freeWeeks = new Set(own.flatMap((must) => (must.kind === 'pinned' && must.cell === null ? [must.week] : [])));
  const slots = weeks.flatMap(({ holiday }, week) => (holiday || freeWeeks.has(week) ? [] : [week]));
  const within = own.flatMap((must) => (must.kind === 'twice' ? [must.within] : [])).sort((a, b) => a - b)[0] ?? null;
  const all = offers.flatMap((offer, index): Block[] => {
    const levels = new Map(
      slots
        .filter((week) => mayStand(own, classes[classIndex]!.id, week, offer) && (pinned.get(week)?.offerId === offer.id || isWanted(offer)))
        .map((week) => [week, levelsWorthIt(term, own, { classIndex, week, offer: index })] as const)
        .filter(([, list]) => list.length > 0),
    );
    return blocksOf([...levels.keys()], offer.kind === 'game' ? within : null, soon, (week) => pinned.get(week)?.offerId === offer.id).flatMap(
      (list) =>
        combined(list.map((week) => levels.get(week)!.map((level): BlockCell => ({ week, level })))).map((cells) => ({
          classIndex,
          offer: index,
          cells,
        })),
    );
  });
  const costs = new Map<string, number>();
  const costOfCell = (offer: number, { week, level }: BlockCell) => {
    const key = `${offer} ${week} ${level}`;
    const known = costs.get(key);
    if (known !== undefined) return known;
    const lent = Object.entries(prices?.[week] ?? {}).map(([thing, price]) => price * lentFor(term, classIndex, offers[offer]!, thing));
    const cost = lent.reduce((sum, one) => sum + one, wholeCost(cellCost(term, classIndex, week, offer, level)));
    costs.set(key, cost);
    return cost;
  };
  const costOf = ({ offer, cells }: Block) => cells.reduce((sum, cell) => sum + costOfCell(offer, cell), 0);
  const blocks = soon ? likelyOf(all, offers, costOf) : all;
  const columns: Unknown[] = blocks.map((block) => ({ cost: anyPlan ? 0 : costOf(block), isBinary: true }));
  const rows: Condition[] = [];
  const put = (terms: Terms, sense: Condition['sense'], rhs: number) => rows.push({ terms, sense, rhs });
  const helper = () => firstColumn + columns.push({ cost: 0, isBinary: false }) - 1;
  const ofOffer = offers.map((): number[] => []);
  for (const [index, { offer }] of blocks.entries()) ofOffer[offer]!.push(index);
  /** How many cells each block of such offers has, of those that are so. */
  const count = (isOffer: (offer: PlanOffer, index: number) => boolean, is?: (cell: BlockCell, offerIndex: number) => boolean): Terms => {
    const terms: [number, number][] = [];
    for (const [offerIndex, offer] of offers.entries()) {
      if (!isOffer(offer, offerIndex)) continue;
      for (const index of ofOffer[offerIndex]!) {
        let n = 0;
        for (const cell of blocks[index]!.cells) if (!is || is(cell, offerIndex)) n += 1;
        if (n > 0) terms.push([firstColumn + index, n]);
      }
    }
    return terms;
  };
  const inWeek = new Map(slots.map((slot): [number, number[]] => [slot, []]));
  for (const [index, { cells }] of blocks.entries()) for (const { week } of cells) inWeek.get(week)?.push(index);
  /** The blocks that have a cell in a week. */
  const countIn = (week: number | undefined, is: (offer: PlanOffer) => boolean = () => true): Terms =>
    (inWeek.get(week ?? -1) ?? []).filter((index) => is(offers[blocks[index]!.offer]!)).map((index) => [firstColumn + index, 1] as const);
  for (const slot of slots) put(countIn(slot), '=', 1);

  for (const must of own) {
    switch (must.kind) {
      case 'skill-weeks': {
        const terms = count((offer) => practises(offer, must.skill));
        // No block counts for more than is asked: the solver then sees sooner that half a block is not enough.
        if (must.least > 0)
          put(
            terms.map(([column, n]) => [column, Math.min(n, must.least)] as const),
            '>=',
            must.least,
          );
        if (must.most !== null)
          put(
            terms,
            '<=',
            Math.max(
              must.most,
              pinnedOf((offer) => practises(offer, must.skill)),
            ),
          );
        break;
      }
      case 'order': {
        const of = [...pinned.entries()].sort(([a], [b]) => a - b).map(([, { offerId }]) => offers.find(({ id }) => id === offerId)!);
        // What is pinned the wrong way round cannot be mended by the others.
        const firstThen = of.findIndex((offer) => practises(offer, must.then));
        if (firstThen >= 0 && of.slice(firstThen + 1).some((offer) => practises(offer, must.first))) break;
        // Begun is begun: it never goes back, and what comes first has no week after it.
        const begun = slots.map(() => helper());
        for (const [index, slot] of slots.entries()) {
          const [now, next] = [begun[index]!, begun[index + 1]];
          put([...countIn(slot, (offer) => practises(offer, must.then)), [now, -1]], '<=', 0);
          if (next === undefined) continue;
          put(
            [
              [now, 1],
              [next, -1],
            ],
            '<=',
            0,
          );
          const later = slots[index + 1];
          put([...countIn(later, (offer) => practises(offer, must.first)), [now, 1]], '<=', 1);
        }
        break;
      }
      case 'often':
        for (const [index, { id, kind }] of offers.entries())
          if (kind === 'game' && slots.length > must.most)
            put(
              count((_, of) => of === index),
              '<=',
              Math.max(
                must.most,
                pinnedOf((offer) => offer.id === id),
              ),
            );
        break;
      case 'run':
        for (const skill of movementsOf(term))
          for (const slot of slots) {
            const span = Array.from({ length: must.most + 1 }, (_, n) => slot + n);
            if (span.every((one) => slots.includes(one)) && span.some((one) => !pinned.has(one)))
              put(
                count(
                  (offer) => offer.skills[0] === skill,
                  ({ week }) => span.includes(week),
                ),
                '<=',
                must.most,
              );
          }
        break;
      case 'pinned': {
        const { cell } = must;
        if (cell)
          put(
            count(
              ({ id }) => id === cell.offerId,
              ({ week, level }, index) => week === must.week && offers[index]!.levels[level]!.id === cell.levelId,
            ),
            '>=',
            1,
          );
        break;
      }
      // What these bar has no column; what is lent is of all classes.
      case 'twice':
      case 'minutes':
      case 'floor':
      case 'never':
      case 'cupboard':
        break;
    }
  }
  return { blocks, columns, rows };
}

/**
 * Which levels of an offer may be the best there. No must tells them apart but the minutes and a pinned cell: of those that are short enough the cheapest
 * will do.
 */
function levelsWorthIt(
  term: Term,
  musts: readonly Must[],
  { classIndex, week, offer }: { readonly classIndex: number; readonly week: number; readonly offer: number },
): readonly number[] {
  const { offers, expected } = term;
  const most = Math.min(Infinity, ...musts.flatMap((must) => (must.kind === 'minutes' ? [must.most] : [])));
  const costOf = (level: number) => wholeCost(cellCost(term, classIndex, week, offer, level));
  const all = offers[offer]!.levels.map((_, level) => level);
  const cheapest = (of: readonly number[]) => {
    const costs = of.map(costOf);
    return of.filter((_, index) => index === costs.indexOf(Math.min(...costs)));
  };
  const isShort = (level: number) => expected[classIndex]![offer]![level]!.minutes <= most;
  const pinned = musts.flatMap((must) =>
    must.kind === 'pinned' && must.week === week && must.cell?.offerId === offers[offer]!.id
      ? [offers[offer]!.levels.findIndex(({ id }) => id === must.cell?.levelId)]
      : [],
  );
  return [...new Set([...cheapest(all.filter(isShort)), ...pinned.filter((level) => level >= 0)])];
}

/** Movements that are missing, and ways that have more than their share. */
function wishesOf(term: Term, classIndex: number, blocks: readonly (Block | null)[], columns: Unknown[], rows: Condition[]): void {
  const { offers, weights } = term;
  const where = (is: (offer: PlanOffer) => boolean): [number, number][] => {
    const isOffer = offers.map(is);
    const terms: [number, number][] = [];
    for (const [column, block] of blocks.entries())
      if (block?.classIndex === classIndex && isOffer[block.offer]) terms.push([column, block.cells.length]);
    return terms;
  };
  const measure = (cost: number) => columns.push({ cost, isBinary: false }) - 1;
  if (weights.movements > 0)
    for (const skill of movementsOf(term)) {
      const missing = measure(weights.movements);
      rows.push({
        terms: [...where((offer) => practises(offer, skill)).map(([column]) => [column, 1] as const), [missing, 1]],
        sense: '>=',
        rhs: 1,
      });
    }
  const { ways, share } = shareOfWays(term);
  if (weights.variety > 0)
    for (const way of ways) {
      const over = measure(weights.variety);
      rows.push({ terms: [...where((offer) => offer.kind === 'game' && offer.way === way), [over, -1]], sense: '<=', rhs: share });
    }
}

/** The plan that the values of the columns say; classes that are none of the program have an empty line. */
export function planIn(term: Term, { blocks }: MipOfTerm, values: readonly number[]): TermPlan {
  const plan = term.classes.map(() => term.weeks.map((): Cell | null => null));
  for (const [column, of] of blocks.entries())
    if (of && values[column]! > 0.5) {
      const { id, levels } = term.offers[of.offer]!;
      for (const { week, level } of of.cells) plan[of.classIndex]![week] = { offerId: id, levelId: levels[level]!.id };
    }
  return plan;
}
