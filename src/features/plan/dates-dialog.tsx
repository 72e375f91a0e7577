'use client';
/** Dates, holidays and classes of a plan. */
import { X } from 'lucide-react';
import { useState } from 'react';
import { termDocumentSchema } from '@/contract/term-plan';
import type { PlanFacts, TermDocument } from '@/core/plan/document';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select, TextField } from '@/ui/field';
import { DayField, Ticked } from '@/ui/form/fields';
import { Notice } from '@/ui/notice';
import { Away } from './plan-style';
import styled from 'styled-components';

const Row = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 150px 150px 32px;
  gap: var(--space-4);
  align-items: end;
`;

const ClassRow = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 180px;
  gap: var(--space-4);
  align-items: center;
`;

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'].map((label, index) => ({
  value: String(index + 1),
  label,
}));
const USUAL_WEEKDAY = 1;

export function DatesDialog({
  document,
  facts,
  onDocument,
  onClose,
}: {
  document: TermDocument;
  facts: PlanFacts;
  onDocument: (document: TermDocument) => void;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState(document);
  const [problem, setProblem] = useState('');
  const change = (to: Partial<TermDocument>) => setDraft((before) => ({ ...before, ...to }));
  const keep = () => {
    const holidays = draft.holidays.filter(({ from, to }) => from && to);
    const { error } = termDocumentSchema.validate({ ...draft, holidays });
    if (error) return setProblem(error.details[0]?.type === 'custom' ? error.message : 'Give the term a name, a first day and a last day.');
    onDocument({ ...draft, holidays });
    onClose();
  };
  return (
    <Dialog title="Dates and classes" isOpen onClose={onClose} width={760}>
      <Row>
        <TextField label="Name of the term" value={draft.name} maxLength={60} onChange={(name) => change({ name })} />
        <DayField label="First day" value={draft.startsOn} onChange={(startsOn) => change({ startsOn })} />
        <DayField label="Last day" value={draft.endsOn} onChange={(endsOn) => change({ endsOn })} />
      </Row>
      <h3>Holidays</h3>
      {draft.holidays.map((holiday, index) => {
        const set = (to: Partial<typeof holiday>) => change({ holidays: draft.holidays.map((one, at) => (at === index ? { ...one, ...to } : one)) });
        return (
          <Row key={index}>
            <TextField label="Name" value={holiday.name} maxLength={40} onChange={(name) => set({ name })} />
            <DayField label="From" value={holiday.from} onChange={(from) => set({ from, ...(holiday.to < from && { to: from }) })} />
            <DayField label="To" value={holiday.to} onChange={(to) => set({ to })} />
            <Away
              type="button"
              aria-label={`Take ${holiday.name || 'this holiday'} away`}
              onClick={() => change({ holidays: draft.holidays.filter((_, at) => at !== index) })}
            >
              <X size={16} aria-hidden />
            </Away>
          </Row>
        );
      })}
      <Button onPress={() => change({ holidays: [...draft.holidays, { name: '', from: draft.startsOn, to: draft.startsOn }] })}>Add a holiday</Button>
      <h3>Classes, and the day of their lesson</h3>
      {facts.classes.map(({ id, name }) => {
        const planned = draft.classes.find(({ classId }) => classId === id);
        return (
          <ClassRow key={id}>
            <Ticked
              label={name}
              on={planned !== undefined}
              onChange={(on) =>
                change({
                  classes: on ? [...draft.classes, { classId: id, weekday: USUAL_WEEKDAY }] : draft.classes.filter(({ classId }) => classId !== id),
                })
              }
            />
            <Select
              hideLabel
              label={`Day of ${name}`}
              isDisabled={!planned}
              value={String(planned?.weekday ?? USUAL_WEEKDAY)}
              choices={DAYS}
              onChange={(day) => change({ classes: draft.classes.map((one) => (one.classId === id ? { ...one, weekday: Number(day) } : one)) })}
            />
          </ClassRow>
        );
      })}
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <DialogActions>
        <Button onPress={onClose}>Leave it as it was</Button>
        <Button $strong onPress={keep}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
}
