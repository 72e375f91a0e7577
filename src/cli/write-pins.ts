/**
 * npm run pins: works out with rigid bodies what is shipped about pins: how hard a ball must strike to fell each, and the tables of the
 * usual arrangements and of the starters. Takes some minutes; what is there already is kept unless --all is given.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import RAPIER from '@dimforge/rapier3d-compat';
import { fillRack, rackOf, racksOf, writeRack, type Rack } from '@/core/forecast/racks';
import { pinOf } from '@/core/motion/chain';
import { rigidFall } from '@/core/motion/rigid';
import { AIMED, IMPLEMENTS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import { compile } from '@/core/rules/playing/compile';
import type { PlacedTarget } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { readGame } from '@/core/rules/format/read-game';

const root = join(import.meta.dirname, '../..');
const TOPPLING = join(root, 'src/core/motion/toppling.json');
const RACKS = join(root, 'src/core/forecast/racks.json');

const ROLLED: readonly ImplementId[] = ['sock-ball', 'big-sock-ball', 'foam-ball', 'tennis-ball', 'playground-ball', 'football'];
const USUAL_PINS: readonly AimedId[] = ['tube', 'small-bottle'];
const USUAL_BALLS: readonly ImplementId[] = ['sock-ball', 'tennis-ball', 'playground-ball'];
const USUAL_ROWS = [2, 3, 4];
const USUAL_GAPS_M = [0.16, 0.25];
/** Slower and faster than this no child's ball arrives, m/s. */
const SLOWEST = 0.1;
const FASTEST = 7;

/** How many of the balls at and above a speed must fell the pin: a ball that leans on a pin can carry it along upright. */
const LOOKED_AT = 5;
const MUST_FELL = 4;

/** The lowest speed, head-on, at and above which a ball nearly always fells the pin; null when none does. */
function lowestToppling(object: AimedId, implement: ImplementId): number | null {
  const pin = pinOf(AIMED[object], { xM: 0, yM: 0 })!;
  const speeds: number[] = [];
  for (let speed = SLOWEST; speed <= FASTEST; speed *= 1.06) speeds.push(speed);
  const fells = speeds.map((speed) => rigidFall(RAPIER, [pin], IMPLEMENTS[implement], { offsetM: 0, angleRad: 0, speed }) !== 0);
  const lowest = speeds.findIndex(
    (_, at) => fells[at] && fells.slice(at, at + LOOKED_AT).filter(Boolean).length >= Math.min(MUST_FELL, speeds.length - at),
  );
  return lowest < 0 ? null : Math.round(speeds[lowest]! * 100) / 100;
}

/** Rows of 1, 2, 3 … pins, the point towards the thrower. */
function triangle(rows: number, gapM: number, object: AimedId): PlacedTarget[] {
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: row + 1 }, (__, k) => ({
      xM: 4 + (row * gapM * Math.sqrt(3)) / 2,
      yM: (k - row / 2) * gapM,
      object,
      turnRad: 0,
      standM: 0,
    })),
  ).flat();
}

function starterRacks(): readonly Rack[] {
  const folder = join(root, 'data/starters');
  return readdirSync(folder).flatMap((file) => {
    const read = readGame(JSON.parse(readFileSync(join(folder, file), 'utf8')));
    if (!read.ok) throw new Error(`${file} cannot be read`);
    return read.value.levels.flatMap((_, index) => {
      const level = resolveLevel(read.value, index);
      const compiled = compile(level);
      return compiled.ok ? racksOf(level, compiled.value) : [];
    });
  });
}

function usualRacks(): readonly Rack[] {
  return USUAL_ROWS.flatMap((rows) =>
    USUAL_GAPS_M.flatMap((gap) =>
      USUAL_PINS.flatMap((object) =>
        USUAL_BALLS.flatMap((ball) => rackOf(triangle(rows, gap, object), (1 << ((rows * (rows + 1)) / 2)) - 1, { xM: 0, yM: 0 }, ball) ?? []),
      ),
    ),
  );
}

await RAPIER.init();
const again = process.argv.includes('--all');
const objects = (Object.keys(AIMED) as AimedId[]).filter((object) => pinOf(AIMED[object], { xM: 0, yM: 0 }) !== null);
const toppling = Object.fromEntries(
  objects.map((object) => [object, Object.fromEntries(ROLLED.map((ball) => [ball, lowestToppling(object, ball)]))]),
);
writeFileSync(TOPPLING, `${JSON.stringify(toppling, null, 2)}\n`);

const kept = again ? {} : (JSON.parse(readFileSync(RACKS, 'utf8')) as Record<string, string>);
const wanted = new Map([...starterRacks(), ...usualRacks()].map((rack) => [rack.key, rack]));
for (const key of Object.keys(kept)) if (!wanted.has(key)) delete kept[key];
let done = 0;
for (const rack of wanted.values()) {
  done += 1;
  if (kept[rack.key]) continue;
  const filling = fillRack(RAPIER, rack);
  for (let next = filling.next(); ; next = filling.next()) {
    if (!next.done) continue;
    kept[rack.key] = writeRack(next.value);
    break;
  }
  writeFileSync(RACKS, `${JSON.stringify(Object.fromEntries(Object.entries(kept).sort()), null, 2)}\n`);
  process.stdout.write(`${done} of ${wanted.size}: ${rack.key}\n`);
}
