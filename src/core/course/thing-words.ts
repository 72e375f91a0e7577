/** What a thing is called where a layout is spoken of. */
import { nameOf } from '../objects/catalogue';
import type { Game } from '../rules/format/game';
import type { CourseThing } from './things';

/** "mark 2", "bottle 3", "sofa": what a thing is called where the layout is spoken of. */
export function thingWords(level: Game, thing: CourseThing): string {
  const { course } = level;
  switch (thing.kind) {
    case 'place': {
      const n = course.places[thing.group]?.length ?? 0;
      const label = level.parts.map((part) => part.groups[thing.group]?.labels?.[thing.index]).find((one) => one !== undefined);
      return label ?? (n === 1 ? 'throw line' : `mark ${thing.index + 1}`);
    }
    case 'target': {
      const list = course.targets[thing.group] ?? [];
      const name = list[thing.index] ? nameOf(list[thing.index]!) : 'target';
      return list.length > 1 ? `${name} ${thing.index + 1}` : name;
    }
    case 'obstacle': {
      const list = course.obstacles ?? [];
      const name = list[thing.index] ? nameOf(list[thing.index]!) : 'thing';
      const alike = list.filter((other) => nameOf(other) === name);
      return alike.length > 1 ? `${name} ${alike.indexOf(list[thing.index]!) + 1}` : name;
    }
    case 'furniture':
      return course.furniture[thing.index]?.name ?? 'furniture';
    case 'zone':
      return course.zones?.[thing.index]?.name ?? 'patch';
    case 'patch':
      return course.patches?.[thing.index]?.name ?? 'ground';
    case 'door':
      return `door ${thing.index + 1}`;
    case 'turn':
      return `turn ${thing.index + 1} of the way`;
  }
}
