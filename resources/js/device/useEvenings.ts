import { eveningOf } from '../outbox/evenings';
import { type Evening, store } from '../outbox/store';
import { useLive } from '../outbox/useLive';
import { isOfHere } from '../outbox/who';
import { useMe } from './me';

/** The evenings that were begun on this device; null until they are known. */
export const useEvenings = (): Evening[] | null =>
  useLive<Evening[] | null>(async () => (await store.evenings.toArray()).filter(isOfHere), [], null);

/** Tonight's meeting: the server's, or one that was begun here and that it does not know yet; null where there is none, undefined until that is known. */
export function useTonight(): string | null | undefined {
  const me = useMe();
  const evenings = useEvenings();
  if (me.tonight !== null) return me.tonight;
  if (evenings === null) return undefined;
  const waiting = evenings.filter((one) => one.state === 'waiting');
  return eveningOf(waiting, me.group.time_zone)?.id ?? null;
}
