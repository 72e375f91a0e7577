/** The boxes of a paper sheet in which a family keeps the tally: as many, and of the kind, that this game's measure needs. */
import { partFields, type PartField } from '../reports/parts';
import type { Game } from '../rules/format/game';
import { english } from '../words/english';
import type { Words } from '../words/words';

/** One line of the tally: boxes to tick, or one box to write a number into. */
export interface TallyLine {
  readonly label: string;
  /** Boxes to tick; 0 where a number is written. */
  readonly ticks: number;
  /** "× 3 =" after the boxes; null where each counts by itself. */
  readonly each: number | null;
  readonly unit: string;
}

export interface TallyPart {
  readonly title: string;
  readonly kind: 'lines' | 'frames';
  readonly lines: readonly TallyLine[];
  /** Frames of a frames game. */
  readonly frames: number;
  /** What the whole is counted in: "points", "seconds". */
  readonly unit: string;
}

const TICKS = 15;
/** With many lines the boxes are fewer, so that they fit beside each other. */
const FEW_TICKS = 8;
const MANY_LINES = 5;

/** The tally of a game resolved to one level, a block for each part and go. */
export function tallyOf(level: Game, words = english): readonly TallyPart[] {
  const fields = partFields(level, words);
  return level.parts.flatMap((part, index) =>
    Array.from({ length: part.goes.n }, (_, go): TallyPart => {
      const mine = fields.filter((field) => field.part === index && field.go === go);
      const balls = mine.filter((field) => field.kind === 'ball');
      const title = [
        level.parts.length > 1 ? (part.title === undefined ? words.i18n.t('Part {n}', { n: index + 1 }) : words.own(part.title)) : '',
        part.goes.n > 1 ? words.i18n.t('go {n}', { n: go + 1 }) : '',
      ]
        .filter(Boolean)
        .join(', ');
      const unit = part.measure.unit === 'mm' ? 'cm' : words.own(part.measure.unit);
      return balls.length > 0
        ? { title, kind: 'frames', lines: [], frames: Math.floor((balls.length - 2) / 2), unit }
        : { title, kind: 'lines', lines: mine.map((field) => lineOf(field, mine.length, words)), frames: 0, unit };
    }),
  );
}

function lineOf(field: PartField, of: number, { i18n }: Words): TallyLine {
  switch (field.kind) {
    case 'row':
      return { label: field.label, ticks: of > MANY_LINES ? FEW_TICKS : TICKS, each: field.each, unit: '' };
    case 'counter':
      return { label: field.label, ticks: 0, each: field.each === 1 ? null : field.each, unit: '' };
    case 'seconds':
      return { label: i18n.t('time (heading of a box)', {}, { message: 'time' }), ticks: 0, each: null, unit: i18n.t('minutes and seconds') };
    case 'minutes':
      return { label: i18n.t('minutes (a length of time)', {}, { message: 'minutes' }), ticks: 0, each: null, unit: '' };
    case 'done':
      return { label: i18n.t('done (ticked)', {}, { message: 'done' }), ticks: 1, each: null, unit: '' };
    case 'ball':
      return { label: field.label, ticks: 0, each: null, unit: i18n.t('pins (heading of a box: how many fell)', {}, { message: 'pins' }) };
  }
}
