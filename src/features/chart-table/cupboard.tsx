'use client';

import { MakingPictures } from '../drawing/making';
import { useMemo, useState } from 'react';
import { ARRANGEMENT_WORDS, ARRANGEMENTS, withArrangement } from '@/core/course/arrangements';
import { withAdded, type Added, type Addition } from '@/core/course/change';
import type { KnownThing } from '@/core/course/own-things';
import { insideFloor } from '@/core/course/geometry';
import { thingWords } from '@/core/course/thing-words';
import { countsOf, PATTERN_WORDS, patternSpots, type PatternKind } from '@/core/course/patterns';
import { chanceOf } from '@/core/forecast/chances';
import { AIMED, AIMED_IDS, MARKERS, outlineWidthM, type AimedId, type AimedShape, type ImplementId } from '@/core/objects/catalogue';
import type { Furniture, Game, Spot } from '@/core/rules/format/game';
import { Button, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select } from '@/ui/field';
import { Leaves } from '@/ui/leaves';
import { Notice } from '@/ui/notice';
import { NumberSlot } from '@/ui/number-slot';
import { CourseDrawing } from '../drawing/course-drawing';
import { tallM } from '../drawing/side-view';
import { Balls } from './cupboard-balls';
import { Own } from './cupboard-own';
import { About, Board, ShelfCard, ShelfRow, Shelves } from './cupboard-style';
import { Views } from './cupboard-views';

const AIM_FAMILIES: readonly { readonly title: string; readonly kinds: readonly AimedShape['kind'][] }[] = [
  { title: 'To throw into', kinds: ['opening'] },
  { title: 'To knock or to hit', kinds: ['upright', 'face'] },
  { title: 'To land or stop on', kinds: ['flat'] },
  { title: 'To roll or kick through and into', kinds: ['gate', 'mouth'] },
];
const IN_THE_WAY: readonly AimedId[] = ['ramp', 'pillow', 'chair', 'towel-strip', 'clothes-horse', 'wall', 'box', 'cereal-box'];

const FURNITURE: readonly (Omit<Furniture, 'xM' | 'yM'> & { readonly says: string })[] = [
  { name: /*i18n*/ 'sofa', widthM: 1.9, depthM: 0.85, kind: 'soft', says: 'stops a ball' },
  { name: /*i18n*/ 'bed', widthM: 1.9, depthM: 0.95, kind: 'soft', says: 'stops a ball' },
  { name: /*i18n*/ 'cushions', widthM: 0.9, depthM: 0.5, kind: 'soft', says: 'stop a ball' },
  { name: /*i18n*/ 'table', widthM: 1.4, depthM: 0.8, kind: 'hard', says: 'a ball comes back' },
  { name: /*i18n*/ 'shelf', widthM: 0.9, depthM: 0.35, kind: 'hard', says: 'a ball comes back' },
  { name: /*i18n*/ 'radiator', widthM: 1, depthM: 0.12, kind: 'hard', says: 'a ball comes back' },
  { name: /*i18n*/ 'screen', widthM: 1.2, depthM: 0.3, kind: 'breakable', says: 'must not be hit' },
  { name: /*i18n*/ 'window', widthM: 1.2, depthM: 0.06, kind: 'breakable', says: 'must not be hit' },
  { name: /*i18n*/ 'lamp', widthM: 0.35, depthM: 0.35, kind: 'breakable', says: 'must not be hit' },
  { name: /*i18n*/ 'plant', widthM: 0.4, depthM: 0.4, kind: 'breakable', says: 'must not be hit' },
  { name: /*i18n*/ 'wall', widthM: 1.5, depthM: 0.1, kind: 'wall', says: 'a piece of wall inside the floor' },
];

type Shelf = 'aim' | 'way' | 'place' | 'floor' | 'together' | 'ball' | 'own';

export interface CupboardProps {
  readonly game: Game;
  readonly level: Game;
  readonly ageYears: number;
  /** Things of the teacher's own in the school's games. */
  readonly ownThings: readonly KnownThing[];
  readonly onAdd: (added: Added) => void;
  readonly onBall: (ball: ImplementId) => void;
  readonly onMarker: (marker: string) => void;
  readonly onClose: () => void;
}

/** What is in a house, drawn to scale, to be put on the floor: one, several in a pattern, or a whole arrangement. */
export function Cupboard({ game, level, ageYears, ownThings, onAdd, onBall, onMarker, onClose }: CupboardProps) {
  const [shelf, setShelf] = useState<Shelf>('aim');
  const add = (addition: Addition) => onAdd(withAdded(game, addition));
  const free = freeSpot(level);
  return (
    <Dialog title="The cupboard" isOpen onClose={onClose} width={1080}>
      <Leaves<Shelf>
        label="Shelves"
        on={shelf}
        onTurn={setShelf}
        leaves={[
          { id: 'aim', title: 'To aim at', children: <Things key="aim" kind="target" {...{ game, level, ageYears, add, free }} /> },
          { id: 'way', title: 'In the way', children: <Things key="way" kind="obstacle" {...{ game, level, ageYears, add, free }} /> },
          { id: 'place', title: 'Places to stand', children: <Places {...{ game, add, free, onMarker }} /> },
          { id: 'floor', title: 'Floor and furniture', children: <FloorThings add={add} free={free} game={game} /> },
          {
            id: 'together',
            title: 'Set out together',
            children: <Together game={game} ageYears={ageYears} onAdd={onAdd} />,
          },
          { id: 'ball', title: 'To play with', children: <Balls game={game} onBall={onBall} /> },
          { id: 'own', title: 'A thing of your own', children: <Own game={game} ofSchool={ownThings} add={add} free={free} /> },
        ]}
      />
      <DialogActions>
        <Button onPress={onClose}>Close the cupboard</Button>
      </DialogActions>
    </Dialog>
  );
}

/** Whole arrangements, each as it would stand on this floor. */
function Together({ game, ageYears, onAdd }: Pick<CupboardProps, 'game' | 'ageYears' | 'onAdd'>) {
  const drawn = useMemo(() => {
    const { floor } = game.course;
    const bare: Game = { ...game, course: { floor, furniture: [], places: {}, targets: {} }, levels: [{ id: 'bare', name: 'Bare', set: {} }] };
    return ARRANGEMENTS.map((id) => ({ id, course: withArrangement(bare, id, ageYears).game.course }));
  }, [game, ageYears]);
  return (
    <Board $wide>
      {drawn.map(({ id, course }) => (
        <ShelfCard key={id} type="button" onClick={() => onAdd(withArrangement(game, id, ageYears))}>
          <CourseDrawing id={`together-${id}`} course={course} drawnPx={210} />
          {ARRANGEMENT_WORDS[id]}
        </ShelfCard>
      ))}
    </Board>
  );
}

/** A spot where nothing stands yet: the middle of the right half, or below what is there. */
function freeSpot(level: Game): Spot {
  const { widthM, depthM } = level.course.floor;
  const taken = [...Object.values(level.course.targets).flat(), ...Object.values(level.course.places).flat(), ...(level.course.obstacles ?? [])];
  const tries = [0.5, 0.25, 0.75].flatMap((y) => [0.7, 0.5, 0.85, 0.3].map((x) => ({ xM: x * widthM, yM: y * depthM })));
  const clear = tries.find((spot) => taken.every((other) => Math.hypot(other.xM - spot.xM, other.yM - spot.yM) > 0.6)) ?? tries[0]!;
  return { xM: Math.round(clear.xM * 10) / 10, yM: Math.round(clear.yM * 10) / 10 };
}

interface ShelfProps {
  readonly game: Game;
  readonly level: Game;
  readonly ageYears: number;
  readonly add: (addition: Addition) => void;
  readonly free: Spot;
}

function Things({ kind, game, level, ageYears, add, free }: ShelfProps & { kind: 'target' | 'obstacle' }) {
  const families =
    kind === 'target'
      ? AIM_FAMILIES.map(({ title, kinds }) => ({ title, ids: AIMED_IDS.filter((id) => kinds.includes(AIMED[id].shape.kind)) }))
      : [{ title: 'Built with, leapt over or gone round', ids: IN_THE_WAY }];
  const [object, setObject] = useState<AimedId>(families[0]!.ids[0]!);
  const [into, setInto] = useState('new');
  const joins = kind === 'target' && into !== 'new' ? { into } : {};
  return (
    <Shelves>
      <Board>
        {families.map(({ title, ids }) => (
          <ShelfBoard key={title} title={title} ids={ids} picked={object} onPick={setObject} />
        ))}
      </Board>
      <About key={object}>
        <AboutThing object={object} />
        <InPlace object={object} level={level} ageYears={ageYears} onPick={setObject} />
        {kind === 'target' && <GroupChoice game={game} field="targets" into={into} onInto={setInto} />}
        <PutDown
          onPut={(spots) => add(kind === 'target' ? { kind, object, spots, ...joins } : { kind, object, spots })}
          game={game}
          free={free}
          spacingM={AIMED[object].pin ? 0.25 : Math.max(0.4, Math.round((outlineWidthM(AIMED[object].shape) + 0.3) * 10) / 10)}
          pin={AIMED[object].pin ?? false}
        />
      </About>
    </Shelves>
  );
}

function ShelfBoard({ title, ids, picked, onPick }: { title: string; ids: readonly AimedId[]; picked: AimedId; onPick: (id: AimedId) => void }) {
  return (
    <>
      <h3>{title}</h3>
      {ids.map((id) => (
        <ShelfCard key={id} type="button" aria-pressed={id === picked} onClick={() => onPick(id)}>
          <Views object={id} width={118} height={64} scale={70} />
          {AIMED[id].name}
        </ShelfCard>
      ))}
    </>
  );
}

function AboutThing({ object }: { object: AimedId }) {
  const thing = AIMED[object];
  const [least, most] = thing.sizeM.map((size) => Math.round(size * 100));
  return (
    <>
      <div className="views">
        <figure>
          <Views object={object} width={250} height={78} scale={160} />
          from above and from the side
        </figure>
      </div>
      <h3>{thing.name}</h3>
      <p>
        {Math.round(outlineWidthM(thing.shape) * 100)} cm across{least !== most && ` (${least} to ${most} in homes)`}
        {tallM(thing.shape) > 0.02 && `, ${Math.round(tallM(thing.shape) * 100)} cm high`}
        {thing.massKg !== undefined && `, ${Math.round(thing.massKg * 1000)} g`}. {thing.source.charAt(0).toUpperCase() + thing.source.slice(1)}.
      </p>
      {thing.makeIt && <p>{thing.makeIt}</p>}
      <MakingPictures thing={thing.id} />
      {thing.caution && <Notice $tone="caution">{thing.caution}</Notice>}
    </>
  );
}

/** What else would do, with what that does to the chance at the distance of this level. */
function InPlace({ object, level, ageYears, onPick }: { object: AimedId; level: Game; ageYears: number; onPick: (id: AimedId) => void }) {
  const chances = useMemo(() => {
    const task =
      level.parts.flatMap((part) => part.stages).find((one) => one.at !== undefined && one.technique !== 'move') ?? level.parts[0]!.stages[0]!;
    const aimed = ['underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift'].includes(task.technique) ? task.technique : 'underarm';
    const of = (target: AimedId) => chanceOf({ technique: aimed, implement: level.kit.implement, target, distanceM: 2, ageYears });
    return [object, ...AIMED[object].substitutes].map((id) => ({ id, chance: of(id) }));
  }, [object, level, ageYears]);
  return (
    <div>
      <p>
        No {AIMED[object].name}? From 2 m, hits in 100 at {ageYears} years:
      </p>
      <ul>
        {chances.map(({ id, chance }, index) => (
          <li key={id}>
            {index === 0 ? AIMED[id].name : <QuietButton onPress={() => onPick(id)}>{AIMED[id].name}</QuietButton>} <b>{Math.round(chance * 100)}</b>
          </li>
        ))}
      </ul>
    </div>
  );
}

const PIN_PATTERNS: readonly PatternKind[] = ['single', 'triangle', 'diamond', 'square', 'row', 'column', 'ring', 'arc', 'scatter'];
const OTHER_PATTERNS: readonly PatternKind[] = ['single', 'row', 'column', 'ring', 'arc', 'triangle', 'square', 'scatter'];

function PutDown({
  onPut,
  game,
  free,
  spacingM,
  pin,
  patterns = pin ? PIN_PATTERNS : OTHER_PATTERNS,
  first = 'single',
}: {
  onPut: (spots: readonly Spot[]) => void;
  game: Game;
  free: Spot;
  spacingM: number;
  pin: boolean;
  patterns?: readonly PatternKind[];
  first?: PatternKind;
}) {
  const [pattern, setPattern] = useState<PatternKind>(first);
  const [n, setN] = useState(pin ? 6 : 3);
  const [spacing, setSpacing] = useState(spacingM);
  const [least, most] = countsOf(pattern);
  const count = Math.min(most, Math.max(least, n));
  const spots = patternSpots(pattern, count, spacing).map((spot) => insideFloor(game, { xM: free.xM + spot.xM, yM: free.yM + spot.yM }, 0.1));
  return (
    <>
      <Select
        label="How many, and how they stand"
        value={pattern}
        choices={patterns.map((kind) => ({ value: kind, label: PATTERN_WORDS[kind] }))}
        onChange={setPattern}
      />
      {pattern !== 'single' && (
        <ShelfRow>
          <span>
            <NumberSlot label="How many" value={count} min={least} max={most} step={1} onChange={setN} /> of them,{' '}
            <NumberSlot label="Metres apart" value={spacing} min={0.05} max={3} step={0.05} decimals={2} onChange={setSpacing} /> m apart
          </span>
        </ShelfRow>
      )}
      <ShelfRow>
        <Button $strong onPress={() => onPut(spots)}>
          Put on the floor
        </Button>
      </ShelfRow>
    </>
  );
}

/** Whether what is put down makes a group of its own or joins one that is there: the rules speak of groups. */
function GroupChoice({ game, field, into, onInto }: { game: Game; field: 'places' | 'targets'; into: string; onInto: (group: string) => void }) {
  const groups = Object.entries(game.course[field]);
  if (groups.length === 0) return null;
  const kind = field === 'places' ? 'place' : 'target';
  return (
    <Select
      label="They belong"
      value={into}
      choices={[
        { value: 'new', label: 'to a group of their own' },
        ...groups.map(([group, list]) => ({ value: group, label: `to the ${list.length} of ${thingWords(game, { kind, group, index: 0 })}` })),
      ]}
      onChange={onInto}
    />
  );
}

function Places({ game, add, free, onMarker }: Pick<ShelfProps, 'game' | 'add' | 'free'> & { onMarker: (marker: string) => void }) {
  const [into, setInto] = useState<string>('new');
  return (
    <About>
      <Select
        label="What marks a place"
        value={game.kit.marker}
        choices={[...new Set([game.kit.marker, ...MARKERS.map((marker) => marker.name)])].map((name) => ({ value: name, label: name }))}
        onChange={onMarker}
      />
      {MARKERS.find((marker) => marker.name === game.kit.marker)?.caution && (
        <Notice $tone="caution">{MARKERS.find((marker) => marker.name === game.kit.marker)!.caution}</Notice>
      )}
      <p>A place is a line to stand behind. Places of one group are taken in turn, or chosen among, as the rules say.</p>
      <GroupChoice game={game} field="places" into={into} onInto={setInto} />
      <PutDown
        onPut={(spots) => add({ kind: 'place', spots, ...(into === 'new' ? {} : { into }) })}
        game={game}
        free={{ xM: game.course.floor.widthM * 0.3, yM: free.yM }}
        spacingM={0.5}
        pin={false}
        patterns={['single', 'row', 'ladder', 'arc', 'ring', 'scatter']}
      />
    </About>
  );
}

function FloorThings({ game, add, free }: Pick<ShelfProps, 'game' | 'add' | 'free'>) {
  const { widthM, depthM } = game.course.floor;
  const at = (w: number, d: number) => ({
    xM: Math.max(0, Math.min(widthM - w, free.xM - w / 2)),
    yM: Math.max(0, Math.min(depthM - d, free.yM - d / 2)),
  });
  return (
    <Board>
      <h3>Furniture and walls</h3>
      {FURNITURE.map(({ says, ...piece }) => (
        <ShelfCard key={piece.name} type="button" onClick={() => add({ kind: 'furniture', piece: { ...piece, ...at(piece.widthM, piece.depthM) } })}>
          {piece.name} <small>{says}</small>
        </ShelfCard>
      ))}
      <h3>Ground and ways</h3>
      <ShelfCard
        type="button"
        onClick={() =>
          add({ kind: 'door', door: { side: 'left', atM: Math.min(depthM - 0.4, Math.max(0.4, depthM / 2)), widthM: Math.min(0.8, depthM) } })
        }
      >
        door <small>in a wall</small>
      </ShelfCard>
      <ShelfCard
        type="button"
        onClick={() => add({ kind: 'patch', patch: { name: /*i18n*/ 'rug', surface: 'carpet', widthM: 1.6, depthM: 1.1, ...at(1.6, 1.1) } })}
      >
        rug <small>soft ground</small>
      </ShelfCard>
      <ShelfCard
        type="button"
        onClick={() => add({ kind: 'patch', patch: { name: /*i18n*/ 'paving', surface: 'hard', widthM: 1.6, depthM: 1.1, ...at(1.6, 1.1) } })}
      >
        paving <small>hard ground</small>
      </ShelfCard>
      <ShelfCard type="button" onClick={() => add({ kind: 'zone', zone: { name: /*i18n*/ 'keep out', xM: free.xM, yM: free.yM, radiusM: 0.4 } })}>
        forbidden patch <small>must not be touched</small>
      </ShelfCard>
      <ShelfCard
        type="button"
        onClick={() =>
          add({
            kind: 'way',
            spots: [0.1, 0.4, 0.6, 0.9].map((share, index) => ({ xM: widthM * share, yM: depthM * (index % 2 === 0 ? 0.3 : 0.7) })),
          })
        }
      >
        winding way <small>a line to follow</small>
      </ShelfCard>
    </Board>
  );
}
