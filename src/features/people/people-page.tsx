'use client';
/** The people of a school: who they are, links for who comes, what signing in asks. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { invitedSchema, PERSON_ROLES, signInRulesSchema, type OpenLink, type People, type Person, type PersonChange } from '@/contract/people';
import { Button, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormNumber, FormProblem, FormSelect, FormText, FormTick } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Menu } from '@/ui/menu';
import { Notice } from '@/ui/notice';
import { Page, PageHead, SoftLine, SubHead } from '@/ui/page';
import { useMoment } from '@/ui/in-locale';
import { send } from '@/ui/post';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { OneTimeLink, type MadeLink } from './one-time-link';
import { SchoolNav } from './school-nav';
import { actsOnPerson, ROLE_WORDS } from './people-model';

const Rules = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 12rem)) 1fr;
  align-items: end;
  gap: var(--space-5) var(--space-6);
  max-width: 720px;
  & > :last-child {
    grid-column: 1 / -1;
  }
`;

export function PeoplePage({ people, links, rules, ownId }: People & { ownId: string }) {
  const router = useRouter();
  const moment = useMoment();
  const [inviting, setInviting] = useState(false);
  const [made, setMade] = useState<MadeLink | null>(null);
  const [problem, setProblem] = useState('');
  const change = async (person: Person, asked: PersonChange) => {
    const answer = await send<MadeLink>('PATCH', `/api/v1/people/${person.id}`, asked);
    setProblem(answer.problem);
    if (answer.value?.url) setMade({ ...answer.value, name: person.name });
    if (answer.ok) router.refresh();
  };
  const columns: readonly SheetColumn<Person>[] = [
    { id: 'name', words: 'Name', by: ({ name }) => name, cell: ({ name, id }) => (id === ownId ? `${name} (you)` : name) },
    { id: 'email', words: 'Address', by: ({ email }) => email, cell: ({ email }) => email },
    {
      id: 'role',
      words: 'Is',
      by: ({ role }) => role,
      cell: ({ role, closed }) => (closed ? 'closed' : ROLE_WORDS[role]),
      faint: ({ closed }) => closed,
    },
    {
      id: 'factor',
      words: 'Second factor',
      by: ({ secondFactor }) => (secondFactor ? 1 : 0),
      cell: ({ secondFactor }) => (secondFactor ? 'yes' : 'no'),
      faint: ({ secondFactor }) => !secondFactor,
    },
    { id: 'seen', words: 'Last here', by: ({ seenAt }) => seenAt, cell: ({ seenAt }) => (seenAt ? moment(seenAt) : '–') },
    {
      id: 'acts',
      words: '',
      cell: (person) => (
        <Menu
          label={`Change ${person.name}`}
          groups={[{ acts: actsOnPerson(person).map(({ words, asked }) => ({ id: words, label: words, act: () => void change(person, asked) })) }]}
        >
          Change
        </Menu>
      ),
    },
  ];
  return (
    <Page $width={1040}>
      <SchoolNav />
      <PageHead>
        <h1>People</h1>
        <span className="about">who works with Lochside at this school</span>
        <Button $strong onPress={() => setInviting(true)}>
          Invite somebody
        </Button>
      </PageHead>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <SheetTable rows={people} columns={columns} rowId={({ id }) => id} label="People" />
      <SoftLine $small>
        A lead looks after people, keeping and backups, and does all that a teacher does. A helper looks, prints and types scores. Who leaves is
        closed: the work stays.
      </SoftLine>
      {links.length > 0 && <OpenLinks links={links} onProblem={setProblem} />}
      <SubHead>Signing in</SubHead>
      <SignInRulesForm rules={rules} />
      {inviting && (
        <Invite
          onClose={() => setInviting(false)}
          onMade={(link) => {
            setInviting(false);
            setMade(link);
            router.refresh();
          }}
        />
      )}
      {made && <OneTimeLink made={made} onClose={() => setMade(null)} />}
    </Page>
  );
}

function OpenLinks({ links, onProblem }: { links: readonly OpenLink[]; onProblem: (problem: string) => void }) {
  const router = useRouter();
  const moment = useMoment();
  const withdraw = async ({ id }: OpenLink) => {
    const answer = await send('DELETE', `/api/v1/people/links/${id}`);
    onProblem(answer.problem);
    router.refresh();
  };
  const columns: readonly SheetColumn<OpenLink>[] = [
    { id: 'name', words: 'For', by: ({ name }) => name, cell: ({ name, email }) => `${name}, ${email}` },
    {
      id: 'what',
      words: 'To',
      by: ({ role }) => role,
      cell: ({ reset, role }) => (reset ? 'choose a new password' : `come in as ${ROLE_WORDS[role]}`),
    },
    { id: 'ends', words: 'Until', by: ({ endsAt }) => endsAt, cell: ({ endsAt }) => moment(endsAt) },
    { id: 'acts', words: '', cell: (link) => <QuietButton onPress={() => void withdraw(link)}>Withdraw</QuietButton> },
  ];
  return (
    <>
      <SubHead>Links that were not used yet</SubHead>
      <SheetTable rows={links} columns={columns} rowId={({ id }) => id} label="Links that were not used yet" />
    </>
  );
}

function Invite({ onClose, onMade }: { onClose: () => void; onMade: (made: MadeLink) => void }) {
  const form = useSchemaForm(invitedSchema, { name: '', email: '', role: 'teacher' });
  const invite = form.handleSubmit(async (entered) => {
    const answer = await send<Omit<MadeLink, 'name'>>('POST', '/api/v1/people', entered);
    if (tookIt(form, answer) && answer.value) onMade({ ...answer.value, name: entered.name });
  });
  return (
    <Dialog title="Invite somebody" isOpen onClose={onClose}>
      <FormText control={form.control} name="name" label="Name, as colleagues know it" maxLength={80} autoFocus />
      <FormText control={form.control} name="email" label="E-mail address, to sign in with" type="email" maxLength={190} />
      <FormSelect
        control={form.control}
        name="role"
        label="Comes as"
        choices={PERSON_ROLES.map((role) => ({ value: role, label: ROLE_WORDS[role] }))}
      />
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void invite()}>
          Make the link
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function SignInRulesForm({ rules }: Pick<People, 'rules'>) {
  const router = useRouter();
  const form = useSchemaForm(signInRulesSchema, rules);
  const [kept, setKept] = useState(false);
  const keep = form.handleSubmit(async (entered) => {
    setKept(false);
    if (!tookIt(form, await send('PUT', '/api/v1/people/rules', entered))) return;
    setKept(true);
    router.refresh();
  });
  return (
    <Rules>
      <FormNumber control={form.control} name="idleMinutes" label="Signed out when idle for, minutes" />
      <FormNumber control={form.control} name="longestHours" label="In any case after, hours" />
      <FormTick control={form.control} name="secondFactorAsked" label="Everybody needs a second factor" />
      <div>
        <FormProblem form={form} />
        <Button isDisabled={form.formState.isSubmitting} onPress={() => void keep()}>
          Keep these rules
        </Button>{' '}
        <span role="status">{kept ? 'Kept; the hours hold from the next sign-in on.' : ''}</span>
      </div>
    </Rules>
  );
}
