'use client';
/** One go is played in one window: whoever takes it up last has it, and the window before is told. What was tapped there is kept. */
import { useEffect, useState } from 'react';

const CHANNEL = 'lochside-home';

/** True when the go under this key was taken up in another window of this device. A browser without channels knows of no other window. */
export function useElsewhere(key: string): boolean {
  const [elsewhere, setElsewhere] = useState(false);
  useEffect(() => {
    if (typeof BroadcastChannel === 'undefined') return;
    const channel = new BroadcastChannel(CHANNEL);
    channel.onmessage = ({ data }: MessageEvent<unknown>) => {
      if (data === key) setElsewhere(true);
    };
    channel.postMessage(key);
    return () => channel.close();
  }, [key]);
  return elsewhere;
}
