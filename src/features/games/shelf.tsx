'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Copy, Archive, ArchiveRestore } from 'lucide-react';
import type { AimedShape } from '@/core/objects/catalogue';
import type { Spot } from '@/core/rules/game';
import { Button, QuietButton } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Empty, Page, PageHead } from '@/ui/page';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';
import { TenDots } from '@/ui/ten-dots';
import { NewGame } from './new-game';

export interface ShelfGame {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  readonly ageYears: number;
  readonly putAway: boolean;
  readonly sent: number;
  readonly floor: { readonly widthM: number; readonly depthM: number };
  readonly target: (Spot & { readonly shape: AimedShape }) | null;
  readonly marks: readonly Spot[];
  readonly radii: readonly number[];
  readonly levels: readonly { readonly name: string; readonly chance: number; readonly low: number; readonly high: number }[];
}

const Shelf = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
  gap: 26px 24px;
  margin: 0;
  padding: 0;
  list-style: none;
`;

const Item = styled.li`
  display: flex;
  flex-direction: column;
  gap: 8px;
  & > a {
    text-decoration: none;
    display: flex;
    flex-direction: column;
    gap: 7px;
  }
  & svg.chart {
    width: 100%;
    height: auto;
    border: 1px solid var(--ink);
    display: block;
  }
  & > a:hover svg.chart {
    box-shadow: 0 4px 0 var(--gorse);
  }
  & h2 span {
    font-weight: 400;
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
  & .about {
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
  & dl {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: 3px 10px;
    align-items: center;
    margin: 0;
    font-size: 0.875rem;
  }
  & dt,
  & dd {
    margin: 0;
  }
  & .acts {
    display: flex;
    align-items: center;
    gap: 16px;
    font-size: 0.875rem;
    color: var(--ink-soft);
    & button {
      display: inline-flex;
      align-items: center;
      gap: 6px;
    }
  }
`;

const FILLS = ['var(--band-4)', 'var(--band-3)', 'var(--band-2)', 'var(--band-1)'];

function SmallChart({ game }: { game: ShelfGame }) {
  const { widthM, depthM } = game.floor;
  const id = `clip-${game.id}`;
  return (
    <svg className="chart" viewBox={`0 0 ${widthM * 100} ${depthM * 100}`} aria-hidden>
      <clipPath id={id}>
        <rect width={widthM * 100} height={depthM * 100} />
      </clipPath>
      <g clipPath={`url(#${id})`}>
        <rect width={widthM * 100} height={depthM * 100} fill="var(--band-5)" />
        {game.target &&
          game.radii.map((radius, index) => (
            <circle
              key={index}
              cx={game.target!.xM * 100}
              cy={game.target!.yM * 100}
              r={radius * 100}
              fill={FILLS[index]}
              stroke="var(--band-5)"
              strokeWidth={1}
            />
          ))}
        {game.marks.map((mark, index) => {
          const angle = game.target ? (Math.atan2(game.target.yM - mark.yM, game.target.xM - mark.xM) * 180) / Math.PI : 0;
          return (
            <rect
              key={index}
              x={-6}
              y={-24}
              width={12}
              height={48}
              fill="var(--gorse)"
              stroke="var(--ink)"
              strokeWidth={2.5}
              transform={`translate(${mark.xM * 100} ${mark.yM * 100}) rotate(${angle})`}
            />
          );
        })}
        {game.target && <TargetMark {...game.target} />}
      </g>
    </svg>
  );
}

function TargetMark({ xM, yM, shape }: Spot & { shape: AimedShape }) {
  const look = { fill: 'var(--sheet)', stroke: 'var(--heather)', strokeWidth: 6 };
  const at = `translate(${xM * 100} ${yM * 100})`;
  if (shape.kind === 'opening' && shape.outline === 'rectangle')
    return (
      <rect x={-shape.depthM * 50} y={-shape.widthM * 50} width={shape.depthM * 100} height={shape.widthM * 100} rx={5} transform={at} {...look} />
    );
  return <circle r={Math.max(7, (shape.kind === 'opening' ? shape.diameterM : shape.widthM) * 50)} transform={at} {...look} />;
}

/** The shelf of games: each a small true drawing with its three chances under it. */
export function GameShelf({
  games,
  mayChange,
  ages,
}: {
  games: readonly ShelfGame[];
  mayChange: boolean;
  ages: readonly { name: string; ageYears: number }[];
}) {
  const router = useRouter();
  const [making, setMaking] = useState(false);
  const [wanted, setWanted] = useState('');
  const [showAway, setShowAway] = useState(false);
  const [problem, setProblem] = useState('');
  const act = async (id: string, action: 'duplicate' | 'put-away' | 'bring-back') => {
    const answer = await send<{ id: string }>('POST', `/api/v1/games/${id}`, { action });
    setProblem(answer.problem);
    if (answer.ok) router.refresh();
  };
  const away = games.filter((game) => game.putAway).length;
  const shown = games.filter(
    (game) =>
      game.putAway === showAway && `${game.title} ${game.about}`.toLocaleLowerCase('en-GB').includes(wanted.trim().toLocaleLowerCase('en-GB')),
  );
  return (
    <Page>
      <PageHead>
        <h1>Games</h1>
        <span className="about">
          {away > 0 && (
            <QuietButton onPress={() => setShowAway(!showAway)} aria-pressed={showAway}>
              {showAway ? 'Back to the shelf' : `Put away: ${away}`}
            </QuietButton>
          )}
        </span>
        {games.length > 3 && <TextField label="Find a game" value={wanted} onChange={setWanted} />}
        {mayChange && (
          <Button $strong onPress={() => setMaking(true)}>
            New game
          </Button>
        )}
      </PageHead>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      {games.length === 0 ? (
        <Empty>
          <p>The shelf is empty. Choose a throw and what is in the house; Lochside sets three levels that fit the age.</p>
          {mayChange && (
            <Button $strong onPress={() => setMaking(true)}>
              Make the first game
            </Button>
          )}
        </Empty>
      ) : shown.length === 0 ? (
        <Empty>
          <p>No game here has “{wanted}” in it.</p>
        </Empty>
      ) : (
        <Shelf>
          {shown.map((game) => (
            <Item key={game.id}>
              <Link href={`/games/${game.id}`}>
                <SmallChart game={game} />
                <h2>
                  {game.title} <span>about {game.ageYears}</span>
                </h2>
                <span className="about">{game.about}</span>
              </Link>
              <dl>
                {game.levels.slice(0, 3).map((level) => (
                  <Level key={level.name} {...level} />
                ))}
              </dl>
              <div className="acts">
                <span style={{ flex: 1 }}>{game.sent === 0 ? 'not sent yet' : game.sent === 1 ? 'sent once' : `sent ${game.sent} times`}</span>
                {mayChange && (
                  <>
                    <QuietButton onPress={() => void act(game.id, 'duplicate')} aria-label={`Duplicate ${game.title}`}>
                      <Copy size={14} aria-hidden /> Duplicate
                    </QuietButton>
                    <QuietButton
                      onPress={() => void act(game.id, game.putAway ? 'bring-back' : 'put-away')}
                      aria-label={`${game.putAway ? 'Bring back' : 'Put away'} ${game.title}`}
                    >
                      {game.putAway ? <ArchiveRestore size={14} aria-hidden /> : <Archive size={14} aria-hidden />}{' '}
                      {game.putAway ? 'Bring back' : 'Put away'}
                    </QuietButton>
                  </>
                )}
              </div>
            </Item>
          ))}
        </Shelf>
      )}
      <NewGame isOpen={making} onClose={() => setMaking(false)} ages={ages} />
    </Page>
  );
}

function Level({ name, chance, low, high }: ShelfGame['levels'][number]) {
  return (
    <>
      <dt>{name}</dt>
      <dd>
        <TenDots chance={chance} low={low} high={high} size={9} label="" />
      </dd>
      <dd>{Math.round(chance * 10)} in 10</dd>
    </>
  );
}
