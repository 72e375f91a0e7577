'use client';
import { MakingPictures } from '../drawing/making';
import { useState } from 'react';
import { IMPLEMENT_IDS, IMPLEMENTS, type ImplementId } from '@/core/objects/catalogue';
import type { Game } from '@/core/rules/format/game';
import { Button } from '@/ui/button';
import { Notice } from '@/ui/notice';
import { BallView } from '../drawing/side-view';
import { About, Board, ShelfCard, ShelfRow, Shelves } from './cupboard-style';

/** What is thrown, rolled or kicked: drawn, with how it is made and what may stand in for it. */
export function Balls({ game, onBall }: { game: Game; onBall: (ball: ImplementId) => void }) {
  const [ball, setBall] = useState<ImplementId>(game.kit.implement);
  const one = IMPLEMENTS[ball];
  return (
    <Shelves>
      <Board>
        {IMPLEMENT_IDS.map((id) => (
          <ShelfCard key={id} type="button" aria-pressed={id === ball} onClick={() => setBall(id)}>
            <svg width={60} height={50} viewBox="-15 -12.5 30 25" aria-hidden>
              <BallView ball={id} radiusM={Math.min(0.11, IMPLEMENTS[id].radiusM)} line={0.6} />
            </svg>
            {IMPLEMENTS[id].name}
          </ShelfCard>
        ))}
      </Board>
      <About>
        <div className="views">
          <svg width={150} height={110} viewBox="-15 -11 30 22" aria-hidden>
            <BallView ball={ball} radiusM={Math.min(0.1, one.radiusM)} line={0.35} />
          </svg>
        </div>
        <h3>{one.name}</h3>
        <p>
          {Math.round(one.radiusM * 200)} cm across, {Math.round(one.massKg * 1000)} g,{' '}
          {one.soft ? 'soft enough for indoors' : 'hard: outdoors, or an adult decides'}.
        </p>
        <p>{one.makeIt}</p>
        <MakingPictures thing={one.id} />
        {one.caution && <Notice $tone="caution">{one.caution}</Notice>}
        <p>In place of it: {one.substitutes.map((id) => IMPLEMENTS[id].name).join(', ')}.</p>
        <ShelfRow>
          <Button $strong isDisabled={ball === game.kit.implement} onPress={() => onBall(ball)}>
            {ball === game.kit.implement ? 'This game is played with it' : 'Play with it'}
          </Button>
        </ShelfRow>
      </About>
    </Shelves>
  );
}
