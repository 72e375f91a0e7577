'use client';
import styled from 'styled-components';

export const Told = styled.section`
  & h1 {
    margin: 0 0 2px;
    font-size: 1.375rem;
  }
  & blockquote {
    margin: 12px 0;
    padding: 2px 0 2px 12px;
    border-left: 3px solid var(--rowan);
    font-size: 1.0625rem;
  }
`;
