import { gameChanges } from '@/core/rules/telling/changes';
import { gameById, versionsOfGame } from '@/server/db/games';
import { json, notFound } from '@/server/http/answer';
import { teacherRoute } from '@/server/http/route';

/** Every version that was kept, the newest first, each with what it has otherwise than the one before it. */
export const GET = teacherRoute({ roles: ['teacher', 'helper'] }, async ({ who, id }) => {
  const shelved = await gameById(who.schoolId, id());
  if (!shelved) throw notFound('game');
  const versions = await versionsOfGame(who.schoolId, id());
  const [newest] = versions;
  return json({
    since: newest ? gameChanges(newest.game, shelved.game) : [],
    versions: versions.map(({ keptAt, ...version }, index) => ({
      ...version,
      keptAt: keptAt.toISOString(),
      changes: versions[index + 1] ? gameChanges(versions[index + 1]!.game, version.game) : [],
    })),
  });
});
