import { createHash } from 'node:crypto';
import type { Uuid } from '@/contract/ids';
import type { GameEvidence } from '@/core/rules/format/evidence-file';
import { parsed } from './games';
import { newId, toBytes } from './ids';
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

/** What others measured with a game of this school. */
export async function evidenceOfGame(schoolId: Uuid, gameId: Uuid): Promise<GameEvidence[]> {
  const found = await rows<{ body: GameEvidence | string }>(
    'SELECT e.body FROM game_evidence e JOIN games g ON g.id = e.game_id WHERE g.school_id = ? AND e.game_id = ? ORDER BY e.brought_in_at',
    [toBytes(schoolId), toBytes(gameId)],
  );
  return found.map(({ body }) => parsed(body));
}
