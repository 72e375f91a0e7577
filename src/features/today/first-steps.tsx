'use client';
import { DeskLink } from '@/ui/desk-link';
import styled from 'styled-components';
import type { Today } from '@/contract/today';
import { ButtonLink } from '@/ui/button';
import { steps } from './model';

const Steps = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 0;
  margin: 0 0 var(--space-8);
  padding: 0;
  list-style: none;
  border-top: 1px solid var(--ink);
  & li {
    display: flex;
    flex-direction: column;
    align-items: flex-start;
    gap: var(--space-4);
    padding: var(--space-6) var(--space-6) var(--space-7) 0;
  }
  & b {
    font-size: var(--type-4);
  }
  & p {
    flex: 1;
    color: var(--ink-soft);
  }
`;

/** What leads a new school to its first week. Gone when the first week is sent. */
export function FirstSteps({ today }: { today: Today }) {
  const all = steps(today);
  const next = all.find(({ done }) => !done);
  return (
    <Steps aria-label="The first week of a school">
      {all.map((step, at) => (
        <li key={step.words}>
          <b>
            {at + 1}. {step.words}
          </b>
          <p>{step.help}</p>
          {step.done ? (
            <span>
              done · <DeskLink href={step.href}>more</DeskLink>
            </span>
          ) : (
            <ButtonLink {...(step === next && { $strong: true })} href={step.href}>
              {step.words === 'The first week' ? 'Build it' : 'Begin'}
            </ButtonLink>
          )}
        </li>
      ))}
    </Steps>
  );
}
