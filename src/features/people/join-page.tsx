'use client';
/** Where a one-time link leads: who it is for, and the password that is chosen. */
import { useEffect, useState, type ReactNode } from 'react';
import { joinedKnownSchema, joinedSchema } from '@/contract/people';
import { DoorPlace, DoorSlip } from '@/features/sign-in/door';
import { Button } from '@/ui/button';
import { FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { problemIn, send } from '@/ui/post';

interface For {
  readonly name: string;
  readonly email: string;
  readonly school: string;
  readonly reset: boolean;
  /** Signs in to another school already. */
  readonly known: boolean;
}

export function JoinPage() {
  const [token, setToken] = useState('');
  const [found, setFound] = useState<For | null>(null);
  const [problem, setProblem] = useState('');
  useEffect(() => {
    const key = new URLSearchParams(window.location.hash.slice(1)).get('t') ?? '';
    let current = true;
    void fetch('/api/v1/join', { headers: { authorization: `Bearer ${key}` } })
      .then(async (answer) => {
        const body: unknown = await answer.json();
        if (!current) return;
        setToken(key);
        if (answer.ok) setFound(body as For);
        else setProblem(problemIn(body));
      })
      .catch(() => current && setProblem('There is no connection. Try again when it is back.'));
    return () => {
      current = false;
    };
  }, []);
  return (
    <DoorPlace>
      {found ? (
        <>{found.known ? <ComeIn token={token} found={found} /> : <Choose token={token} found={found} />}</>
      ) : (
        <DoorSlip as="div">
          <h1>Lochside</h1>
          <p role="status">{problem || 'One moment …'}</p>
        </DoorSlip>
      )}
    </DoorPlace>
  );
}

function Choose({ token, found }: { token: string; found: For }) {
  const form = useSchemaForm(joinedSchema, { token, password: '' });
  const choose = form.handleSubmit(async (entered) => {
    const answer = await send<{ signedIn: boolean }>('POST', '/api/v1/join', entered);
    if (tookIt(form, answer) && answer.value) window.location.assign(answer.value.signedIn ? '/today' : '/sign-in');
  });
  return (
    <Slip heading={found.reset ? 'A new password' : `Welcome, ${found.name}`} found={found} onSubmit={choose}>
      <FormText control={form.control} name="password" label="Choose a password" type="password" autoComplete="new-password" autoFocus />
      <p className="about">Twelve characters or more. Three or four words that do not belong together are good.</p>
      <FormProblem form={form} />
      <Button $strong type="submit" isDisabled={form.formState.isSubmitting}>
        {found.reset ? 'Take this password' : 'Come in'}
      </Button>
    </Slip>
  );
}

/** Somebody of another school comes in with the password and second factor of that account. */
function ComeIn({ token, found }: { token: string; found: For }) {
  const form = useSchemaForm(joinedKnownSchema, { token, password: '', code: '' });
  const [asksCode, setAsksCode] = useState(false);
  const come = form.handleSubmit(async (entered) => {
    const answer = await send('PUT', '/api/v1/join', entered);
    if (answer.problems?.some(({ place }) => place === '/code')) setAsksCode(true);
    if (tookIt(form, answer)) window.location.assign('/today');
  });
  return (
    <Slip heading={`Welcome to ${found.school}`} found={found} onSubmit={come}>
      <p className="about">You have an account at another school already. Come in with its password; it goes on opening both.</p>
      <FormText control={form.control} name="password" label="Your password" type="password" autoComplete="current-password" autoFocus />
      {asksCode && (
        <FormText control={form.control} name="code" label="Code of your authenticator" inputMode="numeric" autoComplete="one-time-code" autoFocus />
      )}
      <FormProblem form={form} />
      <Button $strong type="submit" isDisabled={form.formState.isSubmitting}>
        Come in
      </Button>
    </Slip>
  );
}

function Slip({ heading, found, onSubmit, children }: { heading: string; found: For; onSubmit: () => Promise<void>; children: ReactNode }) {
  return (
    <DoorSlip
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void onSubmit();
      }}
    >
      <h1>{heading}</h1>
      <p className="about">
        {!heading.includes(found.school) && `${found.school}. `}You sign in as {found.email}.
      </p>
      {children}
    </DoorSlip>
  );
}
