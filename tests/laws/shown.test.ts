/** Told = shown = played: the scene of every starter says what the sentences say, and what it shows is what the engine plays. */
import { describe, expect, it } from 'vitest';
import { aimOf, distanceM, targetsOf } from '@/core/course/geometry';
import { stepPace } from '@/core/measure/lengths';
import { resolveLevel } from '@/core/rules/format/level';
import { rowPlaces } from '@/core/rules/format/rows';
import type { Game } from '@/core/rules/format/game';
import { AT } from '@/core/rules/playing/program';
import { compile } from '@/core/rules/playing/compile';
import { nextMoves } from '@/core/rules/playing/next-moves';
import { replay } from '@/core/rules/playing/replay';
import { catalogueIn } from '@/core/rules/telling/languages';
import { plainText, stepsOf } from '@/core/rules/telling/sentences';
import { momentOfTry } from '@/core/scene/moment';
import { scenesOf, secondsOf, stripOf, type Demo } from '@/core/scene/scene';
import { setUpFor } from '@/core/sheet/set-up';
import { english } from '@/core/words/english';
import { TRANSLATED } from '@/core/words/compiled/all';
import { STARTERS } from '../examples/starters';
import { LONG } from '../long';

const french = TRANSLATED['fr']!;

const pace = stepPace(0.45);
const levelsOf = (game: Game) => (LONG ? game.levels.map((_, index) => index) : [Math.min(1, game.levels.length - 1)]);
const GAMES = STARTERS.flatMap(({ id, game }) => levelsOf(game).map((index) => ({ id, level: resolveLevel(game, index) })));

describe.each(GAMES)('$id shows itself', ({ level }) => {
  it.each([english, french])('says every sentence of the rules once, in $tag, and every mark in the child’s steps', (words) => {
    const scenes = shownIn(level, words);
    const said = scenes.flatMap(({ shots }) => shots.map(({ says }) => says));
    const sentences = stepsOf(level, 'child', catalogueIn(words)).map(({ sentence }) => plainText(sentence));
    const times = (list: readonly string[], one: string) => list.filter((other) => other === one).length;
    for (const sentence of sentences) expect(times(said, sentence), sentence).toBe(times(sentences, sentence));
    const inSteps = new Set(setUpFor(level, pace, words).places.map(({ steps }) => steps));
    for (const { marks } of scenes)
      for (const mark of marks)
        if (mark.steps !== '')
          expect(
            [...inSteps].some((steps) => mark.steps.startsWith(steps)),
            mark.steps,
          ).toBe(true);
  });

  it('shows each rule by a try that the engine takes and that this rule speaks of', () => {
    const compiled = compile(level);
    if (!compiled.ok) throw new Error('a starter compiles');
    const shown = new Set<string>();
    for (const demo of demosOf(level)) {
      const { state, refused } = replay(compiled.value, demo.events);
      expect(refused).toEqual([]);
      expect(demo.events.at(-1)).toBe(demo.attempt);
      expect(nextMoves(compiled.value, replay(compiled.value, demo.events.slice(0, -1)).state)).toEqual(demo.before);
      expect(nextMoves(compiled.value, state)).toEqual(demo.after);
      const at = `/parts/${demo.before.part}`;
      const spoke = rowPlaces(level.parts[demo.before.part]!, at)[state[AT.row]!];
      expect([spoke, ...(demo.attempt.flags ?? []).map((flag) => `${at}/also/${flag}`)]).toContain(demo.rule);
      shown.add(demo.rule);
    }
    // A sentence that tells rules shows one of them at least.
    for (const { tells, sentence } of stepsOf(level, 'child', catalogueIn(english)))
      if (tells.length > 0)
        expect(
          tells.some((rule) => shown.has(rule)),
          plainText(sentence),
        ).toBe(true);
  });

  it('draws what was played: the ball where the try ended, what fell, where the child goes next', () => {
    for (const demo of demosOf(level)) {
      const { shown, before, after, attempt } = demo;
      const [begins, down, done] = [0, 0.6, 1].map((share) => momentOfTry(demo, share));
      expect(begins!.child).toEqual(shown.from);
      expect(begins!.label).toBe('');
      expect([begins!.gain, down!.gain]).toEqual([null, demo.gain]);
      if (!shown.goes) {
        const aims = targetsOf(level, before.task.at ?? '');
        const nearest = Math.min(...aims.map((aim) => distanceM(aim, down!.ball!)));
        // A hit is at a thing or among several; a miss is seen to miss.
        if (shown.success && aims.length === 1) expect(nearest).toBeLessThan(0.01);
        if (!shown.success) expect(distanceM(shown.from, down!.ball!)).toBeGreaterThan(0.1);
      }
      if (before.task.see === 'felled') {
        expect(begins!.standing!.up).toEqual(before.standing);
        expect(down!.standing!.up).toEqual(before.standing.filter((pin) => !attempt.felled!.includes(pin)));
        if (after.part === before.part) expect(done!.standing!.up).toEqual(after.standing);
      }
      const goesOn = !after.over && !after.waiting && after.part === before.part;
      const spots = level.course.places[after.task.from ?? ''] ?? [];
      if (goesOn && spots[after.place]) expect(distanceM(done!.child!, spots[after.place]!)).toBeLessThan(0.001);
      if (goesOn) expect(done!.owed).toEqual(after.owed);
    }
  });

  it('takes 40 to 60 seconds, each station of several less; six pictures tell it at most', () => {
    const scenes = shownIn(level);
    for (const scene of scenes) {
      expect(secondsOf(scene)).toBeLessThanOrEqual(scenes.length > 1 ? 65 : 60.5);
      expect(secondsOf(scene)).toBeGreaterThanOrEqual(scenes.length > 1 ? 15 : 39.5);
    }
    const strip = stripOf(scenes);
    expect(strip.length).toBeGreaterThanOrEqual(3);
    expect(strip.length).toBeLessThanOrEqual(6);
  });
});

const kept = new Map<string, ReturnType<typeof scenesOf>>();
/** Worked out once for a level and a language. */
function shownIn(level: Game, words = english): ReturnType<typeof scenesOf> {
  const key = `${level.title} ${JSON.stringify(level.course.places)} ${words.tag}`;
  const known = kept.get(key) ?? scenesOf(level, { pace, hand: 'right', words });
  kept.set(key, known);
  return known;
}

const demosOf = (level: Game): readonly Demo[] => shownIn(level).flatMap(({ shots }) => shots.flatMap(({ demos }) => demos));

it('a miss ends where nothing is aimed at', () => {
  for (const { level } of GAMES)
    for (const { shown, before } of demosOf(level))
      if (!shown.success && !shown.goes) {
        const aim = aimOf(level, before.task.from ?? '', shown.from);
        if (aim) expect(distanceM(aim, shown.ends)).toBeGreaterThan(0.1);
      }
});
