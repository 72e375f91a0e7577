'use client';
import { useState } from 'react';
import { ListBox, ListBoxItem } from 'react-aria-components';
import styled from 'styled-components';
import { Dialog } from '@/ui/dialog';
import { SoftLine } from '@/ui/page';
import { CourseDrawing } from '../drawing/course-drawing';
import { GameFilters } from './game-filters';
import { ANYTHING, pickable, type Wanted } from './picker-model';
import { lengthWords, type ShelfGame } from './shelf-game';

const Board = styled(ListBox)`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(208px, 1fr));
  gap: var(--space-5);
  height: min(520px, 58vh);
  overflow-y: auto;
  align-content: start;
  padding: var(--space-2);
  outline: none;
` as typeof ListBox;

const Item = styled(ListBoxItem)`
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  padding: var(--space-4);
  border: 1px solid var(--line);
  border-radius: var(--radius-1);
  background: var(--sheet);
  font-size: var(--type-1);
  line-height: 1.3;
  cursor: pointer;
  & svg.chart {
    width: 100%;
    height: 104px;
    border: 1px solid var(--line);
  }
  & b {
    font-size: var(--type-2);
  }
  & span {
    color: var(--ink-soft);
  }
  &[data-hovered] {
    border-color: var(--ink);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
`;

export interface GamePickerProps {
  readonly title: string;
  readonly games: readonly ShelfGame[];
  /** The age of the class that it is for. */
  readonly ageYears?: number;
  readonly onClose: () => void;
  readonly onPick: (id: string) => void;
}

/** A game is chosen by its picture, wherever one is chosen: the shelf in a sheet, with what is wanted as a sentence over it. */
export function GamePicker({ title, games, ageYears, onClose, onPick }: GamePickerProps) {
  const [wanted, setWanted] = useState<Wanted>(ANYTHING);
  const found = pickable(games, wanted);
  return (
    <Dialog title={title} isOpen onClose={onClose} width={980}>
      <GameFilters
        games={games}
        ages={ageYears === undefined ? [] : [{ ageYears, label: `about ${ageYears}, as the class is` }]}
        wanted={wanted}
        onWanted={setWanted}
      />
      {found.length === 0 ? (
        <SoftLine>No game on the shelf is like that.</SoftLine>
      ) : (
        <Board
          aria-label="Games"
          layout="grid"
          items={found}
          // Taken when it is pressed down: a picture that is half out of sight moves under the pointer then, and would not be there any more when it is let go.
          selectionMode="single"
          selectedKeys={[]}
          onSelectionChange={(keys) => [...keys].slice(0, 1).forEach((id) => onPick(String(id)))}
        >
          {(game) => (
            <Item id={game.id} textValue={game.title} aria-label={game.title}>
              <CourseDrawing id={`pick-${game.id}`} course={game.course} radii={game.radii} drawnPx={280} wordless />
              <b>{game.title}</b>
              <span>{game.says}</span>
              <span>
                about {game.ageYears} · {lengthWords(game)}
              </span>
              <span>{game.levels.map(({ name, words }) => `${name} ${words}`).join(' · ')}</span>
            </Item>
          )}
        </Board>
      )}
    </Dialog>
  );
}
