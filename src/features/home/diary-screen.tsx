'use client';
import type { DiaryEntry } from '@/contract/diary';
import { newUuid } from '@/contract/ids';
import type { CardWeek } from '@/contract/card';
import styled from 'styled-components';
import { dayPlus, dayShort } from '@/core/measure/days';
import type { Words } from '@/core/words/words';
import { TextButton } from '../counter/text-button';
import { diaryOf } from './card-model';
import { Big, Bottom, Screen, TopLine } from './home-style';
import { ReadAloud } from './read-aloud';
import type { WaitingEntry } from './store';
import { readFigure } from '@/core/words/read-figure';
import { figureFault } from '../counter/figure-fault';
import { Written } from '../counter/answers';
import { useDraft } from './use-draft';
import { useWords } from '@/features/languages/use-words';
import { todayHere } from './words';
import { StepTitle } from './step-title';

const Days = styled.table`
  width: 100%;
  border-collapse: collapse;
`;

const Waits = styled.small`
  display: block;
  color: var(--ink-soft);
`;

const Fields = styled.div`
  display: grid;
  grid-template-columns: 1fr 5.5rem;
  gap: var(--space-4) var(--space-5);
  & label {
    display: flex;
    flex-direction: column;
    gap: var(--space-2);
  }
  & input,
  & select {
    width: 100%;
    min-height: 48px;
    padding: var(--space-2) var(--space-4);
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font: inherit;
    color: inherit;
  }
  & input[autocapitalize='characters'] {
    text-transform: uppercase;
  }
`;

const Day = styled.tr<{ $struck: boolean }>`
  ${({ $struck }) => $struck && 'color: var(--ink-soft); text-decoration: line-through;'}
  & th,
  & td {
    padding: var(--space-4) var(--space-2);
    border-bottom: 1px solid var(--line);
    text-align: start;
    font-weight: 400;
    vertical-align: top;
  }
  & td:nth-child(n + 3) {
    text-align: end;
    white-space: nowrap;
  }
`;

const Bar = styled.div`
  height: 12px;
  border: 1.5px solid var(--ink);
  background: var(--band-1);
  & div {
    height: 100%;
    background: var(--tide);
  }
`;

/** Minutes of one line of the diary. */
const MINUTES = { least: 1, most: 600, whole: true };

/** On average at least so many minutes a day for children of 5 to 17: WHO guidelines on physical activity, 2020. */
const GUIDANCE_MINUTES = 60;
const DAYS_BACK = 6;

const lastDays = (today: string): string[] => Array.from({ length: DAYS_BACK + 1 }, (_, back) => dayPlus(today, -back));

/** Against the guidance, kindly: never less than enough said as a failing. */
function kindly(minutes: number, days: number, { i18n }: Words): string {
  const each = Math.round(minutes / Math.max(1, days));
  if (days === 0) return i18n.t('Anything that makes you warm counts: walking, dancing, play.');
  const on = i18n.t('{n, plural, one {{each} minutes on one day.} other {About {each} minutes on each of {n} days.}}', { n: days, each });
  if (each >= GUIDANCE_MINUTES) return `${on} ${i18n.t('That is what is good for you at your age, and more.')}`;
  if (each >= GUIDANCE_MINUTES / 2) return `${on} ${i18n.t('An hour a day is the aim; school playtime counts too.')}`;
  return `${on} ${i18n.t('Every bit helps; school playtime and walking count too.')}`;
}

/** What is being written. */
interface Line {
  readonly day: string;
  readonly what: string;
  readonly minutes: string;
  readonly initials: string;
}

// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function DiaryScreen({
  token,
  week,
  name,
  entries,
  onAdd,
  onStrike,
  onBack,
}: {
  token: string;
  week: CardWeek;
  name: string;
  entries: readonly WaitingEntry[];
  onAdd: (entry: DiaryEntry) => void;
  onStrike: (entry: DiaryEntry) => void;
  onBack: () => void;
}) {
  const words = useWords();
  const { i18n, tag } = words;
  const today = todayHere();
  const [draft, putDraft] = useDraft<Line>(`${token} diary`, () => ({ day: today, what: '', minutes: '', initials: '' }));
  const { what, minutes, initials } = draft;
  const days7 = lastDays(today);
  const day = days7.includes(draft.day) ? draft.day : today;
  const put = (change: Partial<Line>) => putDraft({ ...draft, ...change });
  const listed = diaryOf(week, entries);
  const counted = listed.filter((entry) => !entry.struck);
  const total = counted.reduce((sum, entry) => sum + entry.minutes, 0);
  const days = new Set(counted.map((entry) => entry.day)).size;
  const read = readFigure(minutes, MINUTES);
  const number = read.ok ? read.value : null;
  const valid = what.trim() !== '' && number !== null;
  const refused = entries.filter((one) => one.state === 'refused' && one.entry.weekId === week.id);
  const waiting = new Set(entries.filter((one) => one.state === 'waiting').map((one) => one.entry.id));
  return (
    <Screen>
      <TopLine>
        <span>{i18n.t('Movement diary · week {number}', { number: week.number })}</span>
        <bdi>{name}</bdi>
      </TopLine>
      <StepTitle>{i18n.t('{n, plural, one {1 minute} other {{n} minutes}}', { n: total })}</StepTitle>
      <Bar aria-hidden>
        <div data-fill style={{ width: `${Math.min(100, (100 * total) / (GUIDANCE_MINUTES * Math.max(1, days)))}%` }} />
      </Bar>
      <p>{kindly(total, days, words)}</p>
      <ReadAloud
        words={[
          i18n.t('Movement diary'),
          i18n.t('{n, plural, one {1 minute} other {{n} minutes}}', { n: total }),
          kindly(total, days, words),
          i18n.t('Write down the day, what you did, and for how many minutes.'),
        ].join('. ')}
      />
      <Fields>
        <label>
          {i18n.t('Day (of a line of the diary)', {}, { message: 'Day' })}
          <select value={day} onChange={(event) => put({ day: event.target.value })}>
            {days7.map((one) => (
              <option key={one} value={one}>
                {one === today ? i18n.t('today (a day)', {}, { message: 'today' }) : dayShort(one, tag)}
              </option>
            ))}
          </select>
        </label>
        <Written
          label={i18n.t('Minutes (field of the diary)', {}, { message: 'Minutes' })}
          value={minutes}
          onChange={(written) => put({ minutes: written.slice(0, 6) })}
          problem={read.ok ? '' : figureFault(read.why, MINUTES, words)}
          inputMode="numeric"
        />
        <Written label={i18n.t('What did you do?')} value={what} onChange={(written) => put({ what: written })} maxLength={60} />
        <Written
          label={i18n.t('Adult (field of the diary: initials)', {}, { message: 'Adult' })}
          named={i18n.t("Adult's initials")}
          value={initials}
          onChange={(written) => put({ initials: written.replace(/[^\p{L}]/gu, '') })}
          maxLength={4}
          autoCapitalize="characters"
          autoComplete="off"
        />
      </Fields>
      <Big
        type="button"
        disabled={!valid}
        onClick={() => {
          onAdd({
            id: newUuid(),
            weekId: week.id,
            day,
            what: what.trim(),
            minutes: number!,
            initials: initials.toLocaleUpperCase('en-GB'),
            struck: false,
          });
          put({ what: '', minutes: '' });
        }}
      >
        {i18n.t('Write it in')}
      </Big>
      {listed.length > 0 && (
        <Days>
          <tbody>
            {listed.map((entry) => (
              <Day key={entry.id} $struck={entry.struck}>
                <th scope="row">{dayShort(entry.day, tag)}</th>
                <td>
                  {entry.what}
                  {waiting.has(entry.id) && <Waits>{i18n.t('waits to be sent')}</Waits>}
                </td>
                <td>{entry.minutes} min</td>
                <td>
                  {entry.initials}{' '}
                  {!entry.struck && (
                    <TextButton
                      type="button"
                      aria-label={i18n.t('Strike out {what}, {minutes} minutes', { what: entry.what, minutes: entry.minutes })}
                      onClick={() => onStrike(entry)}
                    >
                      {i18n.t('strike out')}
                    </TextButton>
                  )}
                </td>
              </Day>
            ))}
          </tbody>
        </Days>
      )}
      {refused.length > 0 && (
        <p role="alert">
          {i18n.t('The school did not take: {lines}. Tell the school, or write it on paper.', {
            lines: refused
              .map(({ entry }) => `${entry.what}, ${i18n.t('{n, plural, one {1 minute} other {{n} minutes}}', { n: entry.minutes })}`)
              .join('; '),
          })}
        </p>
      )}
      <Bottom>
        <TextButton type="button" onClick={onBack}>
          {i18n.t('Back to the card')}
        </TextButton>
      </Bottom>
    </Screen>
  );
}
