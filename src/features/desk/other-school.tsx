'use client';
/** Several windows of somebody who is in several schools. */
import { useEffect, useState } from 'react';
import type { Uuid } from '@/contract/ids';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';

const CHANNEL = 'lochside school';

interface WentOver {
  readonly id: Uuid;
  readonly name: string;
}

/** Tells the other windows of this browser. */
export function tellWindows(school: WentOver): void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage(school);
  channel.close();
}

/** Says so where another window went over to another school: nothing of this one would be taken any more. */
export function OtherSchool({ shown }: { shown: WentOver }) {
  const [other, setOther] = useState<WentOver | null>(null);
  useEffect(() => {
    if (typeof BroadcastChannel === 'undefined') return undefined;
    const channel = new BroadcastChannel(CHANNEL);
    channel.onmessage = ({ data }: MessageEvent<WentOver>) => setOther(data.id === shown.id ? null : data);
    return () => channel.close();
  }, [shown.id]);
  return (
    <Dialog title={`You are in ${other?.name ?? ''} now`} isOpen={other !== null} onClose={() => setOther(null)}>
      <p>
        In another window you went over to {other?.name}. This window is still of {shown.name}: what is changed here is not taken until you go back
        there.
      </p>
      <DialogActions>
        <Button onPress={() => setOther(null)}>Leave it open</Button>
        <Button $strong onPress={() => window.location.assign('/today')}>
          Go to {other?.name}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
