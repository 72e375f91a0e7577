'use client';
import styled from 'styled-components';

/** The frame of a desk page: a heading with what can be done beside it, then the matter. */
export const Page = styled.main<{ $width?: number }>`
  max-width: ${({ $width }) => $width ?? 1320}px;
  margin: 0 auto;
  padding: var(--space-6) var(--space-7) var(--space-9);
`;

export const PageHead = styled.header`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-6);
  min-height: 40px;
  margin-bottom: var(--space-6);
  & .about {
    flex: 1;
    color: var(--ink-soft);
    font-size: var(--type-2);
  }
  @media print {
    & button,
    & a {
      display: none;
    }
    & .about {
      flex-basis: 100%;
    }
  }
`;

/** Figures in rows, ruled like a chart's margin. */
export const Figures = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: var(--type-2);
  & th {
    padding: var(--space-3) var(--space-5) var(--space-3) 0;
    border-bottom: 1px solid var(--ink);
    text-align: left;
    font-size: var(--type-1);
    font-weight: 600;
    color: var(--ink-soft);
    white-space: nowrap;
  }
  & td {
    padding: var(--space-3) var(--space-5) var(--space-3) 0;
    border-bottom: 1px solid var(--line);
    vertical-align: middle;
  }
  & th[scope='row'] {
    border-bottom-color: var(--line);
  }
  & .figure {
    text-align: right;
  }
`;

/** A heading within a page. */
export const SubHead = styled.h2`
  margin: var(--space-7) 0 var(--space-3);
`;

/** A line that stands back: a source, a hint, where something belongs. */
export const SoftLine = styled.p<{ $small?: boolean }>`
  color: var(--ink-soft);
  ${({ $small }) => $small && 'font-size: var(--type-1);'}
`;

/** The same within a line. */
export const SoftWords = styled.span<{ $small?: boolean }>`
  color: var(--ink-soft);
  ${({ $small }) => $small && 'font-size: var(--type-1);'}
`;

export const Empty = styled.div`
  padding: var(--space-9) var(--space-7);
  border: 1px dashed var(--line-strong);
  text-align: center;
  & p {
    max-width: 34rem;
    margin: 0 auto var(--space-6);
    color: var(--ink-soft);
  }
`;
