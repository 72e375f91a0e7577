'use client';
import styled from 'styled-components';

const Words = styled.p`
  margin: 0;
`;

/** The floor of what a page of this framework and this styling weighs. */
export default function EmptyPage() {
  return <Words>Nothing</Words>;
}
