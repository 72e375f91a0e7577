'use client';
import { Lost } from '@/ui/lost';

export default function Broken({ reset }: { error: Error; reset: () => void }) {
  return (
    <Lost
      title="This page stopped working"
      words="What was saved is safe. Open it again; if a new version of Lochside was just installed, that is all it needs."
      onAgain={reset}
    />
  );
}
