'use client';
/** A class test: started in a minute, held in five, tapped on a tablet or typed from the sheets. */
import Joi from 'joi';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import styled from 'styled-components';
import { classTestSchema, testsOfClassSchema, type ClassTestSheet, type TestsOfClass } from '@/contract/class-test';
import { dayWords } from '@/core/measure/days';
import { groupsOf, protocolOf, TESTED, TESTED_FAMILIES, TESTED_WORDS, TRIES_A_MARK, type TestedFamily } from '@/core/progress/tested';
import { narrow } from '@/design/breakpoints';
import { Button, ButtonLink, QuietButton } from '@/ui/button';
import { FormNumber, FormSelect } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { makePdf } from '@/ui/make-pdf';
import { Notice } from '@/ui/notice';
import { Figures, Page, PageHead, SoftLine, SubHead } from '@/ui/page';
import { send } from '@/ui/post';
import { useRead } from '@/ui/reads';
import { saveFile } from '@/ui/save-file';
import { HitsCell } from './hits-cell';
import { filled, rowsShown } from './model';
import { useHits } from './use-hits';

const Columns = styled.div`
  display: grid;
  margin: var(--space-6) 0;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-6) var(--space-8);
  align-items: start;
  @media ${narrow} {
    grid-template-columns: 1fr;
  }
`;

const Steps = styled.ol`
  margin: 0;
  padding-left: 1.4em;
  & li {
    margin-bottom: var(--space-2);
  }
`;

const Start = styled.form`
  display: grid;
  gap: var(--space-4);
  justify-items: start;
  max-width: 420px;
`;

const GroupRow = styled.tr`
  & th {
    padding-top: var(--space-5);
    border-bottom: 0;
    color: var(--ink-soft);
    font-weight: 400;
    text-align: left;
  }
`;

const Wide = styled.div`
  overflow-x: auto;
`;

export interface ClassTestPageProps {
  readonly classId: string;
  readonly className: string;
  readonly first: TestsOfClass;
  /** The test that is open; null while one is to be started. */
  readonly open: string | null;
  readonly mayStart: boolean;
}

export function ClassTestPage({ classId, className, first, open, mayStart }: ClassTestPageProps) {
  const { data = first } = useRead(`/api/v1/classes/${classId}/tests`, testsOfClassSchema, { first });
  return (
    <Page $width={1000}>
      <PageHead>
        <h1>Class test</h1>
        <span className="about">{className}: five minutes of a lesson, six tries a child</span>
        {open !== null && <ButtonLink href={`/classes/${classId}/test`}>All tests</ButtonLink>}
        <ButtonLink href={`/classes/${classId}`}>The class</ButtonLink>
      </PageHead>
      {open === null ? (
        <>
          <p>
            It tells how steady this class is before the first week goes home: chances, distances and par then rest on it instead of on what is
            assumed for the age. Held again later it tells what changed.
          </p>
          {mayStart && <StartTest classId={classId} marks={data.marks} />}
          {data.tests.length > 0 && <TestList classId={classId} tests={data.tests} />}
        </>
      ) : (
        <OpenTest key={open} testId={open} classId={classId} mayStart={mayStart} />
      )}
    </Page>
  );
}

const startSchema = Joi.object<{ family: TestedFamily; heightCm: number | null; lengthCm: number | null }>({
  family: Joi.string()
    .valid(...TESTED_FAMILIES)
    .required(),
  heightCm: Joi.number().min(0.5).max(50).allow(null),
  lengthCm: Joi.number().min(10).max(3000).allow(null),
});

function StartTest({ classId, marks }: { classId: string; marks: TestsOfClass['marks'] }) {
  const router = useRouter();
  const form = useSchemaForm(startSchema, { family: 'throw', heightCm: null, lengthCm: null });
  const family = useWatch({ control: form.control, name: 'family' });
  const start = form.handleSubmit(async ({ family: of, heightCm, lengthCm }) => {
    if ((heightCm === null) !== (lengthCm === null)) {
      form.setError(heightCm === null ? 'heightCm' : 'lengthCm', {
        message: 'Give both the height of the book and how far the ball rolled, or neither.',
      });
      return;
    }
    const rolled = of === 'throw' || heightCm === null || lengthCm === null ? null : { heightM: heightCm / 100, lengthM: lengthCm / 100 };
    const answer = await send<{ id: string }>('POST', `/api/v1/classes/${classId}/tests`, { family: of, rolled });
    if (tookIt(form, answer)) router.push(`/classes/${classId}/test?of=${answer.value!.id}`);
  });
  return (
    <Columns>
      <Start onSubmit={(event) => void start(event)}>
        <FormSelect
          control={form.control}
          name="family"
          label="What is tested"
          choices={TESTED_FAMILIES.map((value) => ({ value, label: TESTED_WORDS[value] }))}
        />
        {family !== 'throw' && (
          <>
            <SoftLine $small>
              If you like, let the ball roll off a book first: lean a book’s height of card or a second book as a slope, let go at its top, measure
              from its foot to where the ball stops. It says how this floor rolls.
            </SoftLine>
            <FormNumber control={form.control} name="heightCm" label="Height of the book, cm" />
            <FormNumber control={form.control} name="lengthCm" label="How far the ball rolled, cm" />
          </>
        )}
        <Button type="submit" $strong isDisabled={form.formState.isSubmitting}>
          Start this test
        </Button>
      </Start>
      <Protocol family={family} marksM={marks[family]} />
    </Columns>
  );
}

function Protocol({ family, marksM }: { family: TestedFamily; marksM: readonly number[] }) {
  return (
    <section aria-label="How it is done">
      <Steps>
        {protocolOf(family, marksM).map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Steps>
      <SoftLine $small>
        The marks are the two from which such tries tell most of a class of this age. A {TESTED[family].implement.replace('-', ' ')} rolls and bounces
        as itself: use no other ball.
      </SoftLine>
    </section>
  );
}

function TestList({ classId, tests }: { classId: string; tests: TestsOfClass['tests'] }) {
  return (
    <section aria-labelledby="held">
      <SubHead id="held">Tests of this class</SubHead>
      <Figures>
        <thead>
          <tr>
            <th>Held</th>
            <th>Movement</th>
            <th>Marks</th>
            <th className="figure">Tries</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {tests.map(({ id, family, marksM, heldOn, tries }) => (
            <tr key={id}>
              <td>{dayWords(heldOn, 'en-GB')}</td>
              <td>{TESTED_WORDS[family]}</td>
              <td>{marksM.map((lengthM) => `${lengthM.toFixed(1)} m`).join(' and ')}</td>
              <td className="figure">{tries}</td>
              <td className="figure">
                <ButtonLink href={`/classes/${classId}/test?of=${id}`}>Open</ButtonLink>
              </td>
            </tr>
          ))}
        </tbody>
      </Figures>
    </section>
  );
}

function OpenTest({ testId, classId, mayStart }: { testId: string; classId: string; mayStart: boolean }) {
  const { data, error, mutate } = useRead<ClassTestSheet>(`/api/v1/class-tests/${testId}`, classTestSchema, { onFocus: false });
  const { waiting, problem, offline, tap } = useHits(testId, data !== undefined, mutate);
  if (error && !data) return <Notice $tone="caution">{error.message}</Notice>;
  if (!data) return <p role="status">Opening the test …</p>;
  const rows = rowsShown(data, waiting);
  const { done, of } = filled(rows);
  const left = Object.keys(waiting).length;
  return (
    <>
      <Columns>
        <Protocol family={data.family} marksM={data.marksM} />
        <Acts test={data} classId={classId} mayStart={mayStart} />
      </Columns>
      {problem !== '' && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <p role="status">
        {done} of {of} written down
        {left === 0 ? ', all with the school.' : offline ? `; ${left} wait on this device for a connection.` : `; ${left} on their way.`}
      </p>
      <Wide tabIndex={0} aria-label="Hits of the class" role="region">
        <Figures>
          <thead>
            <tr>
              <th>Child</th>
              {data.marksM.map((lengthM, mark) => (
                <th key={mark}>
                  {mark === 0 ? 'Near' : 'Far'}, {lengthM.toFixed(1)} m: hits of {TRIES_A_MARK}
                </th>
              ))}
            </tr>
          </thead>
          {groupsOf(rows).map((group, index) => (
            <tbody key={group[0]!.id}>
              <GroupRow>
                <th colSpan={1 + data.marksM.length} scope="rowgroup">
                  Group {index + 1}
                </th>
              </GroupRow>
              {group.map((child) => (
                <tr key={child.id}>
                  <td>{child.name}</td>
                  {child.hits.map((hits, mark) => (
                    <td key={mark}>
                      <HitsCell label={`${child.name}, ${mark === 0 ? 'near' : 'far'}`} hits={hits} onHits={(next) => tap(child.id, mark, next)} />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          ))}
        </Figures>
      </Wide>
      <SoftLine $small>Tap a number, or press it: a digit goes on to the next. Backspace takes one back. Whoever did not throw stays empty.</SoftLine>
    </>
  );
}

function Acts({ test, classId, mayStart }: { test: ClassTestSheet; classId: string; mayStart: boolean }) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const [making, setMaking] = useState(false);
  const [sure, setSure] = useState(false);
  const print = async () => {
    setMaking(true);
    const made = await makePdf(`/api/v1/class-tests/${test.id}/paper`, { size: 'A4' }, () => undefined, new AbortController().signal);
    setMaking(false);
    setProblem(made.problem);
    if (made.ok) saveFile(made.pdf, `class-test-${test.heldOn}.pdf`);
  };
  const remove = async () => {
    const answer = await send('DELETE', `/api/v1/class-tests/${test.id}`);
    if (answer.ok) router.push(`/classes/${classId}/test`);
    else setProblem(answer.problem);
  };
  return (
    <section aria-label="This test">
      <p>
        {TESTED_WORDS[test.family]}, {dayWords(test.heldOn, 'en-GB')}
        {test.rolled && `; the ball rolled ${Math.round(100 * test.rolled.lengthM)} cm off ${(100 * test.rolled.heightM).toFixed(1)} cm`}
      </p>
      <p>
        <Button isDisabled={making} onPress={() => void print()}>
          {making ? 'Making the sheets …' : 'Print a sheet for each six'}
        </Button>{' '}
        {mayStart && !sure && <QuietButton onPress={() => setSure(true)}>Take this test back</QuietButton>}
      </p>
      {sure && (
        <Notice $tone="caution">
          All that was written down in it goes, for good. <QuietButton onPress={() => void remove()}>Take it back</QuietButton>{' '}
          <QuietButton onPress={() => setSure(false)}>Keep it</QuietButton>
        </Notice>
      )}
      {problem !== '' && <Notice $tone="caution">{problem}</Notice>}
    </section>
  );
}
