'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { pacedGame } from '@/core/sheet/set-up';
import type { Result } from '@/core/rules/measure';
import type { CountingWay, PlayEvent } from '@/core/rules/play';
import type { CardItem } from '@/server/home/card';
import { Counter } from '../counter/counter';
import { usePlay } from '../counter/use-play';
import { Screen } from './home-style';
import { levelOf, Top } from './screens';
import { store } from './store';

const Count = styled.p`
  display: grid;
  place-items: center;
  flex: 1;
  font-size: 11rem;
  font-weight: 700;
`;

/** A short tone, where the device can and the family wants it. */
function beep(on: boolean, pitch: number): void {
  if (!on || !('AudioContext' in window)) return;
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  const loudness = audio.createGain();
  tone.frequency.value = pitch;
  loudness.gain.value = 0.15;
  tone.connect(loudness).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.18);
  tone.onended = () => void audio.close();
}

export interface PlayScreenProps {
  readonly item: CardItem;
  readonly name: string;
  readonly playId: string;
  readonly startedAt: string;
  readonly already: readonly PlayEvent[];
  readonly counting: CountingWay;
  readonly sound: boolean;
  readonly exerciseSwapped: boolean;
  readonly onDone: (events: readonly PlayEvent[], result: Result) => void;
}

export function PlayScreen(props: PlayScreenProps) {
  const timed = props.item.game.parts[0]!.clock.kind === 'down';
  const [count, setCount] = useState(timed && props.already.length === 0 ? 3 : 0);
  useEffect(() => {
    if (count === 0) return;
    beep(props.sound, 440);
    const timer = setTimeout(() => {
      if (count === 1) beep(props.sound, 880);
      setCount(count - 1);
    }, 1000);
    return () => clearTimeout(timer);
  }, [count, props.sound]);
  return (
    <Screen style={{ height: '100dvh' }}>
      <Top item={props.item} name={props.name} />
      {count > 0 ? (
        <Count role="status" aria-label={`Starting in ${count}`}>
          {count}
        </Count>
      ) : (
        <Playing {...props} />
      )}
    </Screen>
  );
}

function Playing({ item, playId, startedAt, already, counting, sound, exerciseSwapped, onDone }: PlayScreenProps) {
  const game = useMemo(() => pacedGame(levelOf(item).level, item.setUp.stepM), [item]);
  const keep = useCallback(
    (events: readonly PlayEvent[]) => void store.keepBegun({ assignmentId: item.assignmentId, playId, startedAt, counting, events }),
    [item.assignmentId, playId, startedAt, counting],
  );
  const play = usePlay(game, already, keep, counting);
  const done = useRef(false);
  const { over } = play.moves;

  useEffect(() => {
    if (!over || done.current) return;
    done.current = true;
    beep(sound, 660);
    navigator.vibrate?.(300);
    onDone(play.events, play.result);
  }, [over, onDone, play.events, play.result, sound]);

  useEffect(() => {
    if (play.atWhistle) {
      beep(sound, 990);
      navigator.vibrate?.([200, 80, 200]);
    }
  }, [play.atWhistle, sound]);

  useEffect(() => {
    let lock: { release: () => Promise<void> } | undefined;
    void navigator.wakeLock?.request('screen').then(
      (held) => (lock = held),
      () => undefined,
    );
    return () => void lock?.release();
  }, []);

  return <Counter play={play} exerciseSwapped={exerciseSwapped} />;
}
