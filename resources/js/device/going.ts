import { useSyncExternalStore } from 'react';
import { signedOutElsewhere } from '../api/client';

let isGoing = false;
const watchers = new Set<() => void>();

/**
 * This page is cleared in a moment. Until then it shows nothing: not the group, and not the sign-in, which whoever waits for it
 * would begin to fill in on a page that is taken away under their fingers.
 */
export function beginGoing(): void {
  isGoing = true;
  for (const watcher of watchers) watcher();
}

function watch(onChange: () => void): () => void {
  watchers.add(onChange);
  signedOutElsewhere.listeners.add(onChange);
  return () => {
    watchers.delete(onChange);
    signedOutElsewhere.listeners.delete(onChange);
  };
}

/** Whether somebody is leaving here, or was signed out from elsewhere: the page goes as soon as what clears it has been fetched. */
export const useGoing = (): boolean => useSyncExternalStore(watch, () => isGoing || signedOutElsewhere.wasSaid);
