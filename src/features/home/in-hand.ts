/** The game as it is being played in this home: its form, its set-up, measured out as the family likes. */
import type { CardItem } from '@/contract/card';
import { SHEET_PACE, stepPace, TOWEL_PACE, type Pace } from '@/core/measure/lengths';
import type { UsedSetUp } from '@/core/reports/report';
import type { BodyForm } from '@/core/motion/assumed';
import type { Game } from '@/core/rules/format/game';
import type { PlayEvent } from '@/core/rules/format/play';
import { levelById } from '@/core/rules/format/level';
import { formWords } from '@/core/sheet/after-a-go';
import { chooseSetUp, gameOfForm, usedSetUpOf, type ChosenSetUp, type HomeForm } from '@/core/sheet/home-form';
import { pacedGame } from '@/core/sheet/set-up';
import { english } from '@/core/words/english';
import type { Words } from '@/core/words/words';
import type { PaceKind, Ways } from './store';

export interface InHand {
  readonly item: CardItem;
  readonly form: HomeForm;
  readonly chosen: ChosenSetUp;
  readonly pace: Pace;
  /** The level as it is set out here. */
  readonly level: Game;
  readonly levelName: string;
  /** "Wade, nearer" */
  readonly words: string;
  readonly used: UsedSetUp & { readonly form: BodyForm };
  /** The likely score for just this; null where it is not known, or the set-up is not equal. */
  readonly par: number | null;
  /** The own best on a like set-up; null where there is none, or this is not like it. */
  readonly best: number | null;
}

export function paceOf(kind: PaceKind, stepM: number): Pace {
  return kind === 'steps' ? stepPace(stepM) : kind === 'sheets' ? SHEET_PACE : TOWEL_PACE;
}

export function inHand(item: CardItem, formId: string, ways: Ways, words: Words = english): InHand {
  const form = item.forms.find((one) => one.id === formId) ?? item.forms[0]!;
  const chosen = chooseSetUp(form, ways.have, ways.clearM);
  const pace = paceOf(ways.pace, item.setUp.stepM);
  const asked = levelById(item.game, item.levelId);
  const level = pacedGame(gameOfForm(item.game, form, chosen), pace);
  const asAsked = form.change.kind === 'as-asked';
  return {
    item,
    form,
    chosen,
    pace,
    level,
    levelName: words.own(item.game.levels.find((one) => one.id === form.levelId)?.name ?? ''),
    words: formWords(item.game, form, words),
    used: { ...usedSetUpOf(level), form: level.kit.form ?? (asked.kit.form ? 'standing' : item.setUp.form) },
    par: chosen.equal ? (asAsked ? item.par : form.par) : null,
    best: chosen.equal && asAsked ? item.best : null,
  };
}

/** The events with the clock stopped where it stood when they were kept, so that going on begins from there. */
export function stopped(events: readonly PlayEvent[], keptT = 0): readonly PlayEvent[] {
  const last = events.at(-1);
  if (!last && keptT === 0) return events;
  return last?.do === 'pause' ? events : [...events, { do: 'pause', t: Math.max(last?.t ?? 0, keptT) }];
}
