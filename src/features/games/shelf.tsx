'use client';
import { DeskLink } from '@/ui/desk-link';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { Archive, ArchiveRestore, Copy, Folder } from 'lucide-react';
import { ButtonLink, QuietButton } from '@/ui/button';
import { Empty, Page, PageHead } from '@/ui/page';
import { Menu } from '@/ui/menu';
import { Notice } from '@/ui/notice';
import { send, type PlacedProblem } from '@/ui/post';
import { WhereFrom } from '@/ui/where-from';
import { CourseDrawing } from '../drawing/course-drawing';
import { LevelExpected } from './level-expected';
import { FolderDialog } from './folder-dialog';
import { GameFilters } from './game-filters';
import { ANYTHING, pickable, type Wanted } from './picker-model';
import { lengthWords, type ShelfGame } from './shelf-game';

const About = styled.span`
  && {
    display: flex;
    gap: var(--space-7);
  }
`;

const Find = styled.div`
  margin-bottom: var(--space-6);
`;

const Shelf = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
  gap: var(--space-7) var(--space-7);
  margin: 0;
  padding: 0;
  list-style: none;
`;

const Item = styled.li`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  & > a,
  & > .about-game {
    text-decoration: none;
    display: flex;
    flex-direction: column;
    gap: var(--space-4);
  }
  & svg.chart {
    width: 100%;
    height: 172px;
    background: var(--sheet);
    border: 1px solid var(--ink);
    display: block;
  }
  & > a:hover svg.chart {
    box-shadow: 0 4px 0 var(--gorse);
  }
  & h2 span {
    font-weight: 400;
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & .about {
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & dl {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: var(--space-2) var(--space-4);
    align-items: center;
    margin: 0;
    font-size: var(--type-1);
  }
  & dt,
  & dd {
    margin: 0;
  }
  & .acts {
    display: flex;
    align-items: center;
    gap: var(--space-6);
    font-size: var(--type-1);
    color: var(--ink-soft);
    & button {
      display: inline-flex;
      align-items: center;
      gap: var(--space-3);
    }
  }
`;

/** The shelf of games: each a small true drawing with its three chances under it. */
export function GameShelf({
  games,
  starters,
  mayChange,
  ages,
}: {
  games: readonly ShelfGame[];
  starters: readonly ShelfGame[];
  mayChange: boolean;
  ages: readonly { name: string; ageYears: number }[];
}) {
  const router = useRouter();
  const [wanted, setWanted] = useState<Wanted>(ANYTHING);
  const [filing, setFiling] = useState<ShelfGame | null>(null);
  const [shelf, setShelf] = useState<'own' | 'away' | 'starters'>('own');
  const showAway = shelf === 'away';
  const file = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const [problems, setProblems] = useState<readonly PlacedProblem[]>([]);
  const bringIn = async (body: unknown) => {
    const answer = await send<{ id: string; games?: number }>('POST', '/api/v1/games/import', body);
    setProblems(answer.problems ?? []);
    setProblem(answer.problems?.length ? '' : answer.problem);
    if (!answer.ok || !answer.value) return;
    if ((answer.value.games ?? 1) > 1) router.refresh();
    else router.push(`/games/${answer.value.id}`);
  };
  /** One file opens what it brought; of several it is said which were taken, and what is wrong with the others. */
  const readFiles = async (files: readonly File[]) => {
    const chosen = files.filter(({ name }) => files.length === 1 || name.endsWith('.json'));
    const refused: string[] = [];
    setProblems([]);
    setProblem(chosen.length === 0 && files.length > 0 ? 'There is no game file (.json) in that folder. Nothing was changed.' : '');
    for (const one_ of chosen) {
      const game = await one_
        .text()
        .then(
          (text) => JSON.parse(text) as unknown,
          () => undefined,
        )
        .catch(() => undefined);
      if (game === undefined) {
        refused.push(`“${one_.name}” is no game file: it cannot be read as JSON.`);
        continue;
      }
      const body = { game, ageYears: ages[0]?.ageYears ?? 8 };
      if (chosen.length === 1) return bringIn(body);
      const answer = await send('POST', '/api/v1/games/import', body);
      if (!answer.ok) refused.push(`“${one_.name}”: ${answer.problem}`);
    }
    if (refused.length > 0)
      setProblem(
        `${refused.slice(0, 5).join(' ')}${chosen.length === 1 ? ' Nothing was changed.' : ` ${chosen.length - refused.length} of ${chosen.length} files were taken.`}`,
      );
    if (chosen.length > refused.length) router.refresh();
  };
  const [problem, setProblem] = useState('');
  const putIn = async (id: string, folder: string) => {
    const answer = await send<{ id: string }>('POST', `/api/v1/games/${id}`, { action: 'folder', folder });
    setProblem(answer.problem);
    setFiling(null);
    if (answer.ok) router.refresh();
  };
  const act = async (id: string, action: 'duplicate' | 'put-away' | 'bring-back') => {
    const answer = await send<{ id: string }>('POST', `/api/v1/games/${id}`, { action });
    setProblem(answer.problem);
    if (answer.ok) router.refresh();
  };
  const away = games.filter((game) => game.putAway).length;
  const lying = shelf === 'starters' ? starters : games.filter((game) => game.putAway === showAway);
  const shown = pickable(lying, wanted);
  return (
    <Page>
      <PageHead>
        <h1>Games</h1>
        <About className="about">
          {shelf !== 'own' && <QuietButton onPress={() => setShelf('own')}>Back to the shelf</QuietButton>}
          {shelf === 'own' && mayChange && <QuietButton onPress={() => setShelf('starters')}>Starter games: {starters.length}</QuietButton>}
          {shelf === 'own' && away > 0 && <QuietButton onPress={() => setShelf('away')}>Put away: {away}</QuietButton>}
          {mayChange && <QuietButton onPress={() => file.current?.click()}>Bring in a file</QuietButton>}
          {mayChange && <QuietButton onPress={() => folder.current?.click()}>Bring in a folder</QuietButton>}
          {shelf === 'own' && games.length > 0 && (
            <Menu
              label="Give out games"
              groups={[
                {
                  acts: [
                    { id: 'plain', label: 'All as one file', act: () => window.location.assign('/api/v1/games/set') },
                    {
                      id: 'measured',
                      label: 'All with what was measured',
                      says: 'sums of ten children and sixty tries at least',
                      act: () => window.location.assign('/api/v1/games/set?measured=yes'),
                    },
                  ],
                },
              ]}
            >
              Give out
            </Menu>
          )}
          <input
            ref={file}
            type="file"
            hidden
            accept=".json,application/json"
            aria-label="A game file"
            onChange={(event) => {
              void readFiles([...(event.target.files ?? [])]);
              event.target.value = '';
            }}
          />
          <input
            ref={folder}
            type="file"
            hidden
            multiple
            {...{ webkitdirectory: '' }}
            aria-label="A folder of game files"
            onChange={(event) => {
              void readFiles([...(event.target.files ?? [])]);
              event.target.value = '';
            }}
          />
        </About>
        {mayChange && (
          <ButtonLink $strong href="/games/new">
            New game
          </ButtonLink>
        )}
      </PageHead>
      {lying.length > 3 && (
        <Find>
          <GameFilters
            games={lying}
            ages={[...new Set(lying.map(({ ageYears }) => ageYears))]
              .sort((a, b) => a - b)
              .map((ageYears) => ({ ageYears, label: `about ${ageYears}` }))}
            wanted={wanted}
            onWanted={setWanted}
          />
        </Find>
      )}
      {filing && (
        <FolderDialog
          game={filing}
          folders={games.flatMap(({ folder }) => folder ?? [])}
          onClose={() => setFiling(null)}
          onDone={(folder) => void putIn(filing.id, folder)}
        />
      )}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      {problems.length > 0 && (
        <Notice $tone="caution" role="alert">
          That file is no game that can be played; nothing was changed.
          <ul>
            {problems.slice(0, 12).map((one) => (
              <li key={`${one.place} ${one.reason}`}>
                <code>{one.place || 'the file'}</code>: {one.reason}. {one.fix}
              </li>
            ))}
          </ul>
          {problems.length > 12 && `And ${problems.length - 12} more.`}
        </Notice>
      )}
      {games.length === 0 && shelf === 'own' ? (
        <Empty>
          <p>The shelf is empty. Choose a movement, a way to play it and what is in the house; Lochside sets three levels that fit the age.</p>
          {mayChange && (
            <ButtonLink $strong href="/games/new">
              Make the first game
            </ButtonLink>
          )}
        </Empty>
      ) : shown.length === 0 ? (
        <Empty>
          <p>No game here is like that.</p>
          <QuietButton onPress={() => setWanted(ANYTHING)}>Show all again</QuietButton>
        </Empty>
      ) : (
        <Shelf>
          {shown.map((game) => (
            <Item key={game.id}>
              <Open starter={shelf === 'starters'} game={game} />
              <p className="about">
                {game.of}{' '}
                <WhereFrom
                  what="such figures"
                  label={game.title}
                  quiet
                  lines={`/api/v1/figures?${shelf === 'starters' ? 'starter' : 'game'}=${game.id}`}
                />
              </p>
              <dl>
                {game.levels.slice(0, 3).map((level) => (
                  <LevelExpected key={level.name} {...level} />
                ))}
              </dl>
              {shelf === 'starters' ? (
                <div className="acts">
                  <QuietButton onPress={() => void bringIn({ starter: game.id })} aria-label={`Put ${game.title} on the shelf`}>
                    Put on the shelf
                  </QuietButton>
                </div>
              ) : (
                <>
                  <p className="about">
                    {game.sent === 0 ? 'not sent yet' : game.sent === 1 ? 'sent once' : `sent ${game.sent} times`}
                    {game.madeBy && `, by ${game.madeBy}`}
                    {game.folder && ` · in ${game.folder}`}
                  </p>
                  <div className="acts">
                    {mayChange && (
                      <>
                        <QuietButton onPress={() => void act(game.id, 'duplicate')} aria-label={`Duplicate ${game.title}`}>
                          <Copy size={14} aria-hidden /> Duplicate
                        </QuietButton>
                        <QuietButton onPress={() => setFiling(game)} aria-label={`Folder of ${game.title}`}>
                          <Folder size={14} aria-hidden /> Folder
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
                </>
              )}
            </Item>
          ))}
        </Shelf>
      )}
    </Page>
  );
}

function Open({ starter, game }: { starter: boolean; game: ShelfGame }) {
  const inside = (
    <>
      <CourseDrawing id={game.id} course={game.course} radii={game.radii} />
      <h2>
        {game.title} <span>about {game.ageYears}</span>
      </h2>
      <span>{game.says}</span>
      <span className="about">
        {game.about} · {lengthWords(game)}
      </span>
    </>
  );
  return starter ? <div className="about-game">{inside}</div> : <DeskLink href={`/games/${game.id}`}>{inside}</DeskLink>;
}
