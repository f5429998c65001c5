/** The app's own files are kept by a worker, so that it opens without a network. */
export function startWorker(): void {
  if (import.meta.env.PROD && 'serviceWorker' in navigator)
    void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

/** The worker keeps what the server answers while there is a cache of this name, and there is one while somebody is signed in here. */
export const KEEPING = 'keeping';

export const mayKeep = async (): Promise<boolean> => 'caches' in window && (await caches.has(KEEPING));
