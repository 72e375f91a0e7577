'use client';
/** The cupboard of the school: what can be lent, what a week needs in all, packing lists, who has what, what has not come back. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { thingKeptSchema, type Loan, type SchoolThing } from '@/contract/cupboard';
import { dayShort } from '@/core/measure/days';
import { dueAfter, weeksOfTerm } from '@/core/plan/calendar';
import type { PlanFacts, TermDocument } from '@/core/plan/document';
import { inAll, needsOfWeek } from '@/core/plan/needs';
import { Button, QuietButton } from '@/ui/button';
import { InlineSelect } from '@/ui/field';
import { FormNumber, FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { Notice } from '@/ui/notice';
import { Page, PageHead, SoftLine, SubHead } from '@/ui/page';
import { send } from '@/ui/post';
import { RoomNav } from '@/ui/room-nav';
import { SheetTable, type SheetColumn } from '@/ui/table/sheet-table';

const Add = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 20rem) 8rem auto;
  gap: var(--space-4);
  align-items: end;
  justify-items: start;
  margin-top: var(--space-4);
  & > :not(button) {
    width: 100%;
  }
  @media print {
    display: none;
  }
`;

const Packing = styled.section`
  padding: var(--space-4) 0;
  border-top: 1px solid var(--line);
  break-inside: avoid;
  & ul {
    margin: var(--space-2) 0;
  }
`;

export const PLAN_VIEWS = [
  { href: '/plan', name: 'The term' },
  { href: '/plan/cupboard', name: 'The cupboard' },
] as const;

export interface CupboardPageProps {
  readonly things: readonly SchoolThing[];
  readonly loans: readonly Loan[];
  readonly plan: { readonly document: TermDocument; readonly facts: PlanFacts } | null;
  /** The week of the plan in which today lies. */
  readonly week: number;
  readonly today: string;
  readonly mayChange: boolean;
}

const leftOf = ({ n, out }: SchoolThing) => n - out;

const THING_COLUMNS: readonly SheetColumn<SchoolThing>[] = [
  { id: 'name', words: 'Thing', by: ({ name }) => name, cell: ({ name }) => name },
  { id: 'n', words: 'There are', figure: true, by: ({ n }) => n, cell: ({ n }) => n },
  { id: 'out', words: 'Out', figure: true, by: ({ out }) => out, cell: ({ out }) => out },
  { id: 'left', words: 'Left', figure: true, by: leftOf, cell: leftOf },
];

export function CupboardPage({ things, loans, plan, week: firstWeek, today, mayChange }: CupboardPageProps) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const [week, setWeek] = useState(firstWeek);
  const act = async (work: ReturnType<typeof send>) => {
    const answer = await work;
    setProblem(answer.ok ? '' : answer.problem);
    if (answer.ok) router.refresh();
  };
  const needs = plan
    ? needsOfWeek(
        plan.document,
        plan.facts,
        week,
        things.map(({ name }) => name),
      )
    : [];
  const weeks = plan ? weeksOfTerm(plan.document) : [];
  const short = [...inAll(needs)].flatMap(([name, n]) => {
    const thing = things.find((one) => one.name === name)!;
    return n > thing.n ? [`${n} of ${name} are needed, there are ${thing.n}`] : [];
  });
  const loanColumns: readonly SheetColumn<Loan>[] = [
    { id: 'class', words: 'Class', by: ({ className }) => className, cell: ({ className }) => className },
    { id: 'thing', words: 'Thing', by: ({ thing }) => thing, cell: ({ thing }) => thing },
    { id: 'out', words: 'Out', figure: true, cell: ({ n, returned }) => (returned > 0 ? `${n - returned} of ${n}` : n) },
    { id: 'since', words: 'Since', by: ({ lentOn }) => lentOn, cell: ({ lentOn }) => dayShort(lentOn) },
    {
      id: 'due',
      words: 'Back by',
      by: ({ dueOn }) => dueOn,
      cell: ({ dueOn }) => (dueOn < today ? <b>{dayShort(dueOn)}, has not come back</b> : dayShort(dueOn)),
    },
    {
      id: 'acts',
      words: '',
      cell: ({ id, n, returned, thing, className }) => (
        <>
          <QuietButton
            aria-label={`All back: ${thing}, ${className}`}
            onPress={() => void act(send('PATCH', `/api/v1/cupboard/loans/${id}`, { returned: n }))}
          >
            All back
          </QuietButton>{' '}
          {n - returned > 1 && (
            <QuietButton
              aria-label={`One back: ${thing}, ${className}`}
              onPress={() => void act(send('PATCH', `/api/v1/cupboard/loans/${id}`, { returned: returned + 1 }))}
            >
              One back
            </QuietButton>
          )}
        </>
      ),
    },
  ];
  return (
    <Page $width={1040}>
      <RoomNav label="Plan" views={PLAN_VIEWS} />
      <PageHead>
        <h1>The cupboard</h1>
        <span className="about">what the school lends to homes, who has it, what a week needs</span>
        {needs.length > 0 && <Button onPress={() => window.print()}>Print packing lists</Button>}
      </PageHead>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <SheetTable
        rows={things}
        columns={THING_COLUMNS}
        rowId={({ id }) => id}
        label="What can be lent"
        none={<SoftLine>Nothing yet. Write a thing as the games name it: “soft ball”.</SoftLine>}
      />
      {mayChange && <KeepThing things={things} plan={plan} onKept={() => router.refresh()} />}
      {plan && weeks.length > 0 && (
        <>
          <SubHead>
            {plan.document.name}, week{' '}
            <InlineSelect
              label="Which week"
              value={String(week)}
              choices={weeks.map((monday, index) => ({ value: String(index), label: `${index + 1} (${dayShort(monday).slice(4)})` }))}
              onChange={(to) => setWeek(Number(to))}
            />
          </SubHead>
          {needs.length === 0 && <SoftLine>That week needs nothing from the cupboard.</SoftLine>}
          {short.length > 0 && <Notice $tone="caution">{short.join('; ')}. Plan it with the wish “what the school lends”.</Notice>}
          {needs.map(({ classId, className, children, title, things: needed }) => (
            <Packing key={classId} aria-label={`Packing list of ${className}`}>
              <b>{className}</b>, {title}, {children} children
              <ul>
                {needed.map(({ name, each, all }) => (
                  <li key={name}>
                    {all} × {name} ({each} for each child)
                  </li>
                ))}
              </ul>
              <QuietButton
                onPress={() =>
                  void act(
                    send('POST', '/api/v1/cupboard/loans', {
                      classId,
                      dueOn: dueOfWeek(weeks[week]!, today),
                      things: needed.map(({ name, all }) => ({ thingId: things.find((one) => one.name === name)!.id, n: all })),
                    }),
                  )
                }
              >
                Lend all of this to {className}
              </QuietButton>
            </Packing>
          ))}
        </>
      )}
      <SubHead>Out now</SubHead>
      <SheetTable rows={loans} columns={loanColumns} rowId={({ id }) => id} label="Out now" none={<SoftLine>Nothing is out.</SoftLine>} />
    </Page>
  );
}

/** Back on the Sunday of the week, or today where that is over. */
const dueOfWeek = (monday: string, today: string): string => (dueAfter(monday) < today ? today : dueAfter(monday));

function KeepThing({ things, plan, onKept }: Pick<CupboardPageProps, 'things' | 'plan'> & { onKept: () => void }) {
  const form = useSchemaForm(thingKeptSchema, { name: '', n: 30 });
  const keep = form.handleSubmit(async (entered) => {
    if (!tookIt(form, await send('PUT', '/api/v1/cupboard/things', entered))) return;
    form.reset();
    onKept();
  });
  const known = [...new Set(plan?.facts.offers.flatMap((offer) => offer.things) ?? [])]
    .filter((name) => !things.some((one) => one.name === name))
    .sort();
  return (
    <>
      <Add>
        <FormText control={form.control} name="name" label="Thing" maxLength={60} />
        <FormNumber control={form.control} name="n" label="How many" />
        <Button isDisabled={form.formState.isSubmitting} onPress={() => void keep()}>
          Keep
        </Button>
      </Add>
      <FormProblem form={form} />
      {known.length > 0 && (
        <SoftLine $small>
          Games need:{' '}
          {known.slice(0, 12).map((name, index) => (
            <span key={name}>
              {index > 0 && ', '}
              <QuietButton onPress={() => form.setValue('name', name)}>{name}</QuietButton>
            </span>
          ))}
        </SoftLine>
      )}
    </>
  );
}
