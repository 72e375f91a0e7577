/** Which of what a plan must keep it does not keep. Written apart from the program that is solved, which it is held against. */
import { offerAt } from './cost';
import { isOf, practises, type Cell, type Must, type PlanOffer, type TermPlan, type Term } from './term';

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

const isSame = (a: Cell | null | undefined, b: Cell | null) => a?.offerId === b?.offerId && a?.levelId === b?.levelId;

/** Whether one class keeps it; what concerns all classes together is kept here. */
function keeps(must: Must, slots: readonly Slot[], line: Line, weeks: number): boolean {
  const games = slots.filter(({ offer }) => offer.kind === 'game');
  switch (must.kind) {
    case 'skill-weeks': {
      const n = slots.filter(({ offer }) => practises(offer, must.skill)).length;
      return n >= must.least && (must.most === null || n <= must.most);
    }
    case 'order': {
      const last = Math.max(-1, ...slots.filter(({ offer }) => practises(offer, must.first)).map(({ week }) => week));
      const first = Math.min(weeks, ...slots.filter(({ offer }) => practises(offer, must.then)).map(({ week }) => week));
      return last <= first;
    }
    case 'often':
      return games.every(({ offer }) => games.filter((one) => one.offer === offer).length <= must.most);
    case 'twice':
      return games.every(({ offer, week }) =>
        games.some((one) => one.offer === offer && one.week !== week && Math.abs(one.week - week) < must.within),
      );
    case 'run':
      return !slots.some(({ week, offer }) => {
        const next = Array.from({ length: must.most + 1 }, (_, n) => slots.find((one) => one.week === week + n));
        return next.every((one) => one !== undefined && one.offer.skills[0] === offer.skills[0]);
      });
    case 'minutes':
      return slots.every(({ minutes }) => minutes <= must.most);
    case 'floor':
      return slots.every(({ offer }) => offer.floorM <= must.metres);
    case 'pinned':
      return isSame(line[must.week], must.cell);
    case 'never':
      return slots.every(({ offer }) => offer.id !== must.offerId);
    case 'event':
      return slots.some(({ week, offer }) => week === must.week && offer.kind === 'event');
    case 'cupboard':
      return true;
  }
}

/** Everything that is not kept. */
export function brokenBy(term: Term, plan: TermPlan): Broken[] {
  const { classes, musts, weeks } = term;
  const lines = plan.map((line, classIndex) => slotsOf(term, classIndex, line));
  const ofClasses = classes.flatMap(({ id }, classIndex) =>
    musts
      .filter((must) => isOf(must, id) && !keeps(must, lines[classIndex]!, plan[classIndex]!, weeks.length))
      .map((must): Broken => ({ mustId: must.id, classIndex })),
  );
  const together = musts
    .filter((must) => must.kind === 'cupboard' && weeks.some((_, week) => lentIn(lines, week, must.thing) > must.there))
    .map((must): Broken => ({ mustId: must.id, classIndex: null }));
  return [...ofClasses, ...together];
}

const lentIn = (lines: readonly (readonly Slot[])[], week: number, thing: string): number =>
  lines.flat().reduce((sum, slot) => sum + (slot.week === week ? (slot.offer.lends[thing] ?? 0) : 0), 0);
