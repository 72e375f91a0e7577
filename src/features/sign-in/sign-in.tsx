'use client';
import { useState } from 'react';
import { signInSchema } from '@/contract/sign-in';
import { Button } from '@/ui/button';
import { FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { send } from '@/ui/post';
import { DoorPlace, DoorSlip } from './door';

export function SignIn({ demo }: { demo: boolean }) {
  const form = useSchemaForm(signInSchema, { email: '', password: '', code: '' });
  const [asksCode, setAsksCode] = useState(false);
  const submit = form.handleSubmit(async (entered) => {
    const answer = await send('POST', '/api/v1/sign-in', entered);
    // The field of the code comes with the question for it.
    if (answer.problems?.some(({ place }) => place === '/code')) setAsksCode(true);
    if (tookIt(form, answer)) window.location.assign('/today');
  });
  const { isSubmitting, isSubmitSuccessful, isValid } = form.formState;
  const busy = isSubmitting || (isSubmitSuccessful && isValid);
  return (
    <DoorPlace>
      <DoorSlip onSubmit={(event) => void submit(event)} noValidate>
        <h1>Lochside</h1>
        <p className="about">Target games for home, and the scores that come back.</p>
        <FormText control={form.control} name="email" label="E-mail address" type="email" autoComplete="username" required autoFocus />
        <FormText control={form.control} name="password" label="Password" type="password" autoComplete="current-password" required />
        {asksCode && <FormText control={form.control} name="code" label="Code of your authenticator" autoComplete="one-time-code" autoFocus />}
        <FormProblem form={form} />
        <Button $strong type="submit" isDisabled={busy}>
          {busy ? 'One moment …' : 'Sign in'}
        </Button>
        {demo && <p className="about">This is the demo school. Its sign-ins stand where npm start was run.</p>}
      </DoorSlip>
    </DoorPlace>
  );
}
