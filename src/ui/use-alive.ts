'use client';
import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False in what the server has drawn until the page's script has taken it over; true from then on, and at once for what comes later. */
export const useAlive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
