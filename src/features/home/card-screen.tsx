'use client';
import { dayWords } from '@/core/measure/day-words';
import { lazy, Suspense } from 'react';
import styled from 'styled-components';
import { exerciseIn } from '@/core/sheet/exercises';
import type { Card, CardItem, CardWeek } from '@/server/home/card';
import { TextButton } from '../counter/counter-style';
import { Exercise } from '../drawing/exercise';
import { Big, Bottom, Plain, Ruled, Screen, TopLine } from './home-style';
import { ReadAloud } from './read-aloud';
import type { KeptPlay, Session, WaitingEntry } from './store';
import { scoreWords, timeWords, todayHere } from './words';

/** The drawing knows all things and their sizes: it comes after the words. */
const CardDrawing = lazy(async () => {
  const { CardDrawing: Drawing } = await import('./card-drawing');
  return { default: Drawing };
});

const Kept = styled.p`
  padding: 8px 12px;
  border-left: 5px solid var(--tide);
  background: var(--sheet);
  font-size: 1.0313rem;
`;

const Aside = styled.p`
  font-size: 0.9375rem;
  color: var(--ink-soft);
`;

const Week = styled.section`
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 6px 0 14px;
`;

const Game = styled.li`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 2px 12px;
  & small {
    grid-column: 1;
  }
  & button {
    grid-row: 1 / span 2;
    grid-column: 2;
    min-height: 48px;
    padding: 0 16px;
    border: 2px solid var(--ink);
    border-radius: 10px;
    background: var(--sheet);
    font-weight: 700;
    cursor: pointer;
  }
  & button:disabled {
    border-style: dashed;
    color: var(--ink-soft);
    cursor: default;
  }
`;

const Moves = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 6px 10px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  && li {
    display: flex;
    align-items: center;
    gap: 6px;
    padding: 0;
    border: 0;
    line-height: 1.25;
  }
`;

export interface CardScreenProps {
  readonly card: Card;
  readonly plays: readonly KeptPlay[];
  readonly sessions: readonly Session[];
  readonly entries: readonly WaitingEntry[];
  readonly offline: string | null;
  /** The browser would not promise to keep what is stored. */
  readonly mayForget: boolean;
  /** The page cannot be opened without a connection from this address. */
  readonly onlyOnline?: boolean;
  readonly others: number;
  readonly onOpen: (item: CardItem) => void;
  readonly onFinish: (item: CardItem) => void;
  readonly onDiary: (week: CardWeek) => void;
  readonly onInvent: () => void;
  readonly onOthers: () => void;
  /** Hands over the due day as a calendar file; absent without a connection. */
  readonly onCalendar?: (() => void) | undefined;
}

/** The week's card: what to do, by when, and what the school has. */
export function CardScreen(props: CardScreenProps) {
  const { card, offline, mayForget, onlyOnline, others, onOpen, onOthers, onInvent } = props;
  const [now, ...earlier] = card.weeks;
  const first = now?.games.find(isOpen);
  return (
    <Screen>
      <TopLine>
        <span>Lochside</span>
        <span>
          {card.child?.name}
          {others > 0 && (
            <>
              {' '}
              <TextButton type="button" onClick={onOthers} style={{ minHeight: 32 }}>
                not you?
              </TextButton>
            </>
          )}
        </span>
      </TopLine>
      {offline && <Kept role="status">{offline}</Kept>}
      {!now ? (
        <>
          <h1>Nothing here yet</h1>
          <p>The next game will be on this page. Keep the link.</p>
        </>
      ) : (
        <>
          <ThisWeek {...props} week={now} />
          {earlier.length > 0 && (
            <details>
              <summary style={{ minHeight: 44, cursor: 'pointer' }}>Earlier weeks, to play again</summary>
              <Ruled>
                {earlier.flatMap((week) =>
                  week.games.map((item) => (
                    <Game key={item.assignmentId}>
                      <b>{item.game.title}</b>
                      <small>
                        Week {week.number}
                        {item.best !== null && `, own best ${scoreWords(item.best, item.game.parts[0]!.measure.unit)}`}
                      </small>
                      <button type="button" aria-label={`Play ${item.game.title} again`} onClick={() => onOpen(item)}>
                        Play
                      </button>
                    </Game>
                  )),
                )}
              </Ruled>
            </details>
          )}
          {card.scope === 'card' && (
            <TextButton type="button" onClick={onInvent}>
              Make a game of your own
            </TextButton>
          )}
          {onlyOnline && <Aside>This address is not secure (no https): the page opens with a connection only.</Aside>}
          {mayForget && <Aside>This browser may clear what it keeps when it runs short of room. Send scores soon after playing.</Aside>}
          {now.games.length === 1 ? (
            <Bottom $inSight>
              {first ? (
                <Big type="button" onClick={() => onOpen(first)}>
                  Set it out
                </Big>
              ) : (
                <p>Nothing is open today. Come back on the day that is written beside the game.</p>
              )}
            </Bottom>
          ) : (
            !first && <p>Nothing is open today. Come back on the day that is written beside a game.</p>
          )}
        </>
      )}
    </Screen>
  );
}

function isOpen(item: CardItem): boolean {
  return item.opensOn === null || item.opensOn <= todayHere();
}

function ThisWeek({ week, plays, sessions, entries, onOpen, onFinish, onDiary, onCalendar, card }: CardScreenProps & { week: CardWeek }) {
  const [only] = week.games;
  const single = week.games.length === 1;
  const { intro, moves } = warmUpMoves(week.warmUp);
  const diary = diaryMinutes(week, entries);
  const words = [
    week.warmUp && `First: ${week.warmUp}`,
    ...week.games.map((item) => `${item.game.title}. ${item.game.aim}`),
    week.film && `Film: ${week.film}`,
    week.diary,
  ].filter(Boolean);
  return (
    <>
      <Week>
        {week.number > 0 && <p>Week {week.number}</p>}
        <h1>{week.title || (single ? `${only!.game.title}, ${levelName(only!)}` : 'This week')}</h1>
        <p>
          By <b>{dayWords(week.dueOn)}</b>.{' '}
          {onCalendar && (
            <TextButton type="button" onClick={onCalendar} style={{ minHeight: 32, fontSize: '0.9375rem' }}>
              into the calendar
            </TextButton>
          )}
        </p>
        {week.note && <p>{week.note}</p>}
        <Standing week={week} plays={plays} sessions={sessions} entries={entries} onFinish={onFinish} />
        {single && (
          <Suspense fallback={<div style={{ height: 250, border: '1.5px solid var(--line)' }} />}>
            <CardDrawing item={only!} />
          </Suspense>
        )}
      </Week>
      <Ruled>
        {week.warmUp && (
          <li>
            <b>First, warm up{intro && `: ${intro.toLocaleLowerCase('en-GB')}`}</b>
            {moves.some((move) => move.drawn) ? (
              <Moves>
                {moves.map((move) => (
                  <li key={move.words}>
                    <Exercise words={move.words} />
                    {move.words}
                  </li>
                ))}
              </Moves>
            ) : (
              <small>{week.warmUp}</small>
            )}
          </li>
        )}
        {single && (
          <li>
            <b>Then {only!.game.title}</b>
            <small>{only!.game.aim}</small>
          </li>
        )}
        {!single &&
          week.games.map((item, index) => (
            <Game key={item.assignmentId}>
              <b>
                {index + 1}. {item.game.title}
              </b>
              <small>
                {[levelName(item), item.received > 0 ? 'the school has a score' : '', isOpen(item) ? '' : `opens ${dayWords(item.opensOn!)}`]
                  .filter(Boolean)
                  .join(' · ')}
              </small>
              <button type="button" disabled={!isOpen(item)} aria-label={`Play ${item.game.title}`} onClick={() => onOpen(item)}>
                {item.received > 0 ? 'Again' : 'Play'}
              </button>
            </Game>
          ))}
        {week.film && (
          <li>
            <b>Film it, at most 15 seconds</b>
            <small>{week.film}</small>
            <small>
              Leave out faces, names, uniforms and what is on the walls. Only if your school and the adult agree. Hand it in the way your school says,
              not here, and delete it afterwards.
            </small>
          </li>
        )}
        {week.diary && (
          <li>
            <b>All week</b>
            <small>{week.diary}</small>
            {card.scope === 'card' && (
              <Plain type="button" style={{ marginTop: 8 }} onClick={() => onDiary(week)}>
                {diary === 0 ? 'Movement diary' : `Movement diary: ${diary} minutes so far`}
              </Plain>
            )}
          </li>
        )}
        {week.kit.length > 0 && (
          <li>
            <b>For all of it</b>
            {(['home', 'school'] as const).map((from) => {
              const things = week.kit.filter((thing) => thing.from === from);
              return things.length === 0 ? null : (
                <small key={from}>
                  {from === 'home' ? 'Find at home: ' : 'The school sends: '}
                  {things.map((thing) => (thing.n > 1 ? `${thing.n} ${thing.name}` : thing.name)).join(', ')}.
                </small>
              );
            })}
          </li>
        )}
      </Ruled>
      <ReadAloud words={words.join('. ')} />
    </>
  );
}

const levelName = (item: CardItem) => item.game.levels.find((level) => level.id === item.levelId)?.name ?? '';

/** "Five minutes: walk on the spot, arm circles" as what stands before the colon and its moves, each with whether we have a drawing of it. */
function warmUpMoves(words: string): { intro: string; moves: readonly { words: string; drawn: boolean }[] } {
  const colon = words.indexOf(':');
  const moves = words
    .slice(colon + 1)
    .split(/[,;.]\s*/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => ({ words: part, drawn: exerciseIn(part) !== undefined }));
  return { intro: colon < 0 ? '' : words.slice(0, colon), moves };
}

function diaryMinutes(week: CardWeek, entries: readonly WaitingEntry[]): number {
  return diaryOf(week, entries)
    .filter((entry) => !entry.struck)
    .reduce((sum, entry) => sum + entry.minutes, 0);
}

/** What the school has of the diary, with what still waits here. */
export function diaryOf(week: CardWeek, entries: readonly WaitingEntry[]) {
  const mine = new Map(week.diaryEntries.map((entry) => [entry.id, entry]));
  for (const { entry, state } of entries) if (entry.weekId === week.id && state !== 'refused') mine.set(entry.id, entry);
  return [...mine.values()].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

/** Plainly: what has been received, what still waits in this device, what was begun. */
function Standing({
  week,
  plays,
  sessions,
  entries,
  onFinish,
}: Pick<CardScreenProps, 'plays' | 'sessions' | 'entries' | 'onFinish'> & { week: CardWeek }) {
  const ids = new Set<string>(week.games.map((item) => item.assignmentId));
  const mine = plays.filter((play) => ids.has(play.assignmentId));
  const waiting = mine.filter((play) => play.state === 'waiting');
  const refused = mine.filter((play) => play.state === 'refused');
  const waitingEntries = entries.filter((one) => one.state === 'waiting' && one.entry.weekId === week.id).length;
  const received = Math.max(
    week.games.reduce((sum, item) => sum + item.received, 0),
    mine.filter((play) => play.state === 'received').length,
  );
  const latest = mine.filter((play) => play.state === 'received').at(-1);
  const [only] = week.games;
  const best = week.games.length === 1 ? only!.best : null;
  return (
    <>
      {received > 0 && (
        <Kept>
          The school has {received === 1 ? '1 report' : `${received} reports`} from this week
          {latest ? `, the last at ${timeWords(latest.words)}` : ''}.
          {best !== null && ` Your own best is ${scoreWords(best, only!.game.parts[0]!.measure.unit)}.`}
        </Kept>
      )}
      {sessions
        .filter((session) => ids.has(session.assignmentId) && session.goes.length > 0)
        .map((session) => {
          const item = week.games.find((one) => one.assignmentId === session.assignmentId)!;
          return (
            <Kept key={session.playId} role="status">
              {session.goes.length === 1 ? '1 go' : `${session.goes.length} goes`} of {item.game.title} not sent yet.{' '}
              <TextButton type="button" onClick={() => onFinish(item)}>
                Finish and send
              </TextButton>
            </Kept>
          );
        })}
      {waiting.length + waitingEntries > 0 && (
        <Kept role="status">
          {[
            waiting.length > 0 ? (waiting.length === 1 ? '1 report' : `${waiting.length} reports`) : '',
            waitingEntries > 0 ? (waitingEntries === 1 ? '1 line of the diary' : `${waitingEntries} lines of the diary`) : '',
          ]
            .filter(Boolean)
            .join(' and ')}{' '}
          {waiting.length + waitingEntries === 1 ? 'waits' : 'wait'} in this device, to go off when there is a connection and this page is open.
        </Kept>
      )}
      {refused.map((play) => (
        <Kept key={play.playId} role="alert">
          {scoreWords(play.total, play.unit)} was not taken: {play.words}
        </Kept>
      ))}
    </>
  );
}
