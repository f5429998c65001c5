import { liveQuery } from 'dexie';
import { useEffect, useRef, useState } from 'react';

/** What is on this device, drawn anew whenever it changes. */
export function useLive<T>(ask: () => Promise<T>, first: T): T {
  const [found, setFound] = useState(first);
  const asked = useRef(ask);
  useEffect(() => {
    const watching = liveQuery(asked.current).subscribe({ next: setFound, error: () => undefined });
    return () => watching.unsubscribe();
  }, []);
  return found;
}
