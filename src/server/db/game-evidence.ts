import { createHash } from 'node:crypto';
import type { Uuid } from '@/contract/ids';
import type { GameEvidence } from '@/core/rules/format/evidence-file';
import { parsed } from './games';
import { newId, toBytes, toText } from './ids';
import { change, rows, type Db } from './pool';

/** The same sums twice are the same. */
export async function addEvidence(db: Db, gameId: Uuid, evidence: GameEvidence, now: Date): Promise<void> {
  const body = JSON.stringify(evidence);
  const content = createHash('sha256').update(body).digest();
  await change(db, 'INSERT IGNORE INTO game_evidence (id, game_id, content, body, brought_in_at) VALUES (?, ?, ?, ?, ?)', [
    newId(),
    toBytes(gameId),
    content,
    body,
    now,
  ]);
}

interface EvidenceOfGame {
  readonly gameId: Uuid;
  readonly evidence: GameEvidence;
}

/** What others measured with the games of this school, or with one of them. */
export async function evidenceOfGames(schoolId: Uuid, gameId?: Uuid): Promise<EvidenceOfGame[]> {
  const found = await rows<{ game_id: Buffer; body: GameEvidence | string }>(
    `SELECT e.game_id, e.body FROM game_evidence e JOIN games g ON g.id = e.game_id
      WHERE g.school_id = ? AND (? IS NULL OR e.game_id = ?) ORDER BY e.brought_in_at`,
    [toBytes(schoolId), gameId ? toBytes(gameId) : null, gameId ? toBytes(gameId) : null],
  );
  return found.map(({ game_id, body }) => ({ gameId: toText(game_id), evidence: parsed(body) }));
}
