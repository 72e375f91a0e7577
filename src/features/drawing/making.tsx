import styled from 'styled-components';
import { makingOf, type MakingLine } from '@/core/sheet/makings';
import { useWords } from '@/features/languages/use-words';

const Pictures = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: var(--space-5);
  margin: var(--space-3) 0;
  padding: 0;
  list-style: none;
  & svg {
    display: block;
    width: 100%;
    border: 1px solid var(--line-strong);
    background: var(--sheet);
  }
`;

const LOOK: Readonly<Record<MakingLine['as'], React.SVGProps<SVGPathElement>>> = {
  thin: { fill: 'none', stroke: 'var(--ink-soft)', strokeWidth: 1.6 },
  firm: { fill: 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: 2.6 },
  way: { fill: 'none', stroke: 'var(--gorse)', strokeWidth: 3.4 },
  filled: { fill: 'var(--heather)', stroke: 'var(--ink)', strokeWidth: 1.6 },
};

/** How a thing is made, in four pictures; nothing for what is found as it is. */
export function MakingPictures({ thing }: { thing: string }) {
  const { own } = useWords();
  const steps = makingOf(thing);
  if (!steps) return null;
  return (
    <Pictures>
      {steps.map(({ says, lines }, index) => (
        <li key={says}>
          <svg viewBox="0 0 100 80" aria-hidden>
            {lines.map(({ d, as }) => (
              <path key={d} d={d} strokeLinecap="round" strokeLinejoin="round" {...LOOK[as]} />
            ))}
          </svg>
          {index + 1}. {own(says)}
        </li>
      ))}
    </Pictures>
  );
}
