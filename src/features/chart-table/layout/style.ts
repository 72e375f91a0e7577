/** The look of the layout leaf. */
import styled from 'styled-components';

export const Stack = styled.div`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  font-size: var(--type-2);
  & h3 {
    font-size: var(--type-3);
  }
  & .figures {
    line-height: 1.9;
  }
  & .swaps {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-5);
  }
  & span.swaps {
    display: inline-flex;
  }
`;

export const FloorTable = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: var(--type-1);
  & th {
    text-align: left;
    font-weight: 600;
    color: var(--ink-soft);
    padding: var(--space-1) var(--space-2) var(--space-2) 0;
    border-bottom: 1px solid var(--ink);
  }
  & td {
    padding: var(--space-1) var(--space-2) var(--space-1) 0;
    border-bottom: 1px solid var(--line);
    white-space: nowrap;
  }
  & tr[data-on='true'] td {
    background: var(--sheet);
    font-weight: 600;
  }
  & td:first-child {
    white-space: normal;
  }
`;

export const Name = styled.input`
  border: 0;
  border-bottom: 2px solid var(--gorse);
  background: transparent;
  font-weight: 700;
`;
