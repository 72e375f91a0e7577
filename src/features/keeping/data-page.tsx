'use client';
/** What personal data there is, why, for how long, where and who sees it: a page to print and sign. */
import styled from 'styled-components';
import type { KeepingRules } from '@/contract/keeping';
import type { People } from '@/contract/people';
import { dayWords } from '@/core/measure/days';
import { SchoolNav } from '@/features/people/school-nav';
import { Button } from '@/ui/button';
import { Figures, Page, PageHead, SubHead } from '@/ui/page';
import { dataLines } from './keeping-words';

const Lines = styled(Figures)`
  & td {
    vertical-align: top;
  }
  & td:first-child {
    font-weight: 600;
  }
  @media print {
    font-size: 8pt;
    line-height: 1.2;
    & th,
    & td {
      padding-top: 1.5pt;
      padding-bottom: 1.5pt;
    }
  }
`;

const Blanks = styled.dl`
  display: grid;
  grid-template-columns: 20rem 1fr;
  gap: var(--space-5);
  margin: var(--space-6) 0 0;
  & dd {
    margin: 0;
    min-height: 1.6em;
    border-bottom: 1px solid var(--ink);
  }
  @media print {
    gap: var(--space-2);
    margin-top: var(--space-3);
    font-size: 8pt;
  }
`;

/** On paper it is one page. */
const Words = styled.div`
  @media screen {
    max-width: 52rem;
  }
  & p,
  & li {
    font-size: var(--type-2);
  }
  @media print {
    & p,
    & li {
      margin: 0.15rem 0;
      font-size: 8pt;
      line-height: 1.2;
    }
    & h2 {
      margin: 0.5rem 0 0.1rem;
      font-size: 10pt;
    }
  }
`;

export interface DataPageProps {
  readonly rules: KeepingRules;
  readonly schoolName: string;
  readonly address: string;
  readonly people: People['people'];
  readonly today: string;
}

export function DataPage({ rules, schoolName, address, people, today }: DataPageProps) {
  const open = people.filter(({ closed }) => !closed);
  const having = (role: string) => open.filter((person) => person.role === role).length;
  return (
    <Page $width={1040}>
      <SchoolNav />
      <PageHead>
        <h1>Personal data in Lochside, {schoolName}</h1>
        <span className="about">
          as it is set on {dayWords(today)} {today.slice(0, 4)}
        </span>
        <Button onPress={() => window.print()}>Print</Button>
      </PageHead>
      <Lines>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Why</th>
            <th scope="col">How long</th>
            <th scope="col">Who sees it</th>
          </tr>
        </thead>
        <tbody>
          {dataLines(rules).map(({ what, why, howLong, who }) => (
            <tr key={what}>
              <td>{what}</td>
              <td>{why}</td>
              <td>{howLong}</td>
              <td>{who}</td>
            </tr>
          ))}
        </tbody>
      </Lines>
      <Words>
        <SubHead>Where, and who</SubHead>
        <p>
          All of it stands on one server, at {address}, and in its backups; nothing goes to anybody else, and nothing is loaded from elsewhere. Signed
          in can be {counted(having('lead'), 'lead')}, {counted(having('teacher'), 'teacher')} and {counted(having('helper'), 'helper')}. Families
          open their own child’s card by a link or a printed code, without an account; a link ends two weeks after its term, and at once when a child
          leaves or the link is replaced. On the family’s telephone stand the card and what was not sent yet.
        </p>
        <SubHead>Not there</SubHead>
        <p>
          No family name, date of birth, home address, photograph, film, voice, place or health record; no analysis of who uses what; no advertising.
          A film for the teacher goes the way that the school has for it, and never through Lochside. Addresses of devices are counted for minutes,
          against floods, and not kept.
        </p>
        <SubHead>What a family can ask for</SubHead>
        <p>
          A copy, a correction, an erasure: a teacher does each on the child’s page (Classes, the child, “Everything as a file” or “Erase”). An
          erasure takes the name out of what others wrote, too, and is done again after a backup was put back.
        </p>
        <p>The school’s own policy and the law of the place come first. This page says what the program does; it is no legal advice.</p>
      </Words>
      <Blanks>
        <dt>Legal basis, as the school sees it</dt>
        <dd />
        <dt>Who runs the server, and where it stands</dt>
        <dd />
        <dt>Seen by the data protection officer, on</dt>
        <dd />
      </Blanks>
    </Page>
  );
}

const counted = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;
