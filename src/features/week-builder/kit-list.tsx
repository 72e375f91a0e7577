'use client';
/** What the home finds and what the school sends, with totals for the class. */
import { useState } from 'react';
import type { KitThing } from '@/contract/assignment';
import { Button, QuietButton } from '@/ui/button';
import { Select, TextField } from '@/ui/field';
import { NumberSlot } from '@/ui/number-slot';
import { AddThing, KitTable } from './style';

const MOST_OF_A_THING = 99;

const FROM = [
  { value: 'home', label: 'found at home' },
  { value: 'school', label: 'the school sends it' },
] as const;

export function KitList({ kit, classSize, onKit }: { kit: readonly KitThing[]; classSize: number; onKit: (kit: readonly KitThing[]) => void }) {
  const [name, setName] = useState('');
  const change = (index: number, next: Partial<KitThing>) => onKit(kit.map((one, at) => (at === index ? { ...one, ...next } : one)));
  return (
    <>
      {kit.length > 0 && (
        <KitTable>
          <thead>
            <tr>
              <th>Thing</th>
              <th>Each child</th>
              <th>From</th>
              <th>For the class</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {kit.map((thing, index) => (
              <tr key={thing.name}>
                <td>{thing.name}</td>
                <td>
                  <NumberSlot
                    label={`How many for each child: ${thing.name}`}
                    value={thing.n}
                    min={1}
                    max={MOST_OF_A_THING}
                    step={1}
                    onChange={(n) => change(index, { n })}
                  />
                </td>
                <td>
                  <Select
                    hideLabel
                    label={`Where it comes from: ${thing.name}`}
                    value={thing.from}
                    choices={FROM}
                    onChange={(from) => change(index, { from })}
                  />
                </td>
                <td>{thing.from === 'school' ? thing.n * classSize : ''}</td>
                <td>
                  <QuietButton aria-label={`Leave out ${thing.name}`} onPress={() => onKit(kit.filter((_, at) => at !== index))}>
                    leave out
                  </QuietButton>
                </td>
              </tr>
            ))}
          </tbody>
        </KitTable>
      )}
      <AddThing
        onSubmit={(event) => {
          event.preventDefault();
          const trimmed = name.trim();
          if (trimmed && !kit.some((one) => one.name === trimmed)) onKit([...kit, { name: trimmed, n: 1, from: 'school' }]);
          setName('');
        }}
      >
        <TextField label="Another thing" value={name} maxLength={60} onChange={setName} />
        <Button type="submit" isDisabled={name.trim() === ''}>
          Add it
        </Button>
      </AddThing>
    </>
  );
}
