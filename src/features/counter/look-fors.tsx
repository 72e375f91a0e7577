'use client';

import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { OneOf } from './answers';
import { tile } from './counter-style';
import type { LookMark } from '@/core/reports/look-marks';
import type { LookMarks } from '@/core/reports/marked-looks';

const WORDS: Readonly<Record<LookMark, string>> = {
  yes: /*i18n*/ 'yes',
  sometimes: /*i18n*/ 'sometimes',
  'not-yet': /*i18n*/ 'not yet',
};
const MARKS = Object.keys(WORDS) as LookMark[];

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  & li {
    padding: var(--space-4) 0;
    border-bottom: 1px solid var(--line);
  }
  & > li > div {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
  }
  & p {
    padding: 0 0 var(--space-2);
  }
  & label {
    ${tile}
    display: inline-flex;
    align-items: center;
    padding: 0 var(--space-5);
  }
`;

/** What is looked for, each marked yes, sometimes or not yet by whoever watches. */
export function LookFors({
  lookFors,
  marks,
  onMark,
}: {
  lookFors: readonly string[];
  marks: LookMarks;
  onMark: (look: string, mark: LookMark) => void;
}) {
  const { own } = useWords();
  return (
    <List>
      {lookFors.map((look) => (
        <li key={look}>
          <p aria-hidden>{own(look)}</p>
          <div>
            <OneOf
              label={own(look)}
              value={marks[look]}
              options={MARKS.map((mark) => ({ value: mark, words: own(WORDS[mark]) }))}
              onChange={(mark) => onMark(look, mark)}
            />
          </div>
        </li>
      ))}
    </List>
  );
}

export const lookMarkWords = (mark: LookMark) => WORDS[mark];
