/** Which of what a plan must keep it does not keep. Written apart from the program that is solved, which it is held against. */
import { offerAt } from './cost';
import { isOf, isSameCell, lentFor, practises, type Cell, type Must, type PlanOffer, type TermPlan, type Term } from './term';

export interface Broken {
  readonly mustId: string;
  /** Null for what concerns all classes together. */
  readonly classIndex: number | null;
}

type Line = TermPlan[number];

interface Slot {
  readonly week: number;
  readonly cell: Cell;
  readonly offer: PlanOffer;
  readonly minutes: number;
}

function slotsOf(term: Term, classIndex: number, line: Line): Slot[] {
  return line.flatMap((cell, week) => {
    if (!cell) return [];
    const { offer, level } = offerAt(term, cell);
    return [{ week, cell, offer: term.offers[offer]!, minutes: term.expected[classIndex]![offer]![level]!.minutes }];
  });
}

/** Whether one class keeps it; what concerns all classes together is kept here. `pinned`: the weeks whose cells stand whatever else is asked. */
function keeps(must: Must, slots: readonly Slot[], line: Line, weeks: number, pinned: ReadonlySet<number>): boolean {
  const open = slots.filter(({ week }) => !pinned.has(week));
  const games = slots.filter(({ offer }) => offer.kind === 'game');
  const openGames = games.filter(({ week }) => !pinned.has(week));
  switch (must.kind) {
    case 'skill-weeks': {
      const of = slots.filter(({ offer }) => practises(offer, must.skill));
      return of.length >= must.least && (must.most === null || of.length <= must.most || of.every(({ week }) => pinned.has(week)));
    }
    case 'order': {
      const isKept = (some: readonly Slot[]) => {
        const last = Math.max(-1, ...some.filter(({ offer }) => practises(offer, must.first)).map(({ week }) => week));
        const first = Math.min(weeks, ...some.filter(({ offer }) => practises(offer, must.then)).map(({ week }) => week));
        return last <= first;
      };
      return isKept(slots) || !isKept(slots.filter(({ week }) => pinned.has(week)));
    }
    case 'often':
      return openGames.every(({ offer }) => games.filter((one) => one.offer === offer).length <= must.most);
    case 'twice':
      return openGames.every(({ offer, week }) =>
        games.some((one) => one.offer === offer && one.week !== week && Math.abs(one.week - week) < must.within),
      );
    case 'run':
      return !slots.some(({ week, offer }) => {
        const next = Array.from({ length: must.most + 1 }, (_, n) => slots.find((one) => one.week === week + n));
        return next.every((one) => one !== undefined && one.offer.skills[0] === offer.skills[0]) && next.some((one) => one && !pinned.has(one.week));
      });
    case 'minutes':
      return open.every(({ minutes }) => minutes <= must.most);
    case 'floor':
      return open.every(({ offer }) => offer.floorM <= must.metres);
    case 'pinned':
      return isSameCell(line[must.week], must.cell);
    case 'never':
      return open.every(({ offer }) => offer.id !== must.offerId);
    case 'cupboard':
      return true;
  }
}

const pinnedWeeks = (musts: readonly Must[], classId: string): ReadonlySet<number> =>
  new Set(musts.flatMap((must) => (must.kind === 'pinned' && isOf(must, classId) ? [must.week] : [])));

/** Everything that is not kept. */
export function brokenBy(term: Term, plan: TermPlan): Broken[] {
  const { classes, musts, weeks } = term;
  const lines = plan.map((line, classIndex) => slotsOf(term, classIndex, line));
  const ofClasses = classes.flatMap(({ id }, classIndex) => {
    const pinned = pinnedWeeks(musts, id);
    return musts
      .filter((must) => isOf(must, id) && !keeps(must, lines[classIndex]!, plan[classIndex]!, weeks.length, pinned))
      .map((must): Broken => ({ mustId: must.id, classIndex }));
  });
  const together = musts
    .filter((must) => must.kind === 'cupboard' && weeks.some((_, week) => lentIn(term, lines, week, must.thing) > must.there))
    .map((must): Broken => ({ mustId: must.id, classIndex: null }));
  return [...ofClasses, ...together];
}

const lentIn = (term: Term, lines: readonly (readonly Slot[])[], week: number, thing: string): number =>
  lines.reduce(
    (sum, slots, classIndex) => slots.reduce((of, slot) => of + (slot.week === week ? lentFor(term, classIndex, slot.offer, thing) : 0), sum),
    0,
  );
