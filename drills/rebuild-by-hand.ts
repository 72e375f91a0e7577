/** A game built again on the chart table by hand, from a blank floor: what a teacher would click, choose and type. */
import { expect, type Page } from '@playwright/test';
import { thingWords } from '@/core/course/thing-words';
import { groundOf, keyOf, thingsOf, type CourseThing } from '@/core/course/things';
import { AIMED, IMPLEMENTS } from '@/core/objects/catalogue';
import type { Game, PlacedTarget, Spot } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { sentencesOf } from '@/core/rules/telling/sentences';
import { WAYS } from '@/core/ways/ways';
import { blankFloor, choose, cupboard, leaf, playItSo, putDown, typed } from '../tests/browser/by-hand';

async function floor(page: Page, widthM: number, depthM: number, surface?: string): Promise<void> {
  await leaf(page, 'Floor');
  await typed(page, 'The floor, metres wide', widthM);
  await typed(page, 'The floor, metres deep', depthM);
  if (surface) await choose(page, /Ground of the floor/, surface);
}

/** A starter (or another game without more than these) built again from a blank floor. */
export async function rebuildByHand(page: Page, wanted: Game): Promise<void> {
  const { course } = wanted;
  await blankFloor(page, wanted.title);
  await choose(page, /Shown for children of/, `${wanted.ageYears} years`);
  await floor(page, course.floor.widthM, course.floor.depthM, course.floor.surface === 'hard' ? undefined : course.floor.surface);
  if (wanted.kit.implement !== 'sock-ball') {
    await cupboard(page, 'To play with');
    await page.getByRole('dialog').getByRole('button', { name: IMPLEMENTS[wanted.kit.implement].name, exact: true }).click();
    await page.getByRole('button', { name: 'Play with it' }).click();
    await page.getByRole('button', { name: 'Close the cupboard' }).click();
  }
  if (wanted.kit.marker !== 'sock') {
    await cupboard(page, 'Places to stand');
    await choose(page, /What marks a place/, wanted.kit.marker);
    await page.getByRole('button', { name: 'Close the cupboard' }).click();
  }
  for (const spots of Object.values(course.places))
    await putDown(page, { shelf: 'Places to stand', ...(spots.length > 1 && { pattern: 'a row, side by side', n: spots.length, spacingM: 0.05 }) });
  for (const list of Object.values(course.targets)) await targets(page, list);
  for (const thing of course.obstacles ?? []) await putDown(page, { shelf: 'In the way', card: AIMED[thing.object].name });
  for (const piece of course.furniture) {
    await cupboard(page, 'Floor and furniture');
    await page
      .getByRole('dialog')
      .getByRole('button', { name: new RegExp(`^${piece.name}`) })
      .click();
    await page.getByLabel('Metres wide', { exact: true }).waitFor();
    await typed(page, 'Metres wide', piece.widthM);
    await typed(page, 'Metres deep', piece.depthM);
    await choose(page, /What kind of thing it is/, new RegExp(`^${piece.kind ?? 'hard'}`));
  }
  for (const zone of course.zones ?? []) {
    await cupboard(page, 'Floor and furniture');
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^forbidden patch/ })
      .click();
    await typed(page, 'Metres across', 2 * zone.radiusM);
    const name = page.getByLabel('called');
    await name.fill(zone.name);
    await name.press('Enter');
  }
  for (let way = 0; way < Object.keys(course.routes ?? {}).length; way += 1) {
    await cupboard(page, 'Floor and furniture');
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^winding way/ })
      .click();
  }
  await playItSo(page, WAYS.find((way) => way.from.title === wanted.title)!.name);
  await page.getByLabel('What the child is to do', { exact: true }).fill(wanted.aim);
  await page.getByLabel('What the child is to do', { exact: true }).press('Enter');
  for (const [index, level] of wanted.levels.entries()) {
    if (index > 0) {
      await page.getByRole('button', { name: /^What to do with/ }).click();
      await page.getByRole('menuitem', { name: /^A new level like/ }).click();
    }
    const name = page.getByLabel('Name of the level that is shown');
    await name.fill(level.name);
    await name.press('Enter');
    await layOut(page, resolveLevel(wanted, index), index > 0);
    await otherSlots(page, wanted, index);
  }
}

/** Targets of one group: alike in a row, different ones one after the other into the group of the first. */
async function targets(page: Page, list: readonly PlacedTarget[]): Promise<void> {
  const [first] = list;
  const alike = list.every((target) => target.object === first!.object);
  const set = { shelf: 'To aim at', card: AIMED[first!.object].name } as const;
  if (alike && list.length > 1) return putDown(page, { ...set, pattern: 'a row, side by side', n: list.length, spacingM: 0.05 });
  await putDown(page, set);
  for (const target of list.slice(1)) await putDown(page, { ...set, card: AIMED[target.object].name, joins: true });
}

/** Types where everything stands, in the list of the layout; of a further level only the places. */
async function layOut(page: Page, level: Game, placesOnly: boolean): Promise<void> {
  await leaf(page, 'Layout');
  const all: readonly CourseThing[] = [...thingsOf(level), ...groundOf(level)];
  const rows = page.getByRole('table', { name: 'Everything on the floor' }).getByRole('row');
  for (const [index, thing] of all.entries()) {
    if (placesOnly && thing.kind !== 'place') continue;
    const row = rows.nth(index + 1);
    const spot = spotFor(level, thing);
    await put(row.getByLabel(/metres across$/), spot.xM);
    await put(row.getByLabel(/metres down$/), spot.yM);
    const listed =
      thing.kind === 'target'
        ? level.course.targets[thing.group]![thing.index]!
        : thing.kind === 'obstacle'
          ? level.course.obstacles![thing.index]!
          : null;
    if (!listed) continue;
    if (listed.turnRad !== 0) await put(row.getByLabel(/turned by degrees$/), Math.round((listed.turnRad * 180) / Math.PI));
    if (listed.widthM === undefined && listed.standM === 0) continue;
    await row.getByRole('button').first().click();
    if (listed.widthM !== undefined) await typed(page, 'Centimetres wide', Math.round(listed.widthM * 100));
    if (listed.standM > 0) await typed(page, 'Centimetres that it stands above the floor', Math.round(listed.standM * 100));
  }
  expect(all.map(keyOf).length, thingWords(level, all[0] ?? { kind: 'door', index: 0 })).toBe((await rows.count()) - (all.length > 0 ? 1 : 0));
}

function spotFor(level: Game, thing: CourseThing): Spot {
  if (thing.kind === 'furniture') {
    const piece = level.course.furniture[thing.index]!;
    return { xM: piece.xM + piece.widthM / 2, yM: piece.yM + piece.depthM / 2 };
  }
  const { course } = level;
  if (thing.kind === 'place') return course.places[thing.group]![thing.index]!;
  if (thing.kind === 'target') return course.targets[thing.group]![thing.index]!;
  if (thing.kind === 'turn') return course.routes![thing.group]![thing.index]!;
  return thing.kind === 'zone' ? course.zones![thing.index]! : course.obstacles![thing.index]!;
}

async function put(box: ReturnType<Page['getByLabel']>, value: number): Promise<void> {
  const text = `${Math.round(value * 1000) / 1000}`;
  if (Number(await box.inputValue()) === Number(text)) return;
  await box.fill(text);
  await box.press('Enter');
}

/** Slots that a level has otherwise than the game: typed for that level only. */
async function otherSlots(page: Page, wanted: Game, index: number): Promise<void> {
  // A level is made as a copy of the one before it.
  const usual = new Map(slotsOf(index === 0 ? wanted : resolveLevel(wanted, index - 1)).map(({ slot, text }) => [slot, text]));
  const here = slotsOf(resolveLevel(wanted, index));
  const other = here.filter(({ slot, text }) => usual.get(slot) !== text);
  if (other.length === 0) return;
  await leaf(page, 'Rules');
  const only = page.getByRole('checkbox', { name: /^change .* only/ });
  if (await only.count()) await only.check({ force: true });
  for (const slot of other) {
    // Several slots may bear one name: it is the same one of them as in the game.
    const alike = here.filter(({ label }) => label === slot.label);
    const box = page.getByLabel(new RegExp(`^${slot.label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(, at .* only)?$`)).nth(alike.indexOf(slot));
    await box.fill(slot.text);
    await box.press('Enter');
  }
  if (await only.count()) await only.uncheck({ force: true });
}

function slotsOf(game: Game): readonly { readonly slot: string; readonly label: string; readonly text: string }[] {
  return sentencesOf(game, 'precise')
    .flat()
    .flatMap((token) => (token.kind === 'slot' ? [{ slot: token.slot, label: token.label, text: token.text }] : []));
}
