/**
 * What is told is what is played: whatever is changed in a game so that some play comes out differently, or that its words say otherwise, is told
 * otherwise in every voice and language. `npm run laws` looks at every change, `npm test` at a sample.
 */
import { afterAll, describe, expect, it } from 'vitest';
import { catalogueIn } from '@/core/rules/telling/languages';
import { resolveLevel } from '@/core/rules/format/level';
import type { Game } from '@/core/rules/format/game';
import { plainText, stepsOf, type Token } from '@/core/rules/telling/sentences';
import { RuleWords } from '@/core/rules/telling/tell-rows';
import { STARTERS } from '../examples/starters';
import { PRACTISED } from '../games/practised';
import { LONG } from '../long';
import { changesOf, setUpChangesOf } from './changes';
import { playsOf, programOf, told, telling, VOICES } from './told';

const PLAYS = LONG ? 120 : 30;
const ONE_OF = LONG ? 1 : 48;

const GAMES = [...STARTERS, ...PRACTISED.map(({ kind, game }) => ({ id: kind, game }))];

/** A level alone, as a family gets it. */
const levelOf = (game: Game, index: number): Game => ({ ...resolveLevel(game, index), levels: [{ ...game.levels[index]!, set: {} }] });

/** Words that are shown nowhere: labels of elements that this level does not have. */
const isUnused = (game: Game, place: string): boolean => {
  // A part that is alone bears the title of the game.
  if (game.parts.length === 1 && place === '/parts/0/title') return true;
  const [, part, group, at] = /^\/parts\/(\d+)\/groups\/([^/]+)\/labels\/(\d+)$/.exec(place) ?? [];
  return group !== undefined && Number(at) >= game.parts[Number(part)]!.groups[group]!.n;
};

describe('told: a change of the rules that a play shows is a change of the words', () => {
  let sampled = 0;
  afterAll(() => expect(sampled).toBeGreaterThan(LONG ? 20 * GAMES.length : 125));
  it.each(GAMES)('$id', ({ game }) => {
    const level = levelOf(game, 0);
    const plays = playsOf(programOf(level), PLAYS);
    const before = VOICES.map(({ audience, words }) => told(level, audience, words));
    const silent: string[] = [];
    for (const change of changesOf(level, ONE_OF)) {
      sampled += 1;
      if (isUnused(level, change.place)) continue;
      const same = VOICES.filter(({ audience, words }, index) => told(change.game, audience, words) === before[index]);
      if (same.length === 0) continue;
      if (change.how !== 'other words' && !telling(level, plays, change.game)) continue;
      silent.push(`${change.place} ${change.how}: ${same.map(({ audience, words }) => `${audience} ${words.tag}`).join(', ')}`);
    }
    expect(silent).toEqual([]);
  });
});

describe('told: what is to be fetched, stood on or set out otherwise is told otherwise', () => {
  it.each(GAMES)('$id', ({ game }) => {
    const level = levelOf(game, game.levels.length - 1);
    const before = VOICES.map(({ audience, words }) => told(level, audience, words));
    const silent: string[] = [];
    for (const [at, { place, how, game: other }] of [...setUpChangesOf(level)].entries()) {
      if (!LONG && at % 6 !== 0) continue;
      const same = VOICES.filter(({ audience, words }, index) => told(other, audience, words) === before[index]);
      if (same.length > 0) silent.push(`${place} ${how}: ${same.map(({ audience, words }) => `${audience} ${words.tag}`).join(', ')}`);
    }
    expect(silent).toEqual([]);
  });
});

describe('told: the steps of which the sentences are made', () => {
  it.each(STARTERS)('$id: what it is about first, then the movement before what a try gives, and how it is counted last', ({ game }) => {
    for (const audience of ['precise', 'child'] as const) {
      const kinds = stepsOf(resolveLevel(game, 0), audience).map(({ kind }) => kind);
      expect(kinds[0]).toBe('aim');
      expect(kinds.indexOf('move')).toBeGreaterThan(0);
      const given = kinds.findIndex((kind) => kind === 'then' || kind === 'end' || kind === 'count');
      expect(given).toBeGreaterThan(kinds.indexOf('move'));
    }
  });
});

describe('told: no two rules with the same “if” and different ends', () => {
  it.each(GAMES)('$id', ({ game }) => {
    const lists = game.parts.flatMap((part) => [part.rows, ...part.stages.map((stage) => stage.rows ?? [])].map((rows) => ({ part, rows })));
    for (const { rows } of lists) {
      const ifs = rows.map((row) => JSON.stringify([...row.if].sort()));
      expect(new Set(ifs).size).toBe(ifs.length);
    }
    for (const { audience, words } of VOICES)
      for (const { part, rows } of lists) {
        const rules = new RuleWords(game, part, '/parts/0', catalogueIn(words), audience);
        const plain = (tokens: readonly (readonly Token[])[]) => tokens.map(plainText).join('; ');
        const ends = new Map<string, string>();
        for (const row of rows) {
          const opening = plain(row.if.map((cond) => rules.cond(cond, '')));
          const end = `${row.validity} ${plain(rules.effects(row.do, ''))}`;
          expect(ends.get(opening) ?? end, opening).toBe(end);
          ends.set(opening, end);
        }
      }
  });
});
