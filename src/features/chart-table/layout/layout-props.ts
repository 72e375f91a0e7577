/** What the parts of the layout leaf are handed. */
import type { Dispatch } from 'react';
import type { LevelForecast } from '@/core/forecast/forecast-level';
import type { Game } from '@/core/rules/format/game';
import type { Picked } from '../chart';
import type { DraftAction } from '../draft';

export interface LayoutProps {
  readonly game: Game;
  readonly level: Game;
  readonly levelIndex: number;
  readonly ageYears: number;
  /** Of the level that is shown; null while it is worked out. */
  readonly forecast: LevelForecast | null;
  readonly picked: Picked;
  readonly onPick: (picked: Picked) => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly onlyHere: boolean;
  readonly readOnly: boolean;
}
