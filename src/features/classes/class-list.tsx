'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select, TextField } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { Empty, Figures, Page, PageHead } from '@/ui/page';
import { send } from '@/ui/post';

export interface ListedClass {
  readonly id: string;
  readonly name: string;
  readonly ageYears: number;
  readonly children: number;
  readonly yearName: string;
}

const Acts = styled.div`
  display: flex;
  gap: 18px;
  justify-content: flex-end;
`;

const AGES = Array.from({ length: 9 }, (_, index) => ({ value: `${index + 4}`, label: `about ${index + 4} years` }));

export function ClassList({
  classes,
  mayChange,
  yearName,
  nextYearName,
}: {
  classes: readonly ListedClass[];
  mayChange: boolean;
  yearName: string;
  nextYearName: string;
}) {
  const router = useRouter();
  const [open, setOpen] = useState<'add' | 'year' | null>(null);
  const [name, setName] = useState('');
  const [age, setAge] = useState('8');
  const [problem, setProblem] = useState('');
  const [names, setNames] = useState<Readonly<Record<string, string>>>({});
  const add = async () => {
    const answer = await send<{ id: string }>('POST', '/api/v1/classes', { name: name.trim(), ageYears: Number(age) });
    if (answer.ok && answer.value) router.push(`/classes/${answer.value.id}`);
    else setProblem(answer.problem);
  };
  const moveUp = async () => {
    const answer = await send<{ yearName: string; classes: number; children: number; left: number }>('POST', '/api/v1/school-year', {
      names: Object.fromEntries(Object.entries(names).filter(([, to]) => to.trim() !== '')),
    });
    if (answer.ok && answer.value) {
      setProblem('');
      setOpen(null);
      router.refresh();
    } else setProblem(answer.problem);
  };
  const close = () => {
    setOpen(null);
    setProblem('');
  };
  return (
    <Page $width={900}>
      <PageHead>
        <h1>Classes</h1>
        <span className="about">school year {yearName}</span>
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
        <Figures>
          <thead>
            <tr>
              <th>Class</th>
              <th>Age</th>
              <th className="figure">Children</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {classes.map((one) => (
              <tr key={one.id}>
                <td>
                  <Link href={`/classes/${one.id}`}>{one.name}</Link>
                </td>
                <td>about {one.ageYears}</td>
                <td className="figure">{one.children}</td>
                <td>
                  <Acts>
                    <Link href={`/classes/${one.id}/links`}>Links and codes</Link>
                    <Link href={`/scores?class=${one.id}`}>Scores</Link>
                  </Acts>
                </td>
              </tr>
            ))}
          </tbody>
        </Figures>
      )}
      <Dialog title="A new class" isOpen={open === 'add'} onClose={close}>
        <TextField label="Name" value={name} onChange={setName} maxLength={60} autoFocus />
        <Select label="Age of most children" value={age} choices={AGES} onChange={setAge} />
        {problem && (
          <Notice $tone="caution" role="alert">
            {problem}
          </Notice>
        )}
        <DialogActions>
          <Button onPress={close}>Not now</Button>
          <Button $strong isDisabled={name.trim() === ''} onPress={() => void add()}>
            Make the class
          </Button>
        </DialogActions>
      </Dialog>
      <Dialog title={`Start the school year ${nextYearName}`} isOpen={open === 'year'} onClose={close}>
        <p>
          Every class goes up a year on 1 August with its children. Their scores and bests stay with them. Children over 12 leave. This can be done
          once a year.
        </p>
        {classes.map((one) => (
          <TextField
            key={one.id}
            label={`${one.name} will be called`}
            value={names[one.id] ?? one.name}
            onChange={(value) => setNames({ ...names, [one.id]: value })}
            maxLength={60}
          />
        ))}
        {problem && (
          <Notice $tone="caution" role="alert">
            {problem}
          </Notice>
        )}
        <DialogActions>
          <Button onPress={close}>Not now</Button>
          <Button $strong onPress={() => void moveUp()}>
            Move the classes up
          </Button>
        </DialogActions>
      </Dialog>
      {classes.length > 0 && (
        <p style={{ marginTop: 24 }}>
          <ButtonLink href="/weeks">Weeks sent</ButtonLink>
        </p>
      )}
    </Page>
  );
}
