'use client';
/** Said plainly where this device keeps nothing, or has no room: what is played lives in this page only until the school has it. */
import { useSyncExternalStore } from 'react';
import { useWords } from '@/features/languages/use-words';
import { KeptNote } from './card-style';
import { store } from './store';

export const useKeeping = () => useSyncExternalStore(store.onKeeping, store.keeping, () => 'kept' as const);

export function KeepingLine() {
  const { i18n } = useWords();
  const keeping = useKeeping();
  if (keeping === 'kept') return null;
  return (
    <KeptNote role="alert">
      {keeping === 'full'
        ? i18n.t('This device has no room left to keep a score. You can play: leave this page open until the school has the score.')
        : i18n.t('This device keeps nothing. You can play: leave this page open until the school has the score.')}
    </KeptNote>
  );
}
