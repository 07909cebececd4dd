import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Whether the page answers: what a server drew is seen before, and presses and words would be lost. */
export const useAlive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
