/** What a school measured with a game as it is now, and what others did. */
import { createHash } from 'node:crypto';
import type { Uuid } from '@/contract/ids';
import type { FigureLine } from '@/core/forecast/where-from';
import { chanceOf } from '@/core/forecast/chances';
import { toldBy } from '@/core/motion/release';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import { aimedTasks } from '@/core/course/geometry';
import { AIMED_TECHNIQUES } from '@/core/progress/evidence';
import type { Fitted } from '@/core/progress/fit';
import { fitByOthers, measuredRows, type MeasuredGo, type OthersTries } from '@/core/progress/measured';
import { canonicalText, type EvidenceRow, type GameEvidence, type GameSet } from '@/core/rules/format/evidence-file';
import { EVIDENCE_FORMAT, SET_FORMAT } from '@/core/rules/format/formats';
import type { Game } from '@/core/rules/format/game';
import { levelById } from '@/core/rules/format/level';
import type { ShelvedGame } from '@/contract/game';
import { classesOf } from '../db/classes';
import { evidenceOfGames } from '../db/game-evidence';
import { groupedBy } from '../db/grouped';
import { versionsOfGame } from '../db/games';
import { breath } from '../progress/breath';
import { triedPlays } from '../progress/curves';
import { weekNumber } from '../progress/week-number';
import { playsOfClass } from '../reports/plays';

export const gameHash = (game: Game): string => createHash('sha256').update(canonicalText(game)).digest('hex');

/** By the classes of this year, with the game exactly as it is; null where nothing is enough to be told. */
async function measuredWith(schoolId: Uuid, { id, game }: Pick<ShelvedGame, 'id' | 'game'>, today: string): Promise<GameEvidence | null> {
  const own = gameHash(game);
  const versions = new Set((await versionsOfGame(schoolId, id)).filter((version) => gameHash(version.game) === own).map((version) => version.id));
  const goes: MeasuredGo[] = [];
  for (const of of versions.size > 0 ? await classesOf(schoolId, today) : []) {
    const plays = (await playsOfClass(of.id)).filter(({ versionId, asAsked }) => asAsked && versions.has(versionId));
    for (const { play, tries } of await triedPlays(plays))
      goes.push({ child: play.childId, week: weekNumber(play.receivedAt), level: play.levelId, tries });
    await breath();
  }
  const rows = measuredRows(goes);
  return rows.length > 0 ? { format: EVIDENCE_FORMAT, game: own, rows } : null;
}

/** Games as one file, with what was measured if that is wished. */
export async function setOf(schoolId: Uuid, title: string, games: readonly ShelvedGame[], withMeasured: boolean, today: string): Promise<GameSet> {
  const evidence: GameEvidence[] = [];
  for (const one of withMeasured ? games : []) {
    const found = await measuredWith(schoolId, one, today);
    if (found) evidence.push(found);
  }
  return { format: SET_FORMAT, title, games: games.map(({ game, ageYears }) => ({ ...game, ageYears })), ...(withMeasured && { evidence }) };
}

const inTen = (share: number) => `${Math.round(10 * share)} in 10`;

const techniqueOf = (game: Game, levelId: string) =>
  aimedTasks(levelById(game, levelId))
    .map(({ task }) => AIMED_TECHNIQUES.find((one) => one === task.technique))
    .find((one) => one !== undefined);

interface OthersRow extends EvidenceRow, OthersTries {}

/** What others measured with a game as it is now, and the model's chance at each; none of things or levels that are not known here. */
function rowsOfOthers(game: Game, evidence: readonly GameEvidence[]): OthersRow[] {
  if (evidence.length === 0) return [];
  const own = gameHash(game);
  return evidence
    .filter((one) => one.game === own)
    .flatMap(({ rows }) => rows)
    .flatMap((row): OthersRow[] => {
      const chance = modelOf(game, row);
      return chance === undefined ? [] : [{ ...row, chance }];
    });
}

interface MeasuredByOthers {
  readonly rows: readonly OthersRow[];
  /** What takes the place of a class's fit until it has reported enough. */
  readonly fit: Fitted;
}

/** By game, what others measured with it as it is now. */
export async function measuredByOthers(
  schoolId: Uuid,
  games: readonly Pick<ShelvedGame, 'id' | 'game'>[],
): Promise<ReadonlyMap<Uuid, MeasuredByOthers>> {
  const known = groupedBy(await evidenceOfGames(schoolId, games.length === 1 ? games[0]!.id : undefined), ({ gameId }) => gameId);
  return new Map(
    games.flatMap(({ id, game }) => {
      const rows = rowsOfOthers(
        game,
        (known.get(id) ?? []).map(({ evidence }) => evidence),
      );
      const fit = fitByOthers(rows);
      return fit ? [[id, { rows, fit }] as const] : [];
    }),
  );
}

export const fitsByOthers = async (schoolId: Uuid, games: readonly Pick<ShelvedGame, 'id' | 'game'>[]): Promise<ReadonlyMap<Uuid, Fitted>> =>
  new Map([...(await measuredByOthers(schoolId, games))].map(([id, { fit }]) => [id, fit]));

/**
 * What others measured at a level, named as theirs, and the chance with a third of their weight. A class that has reported enough (`isOwn`) is told by
 * its own tries.
 */
export const linesOfOthers = ({ rows, fit }: MeasuredByOthers, levelId: string, isOwn: boolean): FigureLine[] =>
  rows
    .filter((row) => row.level === levelId)
    .map((row) => ({
      what: `others: ${row.hits} of ${row.tries} from ${row.distanceM} m, ${row.children} children of about ${row.ageYears}`,
      value: `${inTen(row.hits / row.tries)}; ${
        isOwn ? 'not weighed in: the class has reported enough itself' : `here ${inTen(toldBy(fit, row.chance))} instead of ${inTen(row.chance)}`
      }`,
      source: 'measured by another school, weighed by a third beside the model',
      replacedBy: 'what your own classes report',
    }));

/** The model's chance for such a row; undefined for a level or things that are not known here. */
function modelOf(game: Game, { level, object, implement, distanceM, ageYears }: EvidenceRow): number | undefined {
  if (!(object in AIMED) || !(implement in IMPLEMENTS) || !game.levels.some(({ id }) => id === level)) return undefined;
  const technique = techniqueOf(game, level);
  return (
    technique &&
    chanceOf({
      technique,
      target: object as AimedId,
      implement: implement as ImplementId,
      form: 'standing',
      otherHand: false,
      distanceM,
      ageYears,
      skill: 1,
    })
  );
}
