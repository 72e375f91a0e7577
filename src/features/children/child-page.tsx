'use client';
import { eraseSchema, noteSchema, type FromLinks as FromLinksAct } from '@/contract/child-settings';
import type { ChildRecord, WeekOfChild, AboutChild } from '@/contract/child';
import { DeskLink } from '@/ui/desk-link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { narrow } from '@/design/breakpoints';
import styled from 'styled-components';
import { format, parseISO } from 'date-fns';
import { dayWords } from '@/core/measure/days';
import { skillWords } from '@/core/progress/skill-words';
import { counted } from '@/core/rules/telling/counted';
import { Button, ButtonLink, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Figures, Page, PageHead } from '@/ui/page';
import { send } from '@/ui/post';
import { lookMarkWords } from '../counter/look-fors';
import { HitsByDistance } from '../scores/hits-by-distance';

const AsideHead = styled.th`
  && {
    padding-left: var(--space-6);
  }
`;

const Small = styled.p`
  && {
    font-size: var(--type-1);
  }
`;

const OwnLine = styled.small`
  && {
    display: block;
  }
`;

const AsideCell = styled.td`
  && {
    padding-left: var(--space-6);
  }
`;

const Summary = styled.summary`
  padding: var(--space-2) 0;
  cursor: pointer;
`;

const Deeds = styled.div`
  display: flex;
  align-items: center;
  gap: var(--space-5);
  margin-top: var(--space-4);
`;

const Next = styled.section`
  margin: var(--space-2) 0 var(--space-7);
  padding: var(--space-5) var(--space-6) var(--space-5);
  border-left: 5px solid var(--gorse);
  background: var(--sheet);
  & h2 {
    margin: 0 0 var(--space-2);
    font-size: var(--type-2);
    font-weight: 600;
    color: var(--ink-soft);
  }
  & p {
    margin: 0;
    font-size: var(--type-4);
  }
  & p + p {
    margin-top: var(--space-1);
    font-weight: 600;
  }
`;

const Part = styled.section`
  margin: 0 0 var(--space-7);
  & h2 {
    margin: 0 0 var(--space-3);
    font-size: var(--type-4);
  }
  & .soft {
    color: var(--ink-soft);
  }
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: var(--space-5) var(--space-9);
  align-items: start;
  @media ${narrow} {
    grid-template-columns: 1fr;
  }
`;

const Lines = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: var(--type-2);
  & li {
    display: flex;
    gap: var(--space-4);
    padding: var(--space-2) 0;
    border-bottom: 1px solid var(--line);
  }
  & li > :nth-child(2) {
    flex: 1;
  }
`;

const shortDay = (day: string) => format(parseISO(day), 'EEE d MMM');

const WORDS_OF_FELT: Readonly<Record<string, string>> = { hard: 'hard', right: 'right', easy: 'easy' };

/** A link that got into other hands: all that came by it is set aside in one act, which can be taken back at once. */
function FromLinks({ childId, name }: { childId: string; name: string }) {
  const router = useRouter();
  const [state, setState] = useState<'asked' | { readonly at: string; readonly reports: number } | null>(null);
  const [problem, setProblem] = useState('');
  const act = async (body: FromLinksAct, then: (answer: { at: string; reports: number }) => void) => {
    const answer = await send<{ at: string; reports: number }>('POST', `/api/v1/children/${childId}/from-links`, body);
    if (!answer.value) return setProblem(answer.problem);
    setProblem('');
    then(answer.value);
    router.refresh();
  };
  return (
    <Part>
      {state === null ? (
        <QuietButton onPress={() => setState('asked')}>Set aside everything that came by the link …</QuietButton>
      ) : state === 'asked' ? (
        <p>
          All reports that came by the link or slip of {name} stop counting; nothing is deleted.{' '}
          <QuietButton onPress={() => void act({ act: 'set-aside' }, setState)}>Set them aside</QuietButton>{' '}
          <QuietButton onPress={() => setState(null)}>Not now</QuietButton>
        </p>
      ) : (
        <p role="status">
          {state.reports} {counted(state.reports, 'reports')} set aside.{' '}
          <QuietButton onPress={() => void act({ act: 'take-back', at: state.at }, () => setState(null))}>Undo</QuietButton>
        </p>
      )}
      {problem && <p role="alert">{problem}</p>}
    </Part>
  );
}

export interface ChildPageProps {
  readonly record: ChildRecord;
  readonly about: AboutChild;
  readonly mayChange: boolean;
}

/** A child's page for the teacher: what to try next and why, own bests, hits by distance, the weeks, the log, a note. */
export function ChildPage({ record, about, mayChange }: ChildPageProps) {
  const [erasing, setErasing] = useState(false);
  return (
    <Page $width={1180}>
      <PageHead>
        <h1>{record.name}</h1>
        <span className="about">
          {record.classId ? <DeskLink href={`/classes/${record.classId}`}>{record.className}</DeskLink> : record.className} · about {record.ageYears}{' '}
          years · {record.reports} {counted(record.reports, 'reports')}
        </span>
        <Button onPress={() => window.print()}>Print</Button>
        {mayChange && <ButtonLink href={`/api/v1/children/${record.id}/record`}>Everything as a file</ButtonLink>}
        {mayChange && <Button onPress={() => setErasing(true)}>Erase …</Button>}
      </PageHead>
      <Next aria-labelledby="next">
        <h2 id="next">What to try next{record.next ? `, ${record.next.gameTitle}` : ''}</h2>
        {record.next ? (
          <>
            <p>{record.next.evidence}</p>
            <p>{record.next.advice}</p>
          </>
        ) : (
          <p>Nothing can be said yet: no go with every try tapped has come in.</p>
        )}
      </Next>
      <Columns>
        <div>
          <Part aria-labelledby="bests">
            <h2 id="bests">Own bests</h2>
            {record.bests.length === 0 ? (
              <p className="soft">No score has counted yet.</p>
            ) : (
              <Figures>
                <thead>
                  <tr>
                    <th>Game</th>
                    <th>Level</th>
                    <th className="figure">Best</th>
                    <th className="figure">First</th>
                    <th className="figure">Latest</th>
                    <th className="figure">Goes</th>
                    <AsideHead>Last on</AsideHead>
                  </tr>
                </thead>
                <tbody>
                  {record.bests.map((best) => (
                    <tr key={`${best.gameTitle}${best.levelName}${best.form}${best.latestOn}`}>
                      <td>{best.gameTitle}</td>
                      <td>{[best.levelName, best.form].filter(Boolean).join(', ')}</td>
                      <td className="figure">
                        <b>{best.best}</b> {counted(best.best, best.unit)}
                      </td>
                      <td className="figure">{best.first}</td>
                      <td className="figure">{best.latest}</td>
                      <td className="figure">{best.goes}</td>
                      <AsideCell>{dayWords(best.latestOn)}</AsideCell>
                    </tr>
                  ))}
                </tbody>
              </Figures>
            )}
            <Small className="soft">Only goes on a like set-up at the same level and in the same form are compared.</Small>
          </Part>
          <Part aria-labelledby="hits">
            <h2 id="hits">Hits by distance</h2>
            <p>
              {record.own ? `${record.name} is` : 'Nothing of this child itself tells of its skill yet; the class is'}{' '}
              {skillWords(record.fit, record.ageYears)}.
            </p>
            <HitsByDistance aims={record.aims} whose={record.name} fitted={record.fit} />
          </Part>
          <Part aria-labelledby="weeks">
            <h2 id="weeks">Week by week</h2>
            <Weeks weeks={record.weeks} />
          </Part>
        </div>
        <div>
          <Note key={record.id} record={record} mayChange={mayChange} />
          <Part aria-labelledby="log">
            <h2 id="log">Movement log</h2>
            <Log weeks={record.weeks} />
          </Part>
        </div>
      </Columns>
      {mayChange && record.reports > 0 && <FromLinks childId={record.id} name={record.name} />}
      {erasing && <Erase record={record} about={about} onClose={() => setErasing(false)} />}
    </Page>
  );
}

function Weeks({ weeks }: { weeks: readonly WeekOfChild[] }) {
  const played = weeks.flatMap((week) => (week.games.length === 0 ? [null] : week.games).map((game) => ({ week, game })));
  if (played.length === 0) return <p className="soft">No week has been sent to the class yet.</p>;
  return (
    <Figures>
      <thead>
        <tr>
          <th>Week</th>
          <th>Game</th>
          <th className="figure">Best</th>
          <AsideHead>Felt</AsideHead>
          <th>Technique</th>
        </tr>
      </thead>
      <tbody>
        {played.map(({ week, game }, index) => (
          <tr key={index}>
            <td>{week.number}</td>
            {game === null ? (
              <td colSpan={4} className="soft">
                nothing came
              </td>
            ) : (
              <>
                <td>
                  {game.title}, {game.levelName}
                  {game.otherGoes.map((go, at) => (
                    <OwnLine key={at}>
                      {go.words}: {go.value} {counted(go.value, game.unit)}
                      {go.par !== null && `, par there ${go.par}`}
                    </OwnLine>
                  ))}
                  {game.ownSums && (
                    <OwnLine>
                      own sums: {game.ownSums.right} of {game.ownSums.of} right
                    </OwnLine>
                  )}
                </td>
                <td className="figure">
                  {game.best === null ? '–' : <b>{game.best}</b>}
                  {game.best !== null && game.par !== null && <small> / par {game.par}</small>}
                  {game.doubt && <small> ?</small>}
                </td>
                <AsideCell>{game.felt ? WORDS_OF_FELT[game.felt] : ''}</AsideCell>
                <td>
                  <Technique label="at home" marks={game.looksHome} />
                  <Technique label={game.film ? 'teacher, on the film' : 'teacher'} marks={game.looksTeacher} />
                  {game.comment && <div>“{game.comment}”</div>}
                </td>
              </>
            )}
          </tr>
        ))}
      </tbody>
    </Figures>
  );
}

function Technique({ label, marks }: { label: string; marks: WeekOfChild['games'][number]['looksHome'] }) {
  if (marks.length === 0) return null;
  return (
    <div>
      <small>{label}:</small> {marks.map(({ look, mark }) => `${look.replace(/[.]$/, '')} – ${lookMarkWords(mark)}`).join('; ')}
    </div>
  );
}

function Log({ weeks }: { weeks: readonly WeekOfChild[] }) {
  const written = weeks.filter(({ diary }) => diary.length > 0);
  if (written.length === 0) return <p className="soft">Nothing has been written.</p>;
  return (
    <>
      {written.map(({ number, diary }) => (
        <details key={number} open={number === written[0]!.number}>
          <Summary>
            Week {number}: {diary.reduce((sum, entry) => sum + entry.minutes, 0)} minutes,{' '}
            {diary.some((entry) => entry.initials !== '') ? 'signed' : 'not signed'}
          </Summary>
          <Lines>
            {diary.map((entry) => (
              <li key={entry.id}>
                <span>{shortDay(entry.day)}</span>
                <span>{entry.what}</span>
                <span>
                  {entry.minutes} min{entry.initials && `, ${entry.initials}`}
                </span>
              </li>
            ))}
          </Lines>
        </details>
      ))}
    </>
  );
}

function Note({ record, mayChange }: { record: ChildRecord; mayChange: boolean }) {
  const router = useRouter();
  const kept = record.note?.words ?? '';
  const form = useSchemaForm(noteSchema, { words: kept });
  const [said, setSaid] = useState('');
  const keep = form.handleSubmit(async (entered) => {
    if (!tookIt(form, await send('PUT', `/api/v1/children/${record.id}/note`, entered))) return setSaid('');
    setSaid('Kept.');
    router.refresh();
  });
  const unchanged = form.watch('words').trim() === kept;
  return (
    <Part>
      {mayChange ? (
        <>
          <FormText control={form.control} name="words" label="Teacher’s note (families do not see it)" rows={4} maxLength={1000} />
          <FormProblem form={form} />
          <Deeds>
            <Button isDisabled={unchanged || form.formState.isSubmitting} onPress={() => void keep()}>
              Keep the note
            </Button>
            <span role="status" className="soft">
              {said || (record.note ? `${record.note.by}, ${dayWords(record.note.on)}` : '')}
            </span>
          </Deeds>
        </>
      ) : (
        record.note && (
          <p>
            “{record.note.words}” {record.note.by}, {dayWords(record.note.on)}
          </p>
        )
      )}
    </Part>
  );
}

function Erase({ record, about, onClose }: { record: ChildRecord; about: AboutChild; onClose: () => void }) {
  const router = useRouter();
  const form = useSchemaForm(eraseSchema, { name: '' });
  const [inMailbox, setInMailbox] = useState(0);
  const done = () => router.push(record.classId ? `/classes/${record.classId}` : '/classes');
  const erase = form.handleSubmit(async (entered) => {
    const answer = await send<{ inMailbox: number }>('POST', `/api/v1/children/${record.id}/erase`, entered);
    if (!tookIt(form, answer)) return;
    const there = answer.value?.inMailbox ?? 0;
    if (there > 0) setInMailbox(there);
    else done();
  });
  if (inMailbox > 0)
    return (
      <Dialog title={`Everything about ${record.name} is erased`} isOpen onClose={done}>
        <p>
          {inMailbox} {counted(inMailbox, 'messages')} in the school’s mailbox still {inMailbox === 1 ? 'names' : 'name'} this child. Lochside changes
          nothing there: delete {inMailbox === 1 ? 'it' : 'them'} in your mail program.
        </p>
        <DialogActions>
          <Button $strong onPress={done}>
            To the class
          </Button>
        </DialogActions>
      </Dialog>
    );
  return (
    <Dialog title={`Erase everything about ${record.name}?`} isOpen onClose={onClose}>
      <p>
        {about.reports} {counted(about.reports, 'reports')}, {about.diary} {counted(about.diary, 'lines')} of the log, {about.inventions}{' '}
        {counted(about.inventions, 'games')} of their own, links, marks, notes and settings go for good. It cannot be undone. Take “Everything as a
        file” first if the family wants it. Class games that were made of an idea of this child stay, without its name.
      </p>
      <FormText control={form.control} name="name" label={`To erase, write ${record.name}`} maxLength={60} />
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Keep it</Button>
        <Button $strong isDisabled={form.watch('name').trim() !== record.name.trim()} onPress={() => void erase()}>
          Erase for good
        </Button>
      </DialogActions>
    </Dialog>
  );
}
