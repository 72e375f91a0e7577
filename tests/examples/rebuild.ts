/** A starter built again from a blank floor with what the chart table dispatches: things put down, moved and turned, a way to play, levels, slots. */
import { withAdded, withName } from '@/core/course/change';
import { withDepth, withStand, withWidth } from '@/core/course/move';
import { withLevelAdded, withLevelChange } from '@/core/levels/edit-levels';
import type { Game, PlacedTarget, Spot } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { blankGame, withWay } from '@/core/ways/take-way';
import { WAYS, wayById } from '@/core/ways/ways';
import { beginDraft, changeDraft, type DraftAction } from '@/features/chart-table/draft';

/** The way whose rules a starter has. */
const wayOf = (game: Game) => WAYS.find((way) => way.from.title === game.title)!;

export function rebuilt(wanted: Game): Game {
  let history = beginDraft(blankGame('Blank', wayById('practice')!, 8), 8);
  const act = (action: DraftAction) => {
    history = changeDraft(history, action);
  };
  const edit = (change: (game: Game) => Game) => act({ do: 'edit', change });
  const { course } = wanted;

  act({ do: 'title', title: wanted.title });
  act({ do: 'floor', widthM: course.floor.widthM, depthM: course.floor.depthM });
  edit((game) => ({ ...game, ageYears: wanted.ageYears!, kit: wanted.kit, course: { ...game.course, floor: course.floor } }));

  // Everything is put down a little off, then moved to its spot and turned: by typing, as in the list.
  for (const [group, spots] of Object.entries(course.places)) {
    edit((game) => withAdded(game, { kind: 'place', spots: spots.map(off), into: group }).game);
    spots.forEach((spot, index) => act({ do: 'move', level: 0, thing: { kind: 'place', group, index }, to: spot, alone: true }));
  }
  for (const [group, targets] of Object.entries(course.targets)) {
    for (const target of targets) edit((game) => withAdded(game, { kind: 'target', object: target.object, spots: [off(target)], into: group }).game);
    targets.forEach((target, index) => placed(act, edit, { kind: 'target', group, index }, target));
  }
  (course.obstacles ?? []).forEach((thing, index) => {
    edit((game) => withAdded(game, { kind: 'obstacle', object: thing.object, spots: [off(thing)] }).game);
    placed(act, edit, { kind: 'obstacle', index }, thing);
  });
  course.furniture.forEach((piece, index) => {
    edit((game) => withAdded(game, { kind: 'furniture', piece: { name: 'thing', xM: 0, yM: 0, widthM: 0.5, depthM: 0.5 } }).game);
    const thing = { kind: 'furniture', index } as const;
    edit((game) => withName(game, 0, thing, piece.name));
    edit((game) => withDepth(withWidth(game, 0, thing, piece.widthM), 0, thing, piece.depthM));
    act({ do: 'move', level: 0, thing, to: { xM: piece.xM + piece.widthM / 2, yM: piece.yM + piece.depthM / 2 } });
  });
  (course.zones ?? []).forEach((zone, index) => {
    edit((game) => withAdded(game, { kind: 'zone', zone: { name: 'patch', ...off(zone), radiusM: 0.3 } }).game);
    edit((game) => withWidth(withName(game, 0, { kind: 'zone', index }, zone.name), 0, { kind: 'zone', index }, 2 * zone.radiusM));
    act({ do: 'move', level: 0, thing: { kind: 'zone', index }, to: zone });
  });
  for (const way of Object.values(course.routes ?? {})) {
    edit((game) => withAdded(game, { kind: 'way', spots: way.map(off) }).game);
    way.forEach((spot, index) => act({ do: 'move', level: 0, thing: { kind: 'turn', group: 'way', index }, to: spot }));
  }

  edit((game) => withWay(game, wayOf(wanted)));
  edit((game) => ({ ...game, aim: wanted.aim }));

  wanted.levels.forEach((level, index) => {
    if (index > 0) edit((game) => withLevelAdded(game, index - 1));
    act({ do: 'level-name', level: index, name: level.name });
    const there = resolveLevel(wanted, index);
    for (const [group, spots] of Object.entries(there.course.places))
      spots.forEach((spot, at) => act({ do: 'move', level: index, thing: { kind: 'place', group, index: at }, to: spot, alone: true }));
    edit((game) => withLevelChange(game, index, (one) => ({ ...one, parts: there.parts })));
  });
  return history.now.game;
}

const off = (spot: Spot): Spot => ({ xM: spot.xM + 0.1, yM: Math.max(0.3, spot.yM - 0.1) });

function placed(
  act: (action: DraftAction) => void,
  edit: (change: (game: Game) => Game) => void,
  thing: { kind: 'target'; group: string; index: number } | { kind: 'obstacle'; index: number },
  wanted: PlacedTarget,
): void {
  act({ do: 'move', level: 0, thing, to: wanted, alone: true });
  act({ do: 'turn', level: 0, things: [thing], byRad: wanted.turnRad, alone: true });
  if (wanted.standM > 0) edit((game) => withStand(game, 0, thing, wanted.standM));
  if (wanted.widthM !== undefined) edit((game) => withWidth(game, 0, thing, wanted.widthM!));
}

/**
 * A game as it is played, level by level: what stands where and by which rules, to the millimetre. Ids of levels and of ways, and in which
 * of several equal places of the file something is written, are left out: nobody sees them.
 */
export function asPlayed(game: Game): unknown {
  const { title, aim, ageYears, card, calls } = game;
  const rounded = (node: unknown): unknown => {
    if (typeof node === 'number') return Math.round(node * 1000) / 1000 + 0;
    if (Array.isArray(node)) return node.map(rounded);
    return node && typeof node === 'object' ? Object.fromEntries(Object.entries(node).map(([key, value]) => [key, rounded(value)])) : node;
  };
  const levels = game.levels.map((level, index) => {
    const { course, parts, kit, sides } = resolveLevel(game, index);
    const { routes, furniture, ...rest } = course;
    // Furniture is hard where nothing is said.
    const pieces = furniture.map((piece) => ({ ...piece, kind: piece.kind ?? 'hard' }));
    return { name: level.name, kit, parts, sides, course: { ...rest, furniture: pieces, ways: Object.values(routes ?? {}) } };
  });
  return rounded({ title, aim, ageYears, card, calls, levels });
}
