/** The plan of the demo's term: what was sent, a holiday, and what is still to come. */
import { newUuid, type Uuid } from '@/contract/ids';
import { dayPlus } from '@/core/measure/days';
import type { PlannedCell, TermDocument } from '@/core/plan/document';
import { EVENT_LEVEL, USUAL_WISHES } from '@/core/plan/wishes';
import { addPlan } from '../db/term-plans';
import { transact } from '../db/pool';

export interface DemoPlanned {
  readonly classId: Uuid;
  /** By week: what was sent, under which id. */
  readonly sent: readonly { readonly sentAs: Uuid; readonly gameIds: readonly Uuid[]; readonly levelId: string }[];
  /** By week after those: the games to come; null in the week of the holiday. */
  readonly toCome: readonly (Uuid | null)[];
}

const DAYS = 82;
const LEVEL_TO_COME = 'level-2';

export async function addDemoPlan(
  schoolId: Uuid,
  startsOn: string,
  event: { readonly title: string },
  classes: readonly DemoPlanned[],
  now: Date,
): Promise<void> {
  const eventGames = classes.flatMap(({ sent }) => sent).find(({ gameIds }) => gameIds.length > 1);
  const eventId = newUuid();
  const cell = (offerId: string, levelId: string, sentAs: Uuid = newUuid()): PlannedCell => ({ sentAs, offerId, levelId, pinned: false });
  const holidayWeek = classes[0]!.sent.length + classes[0]!.toCome.indexOf(null);
  const holiday = dayPlus(startsOn, 7 * holidayWeek);
  const document: TermDocument = {
    name: 'This term',
    startsOn,
    endsOn: dayPlus(startsOn, DAYS),
    holidays: [{ from: holiday, to: dayPlus(holiday, 4), name: 'Half-term' }],
    classes: classes.map(({ classId }) => ({ classId, weekday: 1 })),
    from: 'easy',
    to: 'right',
    importance: { hardness: 'usual', movements: 'usual', variety: 'usual', things: 'usual', changes: 'usual' },
    wishes: [...USUAL_WISHES, { id: newUuid(), kind: 'weeks', skill: 'roll', least: 2, most: null }],
    events: eventGames
      ? [{ id: eventId, title: event.title, games: eventGames.gameIds.map((gameId) => ({ gameId, levelId: eventGames.levelId })) }]
      : [],
    cells: Object.fromEntries(
      classes.map(({ classId, sent, toCome }) => [
        classId,
        [
          ...sent.map(({ sentAs, gameIds, levelId }) =>
            gameIds.length > 1 ? cell(eventId, EVENT_LEVEL, sentAs) : cell(gameIds[0]!, levelId, sentAs),
          ),
          ...toCome.map((gameId) => gameId && cell(gameId, LEVEL_TO_COME)),
        ],
      ]),
    ),
  };
  await transact((db) => addPlan(db, schoolId, document, now));
}
