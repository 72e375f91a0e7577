'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { ARRANGEMENT_WORDS, ARRANGEMENTS, withArrangement } from '@/core/course/arrangements';
import { withAdded, type Added, type Addition } from '@/core/course/change';
import { insideFloor } from '@/core/course/geometry';
import { countsOf, PATTERN_WORDS, patternSpots, type PatternKind } from '@/core/course/patterns';
import { chanceOf } from '@/core/forecast/chances';
import {
  AIMED,
  AIMED_IDS,
  IMPLEMENT_IDS,
  IMPLEMENTS,
  MARKERS,
  outlineWidthM,
  type AimedId,
  type AimedShape,
  type ImplementId,
  type OwnThing,
} from '@/core/objects/catalogue';
import type { Furniture, Game, Spot } from '@/core/rules/game';
import { Button, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select, TextField } from '@/ui/field';
import { Leaves } from '@/ui/leaves';
import { Notice } from '@/ui/notice';
import { NumberSlot } from '@/ui/number-slot';
import { BallView, SideView, tallM } from '../drawing/side-view';
import { Thing } from '../drawing/thing';

const Shelves = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 22px;
  height: min(500px, 62vh);
  @media (max-width: 860px) {
    grid-template-columns: 1fr;
  }
`;

const Board = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  align-content: start;
  gap: 8px;
  overflow-y: auto;
  padding: 4px 10px 4px 4px;
  scrollbar-width: thin;
  & h3 {
    grid-column: 1 / -1;
    font-size: 0.875rem;
    color: var(--ink-soft);
    font-weight: 600;
  }
`;

const Card = styled.button`
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 3px;
  padding: 6px 4px 5px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
  cursor: pointer;
  font-size: 0.8125rem;
  line-height: 1.2;
  text-align: center;
  &:hover {
    border-color: var(--ink);
  }
  &[aria-pressed='true'] {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 600;
  }
`;

const About = styled.div`
  display: flex;
  flex-direction: column;
  gap: 9px;
  overflow-y: auto;
  padding: 2px 4px 2px 0;
  font-size: 0.9375rem;
  & h3 {
    font-size: 1.0625rem;
  }
  & ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 2px 16px;
    margin: 0;
    padding: 0;
    list-style: none;
    font-size: 0.875rem;
  }
  & .views {
    display: flex;
    gap: 14px;
    align-items: end;
    min-height: 116px;
    border-bottom: 1px solid var(--line);
    padding-bottom: 6px;
  }
  & figure {
    display: flex;
    flex-direction: column;
    gap: 4px;
    margin: 0;
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
`;

const AIM_FAMILIES: readonly { readonly title: string; readonly kinds: readonly AimedShape['kind'][] }[] = [
  { title: 'To throw into', kinds: ['opening'] },
  { title: 'To knock or to hit', kinds: ['upright', 'face'] },
  { title: 'To land or stop on', kinds: ['flat'] },
  { title: 'To roll or kick through and into', kinds: ['gate', 'mouth'] },
];
const IN_THE_WAY: readonly AimedId[] = ['ramp', 'pillow', 'chair', 'towel-strip', 'clothes-horse', 'wall', 'box', 'cereal-box'];

const FURNITURE: readonly (Omit<Furniture, 'xM' | 'yM'> & { readonly says: string })[] = [
  { name: 'sofa', widthM: 1.9, depthM: 0.85, kind: 'soft', says: 'stops a ball' },
  { name: 'bed', widthM: 1.9, depthM: 0.95, kind: 'soft', says: 'stops a ball' },
  { name: 'cushions', widthM: 0.9, depthM: 0.5, kind: 'soft', says: 'stop a ball' },
  { name: 'table', widthM: 1.4, depthM: 0.8, kind: 'hard', says: 'a ball comes back' },
  { name: 'shelf', widthM: 0.9, depthM: 0.35, kind: 'hard', says: 'a ball comes back' },
  { name: 'radiator', widthM: 1, depthM: 0.12, kind: 'hard', says: 'a ball comes back' },
  { name: 'screen', widthM: 1.2, depthM: 0.3, kind: 'breakable', says: 'must not be hit' },
  { name: 'window', widthM: 1.2, depthM: 0.06, kind: 'breakable', says: 'must not be hit' },
  { name: 'lamp', widthM: 0.35, depthM: 0.35, kind: 'breakable', says: 'must not be hit' },
  { name: 'plant', widthM: 0.4, depthM: 0.4, kind: 'breakable', says: 'must not be hit' },
  { name: 'wall', widthM: 1.5, depthM: 0.1, kind: 'wall', says: 'a piece of wall inside the floor' },
];

type Shelf = 'aim' | 'way' | 'place' | 'floor' | 'together' | 'ball' | 'own';

export interface CupboardProps {
  readonly game: Game;
  readonly level: Game;
  readonly ageYears: number;
  readonly onAdd: (added: Added) => void;
  readonly onBall: (ball: ImplementId) => void;
  readonly onMarker: (marker: string) => void;
  readonly onClose: () => void;
}

/** What is in a house, drawn to scale, to be put on the floor: one, several in a pattern, or a whole arrangement. */
export function Cupboard({ game, level, ageYears, onAdd, onBall, onMarker, onClose }: CupboardProps) {
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
            children: (
              <Board>
                {ARRANGEMENTS.map((id) => (
                  <Card key={id} type="button" onClick={() => onAdd(withArrangement(game, id, ageYears))}>
                    {ARRANGEMENT_WORDS[id]}
                  </Card>
                ))}
              </Board>
            ),
          },
          { id: 'ball', title: 'To play with', children: <Balls game={game} onBall={onBall} /> },
          { id: 'own', title: 'A thing of your own', children: <Own add={add} free={free} /> },
        ]}
      />
      <DialogActions>
        <Button onPress={onClose}>Close the cupboard</Button>
      </DialogActions>
    </Dialog>
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
        <PutDown
          onPut={(spots) => add(kind === 'target' ? { kind, object, spots } : { kind, object, spots })}
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
        <Card key={id} type="button" aria-pressed={id === picked} onClick={() => onPick(id)}>
          <Views object={id} width={118} height={64} scale={70} />
          {AIMED[id].name}
        </Card>
      ))}
    </>
  );
}

/** From above and from the side, both at one scale (pixels a metre); what would not fit is drawn smaller. */
function Views({
  object,
  width,
  height,
  scale,
  shape = AIMED[object].shape,
}: {
  object: AimedId;
  width: number;
  height: number;
  scale: number;
  shape?: AimedShape;
}) {
  const w = outlineWidthM(shape);
  const d = 'depthM' in shape ? shape.depthM : 'diameterM' in shape ? shape.diameterM : shape.kind === 'upright' ? shape.widthM : 0.06;
  const tall = Math.max(tallM(shape), object.startsWith('sofa') || object.startsWith('chair') || object === 'plate-on-chair' ? 0.85 : 0);
  const fits = Math.min(scale, (width / 2 - 6) / Math.max(w, object.startsWith('sofa') ? 1.8 : 0.1), (height - 4) / Math.max(tall, w, d));
  const px = 1 / fits;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      <g transform={`translate(${width * 0.26} ${height / 2}) scale(${fits / 100})`}>
        <Thing shape={shape} casing={px * 80} />
      </g>
      <g transform={`translate(${width * 0.74} ${height - 2}) scale(${fits / 100})`}>
        <SideView object={object} shape={shape} line={px * 100} />
      </g>
    </svg>
  );
}

function AboutThing({ object }: { object: AimedId }) {
  const thing = AIMED[object];
  const [least, most] = thing.sizeM.map((size) => Math.round(size * 100));
  return (
    <>
      <div className="views">
        <figure>
          <Views object={object} width={250} height={100} scale={160} />
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
      {thing.caution && <Notice $tone="caution">{thing.caution}</Notice>}
    </>
  );
}

/** What else would do, with what that does to the chance at the distance of this level. */
function InPlace({ object, level, ageYears, onPick }: { object: AimedId; level: Game; ageYears: number; onPick: (id: AimedId) => void }) {
  const chances = useMemo(() => {
    const task =
      level.parts.flatMap((part) => part.tasks).find((one) => one.at !== undefined && one.technique !== 'move') ?? level.parts[0]!.tasks[0]!;
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
        <Row>
          <span>
            <NumberSlot label="How many" value={count} min={least} max={most} step={1} onChange={setN} /> of them,{' '}
            <NumberSlot label="Metres apart" value={spacing} min={0.05} max={3} step={0.05} decimals={2} onChange={setSpacing} /> m apart
          </span>
        </Row>
      )}
      <Row>
        <Button $strong onPress={() => onPut(spots)}>
          Put on the floor
        </Button>
      </Row>
    </>
  );
}

function Places({ game, add, free, onMarker }: Pick<ShelfProps, 'game' | 'add' | 'free'> & { onMarker: (marker: string) => void }) {
  const groups = Object.keys(game.course.places);
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
      {groups.length > 0 && (
        <Select
          label="They belong"
          value={into}
          choices={[
            { value: 'new', label: 'to a group of their own' },
            ...groups.map((group) => ({ value: group, label: `to “${group}” (${game.course.places[group]!.length})` })),
          ]}
          onChange={setInto}
        />
      )}
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
        <Card key={piece.name} type="button" onClick={() => add({ kind: 'furniture', piece: { ...piece, ...at(piece.widthM, piece.depthM) } })}>
          {piece.name} <small>{says}</small>
        </Card>
      ))}
      <h3>Ground and ways</h3>
      <Card
        type="button"
        onClick={() =>
          add({ kind: 'door', door: { side: 'left', atM: Math.min(depthM - 0.4, Math.max(0.4, depthM / 2)), widthM: Math.min(0.8, depthM) } })
        }
      >
        door <small>in a wall</small>
      </Card>
      <Card
        type="button"
        onClick={() => add({ kind: 'patch', patch: { name: 'rug', surface: 'carpet', widthM: 1.6, depthM: 1.1, ...at(1.6, 1.1) } })}
      >
        rug <small>soft ground</small>
      </Card>
      <Card
        type="button"
        onClick={() => add({ kind: 'patch', patch: { name: 'paving', surface: 'hard', widthM: 1.6, depthM: 1.1, ...at(1.6, 1.1) } })}
      >
        paving <small>hard ground</small>
      </Card>
      <Card type="button" onClick={() => add({ kind: 'zone', zone: { name: 'keep out', xM: free.xM, yM: free.yM, radiusM: 0.4 } })}>
        forbidden patch <small>must not be touched</small>
      </Card>
      <Card
        type="button"
        onClick={() =>
          add({
            kind: 'way',
            spots: [0.1, 0.4, 0.6, 0.9].map((share, index) => ({ xM: widthM * share, yM: depthM * (index % 2 === 0 ? 0.3 : 0.7) })),
          })
        }
      >
        winding way <small>a line to follow</small>
      </Card>
    </Board>
  );
}

function Balls({ game, onBall }: { game: Game; onBall: (ball: ImplementId) => void }) {
  const [ball, setBall] = useState<ImplementId>(game.kit.implement);
  const one = IMPLEMENTS[ball];
  return (
    <Shelves>
      <Board>
        {IMPLEMENT_IDS.map((id) => (
          <Card key={id} type="button" aria-pressed={id === ball} onClick={() => setBall(id)}>
            <svg width={60} height={50} viewBox="-15 -12.5 30 25" aria-hidden>
              <BallView ball={id} radiusM={Math.min(0.11, IMPLEMENTS[id].radiusM)} line={0.6} />
            </svg>
            {IMPLEMENTS[id].name}
          </Card>
        ))}
      </Board>
      <About>
        <div className="views">
          <svg width={150} height={110} viewBox="-15 -11 30 22" aria-hidden>
            <BallView ball={ball} radiusM={Math.min(0.1, one.radiusM)} line={0.35} />
          </svg>
        </div>
        <h3>{one.name}</h3>
        <p>
          {Math.round(one.radiusM * 200)} cm across, {Math.round(one.massKg * 1000)} g,{' '}
          {one.soft ? 'soft enough for indoors' : 'hard: outdoors, or an adult decides'}.
        </p>
        <p>{one.makeIt}</p>
        {one.caution && <Notice $tone="caution">{one.caution}</Notice>}
        <p>In place of it: {one.substitutes.map((id) => IMPLEMENTS[id].name).join(', ')}.</p>
        <Row>
          <Button $strong isDisabled={ball === game.kit.implement} onPress={() => onBall(ball)}>
            {ball === game.kit.implement ? 'This game is played with it' : 'Play with it'}
          </Button>
        </Row>
      </About>
    </Shelves>
  );
}

type OwnKind = 'round' | 'box' | 'upright' | 'flat' | 'gate' | 'mouth' | 'block';

const OWN_KINDS: readonly { readonly value: OwnKind; readonly label: string; readonly like: AimedId }[] = [
  { value: 'round', label: 'a round thing to throw into', like: 'bucket' },
  { value: 'box', label: 'a thing with corners to throw into', like: 'box' },
  { value: 'upright', label: 'a thing that stands, to be hit', like: 'bottle' },
  { value: 'flat', label: 'a thing that lies flat', like: 'door-mat' },
  { value: 'gate', label: 'a gap to pass', like: 'shoe-gate' },
  { value: 'mouth', label: 'a thing on its side, open to the player', like: 'tipped-box' },
  { value: 'block', label: 'a thing in the way', like: 'chair' },
];

function Own({ add, free }: { add: (addition: Addition) => void; free: Spot }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<OwnKind>('round');
  const [cm, setCm] = useState({ across: 40, along: 30, high: 30 });
  const [problem, setProblem] = useState('');
  const like = OWN_KINDS.find((one) => one.value === kind)!.like;
  const [across, along, high] = [cm.across / 100, cm.along / 100, cm.high / 100];
  const shape: AimedShape =
    kind === 'round'
      ? { kind: 'opening', outline: 'round', diameterM: across, rimM: high }
      : kind === 'box'
        ? { kind: 'opening', outline: 'rectangle', widthM: across, depthM: along, rimM: high }
        : kind === 'upright'
          ? { kind: 'upright', widthM: across, heightM: high }
          : kind === 'flat'
            ? { kind: 'flat', diameterM: across, heightM: 0 }
            : kind === 'gate'
              ? { kind: 'gate', widthM: across, postM: 0.05 }
              : { kind, widthM: across, depthM: along, heightM: high };
  const put = () => {
    if (name.trim() === '') return setProblem('Give it a name that a family understands.');
    const own: OwnThing = { name: name.trim().slice(0, 30), shape };
    add({ kind: kind === 'block' ? 'obstacle' : 'target', object: like, own, spots: [free] });
  };
  const slot = (label: string, value: number, onChange: (value: number) => void) => (
    <NumberSlot label={label} value={value} min={2} max={300} step={1} onChange={onChange} />
  );
  return (
    <Shelves>
      <About>
        <TextField
          label="What it is called"
          value={name}
          onChange={(value) => {
            setName(value);
            setProblem('');
          }}
          maxLength={30}
          problem={problem || undefined}
        />
        <Select label="What it is" value={kind} choices={OWN_KINDS} onChange={setKind} />
        <p>
          {slot('Centimetres across', cm.across, (value) => setCm({ ...cm, across: value }))} cm across
          {(kind === 'box' || kind === 'mouth' || kind === 'block') && (
            <>, {slot('Centimetres along', cm.along, (value) => setCm({ ...cm, along: value }))} cm along</>
          )}
          {kind !== 'flat' && kind !== 'gate' && <>, {slot('Centimetres high', cm.high, (value) => setCm({ ...cm, high: value }))} cm high</>}
        </p>
        <p>Its weight, what may stand in for it and its cautions are those of the {AIMED[like].name}, the thing most like it.</p>
        <Row>
          <Button $strong onPress={put}>
            Put on the floor
          </Button>
        </Row>
      </About>
      <About>
        <div className="views">
          <Views object={like} width={250} height={110} scale={120} shape={shape} />
        </div>
      </About>
    </Shelves>
  );
}
