import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sensibleStart } from '../course/sensible-start';
import { starters } from '@/server/starters';
import { levelById, resolveLevel } from '../rules/format/level';
import type { Game } from '../rules/format/game';
import { offersAfter } from '../sheet/after-a-go';
import { chooseSetUp, gameOfForm, lineNeededM, playedAsAsked, usedSetUpOf, type HomeForm } from '../sheet/home-form';
import { pacedGame } from '../sheet/set-up';
import { homeForms, readyThings } from './home-forms';
import { aimedPlaces, chanceFrom, equalSetUp, LIKE_TOLERANCE } from './solve';

const STEP_M = 0.52;
const game = sensibleStart({ title: 'Otter Steps', aim: '', technique: 'underarm', implement: 'sock-ball', target: 'box', ageYears: 8 });

function formsOf(one: Game, levelId = one.levels[0]!.id): readonly HomeForm[] {
  return homeForms({ game: one, levelId, ageYears: 8, form: 'standing', paced: (level) => pacedGame(level, STEP_M), askedPar: 10, parOf: () => 10 });
}

const meanChance = (level: Game, otherHand = false) => {
  const places = aimedPlaces(level);
  return places.reduce((sum, place) => sum + chanceFrom(level, place, place.spot, { ageYears: 8, otherHand }), 0) / places.length;
};

describe('the ready table of equal set-ups', () => {
  const forms = formsOf(game);
  const asked = forms[0]!;
  const things = asked.things.map((thing) => ({ ...thing, object: thing.object! }));

  it('puts every stand-in where the chance at each mark is the same, as the solver has it', () => {
    const level = pacedGame(levelById(game, asked.levelId), STEP_M);
    expect(things.length).toBeGreaterThan(1);
    for (const thing of things) {
      const there = gameOfForm(game, asked, { object: thing.object, lengthsM: thing.lengthsM, equal: true });
      aimedPlaces(there).forEach((place, index) => {
        const wanted = aimedPlaces(level)[index]!;
        const difference = chanceFrom(there, place, place.spot, { ageYears: 8 }) - chanceFrom(level, wanted, wanted.spot, { ageYears: 8 });
        expect(Math.abs(difference), `${thing.object} ${index}`).toBeLessThanOrEqual(LIKE_TOLERANCE);
      });
    }
  });

  it('agrees with the equal set-up that Motion solves for a home', () => {
    const level = pacedGame(levelById(game, asked.levelId), STEP_M);
    const [, standIn] = things;
    const solved = equalSetUp(level, { ageYears: 8 }, { have: [standIn!.object], without: [things[0]!.object], clearM: 20 })!;
    solved.places.forEach((place, index) => expect(place.lengthM).toBeCloseTo(standIn!.lengthsM[index]!, 1));
  });

  it('a line as long as is needed is equal; a shorter one is told, and goes as far as it can', () => {
    const [first] = things;
    const needed = lineNeededM(first!);
    expect(chooseSetUp(asked, [first!.object], needed + 0.01).equal).toBe(true);
    const short = chooseSetUp(asked, [first!.object], needed - 0.2);
    expect(short.equal).toBe(false);
    expect(Math.max(...short.lengthsM)).toBeLessThanOrEqual(needed - 0.2);
  });

  it('of two things the one that makes it equal is taken', () => {
    const byNeed = [...things].sort((a, b) => lineNeededM(a) - lineNeededM(b));
    const shortest = byNeed[0]!;
    const longest = byNeed.at(-1)!;
    const between = (lineNeededM(shortest) + lineNeededM(longest)) / 2;
    const chosen = chooseSetUp(asked, [longest.object, shortest.object], between);
    expect(chosen).toMatchObject({ equal: true });
    expect(chosen.object).not.toBe(longest.object);
  });

  it('whatever a home has and however short its line, no mark is beyond the line and the form can be set out', () => {
    fc.assert(
      fc.property(fc.subarray(things.map((thing) => thing.object)), fc.option(fc.double({ min: 0.6, max: 9, noNaN: true })), (have, clearM) => {
        const chosen = chooseSetUp(asked, have, clearM);
        const level = gameOfForm(game, asked, chosen);
        const lengths = usedSetUpOf(level).distancesM;
        if (clearM !== null) expect(Math.max(...lengths)).toBeLessThanOrEqual(Math.max(0.301, clearM - 0.299));
        if (have.length > 0) expect(have).toContain(chosen.object);
      }),
      { numRuns: 60 },
    );
  });
});

describe('one lever at a time', () => {
  const forms = formsOf(game, 'level-2');
  const chanceOf = (form: HomeForm) => meanChance(gameOfForm(game, form, chooseSetUp(form, [], null)), form.otherHand);
  const asked = chanceOf(forms[0]!);

  it('what is called easier is easier, what is called harder is harder', () => {
    expect(forms.filter((form) => form.towards === 'easier').length).toBeGreaterThanOrEqual(3);
    expect(forms.filter((form) => form.towards === 'harder').length).toBeGreaterThanOrEqual(3);
    for (const form of forms.slice(1)) {
      if (form.towards === 'easier') expect(chanceOf(form), form.id).toBeGreaterThan(asked);
      else expect(chanceOf(form), form.id).toBeLessThan(asked);
    }
  });

  it('nearer and farther move the marks alone, bigger and smaller change the thing alone, the other hand changes nothing that is set out', () => {
    const [first] = forms;
    for (const form of forms) {
      const { object, lengthsM } = { object: form.things[0]!.object, lengthsM: form.things[0]!.lengthsM };
      if (form.change.kind === 'nearer' || form.change.kind === 'farther') expect(object).toBe(first!.things[0]!.object);
      if (form.change.kind === 'bigger' || form.change.kind === 'smaller') {
        expect(object).not.toBe(first!.things[0]!.object);
        expect(lengthsM).toEqual(first!.things[0]!.lengthsM);
      }
      if (form.change.kind === 'other-hand')
        expect({ object, lengthsM }).toEqual({ object: first!.things[0]!.object, lengthsM: first!.things[0]!.lengthsM });
    }
  });

  it('after a lever was pulled the page offers the way back, never a second lever', () => {
    const nearer = forms.find((form) => form.change.kind === 'nearer')!;
    const offers = offersAfter(game, forms, nearer, 5);
    expect(offers.harder.map((offer) => offer.formId)).toEqual(['asked']);
    expect(offers.easier).toEqual([]);
    expect(offers.easeOff?.formId).toBe('nearer');
  });

  it('easing off keeps the very same set-up', () => {
    expect(offersAfter(game, forms, forms[0]!, 5).easeOff).toMatchObject({ formId: 'asked' });
  });

  it('from a level the levels beside it are offered, and back again', () => {
    const offers = offersAfter(game, forms, forms[0]!, 5);
    expect(offers.easier.map((offer) => offer.formId)).toContain('level level-1');
    expect(offers.harder.map((offer) => offer.formId)).toContain('level level-3');
    const lower = forms.find((form) => form.id === 'level level-1')!;
    expect(offersAfter(game, forms, lower, 5).harder.map((offer) => offer.formId)).toEqual(['asked']);
  });
});

describe("a level's move-up rule", () => {
  const ruled: Game = { ...game, levels: game.levels.map((level, index) => (index === 1 ? { ...level, moveUpAt: 12 } : level)) };
  const forms = formsOf(ruled, 'level-2');

  it('is offered at the score and above, not below, and not for a go that cannot be compared', () => {
    expect(offersAfter(ruled, forms, forms[0]!, 12).moveUp).toMatchObject({ formId: 'level level-3', words: ruled.levels[2]!.name });
    expect(offersAfter(ruled, forms, forms[0]!, 11).moveUp).toBeNull();
    expect(offersAfter(ruled, forms, forms[0]!, null).moveUp).toBeNull();
    const nearer = forms.find((form) => form.change.kind === 'nearer')!;
    expect(offersAfter(ruled, forms, nearer, 40).moveUp).toBeNull();
  });
});

describe('a level with several things to aim at', () => {
  it('keeps each of them: only the marks move', () => {
    const circuit = starters().find(
      ({ game: one }) =>
        new Set(
          Object.values(resolveLevel(one, 0).course.targets)
            .flat()
            .map((target) => target.object),
        ).size > 1,
    )!;
    const forms = formsOf(circuit.game);
    const objects = (level: Game) =>
      Object.values(level.course.targets)
        .flat()
        .map((target) => target.object);
    for (const form of forms.filter((one) => one.levelId === circuit.game.levels[0]!.id)) {
      expect(form.things.every((thing) => thing.object === null)).toBe(true);
      expect(objects(gameOfForm(circuit.game, form, chooseSetUp(form, ['bucket'], null)))).toEqual(objects(levelById(circuit.game, form.levelId)));
    }
    const assigned = usedSetUpOf(pacedGame(levelById(circuit.game, forms[0]!.levelId), STEP_M));
    expect(playedAsAsked(forms[0]!, assigned, { level: forms[0]!.levelId, otherHand: false, setUp: assigned })).toBe(true);
  });
});

describe('only like is compared with like', () => {
  const forms = formsOf(game);
  const asked = forms[0]!;
  const level = pacedGame(levelById(game, asked.levelId), STEP_M);
  const assigned = usedSetUpOf(level);
  const played = { level: asked.levelId, otherHand: false };

  it('the set-up that was asked, and an equal one of another home, are like it', () => {
    expect(playedAsAsked(asked, assigned, { ...played, setUp: assigned })).toBe(true);
    for (const thing of asked.things) {
      const there = pacedGame(gameOfForm(game, asked, { object: thing.object, lengthsM: thing.lengthsM, equal: true }), STEP_M);
      expect(playedAsAsked(asked, assigned, { ...played, setUp: usedSetUpOf(there) }), String(thing.object)).toBe(true);
    }
  });

  it('nearer marks, another level, the other hand and another ball are not', () => {
    const nearer = { ...assigned, distancesM: assigned.distancesM.map((length) => length / 2) };
    expect(playedAsAsked(asked, assigned, { ...played, setUp: nearer })).toBe(false);
    expect(playedAsAsked(asked, assigned, { ...played, level: 'level-2', setUp: assigned })).toBe(false);
    expect(playedAsAsked(asked, assigned, { ...played, otherHand: true, setUp: assigned })).toBe(false);
    expect(playedAsAsked(asked, assigned, { ...played, setUp: { ...assigned, implement: 'tennis-ball' } })).toBe(false);
  });
});

describe('every starter', () => {
  it.each(starters().map(({ id, game: one, ageYears }) => [id, one, ageYears] as const))('%s has forms that can be set out', (_id, one, ageYears) => {
    const forms = homeForms({
      game: one,
      levelId: one.levels[0]!.id,
      ageYears,
      form: 'standing',
      paced: (level) => pacedGame(level, STEP_M),
      askedPar: null,
      parOf: () => null,
    });
    expect(forms[0]).toMatchObject({ id: 'asked', towards: 'as-asked' });
    expect(forms.filter((form) => form.change.kind === 'level').length).toBe(one.levels.length - 1);
    for (const form of forms) {
      const level = pacedGame(gameOfForm(one, form, chooseSetUp(form, [], null)), STEP_M);
      expect(usedSetUpOf(level).distancesM.every((length) => Number.isFinite(length) && length >= 0)).toBe(true);
      if (aimedPlaces(resolveLevel(one, 0)).length > 0) expect(readyThings(level, { ageYears }).length).toBeGreaterThan(0);
    }
  });
});
