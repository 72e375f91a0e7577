'use client';
/** The plan as a sheet: classes down, weeks across. Cells are dragged onto each other, or cut, copied and pasted by keys. */
import { useDrag } from '@use-gesture/react';
import { Check, Pin } from 'lucide-react';
import { memo, useRef, useState, type KeyboardEvent } from 'react';
import { dayShort } from '@/core/measure/days';
import { MOVEMENTS } from '@/core/sheet/movements';
import { SKILL_SHORT, type Skill } from '@/core/sheet/teaching-points';
import { useAlive } from '@/ui/use-alive';
import { QuietButton } from '@/ui/button';
import { Spoken } from '@/ui/notice';
import { Figure, FIGURE_H } from '../drawing/figure';
import { cellWords, mayChangeCell, type CellView, type ClassLine } from './model';
import { CellButton, Grid, GridSheet } from './plan-style';

/** The frame of a movement that says it best: the swing. */
const TOLD_FRAME = 2;
/** The part of a figure's frame that the figure is in. */
const FIGURE_BOX = { x: 18, width: 132 };
const FIGURE_PX = 24;

const SkillFigure = memo(function SkillFigure({ skill }: { skill: Skill }) {
  return (
    <svg viewBox={`${FIGURE_BOX.x} 0 ${FIGURE_BOX.width} ${FIGURE_H + 4}`} height={FIGURE_PX} aria-hidden>
      <Figure frame={MOVEMENTS[skill][TOLD_FRAME]!} mirrored={false} />
    </svg>
  );
});

export interface At {
  readonly line: number;
  readonly week: number;
}

export interface PlanGridProps {
  readonly lines: readonly ClassLine[];
  readonly mondays: readonly string[];
  /** What a plan that waits to be accepted has in a cell instead, by "class week". */
  readonly changed: ReadonlyMap<string, string>;
  readonly mayChange: boolean;
  readonly onOpen: (cell: CellView) => void;
  readonly onSend: (week: number) => void;
  readonly onMove: (from: CellView, to: CellView) => void;
  readonly onPaste: (what: CellView, to: CellView) => void;
  readonly onTake: (cell: CellView) => void;
  readonly onPin: (cell: CellView) => void;
  readonly onLevel: (cell: CellView, by: -1 | 1) => void;
  /** What was done by a key, for who does not see it. */
  readonly onSaid: (words: string) => void;
}

const keyOf = ({ classId, week }: Pick<CellView, 'classId' | 'week'>) => `${classId} ${week}`;

export function PlanGrid(props: PlanGridProps) {
  const { lines, mondays, changed, mayChange, onOpen, onSend, onMove, onPaste, onTake, onPin, onLevel, onSaid } = props;
  const [at, setAt] = useState<At>({ line: 0, week: 0 });
  const [held, setHeld] = useState<{ readonly cell: CellView; readonly isCut: boolean } | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const sheet = useRef<HTMLTableElement>(null);
  const cellAt = ({ line, week }: At) => lines[line]?.cells[week];
  const cellBy = (key: string | null) => lines.flatMap(({ cells }) => cells).find((cell) => keyOf(cell) === key);

  const go = (to: At) => {
    // Over land to the next cell in the same direction.
    const step = { line: Math.sign(to.line - at.line), week: Math.sign(to.week - at.week) };
    let next = to;
    while (cellAt(next)?.kind === 'land') next = { line: next.line + step.line, week: next.week + step.week };
    const cell = cellAt(next);
    if (!cell) return;
    setAt(next);
    sheet.current?.querySelector<HTMLElement>(`[data-cell="${keyOf(cell)}"]`)?.focus();
  };

  const onKeyDown = (event: KeyboardEvent, cell: CellView, here: At) => {
    const arrow = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
    const act = (work: () => void, said: string) => {
      event.preventDefault();
      work();
      onSaid(said);
    };
    if (arrow) {
      event.preventDefault();
      go({ line: here.line + arrow[0]!, week: here.week + arrow[1]! });
      return;
    }
    if (!mayChange) return;
    const name = cell.offer?.title ?? 'An empty cell';
    const may = mayChangeCell(cell);
    if ((event.ctrlKey || event.metaKey) && (event.key === 'x' || event.key === 'c')) {
      if (event.key === 'x' && !may) return act(() => undefined, 'This was sent, or is over: it stays.');
      return act(
        () => setHeld({ cell, isCut: event.key === 'x' }),
        `${name} is ${event.key === 'x' ? 'cut' : 'copied'}. Go to another cell and paste.`,
      );
    }
    if ((event.ctrlKey || event.metaKey) && event.key === 'v' && held) {
      if (!may) return act(() => undefined, 'This was sent, or is over: nothing can be put here.');
      return act(
        () => {
          if (held.isCut) onMove(held.cell, cell);
          else onPaste(held.cell, cell);
          if (held.isCut) setHeld(null);
        },
        held.isCut ? 'The two have changed places.' : `${held.cell.offer?.title ?? 'Nothing'} stands here now.`,
      );
    }
    if (event.ctrlKey || event.metaKey || event.altKey || !may) return;
    if (event.key === 'Delete' || event.key === 'Backspace') return act(() => onTake(cell), `${name} is taken out.`);
    if (event.key === 'p') return act(() => onPin(cell), cell.pinned ? `${name} may be moved.` : `${name} is pinned.`);
    if (event.key === '+' || event.key === '-')
      return act(() => onLevel(cell, event.key === '+' ? 1 : -1), event.key === '+' ? 'Harder.' : 'Easier.');
    if (event.key === 'Escape') return act(() => setHeld(null), 'Nothing is held.');
  };

  const drag = useDrag(
    ({ args: [cell], xy: [x, y], last, tap, canceled }) => {
      const from = cell as CellView;
      if (tap || canceled) return setOver(null);
      const target = cellBy(document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-cell]')?.dataset['cell'] ?? null);
      const may = target && keyOf(target) !== keyOf(from) && mayChangeCell(target) && mayChangeCell(from);
      if (!last) return setOver(may ? keyOf(target) : null);
      setOver(null);
      if (may) {
        onMove(from, target);
        onSaid(`${from.offer?.title ?? 'The cell'} stands in week ${target.week + 1} of ${target.className} now.`);
      }
    },
    { filterTaps: true, enabled: mayChange, pointer: { capture: false, keys: false } },
  );

  return (
    <GridSheet>
      <Grid ref={sheet} aria-label="The plan: classes down, weeks across">
        <thead>
          <tr>
            <th scope="col">Class</th>
            {mondays.map((monday, week) => (
              <th key={monday} scope="col">
                <b>Week {week + 1}</b>
                <br />
                {dayShort(monday).slice(4)}
                {mayChange && lines.some(({ cells }) => cells[week]?.kind === 'planned' && !cells[week].sent && !cells[week].isPast) && (
                  <>
                    {' '}
                    <QuietButton aria-label={`Send week ${week + 1}`} onPress={() => onSend(week)}>
                      Send
                    </QuietButton>
                  </>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(({ id, name, children, cells }, line) => (
            <tr key={id}>
              <th scope="row">
                <b>{name}</b>
                {children} children
              </th>
              {cells.map((cell) =>
                cell.kind === 'land' ? (
                  <td key={cell.week} className="land">
                    {cell.land}
                  </td>
                ) : (
                  <td key={cell.week}>
                    <OneCell
                      cell={cell}
                      tabIndex={
                        (
                          cellAt(at)?.kind === 'land'
                            ? line === 0 && cell === cells.find(({ kind }) => kind !== 'land')
                            : at.line === line && at.week === cell.week
                        )
                          ? 0
                          : -1
                      }
                      proposed={changed.get(keyOf(cell))}
                      isCut={held?.isCut === true && keyOf(held.cell) === keyOf(cell)}
                      isOver={over === keyOf(cell)}
                      bind={drag(cell)}
                      onFocus={() => setAt({ line, week: cell.week })}
                      onKeyDown={(event) => onKeyDown(event, cell, { line, week: cell.week })}
                      onPress={() => onOpen(cell)}
                    />
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </Grid>
    </GridSheet>
  );
}

interface OneCellProps {
  readonly cell: CellView;
  readonly tabIndex: 0 | -1;
  readonly proposed: string | undefined;
  readonly isCut: boolean;
  readonly isOver: boolean;
  readonly bind: object;
  readonly onFocus: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly onPress: () => void;
}

function OneCell({ cell, tabIndex, proposed, isCut, isOver, bind, onFocus, onKeyDown, onPress }: OneCellProps) {
  const { skill, offer, level, par, minutes, kind } = cell;
  const alive = useAlive();
  const [before, after] = cellWords(cell, dayShort);
  return (
    <CellButton
      type="button"
      $band={kind === 'planned' ? (cell.band ?? null) : null}
      disabled={!alive}
      tabIndex={tabIndex}
      data-cell={keyOf(cell)}
      data-past={cell.isPast || undefined}
      data-sent={cell.sent ? true : undefined}
      data-new={proposed !== undefined || undefined}
      data-cut={isCut || undefined}
      data-over={isOver || undefined}
      data-empty={kind !== 'planned' || undefined}
      title={kind === 'planned' ? `${offer!.title}, ${level!.name}` : undefined}
      {...bind}
      onFocus={onFocus}
      onKeyDown={onKeyDown}
      onClick={onPress}
    >
      <Spoken>{before} </Spoken>
      {kind === 'planned' ? (
        <>
          <span className="skill">
            {skill && <SkillFigure skill={skill} />}
            {offer!.kind === 'event' ? 'event' : skill && SKILL_SHORT[skill]}
            <span className="marks">
              {cell.pinned && <Pin size={13} aria-hidden />}
              {cell.sent && <Check size={14} aria-hidden />}
            </span>
          </span>
          <b>{offer!.title}</b>
          <span className={proposed ? 'instead' : 'figures'}>
            {proposed ? (
              `→ ${proposed}`
            ) : (
              <>
                {level!.name}
                <br />
                {[par && `par ${par.split(' ')[0]}`, minutes !== null && `${minutes}′`].filter(Boolean).join(' · ')}
              </>
            )}
          </span>
        </>
      ) : (
        <span>{kind === 'free' ? 'kept free' : kind === 'gone' ? 'no longer on the shelf' : '–'}</span>
      )}
      <Spoken> {after}</Spoken>
    </CellButton>
  );
}
