'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { TextButton } from '../counter/text-button';
import { Plain } from './home-style';

const Address = styled.small`
  && {
    overflow-wrap: anywhere;
  }
`;

const Out = styled.a`
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  font-weight: 700;
`;

/** Where an address leads; null for what is none that may be opened. */
function hostOf(address: string): string | null {
  try {
    const { protocol, host } = new URL(address);
    return protocol === 'https:' ? host : null;
  } catch {
    return null;
  }
}

/** A film or page of the teacher's own: where it leads is said, an adult opens it, nothing is loaded from it before. */
// Loaded by the page when it is needed.
// ts-unused-exports:disable-next-line
export function PageLink({ address }: { address: string }) {
  const { i18n } = useWords();
  const [asked, setAsked] = useState(false);
  const host = hostOf(address);
  if (host === null) return null;
  return (
    <li>
      <b>{i18n.t('From your teacher, at {host}', { host })}</b>
      <Address>{address}</Address>
      {asked ? (
        <>
          <small>{i18n.t('This leads out of Lochside. An adult looks first, and stays.')}</small>
          <Out href={address} target="_blank" rel="noopener noreferrer" referrerPolicy="no-referrer">
            {i18n.t('I am an adult: open {host}', { host })}
          </Out>{' '}
          <TextButton type="button" onClick={() => setAsked(false)}>
            {i18n.t('Not now')}
          </TextButton>
        </>
      ) : (
        <Plain type="button" onClick={() => setAsked(true)}>
          {i18n.t('Fetch an adult to open it')}
        </Plain>
      )}
    </li>
  );
}
