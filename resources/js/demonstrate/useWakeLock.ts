import { useEffect } from 'react';

/** The screen does not sleep while a knot is shown. A lock is lost when the page is hidden, and asked for again when it is back. */
export function useWakeLock(): void {
  useEffect(() => {
    if (!('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const hold = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      // Refused on low battery or by the browser: then the screen sleeps as it is used to.
      const got = await navigator.wakeLock.request('screen').catch(() => null);
      if (gone) void got?.release();
      else lock = got;
    };
    const again = (): void => void hold();
    again();
    document.addEventListener('visibilitychange', again);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
}
