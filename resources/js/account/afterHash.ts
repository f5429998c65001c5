import { useSyncExternalStore } from 'react';

function watch(onChange: () => void): () => void {
  window.addEventListener('hashchange', onChange);
  return () => window.removeEventListener('hashchange', onChange);
}

/** What a link carries after its #: it stays in the browser, and no log on the way has it. */
export const useAfterHash = (): string => useSyncExternalStore(watch, () => window.location.hash.replace(/^#/, ''));
