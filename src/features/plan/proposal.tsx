'use client';
/** A plan that was worked out anew, as what it changes: each change with its reason, accepted or left as it was. Nothing changes by itself. */
import type { CellChange, PlanFacts } from '@/core/plan/document';
import { instead, worseBecause } from '@/core/plan/why';
import type { Cell, Term } from '@/core/plan/term';
import { Button, QuietButton } from '@/ui/button';
import { SoftLine } from '@/ui/page';
import { Acts } from './plan-style';
import type { Found } from './use-plan-solver';

export interface ProposedChange extends CellChange {
  readonly words: string;
  readonly because: string;
}

export const cellName = (term: Term, cell: Cell | null): string => {
  if (!cell) return 'nothing';
  const offer = term.offers.find(({ id }) => id === cell.offerId);
  return offer ? `${offer.title}, ${offer.levels.find(({ id }) => id === cell.levelId)?.name ?? ''}` : 'a game that is gone';
};

const isOffered = (term: Term, { offerId, levelId }: Cell): boolean =>
  term.offers.some(({ id, levels }) => id === offerId && levels.some((level) => level.id === levelId));

/** Each change in words: "P4, week 7: Wade → Swim", and because of what. */
export function proposed(
  { term, plan }: Pick<Found, 'term' | 'plan'>,
  changes: readonly CellChange[],
  facts: PlanFacts,
  wordsOfMust: (id: string) => string,
): ProposedChange[] {
  return changes.map((change) => {
    const classIndex = term.classes.findIndex(({ id }) => id === change.classId);
    const { name } = term.classes[classIndex]!;
    const words = `${name}, week ${change.week + 1}: ${cellName(term, change.from)} → ${cellName(term, change.to)}`;
    return { ...change, words, because: becauseOf(classIndex, change) };
  });

  function becauseOf(classIndex: number, { week, from }: CellChange): string {
    if (!from) return 'nothing stood there';
    if (!isOffered(term, from)) return 'it is no longer on the shelf';
    const said = worseBecause(term, plan, { classIndex, week }, instead(term, plan, classIndex, week, from), wordsOfMust).slice(0, 2);
    // What is as good by itself makes room for another change.
    if (said.length === 0) return 'it makes room for another change';
    const { tries = 0, lately } = facts.classes.find(({ id }) => id === term.classes[classIndex]!.id) ?? {};
    const by = [...(tries > 0 ? [`by ${tries} tries of its own`] : []), ...(lately ? [`since ${lately}`] : [])];
    return [`before: ${said.map(({ words }) => words).join('; ')}`, ...(said.some(({ what }) => what === 'hardness') ? by : [])].join(', ');
  }
}

export function Proposal({
  changes,
  onAccept,
  onKeep,
}: {
  changes: readonly ProposedChange[];
  onAccept: (changes: readonly CellChange[]) => void;
  onKeep: (changes: readonly CellChange[]) => void;
}) {
  return (
    <section aria-labelledby="changes">
      <h2 id="changes">
        {changes.length} {changes.length === 1 ? 'change' : 'changes'} to the plan
      </h2>
      <SoftLine $small>Nothing has been changed yet. Take what is right, leave the rest as it was.</SoftLine>
      <Acts>
        <Button $strong onPress={() => onAccept(changes)}>
          Accept all
        </Button>
        <Button onPress={() => onKeep(changes)}>Keep all as it was</Button>
      </Acts>
      <ul>
        {changes.map((change) => (
          <li key={`${change.classId} ${change.week}`} className="whole">
            <span>
              <b>{change.words}</b> <SoftLine $small>{change.because}</SoftLine>
              <Acts>
                <QuietButton aria-label={`Accept ${change.words}`} onPress={() => onAccept([change])}>
                  Accept
                </QuietButton>
                <QuietButton aria-label={`Keep as it was: ${change.words}`} onPress={() => onKeep([change])}>
                  Keep
                </QuietButton>
              </Acts>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
