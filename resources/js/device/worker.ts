/** The app's own files are kept by a worker, so that it opens without a network. */
export function startWorker(): void {
  if (import.meta.env.PROD && 'serviceWorker' in navigator)
    void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

/** The worker keeps what the server answers while there is a cache of this name, and there is one while somebody is signed in here. */
export const KEEPING = 'keeping';

export const mayKeep = async (): Promise<boolean> => 'caches' in window && (await caches.has(KEEPING));

/** What was kept in a cache longer than so many milliseconds ago goes. */
export async function keepNoLonger(age: number, cache: string): Promise<void> {
  if (!('caches' in window) || !(await caches.has(cache))) return;
  const kept = await caches.open(cache);
  for (const one of await kept.keys()) {
    const at = Date.parse((await kept.match(one))?.headers.get('Date') ?? '');
    if (at < Date.now() - age) await kept.delete(one);
  }
}

/**
 * Only the newest of what the worker keeps in a cache stay. Looked at now and then: to count them at every answer is more work than the
 * answers are.
 */
export async function keepAtMost(entries: number, cache: string): Promise<void> {
  if (!('caches' in window) || !(await caches.has(cache))) return;
  const kept = await caches.open(cache);
  const all = await kept.keys();
  await Promise.all(all.slice(0, Math.max(0, all.length - entries)).map((one) => kept.delete(one)));
}
