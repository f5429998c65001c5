import { useLiveQuery } from 'dexie-react-hooks';

/**
 * What is on this device, drawn anew whenever it changes.
 *
 * @param on what it is asked by: where that is another, it is asked anew
 * @param first what stands there until it is known, and on a device that lets a page keep nothing
 */
export const useLive = <T>(ask: () => Promise<T>, on: unknown[], first: T): T =>
  useLiveQuery(() => ask().catch(() => first), on, first);
