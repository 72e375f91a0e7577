'use client';
import { ButtonLink, PlainButton } from './button-look';
import styled from 'styled-components';
import { Empty, Page } from './page';

const Title = styled.h1`
  margin: var(--space-9) 0 var(--space-7);
`;

/** A page that is not there, or that broke: what happened and the ways on. */
export function Lost({ title, words, onAgain }: { title: string; words: string; onAgain?: () => void }) {
  return (
    <Page $width={720}>
      <Title>{title}</Title>
      <Empty>
        <p>{words}</p>
        {onAgain && (
          <PlainButton type="button" $strong onClick={onAgain}>
            Open it again
          </PlainButton>
        )}{' '}
        <ButtonLink href="/games">To the games</ButtonLink>
      </Empty>
    </Page>
  );
}
