'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { schoolKeySchema } from '@/contract/school-key';
import { Button, QuietButton } from '@/ui/button';
import { FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { Figures, SubHead, SoftLine } from '@/ui/page';
import { send } from '@/ui/post';

const Keys = styled(Figures)`
  margin-top: var(--space-4);
`;

const NewKey = styled(Notice)`
  margin-top: var(--space-4);
`;

export interface KeyShown {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly madeWords: string;
  readonly usedWords: string;
}

const Making = styled.form`
  display: flex;
  align-items: end;
  gap: var(--space-5);
  max-width: 520px;
  margin-top: var(--space-4);
  & > :first-child {
    flex: 1;
  }
`;

const Told = styled.code`
  display: block;
  margin: var(--space-3) 0;
  padding: var(--space-4) var(--space-4);
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  font-size: var(--type-2);
  overflow-wrap: anywhere;
  user-select: all;
`;

/** Keys with which another program of the school hands in reports. */
export function SchoolKeys({ keys }: { keys: readonly KeyShown[] }) {
  const router = useRouter();
  const form = useSchemaForm(schoolKeySchema, { name: '' });
  const [made, setMade] = useState<{ name: string; key: string } | null>(null);
  const [problem, setProblem] = useState('');
  const make = form.handleSubmit(async ({ name }) => {
    const answer = await send<{ key: string }>('POST', '/api/v1/school-keys', { name });
    if (!tookIt(form, answer) || !answer.value) return;
    setMade({ name, key: answer.value.key });
    form.reset();
    router.refresh();
  });
  const withdraw = async (key: KeyShown) => {
    const answer = await send('DELETE', `/api/v1/school-keys/${key.id}`);
    setProblem(answer.problem);
    if (answer.ok) router.refresh();
  };
  return (
    <section aria-labelledby="programs">
      <SubHead id="programs">Another program of the school</SubHead>
      <SoftLine>
        It asks what was sent and hands in reports as JSON, with a key; who makes it finds how in docs/report-api.md of Lochside. A key reads names
        and stores scores of the whole school: give each program its own, and withdraw it when it is not needed.
      </SoftLine>
      {keys.length > 0 && (
        <Keys>
          <thead>
            <tr>
              <th>Program</th>
              <th>Key made</th>
              <th>Last used</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {keys.map((key) => (
              <tr key={key.id}>
                <td>{key.name}</td>
                <td>
                  {key.madeWords}, {key.by}
                </td>
                <td>{key.usedWords || 'never'}</td>
                <td>
                  <QuietButton aria-label={`Withdraw the key of ${key.name}`} onPress={() => void withdraw(key)}>
                    withdraw
                  </QuietButton>
                </td>
              </tr>
            ))}
          </tbody>
        </Keys>
      )}
      {made && (
        <NewKey $tone="remark" role="status">
          The key of {made.name}, shown this once:
          <Told>{made.key}</Told>
        </NewKey>
      )}
      <Making onSubmit={(event) => void make(event)} noValidate>
        <FormText control={form.control} name="name" label="Name of the program" maxLength={60} />
        <Button type="submit" isDisabled={form.formState.isSubmitting}>
          Make a key
        </Button>
      </Making>
      <FormProblem form={form} />
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
    </section>
  );
}
