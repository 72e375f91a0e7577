'use client';
import { useState, type FormEvent } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';

const Place = styled.main`
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: 24px;
  background:
    radial-gradient(circle at 72% 30%, var(--band-1) 0 14rem, transparent 14.05rem),
    radial-gradient(circle at 72% 30%, var(--band-2) 0 25rem, transparent 25.05rem),
    radial-gradient(circle at 72% 30%, var(--band-3) 0 40rem, transparent 40.05rem), var(--band-4);
`;

const Slip = styled.form`
  display: flex;
  flex-direction: column;
  gap: 16px;
  width: min(100%, 380px);
  padding: 28px;
  background: var(--paper);
  border: 1.5px solid var(--ink);
  border-top: 4px solid var(--gorse);
  & .about {
    color: var(--ink-soft);
    font-size: 0.9375rem;
  }
`;

export function SignIn({ demo }: { demo: boolean }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const answer = await send('POST', '/api/v1/sign-in', { email, password });
    if (answer.ok) window.location.assign('/games');
    else {
      setProblem(answer.problem);
      setBusy(false);
    }
  };
  return (
    <Place>
      <Slip onSubmit={(event) => void submit(event)} noValidate>
        <h1>Lochside</h1>
        <p className="about">Target games for home, and the scores that come back.</p>
        <TextField label="E-mail address" type="email" value={email} onChange={setEmail} autoComplete="username" required autoFocus />
        <TextField label="Password" type="password" value={password} onChange={setPassword} autoComplete="current-password" required />
        {problem && (
          <Notice $tone="caution" role="alert">
            {problem}
          </Notice>
        )}
        <Button $strong type="submit" isDisabled={busy}>
          {busy ? 'One moment …' : 'Sign in'}
        </Button>
        {demo && <p className="about">This is the demo school. Its sign-ins stand where npm start was run.</p>}
      </Slip>
    </Place>
  );
}
