/** Where to put things and marks, in the child's own paces. */
import { sideOf, targetFrom, type PlacedMark, type Side } from '../course/geometry';
import { toParts, type Pace } from '../measure/lengths';
import { nameOf } from '../objects/catalogue';
import type { Box, Game } from '../rules/format/game';
import { placeName } from '../rules/telling/place-name';
import { capitalised } from '../words/capitalised';
import type { Words } from '../words/words';
import { allTargets, countsByName, numbered } from './counted-things';

interface Paced {
  /** "far", "mark 3"; empty where there is one. */
  readonly name: string;
  /** "3½ steps" */
  readonly steps: string;
}

/** A mark as it is walked to, and its number among all. */
interface Way extends Paced {
  readonly mark: PlacedMark;
  readonly at: number;
}

/** How the course is laid out, one sentence after the other: the things, then each mark from what it looks towards. */
export function directionsOf(game: Game, marks: readonly PlacedMark[], places: readonly Paced[], pace: Pace, words: Words): string[] {
  const ways = places.map(({ name, steps }, at): Way => ({ mark: marks[at]!, name, steps, at }));
  return [...layOut(game, words), ...new Walks(game, ways, pace, words).told()];
}

/** The things themselves: one on the floor, or all as in the drawing; how high they stand, each height once; what is in the way. */
function layOut(game: Game, words: Words): string[] {
  const { i18n, forms } = words;
  const targets = allTargets(game);
  const listed = (things: typeof targets) =>
    countsByName(things)
      .map(({ name, n }) => numbered(name, n, words))
      .join(', ');
  const [only] = targets;
  const alone = targets.length === 1 && only!.standM === 0;
  return [
    ...(alone ? [i18n.t('Put the {thing} on the floor with clear space all round.', { ...forms('thing', nameOf(only!)) })] : []),
    ...(targets.length > 0 && !alone ? [i18n.t('Set out {things} as in the drawing.', { things: listed(targets) })] : []),
    ...[...new Set(targets.map(({ standM }) => standM))]
      .filter((standM) => standM > 0)
      .map((standM) =>
        i18n.t('{things}: {cm} cm up, on a chair or a table.', {
          things: listed(targets.filter((one) => one.standM === standM)),
          cm: Math.round(standM * 100),
        }),
      ),
    ...((game.course.obstacles ?? []).length > 0 ? [i18n.t('Put what stands in the way where the drawing shows it.')] : []),
  ];
}

/** The marks one after the other; several of a group that are as far from one thing are told as one. */
class Walks {
  private readonly targets;
  private readonly marker;

  constructor(
    private readonly game: Game,
    private readonly ways: readonly Way[],
    private readonly pace: Pace,
    private readonly words: Words,
  ) {
    this.targets = allTargets(game);
    this.marker = words.forms('marker', game.kit.marker);
  }

  told(): string[] {
    const walks = this.ways.flatMap((one): string[] => {
      if (one.mark.spot.box) return [this.boxed(one, one.mark.spot.box)];
      const alike = this.toldWith(one);
      if (alike.length === 1) return [this.point(one)];
      return alike[0] === one ? [this.together(alike)] : [];
    });
    const sided = this.ways.some((one) => ['left', 'right'].includes(this.side(one)));
    return sided ? [...walks, this.words.i18n.t('Left and right are meant as you stand there and look at it.')] : walks;
  }

  private isAsFar({ mark, steps }: Way, other: Way): boolean {
    const { group, towards, spot } = other.mark;
    return this.targets.length > 0 && towards !== undefined && towards === mark.towards && group === mark.group && !spot.box && other.steps === steps;
  }

  /** "Walk 4 steps away from it"; empty for what looks towards nothing. */
  private wayTo({ mark, steps }: Way, also = ''): string {
    const { i18n, forms } = this.words;
    const walking = this.pace.one === 'step';
    if (!mark.towards) return '';
    if (this.targets.length === 0) return walking ? i18n.t('Walk {steps}.', { steps }) : i18n.t('Measure {steps}.', { steps });
    const name = nameOf(targetFrom(this.game, mark.group, mark.spot)!);
    const from = { ...forms('thing', name), steps, also };
    if (this.targets.length === 1)
      return walking ? i18n.t('Walk {steps} away from it{also}.', from) : i18n.t('Measure {steps} away from it{also}.', from);
    if (this.targets.filter((one) => nameOf(one) === name).length > 1)
      return walking
        ? i18n.t('Walk {steps} away from the nearest {thing}{also}.', from)
        : i18n.t('Measure {steps} away from the nearest {thing}{also}.', from);
    return walking ? i18n.t('Walk {steps} away from the {thing}{also}.', from) : i18n.t('Measure {steps} away from the {thing}{also}.', from);
  }

  /** The marks that are told with one: itself alone, or all as far in its group. */
  private toldWith(one: Way): readonly Way[] {
    if (one.mark.spot.box) return [one];
    const alike = this.ways.filter((other) => this.isAsFar(one, other));
    return alike.length < 2 ? [one] : alike;
  }

  /** On which side of the mark told before it, seen from there towards what both look at: of several told as one, among themselves. */
  private side(one: Way): Side {
    const alike = this.toldWith(one);
    const before = alike.length > 1 ? alike[alike.indexOf(one) - 1] : this.ways[one.at - 1];
    const { towards, spot } = one.mark;
    return towards !== undefined && before?.mark.towards === towards ? sideOf(towards, before.mark.spot, spot) : 'along';
  }

  private beside(one: Way): string {
    const { i18n } = this.words;
    switch (this.side(one)) {
      case 'along':
        return '';
      case 'left':
        return i18n.t('more to the left');
      case 'right':
        return i18n.t('more to the right');
      case 'across':
        return i18n.t('on the other side');
    }
  }

  private away(one: Way): string {
    const side = this.beside(one);
    return this.wayTo(one, side === '' ? '' : `, ${side}`);
  }

  /** A box: where its middle is, how large it is, what lies on its corners. */
  private boxed(one: Way, box: Box): string {
    const { i18n } = this.words;
    const away = this.targets.length === 0 && one.at === 0 ? '' : this.away(one);
    const told = { wide: toParts(box.widthM, this.pace, this.words).words, deep: toParts(box.depthM, this.pace, this.words).words };
    return [
      ...(away === '' ? [i18n.t('Lay out a box, {wide} by {deep}.', told)] : [away, i18n.t('That is the middle of a box, {wide} by {deep}.', told)]),
      one.name === ''
        ? i18n.t('Put {marker_a} on each corner.', this.marker)
        : i18n.t('Put {marker_a} on each corner: {place}.', { ...this.marker, place: one.name }),
      i18n.t('Stand anywhere in it.'),
    ].join(' ');
  }

  private together(several: readonly Way[]): string {
    const { i18n } = this.words;
    const names = several.map((one) => {
      const side = this.beside(one);
      return side === '' ? one.name : `${one.name} (${side})`;
    });
    const ways = `, ${i18n.t('{n} ways', { n: several.length })}`;
    return `${this.wayTo(several[0]!, ways)} ${i18n.t('Put {marker_a} at the end of each: {places}.', { ...this.marker, places: names.join(', ') })}`;
  }

  private point(one: Way): string {
    const { i18n } = this.words;
    const { mark, name } = one;
    const called = { ...this.marker, place: name };
    if (!mark.towards) return i18n.t('Put {marker_a} there: the {place} mark', called);
    if (this.targets.length === 0 && one.at === 0) return i18n.t('Put {marker_a} down: {place}.', { ...called, place: name || i18n.t('the start') });
    if (this.targets.length === 0) return `${this.wayTo(one)} ${i18n.t('{place}: {marker_a}.', { ...called, place: capitalised(name, this.words) })}`;
    if (name === '') return `${this.away(one)} ${i18n.t('Put {marker_a} there.', this.marker)}`;
    if (this.ways.length === 1) return `${this.away(one)} ${i18n.t('Put the {marker} there.', this.marker)}`;
    const isNumber = name === placeName(mark.index, Number.POSITIVE_INFINITY, this.words);
    return `${this.away(one)} ${isNumber ? i18n.t('Put {marker_a} there: {place}.', called) : i18n.t('Put {marker_a} there: the {place} mark.', called)}`;
  }
}
