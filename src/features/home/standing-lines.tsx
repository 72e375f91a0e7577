'use client';
import type { CardWeek } from '@/contract/card';
import { useWords } from '@/features/languages/use-words';
import { TextButton } from '../counter/text-button';
import { cardStandingOf, type CardScreenProps } from './card-model';
import { KeptNote } from './card-style';
import { linesWords, scoreWords, timeWords } from './words';

/** Plainly: what has been received, what still waits in this device, what was begun. */
export function StandingLines({
  week,
  plays,
  sessions,
  entries,
  underWay,
  onFinish,
}: Pick<CardScreenProps, 'plays' | 'underWay' | 'sessions' | 'entries' | 'onFinish'> & { week: CardWeek }) {
  const words = useWords();
  const { i18n, own, tag } = words;
  const { received, latest, best, begun, waitingReports, waitingEntries, refused } = cardStandingOf(week, { plays, sessions, entries });
  const unit = week.games[0]?.game.parts[0]?.measure.unit ?? '';
  return (
    <>
      {received > 0 && (
        <KeptNote>
          {latest
            ? i18n.t(
                '{n, plural, one {The school has 1 report from this week, the last at {time}.} other {The school has {n} reports from this week, the last at {time}.}}',
                { n: received, time: timeWords(latest.words, tag) },
              )
            : i18n.t('{n, plural, one {The school has 1 report from this week.} other {The school has {n} reports from this week.}}', {
                n: received,
              })}
          {best !== null && ` ${i18n.t('Your own best is {score}.', { score: scoreWords(best, unit, words) })}`}
        </KeptNote>
      )}
      {begun.map(({ session, item }) => (
        <KeptNote key={session.playId} role="status">
          {i18n.t('{n, plural, one {1 go of {title} not sent yet.} other {{n} goes of {title} not sent yet.}}', {
            n: session.goes.length,
            title: own(item.game.title),
          })}{' '}
          <TextButton type="button" onClick={() => onFinish(item)}>
            {i18n.t('Finish and send')}
          </TextButton>
        </KeptNote>
      ))}
      {waitingReports + waitingEntries > 0 && (
        <KeptNote role="status">
          {[
            waitingReports > 0
              ? i18n.t('{n, plural, one {1 report waits in this device.} other {{n} reports wait in this device.}}', { n: waitingReports })
              : '',
            waitingEntries > 0
              ? i18n.t('{n, plural, one {1 line of the diary waits in this device.} other {{n} lines of the diary wait in this device.}}', {
                  n: waitingEntries,
                })
              : '',
            underWay ? i18n.t('On its way …') : i18n.t('It goes off when there is a connection and this page is open.'),
          ]
            .filter(Boolean)
            .join(' ')}
        </KeptNote>
      )}
      {refused.map((play) => (
        <KeptNote key={play.playId} role="alert">
          {i18n.t('{score} was not taken:', { score: scoreWords(play.total, play.unit, words) })} {linesWords(play.words, words)}
        </KeptNote>
      ))}
    </>
  );
}
