'use client';
import { ChevronLeft, ChevronRight, Pause, Play, Volume2, VolumeX } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import styled from 'styled-components';
import type { BodyForm } from '@/core/motion/assumed';
import type { Pace } from '@/core/measure/lengths';
import type { Game } from '@/core/rules/format/game';
import { scenesOf, type Scene } from '@/core/scene/scene';
import type { Hand } from '@/core/sheet/teaching-points';
import { useWords } from '@/features/languages/use-words';
import { useAlive } from '@/ui/use-alive';
import { say, sayNothing } from '../home/cues';
import { Big, Plain } from '../home/home-style';
import { OneOf } from '../counter/answers';
import { tile } from '../counter/counter-style';
import { atItsEnd, AT_THE_START, later, SPEEDS, stepped, type Speed, type PlayerStanding } from './player-model';
import { SceneDrawing, StillDrawing } from './scene-drawing';

const Stack = styled.section`
  display: flex;
  flex-direction: column;
  gap: var(--space-5);
`;

const Caption = styled.p`
  min-height: 4.2em;
  font-size: var(--type-5);
  line-height: 1.35;
`;

const Keys = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr) minmax(0, 1fr);
  gap: var(--space-4);
  && button {
    gap: var(--space-3);
    min-height: 56px;
    padding: var(--space-2);
    font-size: var(--type-3);
  }
`;

const Choices = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-4);
  font-size: var(--type-3);
  & label {
    ${tile}
    display: inline-flex;
    align-items: center;
    padding: var(--space-2) var(--space-3);
  }
  & button {
    display: inline-flex;
    align-items: center;
    gap: var(--space-3);
    min-height: 46px;
    padding: var(--space-2) var(--space-5);
    border: 1.5px solid var(--line-strong);
    border-radius: var(--radius-1);
    background: var(--sheet);
    cursor: pointer;
  }
`;

const Bar = styled.div`
  height: 8px;
  border: 1.5px solid var(--ink);
  background: var(--band-2);
  & div {
    height: 100%;
    background: var(--tide);
    transform-origin: left;
  }
`;

const Stills = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: var(--space-6);
  margin: 0;
  padding: 0;
  list-style: none;
  & p {
    margin-top: var(--space-3);
  }
`;

const REDUCED = '(prefers-reduced-motion: reduce)';

function useStill(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const wish = window.matchMedia(REDUCED);
      wish.addEventListener('change', changed);
      return () => wish.removeEventListener('change', changed);
    },
    () => window.matchMedia(REDUCED).matches,
    () => false,
  );
}

/** Milliseconds between two pictures: thirty a second are enough, on a weak phone too. */
const PICTURE_MS = 32;
/** So many times the length of a shot a voice is waited for. */
const LONGEST_SAYING = 2.5;

export interface ShowProps {
  readonly level: Game;
  readonly pace: Pace;
  readonly hand: Hand;
  readonly form?: BodyForm | undefined;
  readonly drawnPx?: number | undefined;
}

/** A game that shows itself; still, picture by picture, where motion is not wanted. */
export function ScenePlayer(props: ShowProps) {
  const { level, pace, hand } = props;
  const words = useWords();
  const scenes = useMemo(() => scenesOf(level, { pace, hand, words }), [level, pace, hand, words]);
  const still = useStill();
  if (scenes.length === 0) return <p>{words.i18n.t('This game cannot be played yet.')}</p>;
  return still ? <InPictures {...props} scenes={scenes} /> : <Playing {...props} scenes={scenes} />;
}

function Playing({ level, hand, form, drawnPx, scenes }: ShowProps & { readonly scenes: readonly Scene[] }) {
  const { i18n, tag } = useWords();
  const [standing, setStanding] = useState<PlayerStanding>(AT_THE_START);
  const [speed, setSpeed] = useState<Speed>(1);
  const [voice, setVoice] = useState(true);
  const canSpeak = useAlive() && 'speechSynthesis' in window;
  const speaking = useRef(false);
  const scene = scenes[standing.chapter]!;
  const shot = scene.shots[standing.shot]!;
  const { running } = standing;
  const speaks = voice && canSpeak && running;

  useEffect(() => {
    if (!speaks) return;
    let current = true;
    say(shot.says, tag, { rate: 0.95 * speed, onHeard: (heard) => (speaking.current = heard && current) });
    // A voice that never says that it has done holds nobody for ever.
    const limit = setTimeout(() => (speaking.current = false), (LONGEST_SAYING * 1000 * shot.s) / speed);
    return () => {
      current = false;
      speaking.current = false;
      clearTimeout(limit);
      sayNothing();
    };
  }, [shot, speaks, speed, tag]);

  useEffect(() => {
    if (!running) return;
    let before = performance.now();
    let frame = requestAnimationFrame(function tick(now) {
      if (now - before >= PICTURE_MS) {
        const seconds = ((now - before) / 1000) * speed;
        before = now;
        setStanding((one) => later(scenes, one, Math.min(seconds, 0.5), speaking.current));
      }
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [running, scenes, speed]);

  const step = (by: 1 | -1) => setStanding((one) => stepped(scenes, one, by));
  const over = atItsEnd(scenes, standing);
  return (
    <Stack>
      {scenes.length > 1 && (
        <Choices>
          <OneOf
            label={i18n.t('Which station')}
            value={standing.chapter}
            options={scenes.map(({ title }, chapter) => ({ value: chapter, words: title === '' ? chapter + 1 : title }))}
            onChange={(chapter) => setStanding({ ...standing, chapter, shot: 0, share: 0 })}
          />
        </Choices>
      )}
      <SceneDrawing id="scene" level={level} scene={scene} shot={shot} share={standing.share} hand={hand} form={form} drawnPx={drawnPx} />
      <Bar aria-hidden>
        <div data-fill style={{ transform: `scaleX(${(standing.shot + standing.share) / scene.shots.length})` }} />
      </Bar>
      <Caption aria-live={speaks ? 'off' : 'polite'}>{shot.says}</Caption>
      <Keys>
        <Plain type="button" disabled={standing.chapter === 0 && standing.shot === 0} onClick={() => step(-1)}>
          <ChevronLeft size={22} aria-hidden /> {i18n.t('Step back')}
        </Plain>
        <Big type="button" onClick={() => setStanding(over ? AT_THE_START : { ...standing, running: !running })}>
          {running ? <Pause size={22} aria-hidden /> : <Play size={22} aria-hidden />}
          {over ? i18n.t('Once more') : running ? i18n.t('Hold it') : i18n.t('Go on')}
        </Big>
        <Plain type="button" disabled={over} onClick={() => step(1)}>
          {i18n.t('Step on')} <ChevronRight size={22} aria-hidden />
        </Plain>
      </Keys>
      <Choices>
        <Choices>
          <OneOf
            label={i18n.t('How fast')}
            value={speed}
            options={SPEEDS.map((one) => ({
              value: one,
              words: one < 1 ? i18n.t('more slowly') : one > 1 ? i18n.t('more quickly') : i18n.t('as it is'),
            }))}
            onChange={setSpeed}
          />
        </Choices>
        {canSpeak && (
          <button type="button" aria-pressed={voice} onClick={() => setVoice(!voice)}>
            {voice ? <Volume2 size={20} aria-hidden /> : <VolumeX size={20} aria-hidden />}
            {voice ? i18n.t('Voice on') : i18n.t('Voice off')}
          </button>
        )}
      </Choices>
    </Stack>
  );
}

/** Every shot as a still picture with its words, in order; each try of a rule by itself. */
function InPictures({ level, hand, form, drawnPx = 300, scenes }: ShowProps & { readonly scenes: readonly Scene[] }) {
  return scenes.map((scene) => (
    <Stack key={scene.part}>
      {scenes.length > 1 && <h2>{scene.title}</h2>}
      <Stills>
        {scene.shots.flatMap((shot, index) =>
          (shot.demos.length > 0 ? shot.demos : [null]).map((demo, at) => (
            <li key={`${index} ${at}`}>
              <StillDrawing
                id={`${scene.part}-${index}-${at}`}
                level={level}
                scene={scene}
                shot={shot}
                demo={demo}
                hand={hand}
                form={form}
                drawnPx={drawnPx}
              />
              {at === 0 && <p>{shot.says}</p>}
            </li>
          )),
        )}
      </Stills>
    </Stack>
  ));
}
