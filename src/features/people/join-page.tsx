'use client';
/** Where a one-time link leads: who it is for, and the password that is chosen. */
import { useEffect, useState } from 'react';
import { joinedSchema } from '@/contract/people';
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
        <Choose token={token} found={found} />
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
    <DoorSlip
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void choose();
      }}
    >
      <h1>{found.reset ? 'A new password' : `Welcome, ${found.name}`}</h1>
      <p className="about">
        {found.school}. You sign in as {found.email}.
      </p>
      <FormText control={form.control} name="password" label="Choose a password" type="password" autoComplete="new-password" autoFocus />
      <p className="about">Twelve characters or more. Three or four words that do not belong together are good.</p>
      <FormProblem form={form} />
      <Button $strong type="submit" isDisabled={form.formState.isSubmitting}>
        {found.reset ? 'Take this password' : 'Come in'}
      </Button>
    </DoorSlip>
  );
}
