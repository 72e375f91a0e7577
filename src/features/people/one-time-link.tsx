'use client';
import styled from 'styled-components';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { useMoment } from '@/ui/in-locale';

const Address = styled.p`
  padding: var(--space-5);
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  font-family: ui-monospace, monospace;
  overflow-wrap: anywhere;
  user-select: all;
`;

export interface MadeLink {
  readonly url: string;
  readonly endsAt: string;
  readonly name: string;
}

/** A link that is told once: to be copied or printed; nothing is sent from here. */
export function OneTimeLink({ made: { url, endsAt, name }, onClose }: { made: MadeLink; onClose: () => void }) {
  const moment = useMoment();
  return (
    <Dialog title={`A link for ${name}`} isOpen onClose={onClose} width={600}>
      <p>
        It opens once, until {moment(endsAt)}. Hand it over yourself: Lochside sends nothing, and shows it only now. Whoever has it can choose the
        password.
      </p>
      <Address>{url}</Address>
      <DialogActions>
        <Button onPress={() => void navigator.clipboard.writeText(url)}>Copy it</Button>
        <Button onPress={() => window.print()}>Print it</Button>
        <Button $strong onPress={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}
