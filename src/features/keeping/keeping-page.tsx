'use client';
/** What a school keeps and for how long, what goes when; the whole school as files, and its end. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { keepingRulesSchema, schoolDeletedSchema, type KeepingStanding, type KeptNow, type LeaverGoes } from '@/contract/keeping';
import { dayWords } from '@/core/measure/days';
import { SchoolNav } from '@/features/people/school-nav';
import { Button, ButtonLink, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormNumber, FormPick, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { useMoment } from '@/ui/in-locale';
import { Page, PageHead, SoftLine, SubHead } from '@/ui/page';
import { send } from '@/ui/post';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';
import { KIND_WORDS, leaverWords, rawWords, YEARS } from './keeping-words';

const Rules = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  align-items: end;
  gap: var(--space-5) var(--space-6);
  & > .wide {
    grid-column: 1 / -1;
  }
`;

const Under = styled(SoftLine)`
  margin-top: var(--space-4);
`;

const KEPT_COLUMNS: readonly SheetColumn<KeptNow>[] = [
  { id: 'kind', words: 'What', cell: ({ kind }) => KIND_WORDS[kind] },
  { id: 'there', words: 'There now', by: ({ there }) => there, cell: ({ there }) => there, width: 110 },
  {
    id: 'next',
    words: 'Goes next',
    cell: ({ next }) => (next ? `${next.count} on ${dayWords(next.on)} ${next.on.slice(0, 4)}` : '–'),
    faint: ({ next }) => next === null,
    width: 320,
  },
];

const LEAVER_COLUMNS: readonly SheetColumn<LeaverGoes>[] = [
  { id: 'name', words: 'Child', by: ({ name }) => name, cell: ({ name }) => name },
  { id: 'left', words: 'In no class since', by: ({ leftOn }) => leftOn, cell: ({ leftOn }) => `${dayWords(leftOn)} ${leftOn.slice(0, 4)}` },
  { id: 'goes', words: 'Is erased on', by: ({ goesOn }) => goesOn, cell: ({ goesOn }) => `${dayWords(goesOn)} ${goesOn.slice(0, 4)}` },
];

export function KeepingPage({ keeping: { rules, kept, leavers, appliedAt }, schoolName }: { keeping: KeepingStanding; schoolName: string }) {
  const moment = useMoment();
  const [deleting, setDeleting] = useState(false);
  return (
    <Page $width={1040}>
      <SchoolNav />
      <PageHead>
        <h1>What is kept</h1>
        <span className="about">
          {appliedAt ? `last gone through ${moment(appliedAt)}; it is done every day` : 'gone through every day, for the first time soon'}
        </span>
        <ButtonLink href="/api/v1/school/files">The whole school as files</ButtonLink>
      </PageHead>
      <SheetTable rows={kept} columns={KEPT_COLUMNS} rowId={({ kind }) => kind} label="What is kept, and what goes next" />
      <SubHead>How long</SubHead>
      <RulesForm rules={rules} />
      <Under $small>
        Your school’s own policy and the law of the place come first: set these to what they say. A child who left is there for 30 days at the least,
        so that a mistake can be mended. Log files go after 30 days, backups after 35.
      </Under>
      <SubHead>Children who left</SubHead>
      <SheetTable rows={leavers} columns={LEAVER_COLUMNS} rowId={({ id }) => id} label="Children who left" none="Nobody has left." />
      <SubHead>The end</SubHead>
      <SoftLine $small>When the school gives Lochside up: take the files first.</SoftLine>
      <QuietButton onPress={() => setDeleting(true)}>Delete this school …</QuietButton>
      {deleting && <DeleteSchool schoolName={schoolName} onClose={() => setDeleting(false)} />}
    </Page>
  );
}

function RulesForm({ rules }: Pick<KeepingStanding, 'rules'>) {
  const router = useRouter();
  const form = useSchemaForm(keepingRulesSchema, rules);
  const [kept, setKept] = useState(false);
  const keep = form.handleSubmit(async (entered) => {
    setKept(false);
    if (!tookIt(form, await send('PUT', '/api/v1/school/keeping', entered))) return;
    setKept(true);
    router.refresh();
  });
  const years = (words: (years: number) => string) => YEARS.map((value) => ({ value, label: words(value) }));
  return (
    <Rules>
      <FormPick control={form.control} name="rawYears" label="Single tries, settled messages" choices={years(rawWords)} />
      <FormPick control={form.control} name="leaverYears" label="Children who left" choices={years(leaverWords)} />
      <FormNumber control={form.control} name="waitingDays" label="Messages nobody settled, days" />
      <FormNumber control={form.control} name="sessionDays" label="Sessions, links and codes that ended, days" />
      <FormNumber control={form.control} name="auditYears" label="Who did what, years" />
      <div className="wide">
        <FormProblem form={form} />
        <Button isDisabled={form.formState.isSubmitting} onPress={() => void keep()}>
          Keep these rules
        </Button>{' '}
        <span role="status">{kept ? 'Kept. Above is what goes by them.' : ''}</span>
      </div>
    </Rules>
  );
}

function DeleteSchool({ schoolName, onClose }: { schoolName: string; onClose: () => void }) {
  const form = useSchemaForm(schoolDeletedSchema, { name: '', current: '' });
  const remove = form.handleSubmit(async (entered) => {
    if (tookIt(form, await send('DELETE', '/api/v1/school', entered))) window.location.assign('/sign-in');
  });
  return (
    <Dialog title={`Delete ${schoolName}`} isOpen onClose={onClose}>
      <p>
        Every class, child, game, week and score of the school goes, with the accounts of its people. It cannot be taken back from here; backups hold
        it for 35 days more.
      </p>
      <FormText control={form.control} name="name" label={`Write the name of the school: ${schoolName}`} maxLength={120} autoFocus />
      <FormText control={form.control} name="current" label="Your password" type="password" autoComplete="current-password" />
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Leave it</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void remove()}>
          Delete the school
        </Button>
      </DialogActions>
    </Dialog>
  );
}
