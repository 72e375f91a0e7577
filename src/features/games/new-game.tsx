'use client';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { useController, type Control } from 'react-hook-form';
import { startFromSchema } from '@/contract/new-game';
import type { StartFrom } from '@/core/course/sensible-start';
import { Radio, RadioGroup, Label } from 'react-aria-components';
import styled from 'styled-components';
import { AIMED, BALL_IDS, IMPLEMENTS, THROWN_AT_IDS } from '@/core/objects/catalogue';
import type { Technique } from '@/core/motion/assumed';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormPick, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';

const Group = styled(RadioGroup)`
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  & > span {
    font-size: var(--type-1);
    color: var(--ink-soft);
  }
  & .options {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-4);
  }
`;

const Pick = styled(Radio)`
  padding: var(--space-4) var(--space-5);
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-1);
  background: var(--sheet);
  cursor: pointer;
  &[data-selected] {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 600;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
`;

const THROWS: readonly { value: Technique; label: string }[] = [
  { value: 'underarm', label: 'Underarm throw' },
  { value: 'overarm', label: 'Overarm throw' },
  { value: 'set-shot', label: 'Set shot' },
];

/** One of some, each a button of its own. */
function PickOne({
  control,
  name,
  label,
  children,
}: {
  control: Control<StartFrom>;
  name: 'technique' | 'implement' | 'target';
  label: string;
  children: ReactNode;
}) {
  const {
    field: { value, onChange },
  } = useController({ control, name });
  return (
    <Group value={value} onChange={onChange}>
      <Label>{label}</Label>
      <div className="options">{children}</div>
    </Group>
  );
}

/** A new game starts from a skill and what is in the house, not from a blank form. */
export function NewGame({ isOpen, onClose, ages }: { isOpen: boolean; onClose: () => void; ages: readonly { name: string; ageYears: number }[] }) {
  const router = useRouter();
  const form = useSchemaForm(startFromSchema, {
    title: '',
    aim: '',
    technique: 'underarm',
    implement: 'sock-ball',
    target: 'box',
    ageYears: ages[0]?.ageYears ?? 8,
  });
  const create = (blank: boolean) =>
    form.handleSubmit(async ({ title, ageYears, ...start }) => {
      const answer = await send<{ id: string }>('POST', '/api/v1/games', blank ? { blank, title, ageYears } : { title, ageYears, ...start });
      if (tookIt(form, answer) && answer.value) router.push(`/games/${answer.value.id}`);
    })();
  const [implement, target] = form.watch(['implement', 'target']);
  const busy = form.formState.isSubmitting;
  const childs = new Map<number, string>(ages.map((age) => [age.ageYears, `${age.name}, about ${age.ageYears}`]));
  for (let age = 4; age <= 12; age += 1) if (!childs.has(age)) childs.set(age, `about ${age} years`);
  return (
    <Dialog title="A new game" isOpen={isOpen} onClose={onClose} width={620}>
      <PickOne control={form.control} name="technique" label="The skill">
        {THROWS.map((one) => (
          <Pick key={one.value} value={one.value}>
            {one.label}
          </Pick>
        ))}
      </PickOne>
      <PickOne control={form.control} name="implement" label="What is thrown">
        {BALL_IDS.map((id) => IMPLEMENTS[id]).map((one) => (
          <Pick key={one.id} value={one.id}>
            {one.name}
          </Pick>
        ))}
      </PickOne>
      <PickOne control={form.control} name="target" label="What is aimed at">
        {THROWN_AT_IDS.map((id) => AIMED[id]).map((one) => (
          <Pick key={one.id} value={one.id}>
            {one.name}
          </Pick>
        ))}
      </PickOne>
      <FormPick control={form.control} name="ageYears" label="For" choices={[...childs].map(([value, label]) => ({ value, label }))} />
      <FormText control={form.control} name="title" label="Name of the game" maxLength={60} />
      {[IMPLEMENTS[implement].caution, AIMED[target].caution].filter(Boolean).map((caution) => (
        <Notice key={caution} $tone="caution">
          {caution}
        </Notice>
      ))}
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button isDisabled={busy} onPress={() => void create(true)}>
          Start from a blank floor
        </Button>
        <Button $strong isDisabled={busy} onPress={() => void create(false)}>
          {busy ? 'Setting it out …' : 'Set it out'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
