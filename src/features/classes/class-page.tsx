'use client';
import { DeskLink } from '@/ui/desk-link';
import { useRouter } from 'next/navigation';
import Joi from 'joi';
import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import styled from 'styled-components';
import { childFormSchema, type ChildSettingsForm } from '@/contract/child-settings';
import { childName, readRoster, type RosterChild } from '@/core/roster/read-roster';
import { Button, ButtonLink, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormNumber, FormPick, FormProblem, FormSelect, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { Empty, Figures, Page, PageHead } from '@/ui/page';
import { send, sendFile, type PostAnswer } from '@/ui/post';
import { Inventions, type ListedInvention } from './inventions';

export interface ListedChild extends ChildSettingsForm {
  readonly id: string;
  readonly firstName: string;
  readonly initial: string;
}

const FORMS = [
  { value: 'standing', label: 'standing' },
  { value: 'seated', label: 'seated' },
  { value: 'kneeling', label: 'kneeling' },
  { value: 'two-hands', label: 'two hands' },
  { value: 'other-exercise', label: 'another exercise' },
] as const;
/** How a child usually plays can tell of a disability: it is on no paper. */
const OnScreen = styled.td`
  @media print {
    display: none;
  }
`;

const FORM_NAMES = Object.fromEntries(FORMS.map((form) => [form.value, form.label]));
const HANDS = [
  { value: null, label: 'not known' },
  { value: 'right', label: 'right' },
  { value: 'left', label: 'left' },
] as const;
const AGES = [
  { value: null, label: 'as the class' },
  ...Array.from({ length: 9 }, (_, index) => ({ value: index + 4, label: `${index + 4} years` })),
];
const MEDIA = [
  { value: 'screen', label: 'screen' },
  { value: 'paper', label: 'paper' },
] as const;

const File = styled.label`
  font-size: var(--type-2);
  & input {
    display: block;
    margin-top: var(--space-2);
    font-size: var(--type-1);
  }
`;

const Found = styled.p`
  font-size: var(--type-2);
  max-height: 8rem;
  overflow: auto;
`;

const Grid = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-5);
`;

export interface ClassPageProps {
  readonly id: string;
  readonly name: string;
  readonly ageYears: number;
  readonly childrenList: readonly ListedChild[];
  readonly otherClasses: readonly { readonly id: string; readonly name: string }[];
  readonly inventions: readonly ListedInvention[];
  readonly mayChange: boolean;
}

export function ClassPage({ id, name, ageYears, childrenList, otherClasses, inventions, mayChange }: ClassPageProps) {
  const [adding, setAdding] = useState(false);
  const [editing, setEditing] = useState<ListedChild | null>(null);
  return (
    <Page $width={1000}>
      <PageHead>
        <h1>{name}</h1>
        <span className="about">
          about {ageYears} years · {childrenList.length} children, shown by first name and initial only
        </span>
        <ButtonLink href={`/classes/${id}/test`}>Class test</ButtonLink>
        <ButtonLink href={`/classes/${id}/links`}>Links and codes</ButtonLink>
        {mayChange && (
          <Button $strong onPress={() => setAdding(true)}>
            Add children
          </Button>
        )}
      </PageHead>
      {childrenList.length === 0 ? (
        <Empty>
          <p>No children yet. Paste a column of names from a list: surnames are cut to an initial before anything is sent.</p>
        </Empty>
      ) : (
        <Figures>
          <thead>
            <tr>
              <th>Child</th>
              <th>Throws with</th>
              <OnScreen as="th">Usual form</OnScreen>
              <th>Gets it on</th>
              <th>Age</th>
              <th className="figure">Step</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {childrenList.map((child) => (
              <tr key={child.id}>
                <td>
                  <DeskLink href={`/children/${child.id}`}>
                    {child.firstName} {child.initial}
                  </DeskLink>
                </td>
                <td>{child.hand ?? '–'}</td>
                <OnScreen>{FORM_NAMES[child.form]}</OnScreen>
                <td>{child.medium}</td>
                <td>{child.ageYears ?? 'as the class'}</td>
                <td className="figure">{child.stepCm ? `${child.stepCm} cm` : 'by age'}</td>
                <td className="figure">
                  {mayChange && (
                    <QuietButton aria-label={`Change ${child.firstName} ${child.initial}`} onPress={() => setEditing(child)}>
                      Change
                    </QuietButton>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Figures>
      )}
      {inventions.length > 0 && <Inventions inventions={inventions} ageYears={ageYears} mayChange={mayChange} />}
      <AddChildren classId={id} isOpen={adding} onClose={() => setAdding(false)} />
      {editing && <EditChild key={editing.id} child={editing} otherClasses={otherClasses} onClose={() => setEditing(null)} />}
    </Page>
  );
}

/** The names of a workbook, as a table that is read like a pasted one; what is wrong with it in a line that says so. */
async function listIn(file: File): Promise<string> {
  const answer = await sendFile<{ children: readonly RosterChild[] }>('/api/v1/classes/list-file', file);
  if (!answer.ok || !answer.value) return answer.problem;
  const cells = answer.value.children.map(({ firstName, initial, hand, ageYears }) => [firstName, initial, hand ?? '', ageYears ?? ''].join(','));
  return ['first name,initial,hand,age', ...cells].join('\n');
}

/** Only what is read out of it is sent. */
const rosterSchema = Joi.object<{ text: string }>({ text: Joi.string().allow('').max(20_000) });

function AddChildren({ classId, isOpen, onClose }: { classId: string; isOpen: boolean; onClose: () => void }) {
  const router = useRouter();
  const form = useSchemaForm(rosterSchema, { text: '' });
  const text = useWatch({ control: form.control, name: 'text' });
  const roster = useMemo(() => readRoster(text), [text]);
  const add = form.handleSubmit(async () => {
    if (!tookIt(form, await send('POST', `/api/v1/classes/${classId}/children`, { children: roster.children }))) return;
    form.reset();
    onClose();
    router.refresh();
  });
  return (
    <Dialog title="Add children" isOpen={isOpen} onClose={onClose} width={620}>
      <FormText
        control={form.control}
        name="text"
        label="Names, one a line; or lines of a CSV file with headings such as name, hand, age"
        rows={8}
        autoFocus
        description="Only the first name and an initial leave this page."
      />
      <File>
        Or read a list: CSV, XLSX or ODS
        <input
          type="file"
          accept=".csv,.txt,.xlsx,.ods,text/csv,text/plain"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void (/\.(xlsx|ods)$/i.test(file.name) ? listIn(file) : file.text()).then((read) => form.setValue('text', read));
          }}
        />
      </File>
      {roster.children.length > 0 && (
        <Found role="status">
          {roster.children.length} {roster.children.length === 1 ? 'child' : 'children'}:{' '}
          {roster.children.map((child) => `${child.firstName} ${child.initial}`.trim()).join(', ')}
        </Found>
      )}
      {roster.problems.map((one) => (
        <Notice key={one.place} $tone="caution">
          {one.place} {one.reason}. {one.fix}
        </Notice>
      ))}
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={roster.children.length === 0 || form.formState.isSubmitting} onPress={() => void add()}>
          {form.formState.isSubmitting ? 'Adding …' : `Add ${roster.children.length || ''}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function EditChild({
  child,
  otherClasses,
  onClose,
}: {
  child: ListedChild;
  otherClasses: readonly { id: string; name: string }[];
  onClose: () => void;
}) {
  const router = useRouter();
  const { firstName, initial, ageYears, hand, stepCm, form: usual, medium } = child;
  const form = useSchemaForm(childFormSchema, {
    name: `${firstName} ${initial}`.trim(),
    ageYears,
    hand,
    stepCm,
    form: usual,
    medium,
    classId: null,
  });
  const [leaving, setLeaving] = useState(false);
  const url = `/api/v1/children/${child.id}`;
  const done = (answer: PostAnswer<unknown>) => {
    if (!tookIt(form, answer)) return;
    onClose();
    router.refresh();
  };
  const save = form.handleSubmit(async ({ name, classId, ...settings }) => {
    const read = childName(name)!;
    if (`${read.firstName} ${read.initial}`.trim() !== `${firstName} ${initial}`.trim()) {
      const renamed = await send('PATCH', url, { change: 'name', ...read });
      if (!renamed.ok) return done(renamed);
    }
    const saved = await send('PATCH', url, { change: 'settings', settings });
    if (!saved.ok || classId === null) return done(saved);
    done(await send('PATCH', url, { change: 'move', classId }));
  });
  return (
    <Dialog title={`${child.firstName} ${child.initial}`} isOpen onClose={onClose} width={560}>
      <FormText control={form.control} name="name" label="First name and initial" maxLength={60} />
      <Grid>
        <FormPick control={form.control} name="hand" label="Throws with" choices={HANDS} />
        <FormSelect control={form.control} name="form" label="Usual form" choices={FORMS} />
        <FormSelect control={form.control} name="medium" label="Gets it on" choices={MEDIA} />
        <FormPick control={form.control} name="ageYears" label="Age group" choices={AGES} />
        <FormNumber control={form.control} name="stepCm" label="Own step in cm (if counted)" />
        <FormPick
          control={form.control}
          name="classId"
          label="Class"
          choices={[{ value: null, label: 'stays here' }, ...otherClasses.map((one) => ({ value: one.id, label: `moves to ${one.name}` }))]}
        />
      </Grid>
      <FormProblem form={form} />
      {leaving ? (
        <Notice $tone="caution">
          {child.firstName} leaves the school today; the link stops at once and the scores are kept.{' '}
          <QuietButton onPress={() => void send('PATCH', url, { change: 'leave' }).then(done)}>Yes, leaves</QuietButton>{' '}
          <QuietButton onPress={() => setLeaving(false)}>No</QuietButton>
        </Notice>
      ) : (
        <div>
          <QuietButton onPress={() => setLeaving(true)}>Leaves the school</QuietButton>
        </div>
      )}
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void save()}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}
