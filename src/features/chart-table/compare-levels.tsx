'use client';
import styled from 'styled-components';
import { changesBetween, type GameChange } from '@/core/rules/telling/changes';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Notice } from '@/ui/notice';
import { CourseDrawing } from '../drawing/course-drawing';

const Board = styled.div`
  overflow-x: auto;
  & table {
    border-collapse: collapse;
    width: 100%;
    font-size: var(--type-2);
  }
  & th,
  & td {
    padding: var(--space-4) var(--space-5) var(--space-4) 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    vertical-align: top;
    min-width: 132px;
  }
  & th[scope='row'] {
    min-width: 6.5rem;
    font-weight: 600;
    color: var(--ink-soft);
  }
  & svg.chart {
    display: block;
    width: 132px;
    height: 80px;
    border: 1px solid var(--ink);
    background: var(--sheet);
    margin-top: var(--space-2);
  }
  & p + p {
    margin-top: var(--space-2);
  }
`;

const LEVERS: readonly { readonly lever: GameChange['lever']; readonly words: string }[] = [
  { lever: 'space', words: 'Space' },
  { lever: 'equipment', words: 'Equipment' },
  { lever: 'task', words: 'Task' },
  { lever: 'people', words: 'People' },
];

/** The levels side by side: what each has otherwise than the one before it, by the four levers. */
export function CompareLevels({ game, onClose }: { game: Game; onClose: () => void }) {
  const levels = game.levels.map((_, index) => resolveLevel(game, index));
  const changes = levels.map((level, index) => (index === 0 ? [] : changesBetween(levels[index - 1]!, level)));
  return (
    <Dialog title="The levels side by side" isOpen onClose={onClose} width={1080}>
      <Board tabIndex={0} role="region" aria-label="Levels, lever by lever">
        <table>
          <thead>
            <tr>
              <td />
              {game.levels.map((level, index) => (
                <th key={level.id} scope="col">
                  {level.name}
                  <CourseDrawing id={`compare-${level.id}`} course={levels[index]!.course} parts={levels[index]!.parts} drawnPx={132} />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {LEVERS.map(({ lever, words }) => (
              <tr key={lever}>
                <th scope="row">{words}</th>
                {game.levels.map((level, index) => (
                  <td key={level.id}>
                    {index === 0
                      ? lever === 'space' && 'where it starts'
                      : changes[index]!.filter((change) => change.lever === lever).map((change) => <p key={change.words}>{change.words}</p>)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Board>
      {changes.map((list, index) => {
        const pulled = new Set(list.map((change) => change.lever));
        return (
          pulled.size > 1 && (
            <Notice key={game.levels[index]!.id} $tone="open">
              From {game.levels[index - 1]!.name} to {game.levels[index]!.name} {pulled.size} levers are pulled at once: nobody will know which one
              made the difference.
            </Notice>
          )
        );
      })}
      <DialogActions>
        <Button onPress={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
