'use client';
import { lazy, Suspense } from 'react';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { TextButton } from '../counter/text-button';
import { isOpen, type CardScreenProps } from './card-model';
import { GameLine, KeptNote, SmallText } from './card-style';
import { Big, Bottom, Ruled, Screen, TopLine, Summary } from './home-style';
import { KeepingLine } from './keeping-line';
import { LanguagePicker } from './language-picker';
import { ThisWeek } from './this-week';
import { scoreWords } from './words';
import { StepTitle } from './step-title';

/** Most devices have the card of one child. */
const Siblings = lazy(async () => {
  const { Siblings: Row } = await import('./siblings');
  return { default: Row };
});

const Aside = styled.p`
  font-size: var(--type-2);
  color: var(--ink-soft);
`;

/** The week's card: what to do, by when, and what the school has. */
export function CardScreen(props: CardScreenProps) {
  const words = useWords();
  const { i18n, own } = words;
  const { card, today, token, kept, offline, mayForget, onlyOnline, onOpen, onOthers, onSibling, onInvent, onWeeks } = props;
  // A card that has just come may not be among those that are kept yet.
  const others = kept.filter((one) => one.token !== token);
  const [now, ...earlier] = card.weeks;
  const first = now?.games.find((item) => isOpen(item, today));
  return (
    <Screen>
      <TopLine>
        <span>Lochside</span>
        <span>
          <bdi>{card.child?.name}</bdi>
          {others.length > 0 && (
            <>
              {' '}
              <SmallText type="button" onClick={onOthers}>
                {i18n.t('not you?')}
              </SmallText>
            </>
          )}
        </span>
      </TopLine>
      {others.some((one) => one.card.child) && card.child && (
        <Suspense>
          <Siblings kept={[...others, { token, card, at: '' }]} token={token} onOpen={onSibling} />
        </Suspense>
      )}
      {offline && <KeptNote role="status">{own(offline)}</KeptNote>}
      <KeepingLine />
      {!now ? (
        <>
          <StepTitle>{i18n.t('Nothing here yet')}</StepTitle>
          <p>{i18n.t('The next game will be on this page. Keep the link.')}</p>
        </>
      ) : (
        <>
          <ThisWeek {...props} week={now} />
          {earlier.length > 0 && (
            <details>
              <Summary>{i18n.t('Earlier weeks, to play again')}</Summary>
              <Ruled>
                {earlier.flatMap((week) =>
                  week.games.map((item) => (
                    <GameLine key={item.assignmentId}>
                      <b>{own(item.game.title)}</b>
                      <small>
                        {i18n.t('Week {number}', { number: week.number })}
                        {item.best !== null &&
                          `, ${i18n.t('own best {score}', { score: scoreWords(item.best, item.game.parts[0]!.measure.unit, words) })}`}
                      </small>
                      <button type="button" aria-label={i18n.t('Play {title} again', { title: own(item.game.title) })} onClick={() => onOpen(item)}>
                        {i18n.t('Play (a game, button)', {}, { message: 'Play' })}
                      </button>
                    </GameLine>
                  )),
                )}
              </Ruled>
            </details>
          )}
          {card.scope === 'card' && (
            <TextButton type="button" onClick={onWeeks}>
              {i18n.t('My weeks')}
            </TextButton>
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
