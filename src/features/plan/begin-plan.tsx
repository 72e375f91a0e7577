'use client';
import { newTermPlanSchema, type NewTermPlan } from '@/contract/term-plan';
import type { Uuid } from '@/contract/ids';
import { dayPlus } from '@/core/measure/days';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { FormDay, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Empty, Page, PageHead } from '@/ui/page';
import { send } from '@/ui/post';
import { RoomNav } from '@/ui/room-nav';
import { PLAN_VIEWS } from './cupboard-page';
import { useState } from 'react';

const USUAL_DAYS = 7 * 12 - 3;

/** A plan is noSteps: its name and its dates; of a copy, those of the other term. */
export function BeginPlan({
  today,
  copyOf,
  onClose,
}: {
  today: string;
  copyOf?: { readonly id: string; readonly name: string };
  onClose: () => void;
}) {
  const form = useSchemaForm<NewTermPlan>(newTermPlanSchema, {
    name: copyOf?.name ?? '',
    startsOn: today,
    endsOn: dayPlus(today, USUAL_DAYS),
    copyOf: (copyOf?.id as Uuid | undefined) ?? null,
  });
  const begin = form.handleSubmit(async (entered) => {
    const answer = await send<{ id: string }>('POST', '/api/v1/plans', entered);
    if (tookIt(form, answer)) window.location.assign(`/plan?plan=${answer.value!.id}`);
  });
  return (
    <Dialog title={copyOf ? `Copy ${copyOf.name}` : 'Plan a term'} isOpen onClose={onClose}>
      <FormText control={form.control} name="name" label="Name of the term" maxLength={60} autoFocus />
      <FormDay control={form.control} name="startsOn" label="First day" />
      <FormDay control={form.control} name="endsOn" label="Last day" />
      <FormProblem form={form} />
      <DialogActions>
        <Button onPress={onClose}>Not now</Button>
        <Button $strong isDisabled={form.formState.isSubmitting} onPress={() => void begin()}>
          {copyOf ? 'Copy it' : 'Begin'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** No term has been planned yet. */
export function NoPlan({ today, mayChange }: { today: string; mayChange: boolean }) {
  const [asking, setAsking] = useState(false);
  return (
    <Page $width={1080}>
      <RoomNav label="Plan" views={PLAN_VIEWS} />
      <PageHead>
        <h1>Plan</h1>
        <span className="about">a term for each class: which skills when, how hard, with what is in the cupboard</span>
      </PageHead>
      <Empty>
        <p>
          No term has been planned yet. Say what the term is for in a few sentences; Lochside works out the plan that fits best, and you move what you
          want otherwise.
        </p>
        <Button $strong isDisabled={!mayChange} onPress={() => setAsking(true)}>
          Plan a term
        </Button>
      </Empty>
      {asking && <BeginPlan today={today} onClose={() => setAsking(false)} />}
    </Page>
  );
}
