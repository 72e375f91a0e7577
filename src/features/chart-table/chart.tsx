'use client';
import { useDrag } from '@use-gesture/react';
import { useMemo, useRef, useState, type Dispatch, type KeyboardEvent, type MouseEvent, type PointerEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import { aimOf, distanceM, middleOfAll } from '@/core/course/geometry';
import { type Misfit } from '@/core/course/fits';
import type { RunPastFrom } from '@/core/course/flights';
import { thingWords } from '@/core/course/thing-words';
import { snapped, type Snap } from '@/core/course/snap';
import { groundOf, isLocked, isPinSet, keyOf, listedOf, middleOf, movedWith, spotOf, thingsOf, type CourseThing } from '@/core/course/things';
import { sayMetres, stepPace, toParts } from '@/core/measure/lengths';
import { nameOf, outlineWidthM, shapeOf } from '@/core/objects/catalogue';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import type { Course, Door, Furniture, Game, Patch, PlacedTarget, Spot, Zone } from '@/core/rules/format/game';
import { placeName } from '@/core/rules/telling/place-name';
import { hitsInHundred } from '@/core/forecast/words';
import type { FloorDepth } from '@/core/forecast/depth';
import { Sides, RouteLines } from '../drawing/ground';
import { FloorBands, FloorSoundings, freeOf } from './chart-floor';
import { badgeOf, dimensionOf, isFirstOfItsName, labelOf, labelSpot, namesBelow, nearThing } from './chart-labels';
import { GroundThing, PlaceMark, StandingThing } from './chart-things';
import type { DraftAction } from './draft';
import { Dimension, Grips, gripsOf, MisfitMarks, RunPast, ScaleBar, Tape, type Grip } from './chart-marks';
import { toDegrees, toRadians } from '@/core/measure/angles';

const Frame = styled.div`
  position: relative;
  border: 1px solid var(--ink);
  padding: var(--space-3);
  background: var(--sheet);
  & > svg {
    display: block;
    width: 100%;
    height: auto;
    max-height: 388px;
    touch-action: none;
    font-family: var(--font-desk), sans-serif;
    user-select: none;
  }
  & g[tabindex] {
    cursor: grab;
    outline: none;
  }
  & g[tabindex] .halo {
    opacity: 0;
  }
  & g[tabindex]:focus-visible .halo {
    opacity: 1;
  }
  &[data-taping='true'] svg {
    cursor: crosshair;
  }
`;

/** What is taken hold of; the first of them is the one that figures are about. */
export type Picked = readonly CourseThing[];

export interface ChartProps {
  /** The game at the level that is shown. */
  readonly level: Game;
  readonly levelIndex: number;
  readonly stepM: number;
  /** How far past its target a ball from the picked place may run. */
  readonly past: RunPastFrom | null;
  readonly floor: FloorDepth | null;
  readonly forecast: LevelForecast | null;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly snap: Snap;
  /** What is moved is moved at this level only. */
  readonly onlyHere: boolean;
  readonly misfits: readonly Misfit[];
  readonly onMisfit: (misfit: Misfit) => void;
  /** Keys on a thing that the toolbar has acts for. */
  readonly onKey: (key: string) => boolean;
  /** A tape is drawn from spot to spot instead of taking hold of things. */
  readonly taping: boolean;
  readonly readOnly?: boolean;
  /** What is drawn over the floor: a play that is watched. */
  readonly children?: ReactNode;
}

const PAD = 6;
const DRAWN_WIDTH_PX = 770;
const DRAWN_HEIGHT_PX = 388;
/** With more places than this only the one that is picked has its line drawn, and the marks are short. */
const FEW_PLACES = 4;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
/** Degrees that a turn snaps to. */
const TURN_STEP = 15;

type Held =
  | { readonly on: 'thing'; readonly thing: CourseThing; readonly with: Picked; readonly offset: Spot }
  | { readonly on: 'turn'; readonly about: Spot; readonly startRad: number }
  | { readonly on: 'spread'; readonly about: Spot; readonly startM: number }
  | { readonly on: 'floor' | 'tape'; readonly from: Spot };

/** How many centimetres of a floor are one pixel of its chart. */
export function centimetresAPixel({ widthM, depthM }: Course['floor']): number {
  return Math.max((widthM * 100 + 2 * PAD) / DRAWN_WIDTH_PX, (depthM * 100 + 2 * PAD) / DRAWN_HEIGHT_PX);
}

/** The floor from above, to scale, in centimetres: bands of depth, ground, furniture, targets and places; take hold of any of them, or use the keys. */
export function Chart({
  level,
  levelIndex,
  stepM,
  past,
  floor,
  forecast,
  picked,
  onPick,
  dispatch,
  snap,
  onlyHere,
  misfits,
  onMisfit,
  onKey,
  taping,
  readOnly = false,
  children,
}: ChartProps) {
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<Held | null>(null);
  const [alone, setAlone] = useState(false);
  // What is picked is kept while others are looked at by keys, and added to.
  const [gathering, setGathering] = useState(false);
  const [lasso, setLasso] = useState<{ from: Spot; to: Spot } | null>(null);
  const [tape, setTape] = useState<{ from: Spot; to: Spot } | null>(null);
  const [guides, setGuides] = useState<{ acrossM: number | null; downM: number | null }>({ acrossM: null, downM: null });
  const { course } = level;
  const { widthM, depthM } = course.floor;
  const width = widthM * 100;
  const depth = depthM * 100;
  const px = centimetresAPixel(course.floor);
  const things = useMemo(() => thingsOf(level), [level]);
  const ground = useMemo(() => groundOf(level), [level]);
  const byKey = useMemo(() => new Map([...things, ...ground].map((thing) => [keyOf(thing), thing])), [things, ground]);
  const placeCount = things.filter((thing) => thing.kind === 'place').length;
  const pickedKeys = new Set(picked.map(keyOf));
  const moving = useMemo(() => movedWith(level, picked, alone), [level, picked, alone]);
  const movingKeys = new Set(moving.map(keyOf));
  const [main] = picked;

  const spotAt = (event: { clientX: number; clientY: number }): Spot => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return { xM: point.x / 100, yM: point.y / 100 };
  };
  const thingOf = (target: EventTarget): CourseThing | undefined => {
    const key = (target as Element).closest('[data-thing]')?.getAttribute('data-thing');
    return key ? byKey.get(key) : undefined;
  };
  const begin = (what: Held) => {
    held.current = what;
    if (what.on !== 'floor' && what.on !== 'tape') dispatch({ do: 'drag-start' });
  };
  const down = (event: PointerEvent) => {
    const at = spotAt(event);
    if (taping) return begin({ on: 'tape', from: nearThing(level, at) });
    const grip = (event.target as Element).closest('[data-grip]')?.getAttribute('data-grip') as Grip | undefined;
    if (grip && !readOnly) {
      const about = middleOfAll(moving.map((thing) => spotOf(course, thing)!));
      if (grip === 'turn') return begin({ on: 'turn', about, startRad: Math.atan2(at.yM - about.yM, at.xM - about.xM) });
      return begin({ on: 'spread', about, startM: Math.max(0.05, distanceM(at, about)) });
    }
    const thing = thingOf(event.target);
    if (!thing) {
      if (!(event.target as Element).closest('[data-misfit]')) begin({ on: 'floor', from: at });
      return;
    }
    if (event.shiftKey) {
      setGathering(true);
      onPick(pickedKeys.has(keyOf(thing)) ? picked.filter((one) => keyOf(one) !== keyOf(thing)) : [...picked, thing]);
      return;
    }
    const already = pickedKeys.has(keyOf(thing)) || (movingKeys.has(keyOf(thing)) && !alone);
    const next = pickedKeys.has(keyOf(thing)) ? [thing, ...picked.filter((one) => keyOf(one) !== keyOf(thing))] : [thing];
    if (!already) {
      setAlone(false);
      setGathering(false);
    }
    if (!already || keyOf(next[0]!) !== keyOf(main!)) onPick(next);
    if (readOnly) return;
    const now = spotOf(course, thing)!;
    begin({ on: 'thing', thing, with: next, offset: { xM: now.xM - at.xM, yM: now.yM - at.yM } });
  };
  const move = (at: Spot, free: boolean) => {
    const what = held.current;
    if (!what) return;
    switch (what.on) {
      case 'thing': {
        const wanted = { xM: at.xM + what.offset.xM, yM: at.yM + what.offset.yM };
        const to = snapped(level, what.thing, wanted, free ? 'free' : snap, stepM, moving);
        if (to.acrossM !== guides.acrossM || to.downM !== guides.downM) setGuides({ acrossM: to.acrossM, downM: to.downM });
        dispatch({ do: 'move', level: levelIndex, thing: what.thing, with: what.with, to: to.spot, alone, onlyHere });
        return;
      }
      case 'turn': {
        const raw = toDegrees(Math.atan2(at.yM - what.about.yM, at.xM - what.about.xM) - what.startRad);
        const degrees = free ? raw : Math.round(raw / TURN_STEP) * TURN_STEP;
        dispatch({ do: 'turn', level: levelIndex, things: picked, byRad: toRadians(degrees), alone, onlyHere });
        return;
      }
      case 'spread':
        dispatch({
          do: 'spread',
          level: levelIndex,
          things: picked,
          factor: Math.max(0.1, distanceM(at, what.about) / what.startM),
          alone,
          onlyHere,
        });
        return;
      case 'tape':
        setTape({ from: what.from, to: nearThing(level, at) });
        return;
      case 'floor':
        setLasso({ from: what.from, to: at });
    }
  };
  const drop = () => {
    const what = held.current;
    held.current = null;
    if (!what) return;
    setGuides({ acrossM: null, downM: null });
    if (what.on === 'tape') return;
    if (what.on !== 'floor') return dispatch({ do: 'drag-end' });
    if (lasso && distanceM(lasso.from, lasso.to) > 0.08) {
      const within = (value: number, a: number, b: number) => value >= Math.min(a, b) && value <= Math.max(a, b);
      onPick(
        things.filter((thing) => {
          const spot = spotOf(course, thing)!;
          return within(spot.xM, lasso.from.xM, lasso.to.xM) && within(spot.yM, lasso.from.yM, lasso.to.yM);
        }),
      );
    } else onPick([]);
    setAlone(false);
    setLasso(null);
  };
  // One finger or button at a time: what a second one does meanwhile is no gesture of its own.
  const bindDrag = useDrag<PointerEvent>(
    ({ event, first, last, xy: [clientX, clientY], altKey }) => {
      if (first) down(event);
      else if (!last) move(spotAt({ clientX, clientY }), altKey);
      if (last) drop();
    },
    { pointer: { keys: false } },
  );
  const twice = (event: MouseEvent) => {
    const thing = thingOf(event.target);
    if (!thing) return;
    setAlone(true);
    onPick([thing]);
  };
  const key = (event: KeyboardEvent) => {
    const thing = thingOf(event.target);
    if (!thing || event.ctrlKey || event.metaKey) return;
    if (event.key === ' ') {
      event.preventDefault();
      const others = picked.filter((one) => keyOf(one) !== keyOf(thing));
      if (!gathering && pickedKeys.has(keyOf(thing))) return setGathering(true);
      setGathering(true);
      onPick(pickedKeys.has(keyOf(thing)) ? others : [...picked, thing]);
      return;
    }
    if (event.key === 'Escape') {
      setGathering(false);
      setAlone(false);
      onPick([]);
      return;
    }
    if (event.key === 'Enter') {
      setGathering(false);
      setAlone(!(alone && pickedKeys.has(keyOf(thing))));
      onPick([thing]);
      return;
    }
    const arrow = ARROWS[event.key];
    if (!arrow) {
      if (!readOnly && onKey(event.key)) event.preventDefault();
      return;
    }
    event.preventDefault();
    if (readOnly) return;
    const with_ = pickedKeys.has(keyOf(thing)) ? picked : [thing];
    if (!pickedKeys.has(keyOf(thing))) onPick([thing]);
    const by = event.altKey ? 0.01 : event.shiftKey ? 0.5 : 0.1;
    const at = spotOf(course, thing)!;
    const to = { xM: Math.round((at.xM + arrow[0] * by) * 100) / 100, yM: Math.round((at.yM + arrow[1] * by) * 100) / 100 };
    dispatch({ do: 'move', level: levelIndex, thing, with: with_, to, alone, onlyHere });
  };

  const placed = useMemo(() => things.map((thing) => ({ thing, spot: spotOf(course, thing)! })), [things, course]);
  const below = useMemo(() => namesBelow(level, things, px), [level, things, px]);
  const hint = readOnly ? '' : ' Arrow keys move it.';
  const shared = (thing: CourseThing, spot: Spot, words: string) => ({
    id: keyOf(thing),
    label: `${words}${isLocked(course, thing) ? ' Locked.' : hint}`,
    xM: spot.xM,
    yM: spot.yM,
    locked: isLocked(course, thing),
    px,
  });
  const where = (spot: Spot) => `${spot.xM.toFixed(1)} metres from the left wall and ${spot.yM.toFixed(1)} from the back.`;
  const looksAt = (thing: CourseThing, spot: Spot) => (thing.kind === 'place' ? aimOf(level, thing.group, spot) : undefined);
  const measured = dimensionOf(level, picked);
  const grips = readOnly || taping ? null : gripsOf(level, moving, px);
  return (
    <Frame data-taping={taping}>
      <svg
        ref={svg}
        viewBox={`${-PAD} ${-PAD} ${width + 2 * PAD} ${depth + 2 * PAD}`}
        role="group"
        aria-label={`The floor from above, ${widthM} by ${depthM} metres`}
        {...bindDrag()}
        onDoubleClick={twice}
        onKeyDown={key}
        onFocus={(event) => {
          const thing = thingOf(event.target);
          if (!thing || pickedKeys.has(keyOf(thing)) || held.current || gathering) return;
          setAlone(false);
          onPick([thing]);
        }}
      >
        <defs>
          <clipPath id="floor-clip">
            <rect x={0} y={0} width={width} height={depth} />
          </clipPath>
        </defs>
        <FloorBands floor={floor} width={width} depth={depth} px={px} />
        <FloorSoundings floor={floor} px={px} free={freeOf(placed.map(({ spot }) => spot))} furniture={course.furniture} />
        {ground
          .filter((thing) => thing.kind !== 'door' && thing.kind !== 'turn')
          .map((thing) => {
            const listed = listedOf(course, thing)!;
            const spot = middleOf(course, listed);
            return (
              <GroundThing
                key={keyOf(thing)}
                kind={thing.kind as 'furniture' | 'patch' | 'zone'}
                listed={listed as Furniture | Patch | Zone}
                on={pickedKeys.has(keyOf(thing))}
                floor={course.floor}
                {...shared(thing, spot, `${thingWords(level, thing)}, ${where(spot)}`)}
              />
            );
          })}
        <RouteLines course={course} px={px} />
        <Sides course={course} px={px} />
        {ground
          .filter((thing) => thing.kind === 'door' || thing.kind === 'turn')
          .map((thing) => {
            const listed = listedOf(course, thing)! as Door | Spot;
            const spot = middleOf(course, listed);
            return (
              <GroundThing
                key={keyOf(thing)}
                kind={thing.kind as 'door' | 'turn'}
                listed={listed}
                on={pickedKeys.has(keyOf(thing))}
                floor={course.floor}
                {...shared(thing, spot, `${thingWords(level, thing)}, ${where(spot)}`)}
              />
            );
          })}
        {placed.map(({ thing, spot }) => {
          const aim = placeCount <= FEW_PLACES || pickedKeys.has(keyOf(thing)) ? looksAt(thing, spot) : undefined;
          return (
            aim && (
              <line
                key={keyOf(thing)}
                x1={spot.xM * 100}
                y1={spot.yM * 100}
                x2={aim.xM * 100}
                y2={aim.yM * 100}
                stroke="var(--ink)"
                strokeWidth={(pickedKeys.has(keyOf(thing)) ? 1.6 : 1) * px}
                strokeDasharray={`${1.5 * px} ${5 * px}`}
                strokeLinecap="round"
                pointerEvents="none"
                aria-hidden
              />
            )
          );
        })}
        {placed.map(({ thing, spot }) => {
          if (thing.kind !== 'target' && thing.kind !== 'obstacle') return null;
          const stands = listedOf(course, thing) as PlacedTarget;
          const set = thing.kind === 'target' && isPinSet(level, thing.group);
          const half = outlineWidthM(shapeOf(stands)) * 50;
          const label = labelSpot(course, thing, stands);
          const words = `${nameOf(stands)}${set ? `, number ${thing.index + 1} of the set, which moves as one` : ''}, ${where(spot)}`;
          return (
            <StandingThing
              key={keyOf(thing)}
              thing={stands}
              kind={thing.kind}
              on={pickedKeys.has(keyOf(thing))}
              set={set}
              name={isFirstOfItsName(course, thing) ? nameOf(stands) : null}
              nameX={label.x}
              nameY={below.has(keyOf(thing)) ? half + 16 * px : label.y - 7 * px}
              {...shared(thing, spot, words)}
            />
          );
        })}
        {placed.map(({ thing, spot }) => {
          if (thing.kind !== 'place') return null;
          const aim = aimOf(level, thing.group, spot);
          const list = course.places[thing.group]!;
          const name = labelOf(level, thing.group, thing.index) ?? `${placeName(thing.index, list.length)} mark`;
          const length = aim ? distanceM(spot, aim) : 0;
          const chance = forecast?.places.find((place) => place.group === thing.group && place.index === thing.index);
          const badge = badgeOf(level, thing.group, thing.index);
          const told = aim ? `: ${sayMetres(length)}, ${toParts(length, stepPace(stepM)).words}` : '';
          return (
            <PlaceMark
              key={keyOf(thing)}
              floorWidthM={widthM}
              floorDepthM={depthM}
              angleRad={aim ? Math.atan2(aim.yM - spot.yM, aim.xM - spot.xM) : 0}
              on={pickedKeys.has(keyOf(thing))}
              long={placeCount <= FEW_PLACES}
              badge={badge}
              box={list[thing.index]?.box}
              {...shared(thing, spot, `${name}${told}${chance === undefined ? '' : `, ${hitsInHundred(chance)}`}${badge && `, marked ${badge}`}.`)}
            />
          );
        })}
        {grips && <Grips grips={grips} px={px} alone={alone} />}
        {guides.acrossM !== null && (
          <line x1={0} x2={width} y1={guides.acrossM * 100} y2={guides.acrossM * 100} stroke="var(--heather)" strokeWidth={px} aria-hidden />
        )}
        {guides.downM !== null && (
          <line y1={0} y2={depth} x1={guides.downM * 100} x2={guides.downM * 100} stroke="var(--heather)" strokeWidth={px} aria-hidden />
        )}
        {lasso && (
          <rect
            x={Math.min(lasso.from.xM, lasso.to.xM) * 100}
            y={Math.min(lasso.from.yM, lasso.to.yM) * 100}
            width={Math.abs(lasso.to.xM - lasso.from.xM) * 100}
            height={Math.abs(lasso.to.yM - lasso.from.yM) * 100}
            fill="var(--sheet)"
            fillOpacity={0.3}
            stroke="var(--ink)"
            strokeWidth={px}
            strokeDasharray={`${4 * px} ${3 * px}`}
            aria-hidden
          />
        )}
        {past && !taping && <RunPast {...past} px={px} />}
        {measured && !taping && <Dimension {...measured} stepM={stepM} px={px} />}
        {taping && tape && <Tape from={tape.from} to={tape.to} stepM={stepM} px={px} />}
        <MisfitMarks misfits={misfits} level={level} px={px} onMisfit={onMisfit} />
        {children}
        <ScaleBar x={width - 128} y={depth - 12} px={px} />
      </svg>
    </Frame>
  );
}
