'use client';
import styled from 'styled-components';

const LOOK_MARKS = ['yes', 'sometimes', 'not yet'] as const;
export type LookMark = (typeof LOOK_MARKS)[number];

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  & li {
    padding: 8px 0;
    border-bottom: 1px solid var(--line);
  }
  & fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin: 0;
    padding: 0;
    border: 0;
  }
  & legend {
    padding: 0 0 4px;
  }
  & label {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    padding: 0 14px;
    border: 1.5px solid var(--line-strong);
    border-radius: 4px;
    background: var(--sheet);
    cursor: pointer;
  }
  & label:has(:checked) {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 700;
  }
  & label:has(:focus-visible) {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
  & input {
    position: absolute;
    opacity: 0;
  }
`;

/** What is looked for, each marked yes, sometimes or not yet by whoever watches. */
export function LookFors({
  lookFors,
  marks,
  onMark,
}: {
  lookFors: readonly string[];
  marks: Readonly<Record<string, LookMark>>;
  onMark: (look: string, mark: LookMark) => void;
}) {
  return (
    <List>
      {lookFors.map((look, index) => (
        <li key={look}>
          <fieldset>
            <legend>{look}</legend>
            {LOOK_MARKS.map((mark) => (
              <label key={mark}>
                <input type="radio" name={`look-${index}`} checked={marks[look] === mark} onChange={() => onMark(look, mark)} />
                {mark}
              </label>
            ))}
          </fieldset>
        </li>
      ))}
    </List>
  );
}
