'use client';
import styled from 'styled-components';
import { signInSchema } from '@/contract/sign-in';
import { Button } from '@/ui/button';
import { FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { send } from '@/ui/post';

const Place = styled.main`
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: var(--space-7);
  background:
    radial-gradient(circle at 72% 30%, var(--band-1) 0 14rem, transparent 14.05rem),
    radial-gradient(circle at 72% 30%, var(--band-2) 0 25rem, transparent 25.05rem),
    radial-gradient(circle at 72% 30%, var(--band-3) 0 40rem, transparent 40.05rem), var(--band-4);
`;

const Slip = styled.form`
  display: flex;
  flex-direction: column;
  gap: var(--space-6);
  width: min(100%, 380px);
  padding: var(--space-7);
  background: var(--paper);
  border: 1.5px solid var(--ink);
  border-top: 4px solid var(--gorse);
  & .about {
    color: var(--ink-soft);
    font-size: var(--type-2);
  }
`;

export function SignIn({ demo }: { demo: boolean }) {
  const form = useSchemaForm(signInSchema, { email: '', password: '' });
  const submit = form.handleSubmit(async (entered) => {
    if (tookIt(form, await send('POST', '/api/v1/sign-in', entered))) window.location.assign('/today');
  });
  const { isSubmitting, isSubmitSuccessful, isValid } = form.formState;
  const busy = isSubmitting || (isSubmitSuccessful && isValid);
  return (
    <Place>
      <Slip onSubmit={(event) => void submit(event)} noValidate>
        <h1>Lochside</h1>
        <p className="about">Target games for home, and the scores that come back.</p>
        <FormText control={form.control} name="email" label="E-mail address" type="email" autoComplete="username" required autoFocus />
        <FormText control={form.control} name="password" label="Password" type="password" autoComplete="current-password" required />
        <FormProblem form={form} />
        <Button $strong type="submit" isDisabled={busy}>
          {busy ? 'One moment …' : 'Sign in'}
        </Button>
        {demo && <p className="about">This is the demo school. Its sign-ins stand where npm start was run.</p>}
      </Slip>
    </Place>
  );
}
