'use client';
/** The child's own weeks: its bests over time, the next thing to try, and every game it ever had, to play again. */
import { useEffect, useMemo, useState } from 'react';
import styled from 'styled-components';
import type { Card, CardItem } from '@/contract/card';
import type { InventedPlan } from '@/core/invent/plan';
import { isMyWeeks, type MyWeeks } from '@/contract/my-weeks';
import { dayWords } from '@/core/measure/days';
import { counted } from '@/core/rules/telling/counted';
import { SKILL_NAMES } from '@/core/sheet/teaching-points';
import { capitalised } from '@/core/words/capitalised';
import { useWords } from '@/features/languages/use-words';
import { GameLine, KeptNote } from './card-style';
import { Ruled, Screen, TopLine } from './home-style';
import { bestsOverWeeks, DAYS_FOR_A_MARK, gamesBySkill, newGames, weeksOnCard, type BestsOfGame } from './my-weeks-model';
import { ReadAloud } from './read-aloud';
import { askSchool } from './sending';
import { BackButton } from './step-buttons';
import { StepTitle } from './step-title';
import { scoreWords, todayHere } from './words';

const Chart = styled.figure`
  margin: 0;
  & svg {
    display: block;
    width: 100%;
  }
  & figcaption {
    font-weight: 700;
  }
`;

const Days = styled.span`
  display: inline-flex;
  gap: 3px;
  vertical-align: middle;
`;

export interface MyWeeksScreenProps {
  readonly token: string;
  readonly card: Card;
  readonly name: string;
  readonly onOpen: (item: CardItem) => void;
  /** A game that somebody else of the class made. */
  readonly onPlan: (plan: InventedPlan) => void;
  readonly onBack: () => void;
}

// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function MyWeeksScreen({ token, card, name, onOpen, onPlan, onBack }: MyWeeksScreenProps) {
  const words = useWords();
  const { i18n, own, tag } = words;
  const [asked, setAsked] = useState<MyWeeks | null>(null);
  const [missing, setMissing] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    void askSchool(token, 'weeks').then((answer) => current && isMyWeeks(answer) && setAsked(answer));
    return () => {
      current = false;
    };
  }, [token]);
  const mine = useMemo(() => asked ?? weeksOnCard(card, todayHere()), [asked, card]);
  const charts = bestsOverWeeks(mine);
  const onCard = card.weeks.flatMap(({ games }) => games);
  const play = async (assignmentId: string) => {
    setMissing(null);
    const held = onCard.find((item) => item.assignmentId === assignmentId);
    const item = held ?? ((await askSchool(token, `games/${assignmentId}`)) as CardItem | null);
    if (item) onOpen(item);
    else setMissing(assignmentId);
  };
  const unplayed = newGames(mine);
  const fresh = unplayed.length === 0 ? '' : i18n.t('New for you: {titles}.', { titles: unplayed.map(({ title }) => own(title)).join(', ') });
  const { next } = mine;
  const nextWords = next && next.kind !== 'same' ? nextWordsOf(next.kind, own(next.title), own(next.levelName), words) : '';
  return (
    <Screen>
      <TopLine>
        <span>Lochside</span>
        <bdi>{name}</bdi>
      </TopLine>
      <StepTitle>{i18n.t('My weeks')}</StepTitle>
      {fresh !== '' && <KeptNote>{fresh}</KeptNote>}
      {nextWords !== '' && <KeptNote>{nextWords}</KeptNote>}
      {charts.length === 0 && <p>{i18n.t('When you have played a game in two weeks, your own bests stand here.')}</p>}
      {charts.map((one) => (
        <Bests key={one.title + one.unit} of={one} />
      ))}
      <ReadAloud
        words={[
          fresh,
          nextWords,
          ...charts.map(({ title, bests, unit }) => `${own(title)}: ${bests.map(({ best }) => scoreWords(best, unit, words)).join(', ')}.`),
        ]
          .filter(Boolean)
          .join(' ')}
      />
      <h2>{i18n.t('Week by week')}</h2>
      <Ruled>
        {[...mine.weeks].reverse().map((week) => (
          <li key={week.id}>
            <b>{i18n.t('Week {number}', { number: week.number })}</b> {dayWords(week.dueOn, tag)}{' '}
            {week.daysMoved > 0 && <DaysMoved n={week.daysMoved} />}
            <small>
              {week.games
                .map((game) => (game.best === null ? own(game.title) : `${own(game.title)}: ${scoreWords(game.best, game.unit, words)}`))
                .join(' · ')}
            </small>
            {week.games.map(
              ({ assignmentId, comment }) =>
                comment !== '' && <KeptNote key={assignmentId}>{i18n.t('Your teacher: {words}', { words: comment })}</KeptNote>,
            )}
          </li>
        ))}
      </Ruled>
      <h2>{i18n.t('Every game you had')}</h2>
      {gamesBySkill(mine).map(({ skill, games }) => (
        <section key={skill ?? 'none'}>
          <h3>{skill === null ? i18n.t('Other games') : capitalised(own(SKILL_NAMES[skill]), words)}</h3>
          <Ruled>
            {games.map((game) => (
              <GameLine key={game.assignmentId}>
                <b>{own(game.title)}</b>
                <small>{own(game.levelName)}</small>
                <button
                  type="button"
                  aria-label={i18n.t('Play {title} again', { title: own(game.title) })}
                  onClick={() => void play(game.assignmentId)}
                >
                  {i18n.t('Play (a game, button)', {}, { message: 'Play' })}
                </button>
                {missing === game.assignmentId && <small role="alert">{i18n.t('This one comes from the school: it needs a connection.')}</small>}
              </GameLine>
            ))}
          </Ruled>
        </section>
      ))}
      {mine.fromClass.length > 0 && (
        <>
          <h2>{i18n.t('Games that your class made up')}</h2>
          <Ruled>
            {mine.fromClass.map((plan) => (
              <GameLine key={plan.title}>
                <b>{plan.title}</b>
                <small>{i18n.t('For the fun of it: no score is sent.')}</small>
                <button type="button" aria-label={i18n.t('Play {title}', { title: plan.title })} onClick={() => onPlan(plan)}>
                  {i18n.t('Play (a game, button)', {}, { message: 'Play' })}
                </button>
              </GameLine>
            ))}
          </Ruled>
        </>
      )}
      <BackButton onPress={onBack} />
    </Screen>
  );
}

function nextWordsOf(kind: NonNullable<MyWeeks['next']>['kind'], title: string, level: string, { i18n }: ReturnType<typeof useWords>): string {
  switch (kind) {
    case 'harder-level':
      return i18n.t('Next you could try {title} at {level}.', { title, level });
    case 'easier-level':
      return i18n.t('Try {title} at {level}, and find your aim there.', { title, level });
    case 'farther':
      return i18n.t('Next you could try {title} from farther away.', { title });
    case 'nearer':
      return i18n.t('Try {title} from nearer.', { title });
    case 'more':
    case 'same':
      return '';
  }
}

const [WIDE, HIGH, SIDE, FOOT] = [300, 128, 26, 30];

/** One line of dots, each with its figure. */
function Bests({ of: { title, unit, better, bests } }: { of: BestsOfGame }) {
  const words = useWords();
  const { i18n, own, figure } = words;
  const most = Math.max(...bests.map(({ best }) => best), 1);
  const least = Math.min(...bests.map(({ best }) => best), 0);
  const at = bests.map(({ week, best }, index) => ({
    week,
    best,
    x: SIDE + ((WIDE - 2 * SIDE) * index) / Math.max(1, bests.length - 1),
    y: HIGH - FOOT - ((HIGH - FOOT - 28) * (best - least)) / (most - least),
  }));
  const shown = (best: number) => (unit === 'mm' ? figure(best / 10, 0) : `${best}`);
  return (
    <Chart>
      <figcaption>
        {own(title)}, {unit === 'mm' ? 'cm' : counted(2, unit, words)}
        {better === 'low' && ` (${i18n.t('fewer is better')})`}
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        role="img"
        aria-label={bests
          .map(({ week, best }) => i18n.t('week {number}: {score}', { number: week, score: scoreWords(best, unit, words) }))
          .join(', ')}
      >
        <line x1={8} x2={WIDE - 8} y1={HIGH - FOOT + 10} y2={HIGH - FOOT + 10} stroke="var(--line-strong)" />
        <polyline points={at.map(({ x, y }) => `${x},${y}`).join(' ')} fill="none" stroke="var(--tide)" strokeWidth={2} />
        {at.map(({ x, y, best, week }, index) => (
          <g key={week}>
            <circle cx={x} cy={y} r={5.5} fill={index === at.length - 1 ? 'var(--gorse)' : 'var(--sheet)'} stroke="var(--ink)" strokeWidth={2} />
            <text x={x} y={y - 11} fontSize={16} fontWeight={700} textAnchor="middle" fill="var(--ink)">
              {shown(best)}
            </text>
            <text x={x} y={HIGH - 4} fontSize={16} textAnchor="middle" fill="var(--ink-soft)">
              {week}
            </text>
          </g>
        ))}
      </svg>
    </Chart>
  );
}

/** A stroke for each day of moving; five are one mark. */
function DaysMoved({ n }: { n: number }) {
  const { i18n } = useWords();
  return (
    <Days role="img" aria-label={i18n.t('{n, plural, one {moved on 1 day} other {moved on {n} days}}', { n })}>
      <svg width={14 + 7 * n} height={20} viewBox={`0 0 ${14 + 7 * n} 20`} aria-hidden>
        {Array.from({ length: Math.min(n, DAYS_FOR_A_MARK - 1) }, (_, day) => (
          <path key={day} d={`M${6 + 7 * day} 3V17`} stroke="var(--ink)" strokeWidth={2.2} strokeLinecap="round" />
        ))}
        {n >= DAYS_FOR_A_MARK && <path d="M2 15L32 5" stroke="var(--gorse)" strokeWidth={3} strokeLinecap="round" />}
        {Array.from({ length: Math.max(0, n - DAYS_FOR_A_MARK) }, (_, day) => (
          <path key={day} d={`M${40 + 7 * day} 3V17`} stroke="var(--ink)" strokeWidth={2.2} strokeLinecap="round" />
        ))}
      </svg>
    </Days>
  );
}
