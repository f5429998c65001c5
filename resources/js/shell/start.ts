import { startLeaving } from '../device/offline';
import { startSync } from '../outbox/sync';

/** What goes on behind the pages, once the first has been drawn. */
export function start(): void {
  startLeaving();
  startSync();
}
