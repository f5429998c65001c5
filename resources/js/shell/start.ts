import { startSync } from '../outbox/sync';
import { startLeaving, startWorker } from './offline';

/** What goes on behind the pages, once the first has been drawn. */
export function start(): void {
  startWorker();
  startLeaving();
  startSync();
}
