'use client';
/** Where a card does not open: what waits in this device all the same, and how it gets to the school. */
import { useWords } from '@/features/languages/use-words';
import { KeptNote } from './card-style';
import type { KeptPlay, WaitingEntry } from './store';
import { scoreTextOf } from './words';

export function WaitingHere({ plays, entries, name }: { plays: readonly KeptPlay[]; entries: readonly WaitingEntry[]; name: string }) {
  const words = useWords();
  const { i18n } = words;
  const reports = plays.filter(({ state }) => state === 'waiting');
  const n = reports.length + entries.filter(({ state }) => state === 'waiting').length;
  if (n === 0) return null;
  return (
    <>
      <KeptNote role="status">
        {i18n.t(
          '{n, plural, one {1 thing waits in this device for the school. It is kept, and goes with the newest link.} other {{n} things wait in this device for the school. They are kept, and go with the newest link.}}',
          { n },
        )}
      </KeptNote>
      {reports.map((play) => (
        <p key={play.playId}>{scoreTextOf(name, play, words)}</p>
      ))}
    </>
  );
}
