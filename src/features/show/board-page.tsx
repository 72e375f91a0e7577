'use client';
/** A game that shows itself, large for a class, and the list of shots for a teacher who films it herself. */
import { Maximize } from 'lucide-react';
import { DeskLink } from '@/ui/desk-link';
import { useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { FORM_FACTOR, type BodyForm } from '@/core/motion/assumed';
import { stepPace } from '@/core/measure/lengths';
import { stepLengthM } from '@/core/measure/stature';
import type { Game } from '@/core/rules/format/game';
import { resolveLevel } from '@/core/rules/format/level';
import { scenesOf, secondsOf, type Scene } from '@/core/scene/scene';
import { shotListOf } from '@/core/scene/shot-list';
import type { Hand } from '@/core/sheet/teaching-points';
import { narrow } from '@/design/breakpoints';
import { Button } from '@/ui/button';
import { Select } from '@/ui/field';
import { Figures, Page, PageHead, SoftLine, SubHead } from '@/ui/page';
import { ScenePlayer } from './scene-player';

const Whole = styled(Page)`
  @media print {
    padding: 0;
    & .board,
    & header div {
      display: none;
    }
  }
`;

const Choices = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-5);
`;

/** As wide as the window lets its height be; over the whole screen words are read from the last row. */
const Board = styled.div`
  max-width: min(100%, 100vh);
  &:fullscreen {
    max-width: none;
    padding: var(--space-6) var(--space-8);
    background: var(--paper);
    overflow: auto;
  }
  &:fullscreen > section {
    max-width: 96vh;
    margin: 0 auto;
  }
  &:fullscreen p {
    font-size: 4vh;
  }
`;

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: var(--space-8);
  align-items: start;
  @media ${narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
  @media print {
    display: block;
  }
`;

const List = styled.section`
  & h2 {
    margin-top: 0;
  }
  & td {
    vertical-align: top;
  }
  @media print {
    font-size: 9.5pt;
    & table {
      font-size: 9.5pt;
    }
  }
`;

const HANDS: readonly { value: Hand; label: string }[] = [
  { value: 'right', label: 'right' },
  { value: 'left', label: 'left' },
];
const FORM_NAMES: Readonly<Record<BodyForm, string>> = {
  standing: 'standing',
  seated: 'seated',
  kneeling: 'kneeling',
  'two-hands': 'with two hands',
};

export interface BoardPageProps {
  readonly id: string;
  readonly game: Game;
  readonly ageYears: number;
  readonly levelId: string | null;
}

export function BoardPage({ id, game, ageYears, levelId }: BoardPageProps) {
  const [level, setLevel] = useState(() => Math.max(0, levelId === null ? Math.min(1, game.levels.length - 1) : indexOf(game, levelId)));
  const [hand, setHand] = useState<Hand>('right');
  const [form, setForm] = useState<BodyForm>(game.kit.form ?? 'standing');
  const board = useRef<HTMLDivElement>(null);
  const shown = useMemo(() => resolveLevel(game, level), [game, level]);
  const pace = useMemo(() => stepPace(stepLengthM(ageYears)), [ageYears]);
  const scenes = useMemo(() => scenesOf(shown, { pace, hand }), [shown, pace, hand]);
  return (
    <Whole>
      <PageHead>
        <h1>{game.title}</h1>
        <span className="about">
          {game.levels[level]!.name}, for {ageYears} years, in a child’s steps of {Math.round(pace.lengthM * 100)} cm
        </span>
        <Choices>
          <Select
            label="Level"
            value={game.levels[level]!.id}
            choices={game.levels.map((one) => ({ value: one.id, label: one.name }))}
            onChange={(next) => setLevel(indexOf(game, next))}
          />
          <Select label="Hand or foot" value={hand} choices={HANDS} onChange={(next) => setHand(next as Hand)} />
          <Select
            label="Shown"
            value={form}
            choices={(Object.keys(FORM_FACTOR) as BodyForm[]).map((one) => ({ value: one, label: FORM_NAMES[one] }))}
            onChange={(next) => setForm(next as BodyForm)}
          />
          <Button onPress={() => void board.current?.requestFullscreen()}>
            <Maximize size={17} aria-hidden /> Over the whole screen
          </Button>
          <Button onPress={() => window.print()}>Print the shot list</Button>
          <DeskLink href={`/games/${id}`}>Chart table</DeskLink>
        </Choices>
      </PageHead>
      <Two>
        <Board ref={board} className="board">
          <ScenePlayer key={`${level} ${hand}`} level={shown} pace={pace} hand={hand} form={form} drawnPx={560} />
        </Board>
        <ShotList scenes={scenes} />
      </Two>
    </Whole>
  );
}

const indexOf = (game: Game, levelId: string): number =>
  Math.max(
    0,
    game.levels.findIndex(({ id }) => id === levelId),
  );

function ShotList({ scenes }: { scenes: readonly Scene[] }) {
  return (
    <List aria-label="Shot list">
      {scenes.map((scene) => (
        <div key={scene.part}>
          <SubHead>
            {scene.title === '' || scenes.length === 1 ? 'If you film it yourself' : scene.title}: {Math.round(secondsOf(scene))} s
          </SubHead>
          <Figures>
            <thead>
              <tr>
                <th scope="col">Shot</th>
                <th scope="col" className="figure">
                  s
                </th>
                <th scope="col">To be seen</th>
                <th scope="col">Said</th>
              </tr>
            </thead>
            <tbody>
              {shotListOf(scene).map((shot, index) => (
                <tr key={index}>
                  <td>{index + 1}</td>
                  <td className="figure">{shot.seconds}</td>
                  <td>
                    {shot.seen.map((one) => (
                      <div key={one}>{one}</div>
                    ))}
                  </td>
                  <td>{shot.said}</td>
                </tr>
              ))}
            </tbody>
          </Figures>
        </div>
      ))}
      <SoftLine $small>
        No child, no face, no name, no uniform, nothing on the walls in the picture: hands, feet and things are enough. Clear the floor first. Your
        school’s rules on filming come before this list.
      </SoftLine>
    </List>
  );
}
