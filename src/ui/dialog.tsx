'use client';
import type { ReactNode } from 'react';
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled, { createGlobalStyle } from 'styled-components';

const Veil = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  display: grid;
  place-items: start center;
  padding: 8vh var(--space-6) var(--space-6);
  background: color-mix(in srgb, var(--veil) 55%, transparent);
  z-index: 20;
  overflow: auto;
  @media print {
    position: static;
    padding: 0;
    background: none;
  }
`;

/** What is printed while a dialog is open is the dialog, without the page behind it. */
const PrintsAlone = createGlobalStyle`
  @media print {
    body:has([role='dialog']) > :not(:has([role='dialog'])),
    [role='dialog'] button {
      display: none;
    }
  }
`;

const Slip = styled(Modal)<{ $width: number }>`
  width: min(100%, ${({ $width }) => $width}px);
  border: 1.5px solid var(--ink);
  border-top: 4px solid var(--gorse);
  background: var(--paper);
  color: var(--ink);
`;

const Body = styled(AriaDialog)`
  display: flex;
  flex-direction: column;
  gap: var(--space-6);
  padding: var(--space-7) var(--space-7) var(--space-7);
  outline: none;
`;

export interface DialogProps {
  readonly title: string;
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly width?: number;
  readonly children: ReactNode;
}

/** A slip of paper over the page; Esc or a click beside it puts it away. */
export function Dialog({ title, isOpen, onClose, width = 520, children }: DialogProps) {
  return (
    <Veil isOpen={isOpen} onOpenChange={(open) => !open && onClose()} isDismissable>
      <PrintsAlone />
      <Slip $width={width}>
        <Body>
          <Heading slot="title" level={2}>
            {title}
          </Heading>
          {children}
        </Body>
      </Slip>
    </Veil>
  );
}

export const DialogActions = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: var(--space-5);
  margin-top: var(--space-2);
`;
