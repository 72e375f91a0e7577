/**
 * What the page offers after a go: easier, the same, or harder, one lever at a time.
 *
 * From the form that was asked: everything that pulls one lever. From a level: the levels beside it. From a form with a lever pulled: only
 * back to what was asked, so that never two levers are pulled at once. Easing off changes no set-up and is always there where something is
 * thrown, rolled or kicked. A level's move-up rule puts the next level first.
 */
import { AIMED } from '../objects/catalogue';
import type { Game } from '../rules/format/game';
import { levelById } from '../rules/format/level';
import { betterOf } from '../rules/playing/better';
import { english } from '../words/english';
import type { Words } from '../words/words';
import type { HomeForm } from './home-form';

export interface Offer {
  readonly formId: string;
  readonly words: string;
  readonly hint: string;
}

export interface Offers {
  /** The next level, when the score of this one has reached what the teacher set. */
  readonly moveUp: Offer | null;
  /** Less power with everything as it is; null where nothing is aimed. */
  readonly easeOff: Offer | null;
  readonly easier: readonly Offer[];
  readonly harder: readonly Offer[];
}

const AIMING: ReadonlySet<string> = new Set(['underarm', 'overarm', 'set-shot', 'roll', 'kick', 'lift']);

/** `value` is the score of the go just played, null for not finished or one that is not to be compared. */
export function offersAfter(game: Game, forms: readonly HomeForm[], current: HomeForm, value: number | null, words = english): Offers {
  const { i18n, own } = words;
  const level = levelById(game, current.levelId);
  const aims = level.parts.some((part) => part.stages.some((task) => AIMING.has(task.technique)));
  const asked = forms.find((form) => form.change.kind === 'as-asked');
  const atLevel = current.change.kind === 'as-asked' || current.change.kind === 'level';
  const indexOf = (levelId: string) => game.levels.findIndex((one) => one.id === levelId);
  const here = indexOf(current.levelId);
  const beside = (by: number): Offer[] => {
    const next = game.levels[here + by];
    const form = next && forms.find((one) => one.levelId === next.id && (one.change.kind === 'level' || one.change.kind === 'as-asked'));
    return form ? [{ formId: form.id, words: own(next.name), hint: by < 0 ? i18n.t('the level before') : i18n.t('the next level') }] : [];
  };
  const levers = (towards: 'easier' | 'harder') =>
    current.change.kind !== 'as-asked'
      ? []
      : forms.filter((form) => form.towards === towards && form.change.kind !== 'level').map((form) => offerOf(form, words));
  const back = (towards: 'easier' | 'harder') =>
    !atLevel && asked && current.towards !== towards && current.towards !== 'as-asked'
      ? [{ formId: asked.id, words: i18n.t('As it was sent'), hint: i18n.t('the set-up of the card') }]
      : [];
  const rule = game.levels[here]?.moveUpAt;
  const better = betterOf(level);
  const reached = rule !== undefined && value !== null && (better === 'high' ? value >= rule : value <= rule);
  return {
    moveUp: atLevel && reached ? (beside(1)[0] ?? null) : null,
    easeOff: aims
      ? {
          formId: current.id,
          words: i18n.t('Softer (offer after a go)', {}, { message: 'Softer' }),
          hint: i18n.t('less power, everything stays where it is'),
        }
      : null,
    easier: [...back('easier'), ...levers('easier'), ...(atLevel ? beside(-1) : [])],
    harder: [...back('harder'), ...levers('harder'), ...(atLevel ? beside(1) : [])],
  };
}

function offerOf(form: HomeForm, { i18n, noun }: Words): Offer {
  const { change } = form;
  switch (change.kind) {
    case 'nearer':
      return { formId: form.id, words: i18n.t('Nearer (offer after a go)', {}, { message: 'Nearer' }), hint: i18n.t('move the marks in') };
    case 'farther':
      return { formId: form.id, words: i18n.t('Farther (offer after a go)', {}, { message: 'Farther' }), hint: i18n.t('move the marks back') };
    case 'bigger':
      return { formId: form.id, words: i18n.t('A bigger target'), hint: noun(AIMED[change.object].name) };
    case 'smaller':
      return { formId: form.id, words: i18n.t('A smaller target'), hint: noun(AIMED[change.object].name) };
    case 'other-hand':
      return { formId: form.id, words: i18n.t('Other side'), hint: i18n.t('your other hand or foot') };
    case 'level':
    case 'as-asked':
      return { formId: form.id, words: i18n.t('As it was sent'), hint: i18n.t('the set-up of the card') };
  }
}

/** How a form differs from what was asked, for the list of goes; empty for as asked. */
export function formWords(game: Game, form: HomeForm, words = english): string {
  const name = words.own(game.levels.find((level) => level.id === form.levelId)?.name ?? '');
  switch (form.change.kind) {
    case 'as-asked':
    case 'level':
      return name;
    default: {
      const offer = offerOf(form, words);
      const lower = offer.words.toLocaleLowerCase(words.tag);
      return `${name}, ${form.change.kind === 'bigger' || form.change.kind === 'smaller' ? offer.hint : lower}`;
    }
  }
}
