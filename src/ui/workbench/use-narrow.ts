import { useSyncExternalStore } from 'react';

/** Below this there is no room to shape in, px; looking, the line-up and findings stay. */
export const SHAPING_LEAST = 900;

const query = () => matchMedia(`(width < ${SHAPING_LEAST}px)`);

function subscribe(changed: () => void): () => void {
  const asked = query();
  asked.addEventListener('change', changed);
  return () => asked.removeEventListener('change', changed);
}

/** Whether the window is too narrow to shape in. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => query().matches,
    () => false,
  );
