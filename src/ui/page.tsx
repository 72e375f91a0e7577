'use client';
import styled from 'styled-components';

/** The frame of a desk page: a heading with what can be done beside it, then the matter. */
export const Page = styled.main<{ $width?: number }>`
  max-width: ${({ $width }) => $width ?? 1320}px;
  margin: 0 auto;
  padding: 18px 22px 48px;
`;

export const PageHead = styled.header`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 10px 16px;
  min-height: 40px;
  margin-bottom: 16px;
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
  }
`;

/** Figures in rows, ruled like a chart's margin. */
export const Figures = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: var(--type-2);
  & th {
    padding: 6px 12px 6px 0;
    border-bottom: 1px solid var(--ink);
    text-align: left;
    font-size: var(--type-1);
    font-weight: 600;
    color: var(--ink-soft);
    white-space: nowrap;
  }
  & td {
    padding: 6px 12px 6px 0;
    border-bottom: 1px solid var(--line);
    vertical-align: middle;
  }
  & .figure {
    text-align: right;
  }
`;

/** A heading within a page. */
export const SubHead = styled.h2`
  margin: 24px 0 6px;
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
  padding: 48px 24px;
  border: 1px dashed var(--line-strong);
  text-align: center;
  & p {
    max-width: 34rem;
    margin: 0 auto 16px;
    color: var(--ink-soft);
  }
`;
