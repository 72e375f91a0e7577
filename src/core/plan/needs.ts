/** What a week of a plan needs of the things that a school lends. */
import { cellAt, classesOfPlan, offersOf, type PlanFacts, type TermDocument } from './document';

export interface ClassNeeds {
  readonly classId: string;
  readonly className: string;
  readonly children: number;
  readonly title: string;
  /** Of each thing that is lent how many for the whole class, and for each child. */
  readonly things: readonly { readonly name: string; readonly each: number; readonly all: number }[];
}

/** Class by class; classes that need nothing of it are left out. Names are compared without regard to capitals. */
export function needsOfWeek(document: TermDocument, facts: PlanFacts, week: number, lent: readonly string[]): ClassNeeds[] {
  const offers = offersOf(document, facts.offers);
  const known = new Map(lent.map((name) => [name.toLowerCase(), name]));
  return classesOfPlan(document, facts).flatMap(({ id, name, children }) => {
    const offer = offers.find((one) => one.id === cellAt(document, id, week)?.offerId);
    const things = Object.entries(offer?.lends ?? {}).flatMap(([thing, each]) => {
      const as = known.get(thing.toLowerCase());
      return as ? [{ name: as, each, all: each * children }] : [];
    });
    return offer && things.length > 0 ? [{ classId: id, className: name, children, title: offer.title, things }] : [];
  });
}

/** Of each thing how many all classes need together. */
export function inAll(needs: readonly ClassNeeds[]): ReadonlyMap<string, number> {
  const sum = new Map<string, number>();
  for (const { things } of needs) for (const { name, all } of things) sum.set(name, (sum.get(name) ?? 0) + all);
  return sum;
}
