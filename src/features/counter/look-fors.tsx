'use client';

import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
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
  & fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3);
    margin: 0;
    padding: 0;
    border: 0;
  }
  & legend {
    padding: 0 0 var(--space-2);
  }
  & label {
    ${tile}
    display: inline-flex;
    align-items: center;
    padding: 0 var(--space-5);
  }
  & input {
    position: absolute;
    opacity: 0;
  }
`;

/** What is looked for, each marked yes, sometimes or not yet by whoever watches. */
export function LookFors({
  group = 'look',
  lookFors,
  marks,
  onMark,
}: {
  /** Tells several lists on one page apart. */
  group?: string;
  lookFors: readonly string[];
  marks: LookMarks;
  onMark: (look: string, mark: LookMark) => void;
}) {
  const { own } = useWords();
  return (
    <List>
      {lookFors.map((look, index) => (
        <li key={look}>
          <fieldset>
            <legend>{own(look)}</legend>
            {MARKS.map((mark) => (
              <label key={mark}>
                <input type="radio" name={`${group} ${index}`} checked={marks[look] === mark} onChange={() => onMark(look, mark)} />
                {own(WORDS[mark])}
              </label>
            ))}
          </fieldset>
        </li>
      ))}
    </List>
  );
}

export const lookMarkWords = (mark: LookMark) => WORDS[mark];
