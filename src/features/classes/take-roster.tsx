'use client';
/** The list of the school's own system (OneRoster 1.1 CSV): read and cut in this page, shown with what it would change, then taken over. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import type { Uuid } from '@/contract/ids';
import type { RosterChanges, RosterToTake } from '@/contract/school-roster';
import { readOneRoster, ROSTER_FILES, type OneRoster } from '@/core/roster/read-oneroster';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select } from '@/ui/field';
import { Ticked } from '@/ui/form/fields';
import { Notice } from '@/ui/notice';
import { Figures, SoftLine } from '@/ui/page';
import { send } from '@/ui/post';

const USUAL_AGE = 8;
const AGES = Array.from({ length: 9 }, (_, index) => ({ value: String(index + 4), label: `about ${index + 4}` }));

const Files = styled.label`
  font-size: var(--type-2);
  & input {
    display: block;
    margin-top: var(--space-2);
  }
`;

const isRosterFile = (path: string) => ROSTER_FILES.some((name) => path.toLowerCase().endsWith(name));

/** The files by name, out of a ZIP or as they are. */
async function textsOf(files: readonly File[]): Promise<Record<string, string>> {
  const texts: Record<string, string> = {};
  for (const file of files) {
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
      const { unzipSync } = await import('fflate');
      for (const [path, part] of Object.entries(unzipSync(bytes, { filter: ({ name }) => isRosterFile(name) })))
        texts[path] = new TextDecoder().decode(part);
    } else texts[file.name] = new TextDecoder().decode(bytes);
  }
  return texts;
}

export function TakeRoster({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [roster, setRoster] = useState<OneRoster | null>(null);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const [ages, setAges] = useState<Readonly<Record<string, number>>>({});
  const [changes, setChanges] = useState<RosterChanges | null>(null);
  const [leavers, setLeavers] = useState<ReadonlySet<Uuid>>(new Set());
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);

  const ask = async (apply: boolean) => {
    if (!roster) return;
    setBusy(true);
    setProblem('');
    const body: RosterToTake = {
      classes: roster.classes
        .filter(({ key }) => !out.has(key))
        .map(({ key, name, ageYears, children }) => ({ key, name, ageYears: ages[key] ?? ageYears ?? USUAL_AGE, children })),
      apply,
      leavers: [...leavers],
    };
    const answer = await send<RosterChanges>('POST', '/api/v1/school-roster', body);
    setBusy(false);
    if (!answer.ok) return setProblem(answer.problem);
    if (!apply) return setChanges(answer.value);
    onClose();
    router.refresh();
  };
  const read = async (files: readonly File[]) => {
    setChanges(null);
    const found = await textsOf(files).then(readOneRoster, () => null);
    if (!found) return setProblem('The file could not be unpacked. Save it again, or choose the single CSV files.');
    if (!found.ok) return setProblem(found.problems.map(({ place, reason, fix }) => `${place} ${reason}. ${fix}`).join(' '));
    setProblem('');
    setRoster(found.value);
  };
  const chosen = roster?.classes.filter(({ key }) => !out.has(key)) ?? [];
  return (
    <Dialog title="The school’s list" isOpen onClose={onClose} width={760}>
      <SoftLine>
        A ZIP in OneRoster 1.1, or its users.csv, classes.csv and enrollments.csv together. Only first names, initials and ids leave this page; the
        ids are kept as a code that tells nothing.
      </SoftLine>
      <Files>
        Files of the list
        <input
          type="file"
          multiple
          accept=".zip,.csv"
          onChange={(event) => {
            const files = [...(event.target.files ?? [])];
            if (files.length > 0) void read(files);
          }}
        />
      </Files>
      {roster && !changes && (
        <>
          <Figures>
            <thead>
              <tr>
                <th scope="col">Class</th>
                <th scope="col">Age</th>
                <th scope="col" className="figure">
                  Children
                </th>
              </tr>
            </thead>
            <tbody>
              {roster.classes.map(({ key, name, ageYears, children }) => (
                <tr key={key}>
                  <td>
                    <Ticked
                      label={name}
                      on={!out.has(key)}
                      onChange={(on) => setOut(new Set(on ? [...out].filter((one) => one !== key) : [...out, key]))}
                    />
                  </td>
                  <td>
                    <Select
                      hideLabel
                      label={`Age of ${name}`}
                      value={String(ages[key] ?? ageYears ?? USUAL_AGE)}
                      choices={AGES}
                      onChange={(age) => setAges({ ...ages, [key]: Number(age) })}
                    />
                  </td>
                  <td className="figure">{children.length}</td>
                </tr>
              ))}
            </tbody>
          </Figures>
          {roster.remarks.map((remark) => (
            <SoftLine key={remark} $small>
              {remark}
            </SoftLine>
          ))}
        </>
      )}
      {changes && <WhatChanges changes={changes} leavers={leavers} onLeavers={setLeavers} />}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <DialogActions>
        <Button onPress={changes ? () => setChanges(null) : onClose}>{changes ? 'Back' : 'Not now'}</Button>
        <Button $strong isDisabled={busy || chosen.length === 0} onPress={() => void ask(changes !== null)}>
          {changes ? 'Take it over' : 'What would change?'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function WhatChanges({
  changes: { newClasses, added, moved, renamed, stay, missing },
  leavers,
  onLeavers,
}: {
  changes: RosterChanges;
  leavers: ReadonlySet<Uuid>;
  onLeavers: (leavers: ReadonlySet<Uuid>) => void;
}) {
  const facts = [
    newClasses.length > 0 && `new classes: ${newClasses.join(', ')}`,
    added > 0 && `${added} ${added === 1 ? 'child is' : 'children are'} added`,
    stay > 0 && `${stay} stay where they are`,
    renamed > 0 && `${renamed} ${renamed === 1 ? 'has' : 'have'} another name`,
  ].filter(Boolean);
  return (
    <>
      <p role="status">{facts.length > 0 ? `${facts.join('; ')}.` : 'Nothing would change but what is below.'}</p>
      {moved.length > 0 && (
        <details open={moved.length <= 10}>
          <summary>
            {moved.length} {moved.length === 1 ? 'child moves' : 'children move'}
          </summary>
          <ul>
            {moved.map(({ name, from, to }, index) => (
              <li key={index}>
                {name}: {from || 'no class'} → {to}
              </li>
            ))}
          </ul>
        </details>
      )}
      {missing.length > 0 && (
        <>
          <h3>Not in the list any more: who leaves the school?</h3>
          <SoftLine $small>
            Who is not ticked stays where they are. Links of those who leave stop at once; their scores are kept as your rules say.
          </SoftLine>
          {missing.map(({ id, name, className }) => (
            <Ticked
              key={id}
              label={`${name}, ${className}`}
              on={leavers.has(id)}
              onChange={(on) => onLeavers(new Set(on ? [...leavers, id] : [...leavers].filter((one) => one !== id)))}
            />
          ))}
        </>
      )}
    </>
  );
}
