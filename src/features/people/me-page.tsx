'use client';
/** A page about oneself: name, password, second factor, sessions. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import {
  factorBegunSchema,
  factorConfirmedSchema,
  newPasswordSchema,
  ownNameSchema,
  type Oneself,
  type OwnSchool,
  type OwnSession,
} from '@/contract/people';
import { tellWindows } from '@/features/desk/other-school';
import { Button, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { Page, PageHead, SoftLine, SubHead } from '@/ui/page';
import { useMoment } from '@/ui/in-locale';
import { send } from '@/ui/post';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { ROLE_WORDS } from './people-model';

/** What belongs to a table above it. */
const Below = styled.div`
  margin-top: var(--space-5);
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-5) var(--space-6);
`;

const Narrow = styled.form`
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: var(--space-5);
  max-width: 360px;
  & > div {
    width: 100%;
  }
`;

export function MePage({ me }: { me: Oneself }) {
  return (
    <Page $width={760}>
      <PageHead>
        <h1>{me.name}</h1>
        <span className="about">
          {me.email}, {ROLE_WORDS[me.role]}
        </span>
      </PageHead>
      {me.secondFactorAsked && !me.secondFactor && (
        <Notice $tone="open">The school asks everybody for a second factor. Set yours up below; until then nothing else can be done.</Notice>
      )}
      {me.schools.length > 1 && (
        <>
          <SubHead id="schools">Your schools</SubHead>
          <OwnSchools schools={me.schools} />
        </>
      )}
      <SubHead>Name</SubHead>
      <OwnName name={me.name} />
      <SubHead>Password</SubHead>
      <OwnPassword />
      <SubHead>Second factor</SubHead>
      <OwnFactor me={me} />
      <SubHead>Where you are signed in</SubHead>
      <OwnSessions sessions={me.sessions} />
    </Page>
  );
}

function OwnSchools({ schools }: Pick<Oneself, 'schools'>) {
  const [problem, setProblem] = useState('');
  const go = async ({ id, name }: OwnSchool) => {
    const answer = await send('PUT', '/api/v1/me/school', { school: id });
    if (!answer.ok) return setProblem(answer.problem);
    tellWindows({ id, name });
    window.location.assign('/today');
  };
  const columns: readonly SheetColumn<OwnSchool>[] = [
    { id: 'name', words: 'School', by: ({ name }) => name, cell: ({ name }) => name },
    { id: 'role', words: 'You are', cell: ({ role }) => ROLE_WORDS[role] },
    {
      id: 'acts',
      words: '',
      cell: (school) =>
        school.here ? (
          'you are here'
        ) : (
          <QuietButton onPress={() => void go(school)} aria-label={`Go to it: ${school.name}`}>
            Go to it
          </QuietButton>
        ),
    },
  ];
  return (
    <>
      <SheetTable rows={schools} columns={columns} rowId={({ id }) => id} label="Your schools" />
      <Below>
        {problem && <Notice $tone="open">{problem}</Notice>}
        <SoftLine $small>One password and one second factor for all of them. You sign in where you were last.</SoftLine>
      </Below>
    </>
  );
}

function OwnName({ name }: { name: string }) {
  const router = useRouter();
  const form = useSchemaForm(ownNameSchema, { name });
  const keep = form.handleSubmit(async (entered) => {
    if (tookIt(form, await send('PATCH', '/api/v1/me', entered))) router.refresh();
  });
  return (
    <Row>
      <FormText control={form.control} name="name" label="As colleagues see it" maxLength={80} />
      <Button isDisabled={form.formState.isSubmitting} onPress={() => void keep()}>
        Keep the name
      </Button>
      <FormProblem form={form} />
    </Row>
  );
}

function OwnPassword() {
  const form = useSchemaForm(newPasswordSchema, { current: '', password: '' });
  const [changed, setChanged] = useState(false);
  const keep = form.handleSubmit(async (entered) => {
    setChanged(false);
    if (!tookIt(form, await send('POST', '/api/v1/me/password', entered))) return;
    form.reset();
    setChanged(true);
  });
  return (
    <Narrow
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <FormText control={form.control} name="current" label="The one that you have" type="password" autoComplete="current-password" />
      <FormText control={form.control} name="password" label="The new one" type="password" autoComplete="new-password" />
      <SoftLine $small>Twelve characters or more. Three or four words that do not belong together are good, and easy to keep in mind.</SoftLine>
      <FormProblem form={form} />
      <Button type="submit" isDisabled={form.formState.isSubmitting}>
        Change the password
      </Button>
      <span role="status">{changed ? 'Changed. Everywhere else you are signed out.' : ''}</span>
    </Narrow>
  );
}

interface Begun {
  readonly url: string;
  readonly svg: string;
  readonly pending: string;
}

function OwnFactor({ me: { secondFactor, secondFactorAsked, recoveryCodes } }: { me: Oneself }) {
  const [asking, setAsking] = useState<'set up' | 'take off' | null>(null);
  const [begun, setBegun] = useState<Begun | null>(null);
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const router = useRouter();
  return (
    <>
      <p>
        {secondFactor
          ? `Signing in asks for a code of your authenticator. ${recoveryCodes} codes to recover by are left.`
          : 'A code from an authenticator app on your telephone, asked after the password. Any app for such codes will do.'}
      </p>
      <Row>
        <Button $strong={secondFactorAsked && !secondFactor} onPress={() => setAsking('set up')}>
          {secondFactor ? 'Set up another' : 'Set it up'}
        </Button>
        {secondFactor && !secondFactorAsked && <QuietButton onPress={() => setAsking('take off')}>Take it off</QuietButton>}
      </Row>
      {asking && (
        <AskPassword
          title={asking === 'set up' ? 'Set up a second factor' : 'Take the second factor off'}
          act={asking}
          onClose={() => setAsking(null)}
          onBegun={(next) => {
            setAsking(null);
            if (next) setBegun(next);
            else router.refresh();
          }}
        />
      )}
      {begun && (
        <Confirm
          begun={begun}
          onClose={() => setBegun(null)}
          onCodes={(made) => {
            setBegun(null);
            setCodes(made);
          }}
        />
      )}
      {codes && (
        <Recovery
          codes={codes}
          onClose={() => {
            setCodes(null);
            router.refresh();
          }}
        />
      )}
    </>
  );
}

function AskPassword({
  title,
  act,
  onClose,
  onBegun,
}: {
  title: string;
  act: 'set up' | 'take off';
  onClose: () => void;
  onBegun: (begun: Begun | null) => void;
}) {
  const form = useSchemaForm(factorBegunSchema, { current: '' });
  const go = form.handleSubmit(async (entered) => {
    const answer = await send<Begun>(act === 'set up' ? 'POST' : 'DELETE', '/api/v1/me/second-factor', entered);
    if (tookIt(form, answer)) onBegun(act === 'set up' ? answer.value : null);
  });
  return (
    <Dialog title={title} isOpen onClose={onClose}>
      <FormText control={form.control} name="current" label="Your password" type="password" autoComplete="current-password" autoFocus />
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void go()}>
          Go on
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const Square = styled.img`
  width: 200px;
  height: 200px;
  padding: var(--space-3);
  background: #fff;
`;

function Confirm({ begun, onClose, onCodes }: { begun: Begun; onClose: () => void; onCodes: (codes: readonly string[]) => void }) {
  const form = useSchemaForm(factorConfirmedSchema, { pending: begun.pending, code: '' });
  const confirm = form.handleSubmit(async (entered) => {
    const answer = await send<{ recoveryCodes: readonly string[] }>('PUT', '/api/v1/me/second-factor', entered);
    if (tookIt(form, answer) && answer.value) onCodes(answer.value.recoveryCodes);
  });
  const secret = new URL(begun.url).searchParams.get('secret') ?? '';
  return (
    <Dialog title="Scan it with the authenticator" isOpen onClose={onClose}>
      <Square src={`data:image/svg+xml;utf8,${encodeURIComponent(begun.svg)}`} alt="Square code for the authenticator" />
      <SoftLine $small>Or type this key into it: {secret.replace(/(.{4})/g, '$1 ')}</SoftLine>
      <FormText
        control={form.control}
        name="code"
        label="The six figures that it shows now"
        inputMode="numeric"
        autoComplete="one-time-code"
        autoFocus
      />
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void confirm()}>
          It is set up
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const Codes = styled.ul`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-3) var(--space-6);
  margin: 0;
  padding: 0;
  list-style: none;
  font-family: ui-monospace, monospace;
  font-size: var(--type-3);
`;

function Recovery({ codes, onClose }: { codes: readonly string[]; onClose: () => void }) {
  return (
    <Dialog title="Ten codes to recover by" isOpen onClose={onClose}>
      <p>
        Each opens once, in the place of the six figures, when the telephone is lost. They are shown only now: print them and keep them in a safe
        place.
      </p>
      <Codes>
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </Codes>
      <DialogActions>
        <Button onPress={() => window.print()}>Print them</Button>
        <Button $strong onPress={onClose}>
          I have them
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function OwnSessions({ sessions }: { sessions: readonly OwnSession[] }) {
  const router = useRouter();
  const moment = useMoment();
  const end = async (which: string) => {
    await send('DELETE', `/api/v1/me/sessions${which}`);
    router.refresh();
  };
  const columns: readonly SheetColumn<OwnSession>[] = [
    { id: 'browser', words: 'With', cell: ({ browser, here }) => `${browser || 'a browser'}${here ? ' (this one)' : ''}` },
    { id: 'opened', words: 'Since', by: ({ openedAt }) => openedAt, cell: ({ openedAt }) => moment(openedAt) },
    { id: 'seen', words: 'Last sign of life', by: ({ seenAt }) => seenAt, cell: ({ seenAt }) => moment(seenAt) },
    { id: 'acts', words: '', cell: ({ id, here }) => (here ? null : <QuietButton onPress={() => void end(`/${id}`)}>End it</QuietButton>) },
  ];
  return (
    <>
      <SheetTable rows={sessions} columns={columns} rowId={({ id }) => id} label="Where you are signed in" />
      {sessions.length > 1 && (
        <Below>
          <Button onPress={() => void end('')}>End all others</Button>
        </Below>
      )}
    </>
  );
}
