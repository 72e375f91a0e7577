'use client';
import styled from 'styled-components';
import type { ExpectedOfLevel } from '@/core/levels/expectation';
import { TenDots } from '@/ui/ten-dots';

const Words = styled.dd`
  && {
    grid-column: span 2;
  }
`;

/** A level in a list of three columns: its name, dots where something is aimed at, and what may be expected, with what there is against it. */
export function LevelExpected({ name, chance, words, but = '' }: ExpectedOfLevel & { but?: string }) {
  const said = `${words}${but}`;
  return (
    <>
      <dt>{name}</dt>
      {chance && (
        <dd>
          <TenDots {...chance} size={9} label=" " />
        </dd>
      )}
      {chance ? <dd>{said}</dd> : <Words>{said}</Words>}
    </>
  );
}
