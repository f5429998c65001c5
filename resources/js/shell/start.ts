import { startSync } from '../outbox/sync';
import { startLeaving, startWorker } from '../device/offline';

/** What goes on behind the pages, once the first has been drawn. */
export function start(): void {
  startWorker();
  startLeaving();
  startSync();
}
