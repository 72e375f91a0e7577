/** The card of one child: what was sent this term, the set-up in the child's own steps, what has been received. */
import type { Game } from '@/core/rules/game';
import { childOfSchool } from '../db/children';
import type { AccessKey } from '../db/access-keys';
import { toBytes, toText, type Uuid } from '../db/ids';
import { firstRow } from '../db/pool';
import { playsOfChild } from '../db/reports';
import { assignmentsOfChild, versionBody, type AssignedSetUp } from '../db/weeks';

export interface CardItem {
  readonly assignmentId: Uuid;
  readonly week: number;
  readonly dueOn: string;
  readonly note: string;
  readonly warmUp: string;
  readonly diary: string;
  readonly game: Game;
  readonly levelId: string;
  readonly setUp: AssignedSetUp;
  readonly par: number | null;
  /** Best score that counted on just this set-up, and how often it was played. */
  readonly best: number | null;
  readonly received: number;
}

export interface Card {
  readonly scope: 'card' | 'slip';
  /** Not told to a slip: paper gets picked up by others. */
  readonly child: { readonly name: string; readonly hand: 'right' | 'left' | null } | null;
  readonly exerciseSwapped: boolean;
  readonly items: readonly CardItem[];
}

function bestOf(values: readonly number[], better: 'high' | 'low'): number {
  return better === 'high' ? Math.max(...values) : Math.min(...values);
}

const WEEKS_SHOWN = 6;

export async function cardFor(key: AccessKey, today: string): Promise<Card> {
  const school = await firstRow<{ school_id: Buffer }>('SELECT school_id FROM children WHERE id = ?', [toBytes(key.childId)]);
  const [child, assignments, plays] = await Promise.all([
    childOfSchool(toText(school!.school_id), key.childId, today),
    assignmentsOfChild(key.childId, key.termId),
    playsOfChild(key.childId),
  ]);
  const slip = key.scope === 'slip';
  const items = await Promise.all(
    assignments.slice(0, slip ? 1 : WEEKS_SHOWN).map(async (assignment): Promise<CardItem> => {
      const game = await versionBody(assignment.versionId);
      const mine = plays.filter((play) => play.assignmentId === assignment.id);
      const counted = mine.filter((play) => play.kind === 'clean' && play.value !== null).map((play) => play.value!);
      return {
        assignmentId: assignment.id,
        week: assignment.week.number,
        dueOn: assignment.week.dueOn,
        note: slip ? '' : assignment.week.note,
        warmUp: assignment.warmUp,
        diary: assignment.diary,
        game,
        levelId: assignment.levelId,
        setUp: assignment.setUp,
        par: assignment.par,
        best: slip || counted.length === 0 ? null : bestOf(counted, game.parts.length > 1 ? game.card.better : game.parts[0]!.measure.better),
        received: slip ? 0 : new Set(mine.map((play) => play.reportId)).size,
      };
    }),
  );
  return {
    scope: key.scope,
    child: slip || !child ? null : { name: `${child.firstName} ${child.initial}`, hand: child.hand },
    exerciseSwapped: child?.form === 'other-exercise',
    items,
  };
}
