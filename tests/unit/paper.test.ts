import { PDFDocument, PDFName } from 'pdf-lib';
import { createElement, isValidElement } from 'react';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { partFields } from '@/core/reports/parts';
import { resolveLevel } from '@/core/rules/format/level';
import { groupsOf, TESTED_FAMILIES } from '@/core/progress/tested';
import { pacedGame } from '@/core/sheet/set-up';
import { WARM_UPS } from '@/core/sheet/warm-ups';
import { tallyOf } from '@/core/sheet/tally';
import { TRANSLATED } from '@/core/words/compiled/all';
import { pseudo } from '@/core/words/pseudo';
import type { PaperLook, Sheet } from '@/server/paper/job';
import { renderPaper } from '@/server/paper/render';
import { SheetPage } from '@/server/paper/sheets';
import { starters } from '@/server/starters';
import { fontsOf } from '../fonts-of';
import { LONG } from '../long';

const STEP_M = 0.5;
const usual: PaperLook = { size: 'A4', print: 'usual', ground: 'white', language: 'en' };
const week = { number: 3, dueOn: '2027-03-08', warmUp: 'Walk on the spot.', diary: '', note: '', film: '', filmAlone: false };
const slip = { url: 'https://school.example/home#k=ABCDEFGHJKLMNPQRSTUVWX', code: 'KH4 7WMQ 2XB', page: 'school.example/home' };

function homeSheet(game: ReturnType<typeof starters>[number]['game'], name: string): Sheet {
  return {
    kind: 'home',
    of: { name, hand: 'left', stepM: STEP_M },
    game: { title: game.title, levelName: game.levels[0]!.name, aim: game.aim, level: pacedGame(resolveLevel(game, 0), STEP_M) },
    week,
    par: 12,
    slip,
  };
}

const rendered = async (look: PaperLook, sheets: readonly Sheet[]) => PDFDocument.load(await renderPaper({ look, sheets }, () => undefined));

/** All that is written in what was drawn, in its order. */
function writtenIn(node: unknown): string {
  if (typeof node === 'string' || typeof node === 'number') return `${node}`;
  if (Array.isArray(node)) return node.map(writtenIn).join('');
  if (!isValidElement<{ children?: unknown }>(node)) return '';
  const { type, props } = node;
  return typeof type === 'function' ? writtenIn((type as (of: unknown) => unknown)(props)) : writtenIn(props.children);
}

describe('a home sheet', () => {
  it('is made, on a page of A4 or two', async () => {
    // Of every starter by `npm run drill:one`.
    const games = starters().filter((_, n) => LONG || n % 6 === 0);
    const pdf = await rendered(
      usual,
      games.map(({ game }) => homeSheet(game, 'Ailsa B.')),
    );
    expect(pdf.getPageCount()).toBeGreaterThanOrEqual(games.length);
    expect(pdf.getPageCount()).toBeLessThanOrEqual(games.length * (LONG ? 1.3 : 1.5));
  }, 120_000);

  it('holds its letters for names from many places', async () => {
    const { names, missing } = fontsOf(await rendered(usual, [homeSheet(starters()[0]!.game, 'Łucja Ş. Žofie Ő. Niño É.')]));
    expect(names.length).toBeGreaterThanOrEqual(3);
    expect(names.filter((name) => !/Andika/.test(name))).toEqual([]);
    expect(missing).toEqual([]);
  });
});

describe('one sheet is enough to play and to report without a device', () => {
  const words = (sheet: Sheet) => writtenIn(createElement(SheetPage, { sheet, look: usual }));
  const onPaper = (id: string) => {
    const { game } = starters().find((one) => one.id === id)!;
    return { title: game.title, levelName: game.levels[0]!.name, aim: game.aim, level: pacedGame(resolveLevel(game, 0), STEP_M) };
  };
  const of = { name: 'Ailsa B.', hand: 'right' as const, stepM: STEP_M };

  it('an event has for each game its minutes, how it is played, its tally, and a slip with the code and where to type it', () => {
    const ids = ['harbour-lamps', 'oilskin-dash', 'loch-frames'];
    const text = words({
      kind: 'event',
      of,
      title: 'Shore day',
      week,
      kit: [],
      games: ids.map((id, index) => ({ ...onPaper(id), opensOn: null, slip, slot: { setUpMinutes: 2 + index, playMinutes: 3, restMinutes: 1 } })),
    });
    for (const [index, id] of ids.entries()) {
      expect(text).toContain(`${index + 1}. ${onPaper(id).title}`);
      expect(text).toContain(`${2 + index} min to set out, 3 min to play, then 1 min of rest`);
    }
    expect(text.split('KH4\u00a07WMQ\u00a02XB').length - 1).toBe(ids.length);
    expect(text).toContain('school.example/home');
  });
  it('a frame sheet says the day by which it is back, and has a slip', () => {
    const text = words({ kind: 'frames', of, game: onPaper('loch-frames'), week, slip });
    expect(text).toContain('Monday 8 March');
    expect(text).toContain('KH4\u00a07WMQ\u00a02XB');
  });
  it('says its language and its title to whoever hears it', async () => {
    const sheet: Sheet = { kind: 'frames', of, game: onPaper('loch-frames'), week, slip };
    for (const [language, tag] of [
      ['en', 'en-GB'],
      ['fr', 'fr'],
    ] as const) {
      const pdf = await rendered({ ...usual, language }, [sheet]);
      expect(String(pdf.catalog.get(PDFName.of('Lang')))).toContain(tag);
      expect(pdf.getTitle()).toBe(onPaper('loch-frames').title);
    }
  });
});

describe('in a language made by a rule nothing on a sheet is left in English', () => {
  const look: PaperLook = { ...usual, language: 'pseudo' };
  const of = { name: 'A.', hand: 'left' as const, stepM: STEP_M };
  const inWeek = { ...week, warmUp: WARM_UPS[0]!.words, filmAlone: true };
  /** What a school or a family wrote or types is not translated; neither are units, nor the name of the page. */
  const STAYS = /school\.example\/home|KH4\u00a07WMQ\u00a02XB|Lochside|Andika|\b(?:cm|min|m|s|A4|A)\b/g;
  const left = (sheet: Sheet) => {
    const text = writtenIn(createElement(SheetPage, { sheet, look }));
    // All of it is there, in that language.
    expect(text.match(/\p{Script=Hebrew}/gu)!.length).toBeGreaterThan(sheet.kind === 'diary' ? 60 : 400);
    return text.replace(STAYS, '').match(/[A-Za-z][A-Za-z' ]+/g) ?? [];
  };
  const all = starters().map(({ id, game }) => ({ id, game }));

  beforeAll(() => void Object.assign(TRANSLATED, { pseudo }));
  afterAll(() => void Reflect.deleteProperty(TRANSLATED, 'pseudo'));

  it.each(all)('$id', ({ game }) => {
    const onPaper = { title: game.title, levelName: game.levels[0]!.name, aim: game.aim, level: pacedGame(resolveLevel(game, 0), STEP_M) };
    const slot = { setUpMinutes: 2, playMinutes: 3, restMinutes: 1 };
    expect(left({ kind: 'home', of, game: onPaper, week: inWeek, par: 12, slip })).toEqual([]);
    expect(left({ kind: 'frames', of, game: onPaper, week: inWeek, slip })).toEqual([]);
    expect(left({ kind: 'event', of, title: '', week: inWeek, kit: [], games: [{ ...onPaper, opensOn: '2027-03-01', slip, slot }] })).toEqual([]);
  });
  it('the diary', () => {
    expect(left({ kind: 'diary', of, week: inWeek, days: ['2027-03-01', '2027-03-02'] })).toEqual([]);
  });
});

describe('the sheets of a class test', () => {
  it.each(['A4', 'LETTER'] as const)(
    'one page of %s for each group, and every child on one',
    async (size) => {
      const names = Array.from({ length: 26 }, (_, n) => `Ailsa-Marguerite ${String.fromCharCode(65 + n)}.`);
      const groups = groupsOf(names);
      expect(groups.map(({ length }) => length)).toEqual([5, 5, 6, 5, 5]);
      const sheets = (size === 'A4' ? TESTED_FAMILIES : TESTED_FAMILIES.slice(0, 1)).flatMap((family) =>
        groups.map((group, index): Sheet => ({
          kind: 'class-test',
          className: 'P4 Dippers',
          family,
          marksM: [1, 2.1],
          heldOn: '2027-02-01',
          names: group,
          group: index + 1,
          groups: groups.length,
        })),
      );
      expect((await rendered({ ...usual, size }, sheets)).getPageCount()).toBe(sheets.length);
    },
    60_000,
  );
});

describe('unhappy at the server: in large print', () => {
  const large: PaperLook = { ...usual, print: 'large' };
  const sheetOf = (id: string, level: number): Sheet => {
    const { game } = starters().find((one) => one.id === id)!;
    const sheet = homeSheet(game, 'Ailsa B.') as Extract<Sheet, { kind: 'home' }>;
    return { ...sheet, game: { ...sheet.game, level: pacedGame(resolveLevel(game, level), STEP_M), levelName: game.levels[level]!.name } };
  };
  const isMade = async (look: PaperLook, sheet: Sheet) => {
    const failed: unknown[] = [];
    const pdf = await PDFDocument.load(
      await renderPaper(
        { look, sheets: [sheet] },
        () => undefined,
        (one) => failed.push(one),
      ),
    );
    expect(failed).toEqual([]);
    expect(pdf.getPageCount()).toBeGreaterThanOrEqual(1);
  };

  it.each([
    // Drawings of these came to lie where a page ends: no PDF was made at all.
    ['clear-the-jetty', 'LETTER'],
    ['clear-the-jetty', 'A4'],
    ['harbour-lamps', 'LETTER'],
    ['harbour-lamps', 'A4'],
    ['regatta-day', 'A4'],
    ['loch-frames', 'A4'],
  ] as const)('a sheet of %s on %s is made', (id, size) =>
    isMade({ ...large, size }, sheetOf(id, starters().find((one) => one.id === id)!.game.levels.length - 1)),
  );

  // Every starter at every level on either size in every language: npm run drill:one.
  it.runIf(LONG).each(starters())(
    'every sheet of $id is made',
    async ({ id, game }) => {
      for (const level of game.levels.keys())
        for (const size of ['A4', 'LETTER'] as const)
          for (const language of ['en', 'fr'] as const)
            for (const ground of ['white', 'pale'] as const) await isMade({ ...large, size, language, ground }, sheetOf(id, level));
    },
    300_000,
  );
});

describe('unhappy at the server: a pack with a sheet that cannot be made', () => {
  const named = (name: string): Sheet => ({ kind: 'notice', title: name, words: '' });
  const made = async (sheets: readonly Sheet[]) => {
    const failed: { sheet: string; reason: string }[] = [];
    const pdf = renderPaper(
      { look: usual, sheets },
      () => undefined,
      (one) => failed.push(one),
      async (_look, some) => {
        if (some.some((sheet) => sheet.kind === 'notice' && sheet.title === 'bad')) throw new Error('unsupported number');
        const pages = await PDFDocument.create();
        for (const _sheet of some) pages.addPage();
        return PDFDocument.load(await pages.save());
      },
    );
    return { failed, pages: async () => (await PDFDocument.load(await pdf)).getPageCount(), pdf };
  };

  it('names it with the reason and keeps the others', async () => {
    const { failed, pages } = await made(['one', 'two', 'bad', 'four', 'five'].map(named));
    expect(await pages()).toBe(4);
    expect(failed).toEqual([{ sheet: 'bad', reason: 'unsupported number' }]);
  });

  it('of nothing else is no PDF, and says so', async () => {
    const { pdf } = await made([named('bad')]);
    await expect(pdf).rejects.toThrow('none of the sheets');
  });
});

describe('the boxes of a tally', () => {
  const of = (id: string) => tallyOf(resolveLevel(starters().find((one) => one.id === id)!.game, 0));

  it('fit the measure: ticks for hits at each mark, frames for a frames game, a time for a race', () => {
    expect(of('harbour-lamps')[0]).toMatchObject({ kind: 'lines', unit: 'points' });
    expect(of('harbour-lamps')[0]!.lines.every((line) => line.ticks > 0 && line.each !== null)).toBe(true);
    expect(of('loch-frames')[0]).toMatchObject({ kind: 'frames', frames: 10 });
    expect(of('oilskin-dash')[0]!.lines).toMatchObject([{ label: 'time', ticks: 0, unit: 'minutes and seconds' }]);
  });

  it('ask for what the page at home asks for, part by part and go by go, in every starter', () => {
    for (const { id, game } of starters()) {
      const level = resolveLevel(game, 0);
      const parts = tallyOf(level);
      expect(parts.length, id).toBe(level.parts.reduce((sum, part) => sum + part.goes.n, 0));
      const lines = parts.reduce((sum, part) => sum + (part.kind === 'frames' ? 2 * part.frames + 2 : part.lines.length), 0);
      expect(lines, id).toBe(partFields(level).length);
    }
  });
});
