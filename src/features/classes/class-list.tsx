'use client';
import { DeskLink } from '@/ui/desk-link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { dayWords } from '@/core/measure/days';
import { newClassSchema, schoolYearSchema } from '@/contract/school-class';
import { Button, ButtonLink } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormPick, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Empty, Page, PageHead } from '@/ui/page';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { send } from '@/ui/post';
import { TakeRoster } from './take-roster';

const Below = styled.p`
  margin-top: var(--space-7);
`;

const Left = styled.details`
  margin-top: var(--space-7);
  & summary {
    cursor: pointer;
    font-weight: 700;
  }
`;

export interface ListedClass {
  readonly id: string;
  readonly name: string;
  readonly ageYears: number;
  readonly children: number;
  readonly yearName: string;
}

const Acts = styled.div`
  display: flex;
  gap: var(--space-6);
  justify-content: flex-end;
`;

const AGES = Array.from({ length: 9 }, (_, index) => ({ value: index + 4, label: `about ${index + 4} years` }));

const COLUMNS: readonly SheetColumn<ListedClass>[] = [
  { id: 'class', words: 'Class', by: ({ name }) => name, cell: ({ id, name }) => <DeskLink href={`/classes/${id}`}>{name}</DeskLink> },
  { id: 'age', words: 'Age', by: ({ ageYears }) => ageYears, cell: ({ ageYears }) => `about ${ageYears}` },
  { id: 'children', words: 'Children', figure: true, by: ({ children }) => children, cell: ({ children }) => children },
  {
    id: 'acts',
    words: '',
    cell: ({ id }) => (
      <Acts>
        <DeskLink href={`/classes/${id}/links`}>Links and codes</DeskLink>
        <DeskLink href={`/scores?class=${id}`}>Scores</DeskLink>
      </Acts>
    ),
  },
];

/** A child who has left the school: its link has stopped, what it reported stays until it is erased. */
export interface ListedLeaver {
  readonly id: string;
  readonly name: string;
  readonly leftOn: string;
}

const LEAVERS: readonly SheetColumn<ListedLeaver>[] = [
  { id: 'child', words: 'Child', by: ({ name }) => name, cell: ({ id, name }) => <DeskLink href={`/children/${id}`}>{name}</DeskLink> },
  { id: 'left', words: 'Left on', by: ({ leftOn }) => leftOn, cell: ({ leftOn }) => dayWords(leftOn) },
];

export function ClassList({
  classes,
  leavers,
  mayChange,
  yearName,
  nextYearName,
  adding = false,
}: {
  classes: readonly ListedClass[];
  leavers: readonly ListedLeaver[];
  mayChange: boolean;
  yearName: string;
  nextYearName: string;
  /** A new one was asked for. */
  adding?: boolean;
}) {
  const [open, setOpen] = useState<'add' | 'year' | 'list' | null>(adding ? 'add' : null);
  const close = () => setOpen(null);
  return (
    <Page $width={900}>
      <PageHead>
        <h1>Classes</h1>
        <span className="about">school year {yearName}</span>
        {mayChange && <Button onPress={() => setOpen('list')}>Read the school’s list</Button>}
        {mayChange && classes.length > 0 && <Button onPress={() => setOpen('year')}>Start {nextYearName}</Button>}
        {mayChange && (
          <Button $strong onPress={() => setOpen('add')}>
            New class
          </Button>
        )}
      </PageHead>
      {classes.length === 0 ? (
        <Empty>
          <p>No class yet this year. A class needs a name and an age; its children are added by name, cut to first name and initial.</p>
          {mayChange && (
            <Button $strong onPress={() => setOpen('add')}>
              Make the first class
            </Button>
          )}
        </Empty>
      ) : (
        <SheetTable rows={classes} columns={COLUMNS} rowId={(one) => one.id} />
      )}
      {leavers.length > 0 && (
        <Left>
          <summary>{leavers.length === 1 ? '1 child has left the school' : `${leavers.length} children have left the school`}</summary>
          <p>Their links have stopped. What they reported stays with the school until they are erased, from the page of each.</p>
          <SheetTable rows={leavers} columns={LEAVERS} rowId={(one) => one.id} />
        </Left>
      )}
      {open === 'add' && <AddClass onClose={close} />}
      {open === 'list' && <TakeRoster onClose={close} />}
      {open === 'year' && <StartYear yearName={nextYearName} classes={classes} onClose={close} />}
      {classes.length > 0 && (
        <Below>
          <ButtonLink href="/weeks">Weeks sent</ButtonLink>
        </Below>
      )}
    </Page>
  );
}

function AddClass({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const form = useSchemaForm(newClassSchema, { name: '', ageYears: 8 });
  const add = form.handleSubmit(async (entered) => {
    const answer = await send<{ id: string }>('POST', '/api/v1/classes', entered);
    if (tookIt(form, answer) && answer.value) router.push(`/classes/${answer.value.id}`);
  });
  return (
    <Dialog title="A new class" isOpen onClose={onClose}>
      <FormText control={form.control} name="name" label="Name" maxLength={60} autoFocus />
      <FormPick control={form.control} name="ageYears" label="Age of most children" choices={AGES} />
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void add()}>
          Make the class
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function StartYear({ yearName, classes, onClose }: { yearName: string; classes: readonly ListedClass[]; onClose: () => void }) {
  const router = useRouter();
  const form = useSchemaForm(schoolYearSchema, { names: Object.fromEntries(classes.map((one) => [one.id, one.name])) });
  const moveUp = form.handleSubmit(async (entered) => {
    if (!tookIt(form, await send('POST', '/api/v1/school-year', entered))) return;
    onClose();
    router.refresh();
  });
  return (
    <Dialog title={`Start the school year ${yearName}`} isOpen onClose={onClose}>
      <p>
        Every class goes up a year on 1 August with its children. Their scores and bests stay with them. Children over 12 leave. This can be done once
        a year.
      </p>
      {classes.map((one) => (
        <FormText key={one.id} control={form.control} name={`names.${one.id}`} label={`${one.name} will be called`} maxLength={60} />
      ))}
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void moveUp()}>
          Move the classes up
        </Button>
      </DialogActions>
    </Dialog>
  );
}
