'use client';
import type { CardWeek } from '@/contract/card';
import { lazy, Suspense } from 'react';
import styled from 'styled-components';
import { dayWords } from '@/core/measure/days';
import { warmUpMoves, warmUpWords } from '@/core/sheet/warm-ups';
import { Bold, useWords } from '@/features/languages/use-words';
import { TextButton } from '../counter/text-button';
import { diaryMinutes, isOpen, levelName, type CardScreenProps } from './card-model';
import { GameLine } from './card-style';
import { DRAWN } from './first-sight-painter';
import { Plain, Ruled } from './home-style';
import { ReadAloud } from './read-aloud';
import { StandingLines } from './standing-lines';
import { StepTitle } from './step-title';

/** The drawing knows all things and their sizes: it comes after the words. */
const CardDrawing = lazy(async () => {
  const { CardDrawing: Drawing } = await import('./card-drawing');
  return { default: Drawing };
});

/** Seldom there: a film or page of the teacher's own. */
const PageLink = lazy(async () => {
  const { PageLink: Link } = await import('./page-link');
  return { default: Link };
});

/** The figures of the warm-up too. */
const Exercise = lazy(async () => {
  const { Exercise: Drawn } = await import('../drawing/exercise');
  return { default: Drawn };
});

const Week = styled.section`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  padding: var(--space-3) 0 var(--space-5);
`;

const Moves = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: var(--space-3) var(--space-4);
  margin: var(--space-2) 0 0;
  padding: 0;
  list-style: none;
  && li {
    display: flex;
    align-items: center;
    gap: var(--space-3);
    padding: 0;
    border: 0;
    line-height: 1.25;
  }
`;

const CalendarText = styled(TextButton)`
  && {
    min-height: 44px;
    font-size: var(--type-2);
  }
`;

const DrawingRoom = styled.div`
  height: 250px;
  border: 1.5px solid var(--line);
`;

/** A mark in the page that takes no part in its layout. */
const InFlow = styled.div`
  display: contents;
`;

/** Until the drawing can draw itself: as the school painted it, else its room. */
function DrawingSoon() {
  const painted = typeof window === 'undefined' ? undefined : window.lochsideDrawn;
  return painted === undefined ? <DrawingRoom /> : <InFlow dangerouslySetInnerHTML={{ __html: painted }} />;
}

const MoveRoom = styled.span`
  width: 66px;
  height: 64px;
`;

const DiaryButton = styled(Plain)`
  && {
    margin-top: var(--space-4);
  }
`;

/** A week from its day to its kit. */
export function ThisWeek({
  week,
  plays,
  underWay,
  sessions,
  entries,
  onOpen,
  onShow,
  onFinish,
  onDiary,
  onCalendar,
  card,
  today,
}: CardScreenProps & { week: CardWeek }) {
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
        <StepTitle>{week.title || (single ? `${own(only!.game.title)}, ${own(levelName(only!))}` : i18n.t('This week'))}</StepTitle>
        <p>
          <Bold words={i18n.t('By *{day}*.', { day: dayWords(week.dueOn, tag) })} />{' '}
          {onCalendar && (
            <CalendarText type="button" onClick={onCalendar}>
              {i18n.t('into the calendar')}
            </CalendarText>
          )}
        </p>
        {week.note && <p>{week.note}</p>}
        <StandingLines week={week} plays={plays} underWay={underWay} sessions={sessions} entries={entries} onFinish={onFinish} />
        {single && (
          <>
            <InFlow className={DRAWN}>
              <Suspense fallback={<DrawingSoon />}>
                <CardDrawing item={only!} />
              </Suspense>
            </InFlow>
            <Plain type="button" onClick={() => onShow(only!)}>
              {i18n.t('Show me')}
            </Plain>
          </>
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
                    <Suspense fallback={<MoveRoom />}>{move.drawn && <Exercise words={move.written} />}</Suspense>
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
            <GameLine key={item.assignmentId}>
              <b>
                {index + 1}. {own(item.game.title)}
              </b>
              <small>
                {[
                  own(levelName(item)),
                  item.received > 0 ? i18n.t('the school has a score') : '',
                  isOpen(item, today) ? '' : i18n.t('opens {day}', { day: dayWords(item.opensOn!, tag) }),
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </small>
              <small>
                <TextButton type="button" aria-label={i18n.t('Show me {title}', { title: own(item.game.title) })} onClick={() => onShow(item)}>
                  {i18n.t('Show me')}
                </TextButton>
              </small>
              <button
                type="button"
                disabled={!isOpen(item, today)}
                aria-label={i18n.t('Play {title}', { title: own(item.game.title) })}
                onClick={() => onOpen(item)}
              >
                {item.received > 0
                  ? i18n.t('Again (the game was played before, button)', {}, { message: 'Again' })
                  : i18n.t('Play (a game, button)', {}, { message: 'Play' })}
              </button>
            </GameLine>
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
        {week.page && (
          <Suspense>
            <PageLink address={week.page} />
          </Suspense>
        )}
        {week.diary && (
          <li>
            <b>{i18n.t('All week')}</b>
            <small>{week.diary}</small>
            {card.scope === 'card' && (
              <DiaryButton type="button" onClick={() => onDiary(week)}>
                {diary === 0
                  ? i18n.t('Movement diary')
                  : i18n.t('{n, plural, one {Movement diary: 1 minute so far} other {Movement diary: {n} minutes so far}}', { n: diary })}
              </DiaryButton>
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
