'use client';
import type { Card, CardItem, CardWeek } from '@/contract/card';
import { dayWords } from '@/core/measure/days';
import { lazy, Suspense } from 'react';
import styled from 'styled-components';
import { warmUpMoves, warmUpWords } from '@/core/sheet/warm-ups';
import { TextButton } from '../counter/counter-style';
import { Big, Bottom, Plain, Ruled, Screen, TopLine } from './home-style';
import { LanguagePicker } from './language-picker';
import { ReadAloud } from './read-aloud';
import type { KeptPlay, Session, WaitingEntry } from './store';
import { Bold, useWords } from '@/features/languages/use-words';
import { linesWords, scoreWords, timeWords, todayHere } from './words';

/** The drawing knows all things and their sizes: it comes after the words. */
const CardDrawing = lazy(async () => {
  const { CardDrawing: Drawing } = await import('./card-drawing');
  return { default: Drawing };
});

/** The figures of the warm-up too. */
const Exercise = lazy(async () => {
  const { Exercise: Drawn } = await import('../drawing/exercise');
  return { default: Drawn };
});

const Kept = styled.p`
  padding: 8px 12px;
  border-inline-start: 5px solid var(--tide);
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
  const words = useWords();
  const { i18n, own } = words;
  const { card, offline, mayForget, onlyOnline, others, onOpen, onOthers, onInvent } = props;
  const [now, ...earlier] = card.weeks;
  const first = now?.games.find(isOpen);
  return (
    <Screen>
      <TopLine>
        <span>Lochside</span>
        <span>
          <bdi>{card.child?.name}</bdi>
          {others > 0 && (
            <>
              {' '}
              <TextButton type="button" onClick={onOthers} style={{ minHeight: 32 }}>
                {i18n.t('not you?')}
              </TextButton>
            </>
          )}
        </span>
      </TopLine>
      {offline && <Kept role="status">{own(offline)}</Kept>}
      {!now ? (
        <>
          <h1>{i18n.t('Nothing here yet')}</h1>
          <p>{i18n.t('The next game will be on this page. Keep the link.')}</p>
        </>
      ) : (
        <>
          <ThisWeek {...props} week={now} />
          {earlier.length > 0 && (
            <details>
              <summary style={{ minHeight: 44, cursor: 'pointer' }}>{i18n.t('Earlier weeks, to play again')}</summary>
              <Ruled>
                {earlier.flatMap((week) =>
                  week.games.map((item) => (
                    <Game key={item.assignmentId}>
                      <b>{own(item.game.title)}</b>
                      <small>
                        {i18n.t('Week {number}', { number: week.number })}
                        {item.best !== null &&
                          `, ${i18n.t('own best {score}', { score: scoreWords(item.best, item.game.parts[0]!.measure.unit, words) })}`}
                      </small>
                      <button type="button" aria-label={i18n.t('Play {title} again', { title: own(item.game.title) })} onClick={() => onOpen(item)}>
                        {i18n.t('Play (a game, button)', {}, { message: 'Play' })}
                      </button>
                    </Game>
                  )),
                )}
              </Ruled>
            </details>
          )}
          {card.scope === 'card' && (
            <TextButton type="button" onClick={onInvent}>
              {i18n.t('Make a game of your own')}
            </TextButton>
          )}
          <LanguagePicker />
          {onlyOnline && <Aside>{i18n.t('This address is not secure (no https): the page opens with a connection only.')}</Aside>}
          {mayForget && <Aside>{i18n.t('This browser may clear what it keeps when it runs short of room. Send scores soon after playing.')}</Aside>}
          {now.games.length === 1 ? (
            <Bottom $inSight>
              {first ? (
                <Big type="button" onClick={() => onOpen(first)}>
                  {i18n.t('Set it out')}
                </Big>
              ) : (
                <p>{i18n.t('Nothing is open today. Come back on the day that is written beside the game.')}</p>
              )}
            </Bottom>
          ) : (
            !first && <p>{i18n.t('Nothing is open today. Come back on the day that is written beside a game.')}</p>
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
  const words = useWords();
  const { i18n, own, noun, tag } = words;
  const [only] = week.games;
  const single = week.games.length === 1;
  const { intro, moves } = warmUpMoves(week.warmUp, words);
  const diary = diaryMinutes(week, entries);
  const aloud = [
    week.warmUp && i18n.t('First: {what}', { what: warmUpWords(week.warmUp, words) }),
    ...week.games.map((item) => `${own(item.game.title)}. ${own(item.game.aim)}`),
    week.film && i18n.t('Film: {what}', { what: week.film }),
    week.diary,
  ].filter(Boolean);
  return (
    <>
      <Week>
        {week.number > 0 && <p>{i18n.t('Week {number}', { number: week.number })}</p>}
        <h1>{week.title || (single ? `${own(only!.game.title)}, ${own(levelName(only!))}` : i18n.t('This week'))}</h1>
        <p>
          <Bold words={i18n.t('By *{day}*.', { day: dayWords(week.dueOn, tag) })} />{' '}
          {onCalendar && (
            <TextButton type="button" onClick={onCalendar} style={{ minHeight: 32, fontSize: '0.9375rem' }}>
              {i18n.t('into the calendar')}
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
            <b>{intro ? i18n.t('First, warm up: {what}', { what: intro.toLocaleLowerCase(tag) }) : i18n.t('First, warm up')}</b>
            {moves.some((move) => move.drawn) ? (
              <Moves>
                {moves.map((move) => (
                  <li key={move.words}>
                    <Suspense fallback={<span style={{ width: 66, height: 64 }} />}>{move.drawn && <Exercise words={move.written} />}</Suspense>
                    {move.words}
                  </li>
                ))}
              </Moves>
            ) : (
              <small>{warmUpWords(week.warmUp, words)}</small>
            )}
          </li>
        )}
        {single && (
          <li>
            <b>{i18n.t('Then {title}', { title: own(only!.game.title) })}</b>
            <small>{own(only!.game.aim)}</small>
          </li>
        )}
        {!single &&
          week.games.map((item, index) => (
            <Game key={item.assignmentId}>
              <b>
                {index + 1}. {own(item.game.title)}
              </b>
              <small>
                {[
                  own(levelName(item)),
                  item.received > 0 ? i18n.t('the school has a score') : '',
                  isOpen(item) ? '' : i18n.t('opens {day}', { day: dayWords(item.opensOn!, tag) }),
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </small>
              <button
                type="button"
                disabled={!isOpen(item)}
                aria-label={i18n.t('Play {title}', { title: own(item.game.title) })}
                onClick={() => onOpen(item)}
              >
                {item.received > 0
                  ? i18n.t('Again (the game was played before, button)', {}, { message: 'Again' })
                  : i18n.t('Play (a game, button)', {}, { message: 'Play' })}
              </button>
            </Game>
          ))}
        {week.film && (
          <li>
            <b>{i18n.t('Film it, at most 15 seconds')}</b>
            <small>{week.film}</small>
            {week.filmAlone && <small>{i18n.t('The film is enough this time: no score is asked.')}</small>}
            <small>
              {i18n.t(
                'Leave out faces, names, uniforms and what is on the walls. Only if your school and the adult agree. Hand it in the way your school says, not here, and delete it afterwards.',
              )}
            </small>
          </li>
        )}
        {week.diary && (
          <li>
            <b>{i18n.t('All week')}</b>
            <small>{week.diary}</small>
            {card.scope === 'card' && (
              <Plain type="button" style={{ marginTop: 8 }} onClick={() => onDiary(week)}>
                {diary === 0
                  ? i18n.t('Movement diary')
                  : i18n.t('{n, plural, one {Movement diary: 1 minute so far} other {Movement diary: {n} minutes so far}}', { n: diary })}
              </Plain>
            )}
          </li>
        )}
        {week.kit.length > 0 && (
          <li>
            <b>{i18n.t('For all of it')}</b>
            {(['home', 'school'] as const).map((from) => {
              const things = week.kit.filter((thing) => thing.from === from);
              return things.length === 0 ? null : (
                <small key={from}>
                  {from === 'home' ? i18n.t('Find at home:') : i18n.t('The school sends:')}
                  {things.map(({ n, name }) => `${n > 1 ? `${n} ` : ''}${noun(name)}`).join(', ')}.
                </small>
              );
            })}
          </li>
        )}
      </Ruled>
      <ReadAloud words={aloud.join('. ')} />
    </>
  );
}

const levelName = (item: CardItem) => item.game.levels.find((level) => level.id === item.levelId)?.name ?? '';

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
  const words = useWords();
  const { i18n, own, tag } = words;
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
          {latest
            ? i18n.t(
                '{n, plural, one {The school has 1 report from this week, the last at {time}.} other {The school has {n} reports from this week, the last at {time}.}}',
                { n: received, time: timeWords(latest.words, tag) },
              )
            : i18n.t('{n, plural, one {The school has 1 report from this week.} other {The school has {n} reports from this week.}}', {
                n: received,
              })}
          {best !== null && ` ${i18n.t('Your own best is {score}.', { score: scoreWords(best, only!.game.parts[0]!.measure.unit, words) })}`}
        </Kept>
      )}
      {sessions
        .filter((session) => ids.has(session.assignmentId) && session.goes.length > 0)
        .map((session) => {
          const item = week.games.find((one) => one.assignmentId === session.assignmentId)!;
          return (
            <Kept key={session.playId} role="status">
              {i18n.t('{n, plural, one {1 go of {title} not sent yet.} other {{n} goes of {title} not sent yet.}}', {
                n: session.goes.length,
                title: own(item.game.title),
              })}{' '}
              <TextButton type="button" onClick={() => onFinish(item)}>
                {i18n.t('Finish and send')}
              </TextButton>
            </Kept>
          );
        })}
      {waiting.length + waitingEntries > 0 && (
        <Kept role="status">
          {[
            waiting.length > 0
              ? i18n.t('{n, plural, one {1 report waits in this device.} other {{n} reports wait in this device.}}', { n: waiting.length })
              : '',
            waitingEntries > 0
              ? i18n.t('{n, plural, one {1 line of the diary waits in this device.} other {{n} lines of the diary wait in this device.}}', {
                  n: waitingEntries,
                })
              : '',
            i18n.t('It goes off when there is a connection and this page is open.'),
          ]
            .filter(Boolean)
            .join(' ')}
        </Kept>
      )}
      {refused.map((play) => (
        <Kept key={play.playId} role="alert">
          {i18n.t('{score} was not taken:', { score: scoreWords(play.total, play.unit, words) })} {linesWords(play.words, words)}
        </Kept>
      ))}
    </>
  );
}
