'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Radio, RadioGroup, Label } from 'react-aria-components';
import styled from 'styled-components';
import { AIMED, BALL_IDS, IMPLEMENTS, THROWN_AT_IDS, type AimedId, type ImplementId } from '@/core/objects/catalogue';
import type { Technique } from '@/core/motion/assumed';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select, TextField } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';

const Group = styled(RadioGroup)`
  display: flex;
  flex-direction: column;
  gap: 6px;
  & > span {
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
  & .options {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
  }
`;

const Pick = styled(Radio)`
  padding: 7px 13px;
  border: 1.5px solid var(--line-strong);
  border-radius: 4px;
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

/** A new game starts from a skill and what is in the house, not from a blank form. */
export function NewGame({ isOpen, onClose, ages }: { isOpen: boolean; onClose: () => void; ages: readonly { name: string; ageYears: number }[] }) {
  const router = useRouter();
  const [technique, setTechnique] = useState<Technique>('underarm');
  const [implement, setImplement] = useState<ImplementId>('sock-ball');
  const [target, setTarget] = useState<AimedId>('box');
  const [ageYears, setAge] = useState(ages[0]?.ageYears ?? 8);
  const [title, setTitle] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const create = async (blank: boolean) => {
    setBusy(true);
    const named = title.trim() || 'Untitled game';
    const answer = await send<{ id: string }>(
      'POST',
      '/api/v1/games',
      blank ? { blank: true, title: named, ageYears } : { title: named, aim: '', technique, implement, target, ageYears },
    );
    if (answer.ok && answer.value) router.push(`/games/${answer.value.id}`);
    else {
      setProblem(answer.problem);
      setBusy(false);
    }
  };
  const childs = new Map<number, string>(ages.map((age) => [age.ageYears, `${age.name}, about ${age.ageYears}`]));
  for (let age = 4; age <= 12; age += 1) if (!childs.has(age)) childs.set(age, `about ${age} years`);
  return (
    <Dialog title="A new game" isOpen={isOpen} onClose={onClose} width={620}>
      <Group value={technique} onChange={(value) => setTechnique(value as Technique)}>
        <Label>The skill</Label>
        <div className="options">
          {THROWS.map((one) => (
            <Pick key={one.value} value={one.value}>
              {one.label}
            </Pick>
          ))}
        </div>
      </Group>
      <Group value={implement} onChange={(value) => setImplement(value as ImplementId)}>
        <Label>What is thrown</Label>
        <div className="options">
          {BALL_IDS.map((id) => IMPLEMENTS[id]).map((one) => (
            <Pick key={one.id} value={one.id}>
              {one.name}
            </Pick>
          ))}
        </div>
      </Group>
      <Group value={target} onChange={(value) => setTarget(value as AimedId)}>
        <Label>What is aimed at</Label>
        <div className="options">
          {THROWN_AT_IDS.map((id) => AIMED[id]).map((one) => (
            <Pick key={one.id} value={one.id}>
              {one.name}
            </Pick>
          ))}
        </div>
      </Group>
      <Select
        label="For"
        value={`${ageYears}`}
        choices={[...childs].map(([age, label]) => ({ value: `${age}`, label }))}
        onChange={(age) => setAge(Number(age))}
      />
      <TextField label="Name of the game" value={title} onChange={setTitle} maxLength={60} />
      {[IMPLEMENTS[implement].caution, AIMED[target].caution].filter(Boolean).map((caution) => (
        <Notice key={caution} $tone="caution">
          {caution}
        </Notice>
      ))}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
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
