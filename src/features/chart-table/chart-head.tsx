'use client';
/** Above the chart: the name of the game, for whom it is shown, whether it is saved, undo, try it, send. */
import { format } from 'date-fns';
import { Redo2, Undo2 } from 'lucide-react';
import { memo, type Dispatch } from 'react';
import type { Game } from '@/core/rules/format/game';
import { Button } from '@/ui/button';
import { Select } from '@/ui/field';
import { aboutGame } from '../games/about-game';
import { Head, Saved, ShownFor } from './chart-table-style';
import type { DraftAction, DraftHistory } from './draft';
import type { ClassChoice } from './send-dialog';
import { savedWords, type SaveState } from '@/ui/use-autosave';

const AGES = ['4', '5', '6', '7', '8', '9', '10', '11', '12'] as const;

interface ChartHeadProps {
  readonly game: Game;
  readonly ageYears: number;
  readonly history: DraftHistory;
  readonly classes: readonly ClassChoice[];
  /** The class by whose reports chances are shown. */
  readonly classId: string | null;
  readonly onClass: (id: string | null) => void;
  readonly state: SaveState;
  readonly trying: boolean;
  readonly onTry: () => void;
  readonly onShow: () => void;
  readonly onSend: () => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly: boolean;
}

export function ChartHead({
  game,
  ageYears,
  history,
  classes,
  classId,
  onClass,
  state,
  trying,
  onTry,
  onShow,
  onSend,
  dispatch,
  readOnly,
}: ChartHeadProps) {
  return (
    <Head>
      <input
        key={game.title}
        className="title"
        aria-label="Name of the game"
        defaultValue={game.title}
        readOnly={readOnly}
        size={Math.max(8, game.title.length)}
        maxLength={60}
        onBlur={(event) => dispatch({ do: 'title', title: event.target.value })}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
      <span className="about">{aboutGame(game)}</span>
      <AgeChoice ageYears={ageYears} classes={classes} classId={classId} onClass={onClass} dispatch={dispatch} />
      <Saved role="status">{savedWords(state, (at) => format(new Date(at), 'HH:mm'))}</Saved>
      <Button aria-label="Undo" isDisabled={history.past.length === 0} onPress={() => dispatch({ do: 'undo' })}>
        <Undo2 size={17} aria-hidden />
      </Button>
      <Button aria-label="Redo" isDisabled={history.future.length === 0} onPress={() => dispatch({ do: 'redo' })}>
        <Redo2 size={17} aria-hidden />
      </Button>
      <Button onPress={onShow}>Show me</Button>
      <Button onPress={onTry} aria-pressed={trying}>
        Try it
      </Button>
      <Button $strong isDisabled={readOnly} onPress={onSend}>
        Send to a class
      </Button>
    </Head>
  );
}

const AgeChoice = memo(function AgeChoice({
  ageYears,
  classes,
  classId,
  onClass,
  dispatch,
}: {
  ageYears: number;
  classes: readonly ClassChoice[];
  classId: string | null;
  onClass: (id: string | null) => void;
  dispatch: Dispatch<DraftAction>;
}) {
  const known = classes.filter((one) => one.fitted);
  const choose = (value: string) => {
    const of = known.find((one) => one.id === value);
    onClass(of?.id ?? null);
    dispatch({ do: 'age', ageYears: of?.ageYears ?? Number(value) });
  };
  return (
    <ShownFor>
      <span aria-hidden>shown for</span>
      <Select
        hideLabel
        label="Shown for children of"
        value={classId ?? `${ageYears}`}
        choices={[
          ...AGES.map((age) => ({ value: age as string, label: `${age} years` })),
          ...known.map((one) => ({ value: one.id, label: `${one.name}, by its reports` })),
        ]}
        onChange={choose}
      />
    </ShownFor>
  );
});
