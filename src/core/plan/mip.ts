/**
 * A term as a mixed-integer program: a binary variable for each class, week, offer and level; rows for what must be, each under the must that asks for
 * it; the wishes as costs. Classes meet only where they borrow the same things.
 */
import { cellCost, wholeCost } from './cost';
import { isOf, mayStand, movementsOf, practises, shareOfWays, type Cell, type Must, type PlanOffer, type TermPlan, type Term } from './term';

export interface Unknown {
  readonly cost: number;
  readonly isBinary: boolean;
}

export interface Condition {
  readonly terms: readonly (readonly [column: number, factor: number])[];
  readonly sense: '<=' | '>=' | '=';
  readonly rhs: number;
  /** Which must asks for it; null for what a plan is: one choice a slot, the costs of wishes. */
  readonly mustId: string | null;
}

export interface Mip {
  readonly columns: readonly Unknown[];
  readonly rows: readonly Condition[];
}

interface Variable {
  readonly classIndex: number;
  readonly week: number;
  readonly offer: number;
  readonly level: number;
}

export interface MipOfTerm extends Mip {
  /** What each column stands for; null for those that help or measure. */
  readonly variables: readonly (Variable | null)[];
}

export interface ProgramOf {
  /** The classes that are planned; all unless it is said. */
  readonly classes?: readonly number[];
  readonly without?: ReadonlySet<string>;
  /** What of the cupboard others have already, by week and thing. */
  readonly taken?: readonly Readonly<Record<string, number>>[];
  /** Whether any plan will do: the wishes are left out. */
  readonly anyPlan?: boolean;
}

/** The program of a term, or of some of its classes alone. */
export function programOf(term: Term, { classes, without = new Set(), taken, anyPlan = false }: ProgramOf = {}): MipOfTerm {
  const chosen = classes ?? term.classes.map((_, index) => index);
  const musts = term.musts.filter(({ id }) => !without.has(id));
  const variables: (Variable | null)[] = [];
  const columns: Unknown[] = [];
  const rows: Condition[] = [];
  for (const classIndex of chosen) {
    const own = ofClass(term, classIndex, musts, columns.length, anyPlan);
    variables.push(...own.columns.map((_, index) => own.variables[index] ?? null));
    columns.push(...own.columns);
    rows.push(...own.rows);
  }
  for (const must of musts)
    if (must.kind === 'cupboard')
      for (const [week] of term.weeks.entries()) {
        const terms = variables.flatMap((of, column) => {
          const lent = of?.week === week ? (term.offers[of.offer]!.lends[must.thing] ?? 0) : 0;
          return lent > 0 ? [[column, lent] as const] : [];
        });
        if (terms.length > 0) rows.push({ terms, sense: '<=', rhs: must.there - (taken?.[week]?.[must.thing] ?? 0), mustId: must.id });
      }
  if (!anyPlan) for (const classIndex of chosen) wishesOf(term, classIndex, variables, columns, rows);
  return { variables, columns, rows };
}

function ofClass(term: Term, classIndex: number, musts: readonly Must[], firstColumn: number, anyPlan: boolean) {
  const { offers, weeks, classes, expected } = term;
  const own = musts.filter((must) => isOf(must, classes[classIndex]!.id));
  const freeWeeks = new Set(own.flatMap((must) => (must.kind === 'pinned' && must.cell === null ? [must.week] : [])));
  const variables: Variable[] = [];
  for (const [week, { holiday }] of weeks.entries())
    if (!holiday && !freeWeeks.has(week))
      for (const [offer] of offers.entries())
        if (mayStand(own, classes[classIndex]!.id, week, offers[offer]!))
          for (const level of levelsWorthIt(term, own, { classIndex, week, offer })) variables.push({ classIndex, week, offer, level });
  const columns: Unknown[] = variables.map(({ week, offer, level }) => ({
    cost: anyPlan ? 0 : wholeCost(cellCost(term, classIndex, week, offer, level)),
    isBinary: true,
  }));
  const rows: Condition[] = [];
  const put = (mustId: string | null, chosen: readonly number[], sense: Condition['sense'], rhs: number) =>
    rows.push({ terms: chosen.map((column) => [column, 1] as const), sense, rhs, mustId });
  /** The ones less the others. */
  const link = (mustId: string, ones: readonly number[], less: readonly number[], sense: Condition['sense'], rhs: number) => {
    const factors = new Map<number, number>(ones.map((column) => [column, 1]));
    for (const column of less) factors.set(column, (factors.get(column) ?? 0) - 1);
    rows.push({ terms: [...factors], sense, rhs, mustId });
  };
  const helper = (isBinary = false) => firstColumn + columns.push({ cost: 0, isBinary }) - 1;
  const where = (is: (of: Variable) => boolean) => variables.flatMap((of, index) => (is(of) ? [firstColumn + index] : []));
  const inWeek = new Map<number, number[]>();
  for (const [index, { week }] of variables.entries()) inWeek.set(week, [...(inWeek.get(week) ?? []), firstColumn + index]);
  for (const [, list] of inWeek) put(null, list, '=', 1);
  const weeksOf = [...inWeek.keys()];
  const skillIn = (skill: PlanOffer['skills'][number], week: number, main = false) =>
    (inWeek.get(week) ?? []).filter((column) => {
      const { skills } = offers[variables[column - firstColumn]!.offer]!;
      return main ? skills[0] === skill : skills.includes(skill);
    });

  for (const must of own) {
    switch (must.kind) {
      case 'skill-weeks': {
        const list = where(({ offer }) => practises(offers[offer]!, must.skill));
        if (must.least > 0) put(must.id, list, '>=', must.least);
        if (must.most !== null) put(must.id, list, '<=', must.most);
        break;
      }
      case 'order': {
        // Begun is begun: it never goes back, and what comes first has no week after it.
        const begun = weeksOf.map(() => helper());
        for (const [index, week] of weeksOf.entries()) {
          const [now, next] = [begun[index]!, begun[index + 1]];
          link(must.id, skillIn(must.then, week), [now], '<=', 0);
          if (next === undefined) continue;
          link(must.id, [now], [next], '<=', 0);
          put(must.id, [...skillIn(must.first, weeksOf[index + 1]!), now], '<=', 1);
        }
        break;
      }
      case 'often':
        for (const [index, { kind }] of offers.entries())
          if (kind === 'game' && weeksOf.length > must.most)
            put(
              must.id,
              where(({ offer }) => offer === index),
              '<=',
              must.most,
            );
        break;
      case 'twice':
        for (const [index, { kind }] of offers.entries()) {
          if (kind !== 'game') continue;
          const isUsed = helper(true);
          const ever = where((of) => of.offer === index);
          for (const week of weeksOf) {
            const here = ever.filter((column) => variables[column - firstColumn]!.week === week);
            const near = ever.filter((column) => {
              const apart = Math.abs(variables[column - firstColumn]!.week - week);
              return apart > 0 && apart < must.within;
            });
            link(must.id, here, near, '<=', 0);
            // Both follow from the row above: they tell the solver of half-used games what it would find out late.
            link(must.id, here, [isUsed], '<=', 0);
          }
          link(must.id, ever, [isUsed, isUsed], '>=', 0);
        }
        break;
      case 'run':
        for (const skill of movementsOf(term))
          for (const week of weeksOf) {
            const span = Array.from({ length: must.most + 1 }, (_, n) => week + n);
            if (span.every((one) => inWeek.has(one)))
              put(
                must.id,
                span.flatMap((one) => skillIn(skill, one, true)),
                '<=',
                must.most,
              );
          }
        break;
      case 'minutes':
        put(
          must.id,
          where(({ offer, level }) => expected[classIndex]![offer]![level]!.minutes > must.most),
          '<=',
          0,
        );
        break;
      case 'floor':
        put(
          must.id,
          where(({ offer }) => offers[offer]!.floorM > must.metres),
          '<=',
          0,
        );
        break;
      case 'never':
        put(
          must.id,
          where(({ offer }) => offers[offer]!.id === must.offerId),
          '<=',
          0,
        );
        break;
      case 'event':
        put(
          must.id,
          where(({ week, offer }) => week === must.week && offers[offer]!.kind === 'event'),
          '>=',
          1,
        );
        break;
      case 'pinned': {
        const { cell } = must;
        if (cell)
          put(
            must.id,
            where((of) => of.week === must.week && isCell(term, of, cell)),
            '>=',
            1,
          );
        break;
      }
      case 'cupboard':
        break;
    }
  }
  return { variables, columns, rows };
}

const isCell = ({ offers }: Term, { offer, level }: Variable, { offerId, levelId }: Cell) =>
  offers[offer]!.id === offerId && offers[offer]!.levels[level]!.id === levelId;

/**
 * Which levels of an offer may be the best there. No must tells them apart but the minutes and a pinned cell: of those that are short enough, and of those
 * that are not, the cheapest will do.
 */
function levelsWorthIt(term: Term, musts: readonly Must[], { classIndex, week, offer }: Omit<Variable, 'level'>): readonly number[] {
  const { offers, expected } = term;
  const most = Math.min(Infinity, ...musts.flatMap((must) => (must.kind === 'minutes' ? [must.most] : [])));
  const costOf = (level: number) => wholeCost(cellCost(term, classIndex, week, offer, level));
  const all = offers[offer]!.levels.map((_, level) => level);
  const cheapest = (of: readonly number[]) => (of.length === 0 ? [] : [of.reduce((best, level) => (costOf(level) < costOf(best) ? level : best))]);
  const isShort = (level: number) => expected[classIndex]![offer]![level]!.minutes <= most;
  const pinned = all.filter((level) =>
    musts.some((must) => must.kind === 'pinned' && must.week === week && must.cell && isCell(term, { classIndex, week, offer, level }, must.cell)),
  );
  return [...new Set([...cheapest(all.filter(isShort)), ...cheapest(all.filter((level) => !isShort(level))), ...pinned])];
}

/** Movements that are missing, and ways that have more than their share. */
function wishesOf(term: Term, classIndex: number, variables: readonly (Variable | null)[], columns: Unknown[], rows: Condition[]): void {
  const { offers, weights } = term;
  const where = (is: (offer: PlanOffer) => boolean) =>
    variables.flatMap((of, column) => (of?.classIndex === classIndex && is(offers[of.offer]!) ? [[column, 1] as const] : []));
  const measure = (cost: number) => columns.push({ cost, isBinary: false }) - 1;
  if (weights.movements > 0)
    for (const skill of movementsOf(term)) {
      const missing = measure(weights.movements);
      rows.push({ terms: [...where((offer) => practises(offer, skill)), [missing, 1]], sense: '>=', rhs: 1, mustId: null });
    }
  const { ways, share } = shareOfWays(term);
  if (weights.variety > 0)
    for (const way of ways) {
      const over = measure(weights.variety);
      rows.push({ terms: [...where((offer) => offer.kind === 'game' && offer.way === way), [over, -1]], sense: '<=', rhs: share, mustId: null });
    }
}

/** The plan that the values of the columns say; classes that are none of the program keep the line of `before`. */
export function planIn(term: Term, { variables }: MipOfTerm, values: readonly number[], before?: TermPlan): TermPlan {
  const planned = new Set(variables.map((of) => of?.classIndex));
  const plan: (Cell | null)[][] = term.classes.map((_, index) =>
    planned.has(index) ? term.weeks.map(() => null) : [...(before?.[index] ?? term.weeks.map(() => null))],
  );
  for (const [column, of] of variables.entries())
    if (of && values[column]! > 0.5) {
      const { id, levels } = term.offers[of.offer]!;
      plan[of.classIndex]![of.week] = { offerId: id, levelId: levels[of.level]!.id };
    }
  return plan;
}
