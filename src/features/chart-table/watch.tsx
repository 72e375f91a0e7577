'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { momentOf, watchGo, type Moment, type Watched } from '@/core/forecast/watch';
import { shippedRacks } from '@/core/forecast/shipped-racks';
import { measure } from '@/core/rules/playing/measure';
import { replay } from '@/core/rules/playing/replay';
import type { Game } from '@/core/rules/format/game';
import { Button, QuietButton } from '@/ui/button';
import { CasedText } from '../drawing/cased-text';
import { SoftWords } from '@/ui/page';

const Deeds = styled.div`
  display: flex;
  gap: var(--space-4);
  flex-wrap: wrap;
`;

const Close = styled(QuietButton)`
  align-self: start;
`;

const Stack = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-5);
  font-family: var(--font-desk), sans-serif;
  & .big {
    display: flex;
    justify-content: space-between;
    font-size: var(--type-5);
    font-weight: 700;
    font-variant-numeric: tabular-nums;
  }
  & .big small {
    font-weight: 400;
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & ol {
    margin: 0;
    padding: 0;
    list-style: none;
    font-size: var(--type-2);
    min-height: 8.4em;
  }
  & li {
    display: flex;
    justify-content: space-between;
    border-bottom: 1px solid var(--line);
    padding: var(--space-1) 0;
  }
  & label {
    display: flex;
    align-items: center;
    gap: var(--space-4);
  }
  & input[type='range'] {
    flex: 1;
    accent-color: var(--tide);
  }
`;

const SHOWN = 5;
const SEED = 20_260;

/** A simulated child plays the level, at 1 to 20 times the speed; the chart shows where child and ball are. */
export function Watch({
  level,
  ageYears,
  onMoment,
  onClose,
}: {
  level: Game;
  ageYears: number;
  onMoment: (moment: Moment | null) => void;
  onClose: () => void;
}) {
  const [play, setPlay] = useState(1);
  const [speed, setSpeed] = useState(4);
  const [running, setRunning] = useState(false);
  const [atMs, setAtMs] = useState(0);
  const at = useRef(0);
  const watched = useMemo<Watched | null>(() => watchGo(level, { ageYears }, SEED, play, shippedRacks), [level, ageYears, play]);
  useEffect(() => {
    onMoment(watched && momentOf(watched, at.current));
  }, [watched, onMoment]);
  useEffect(() => () => onMoment(null), [onMoment]);
  useEffect(() => {
    if (!running || !watched) return;
    let before = performance.now();
    let frame = requestAnimationFrame(function tick(now) {
      at.current = Math.min(watched.endMs, at.current + (now - before) * speed);
      before = now;
      setAtMs(at.current);
      onMoment(momentOf(watched, at.current));
      if (at.current >= watched.endMs) return setRunning(false);
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [running, watched, speed, onMoment]);
  if (!watched) return <p>This level cannot be played yet: say how it is played first.</p>;
  const done = watched.events.filter((event) => event.t <= atMs);
  const result = measure(watched.program, replay(watched.program, done, 'attempts').state);
  const over = atMs >= watched.endMs;
  const again = (next: number) => {
    at.current = 0;
    setAtMs(0);
    setPlay(next);
    setRunning(true);
  };
  return (
    <Stack>
      <p>A child of {ageYears} years, typical for the age, as the forecast plays.</p>
      <div className="big">
        <span>
          {(atMs / 1000).toFixed(0)} s<small> of the go</small>
        </span>
        <span>
          {result.value ?? '–'} <small>{result.unit}</small>
        </span>
      </div>
      <ol aria-live="off">
        {watched.tries
          .filter((one) => one.toMs <= atMs)
          .slice(-SHOWN)
          .reverse()
          .map((one) => (
            <li key={one.toMs}>
              <span>{one.words}</span>
              <span>{(one.toMs / 1000).toFixed(1)} s</span>
            </li>
          ))}
      </ol>
      <label>
        Speed <input type="range" min={1} max={20} step={1} value={speed} onChange={(event) => setSpeed(Number(event.target.value))} />
        <b>{speed}×</b>
      </label>
      <Deeds>
        <Button $strong onPress={() => (over ? again(play) : setRunning(!running))}>
          {running ? 'Hold' : over ? 'Once more' : atMs === 0 ? 'Start' : 'Go on'}
        </Button>
        <Button onPress={() => again(play + 1)}>Another child</Button>
      </Deeds>
      <SoftWords $small role="status">
        {over ? `Over: ${result.value ?? 'no score'} ${result.unit}.` : ''}
      </SoftWords>
      <Close onPress={onClose}>Back</Close>
    </Stack>
  );
}

/** Child and ball of a play that is watched, over the chart. */
export function Players({ moment, px }: { moment: Moment; px: number }) {
  const { child, ball, landed } = moment;
  return (
    <g aria-hidden pointerEvents="none">
      <g transform={`translate(${child.xM * 100} ${child.yM * 100})`}>
        <ellipse rx={13} ry={21} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.6 * px} />
        <circle r={9} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.6 * px} />
      </g>
      <circle cx={ball.xM * 100} cy={ball.yM * 100} r={6} fill="var(--heather)" stroke="var(--ink)" strokeWidth={1.4 * px} />
      {landed && landed.words !== '' && (
        <CasedText x={landed.ends.xM * 100} y={landed.ends.yM * 100 - 16} size={16 * px} casing={4 * px}>
          {landed.words}
        </CasedText>
      )}
    </g>
  );
}
