/** After something was written, for so many milliseconds, no answer from before it will do. */
const WRITTEN_FRESH = 30_000;

/** A kept answer may be overtaken by the server's own, which is said to be here first: by no more than so many milliseconds. */
const OVERTAKEN = 5_000;

/** A query that is still taking in a kept answer is not asked again: it is let finish, for so many milliseconds. */
const TAKEN_IN = 300;

/** Addresses answered with what the worker had kept, because the server took too long, until the worker has its answer. */
const late = new Set<string>();

/** Of those, the ones whose own answer has come in since: it lies with the worker. */
const arrived = new Set<string>();

/** When the worker last said that an address was answered. */
const said = new Map<string, number>();

let tell: () => void = () => undefined;
let written = -Infinity;

/** Calls back whenever a page is shown an older answer than the worker has. */
export const onArrival = (listener: () => void): void => void (tell = listener);

/**
 * Where the network was slow, a page is shown what was kept, and the server's answer as soon as the worker has it. Listened for before
 * the page asks for anything: what is said to nobody is not said again.
 */
export function startCatchingUp(catchUp: () => void): void {
  onArrival(catchUp);
  new BroadcastChannel('compadre-answers').addEventListener('message', (event: MessageEvent<string>) =>
    hasArrived(event.data),
  );
}

/** Something new each time that something was written from this page. */
export const lastWritten = (): number => written;

/** Something was written: what came in late before that is no answer any more. */
export function noteWritten(): void {
  written = performance.now();
  arrived.clear();
}

/** Asks the worker to wait for the server, as long as it takes: it answers from what it has kept only where there is no network. */
export const patience = (): RequestCache => (performance.now() - written < WRITTEN_FRESH ? 'reload' : 'default');

/** Notes an answer that was kept. One from the server takes nothing back: another page may still show the kept one. */
export function noteKept(path: string, response: Response): void {
  if (!response.headers.has('X-Kept')) return;
  late.add(path);
  if (performance.now() - (said.get(path) ?? -Infinity) < OVERTAKEN) window.setTimeout(() => catchUp(path), TAKEN_IN);
}

/** The server's own answer at an address that was answered with a kept one, where it has come in meanwhile. */
export async function cameLate(path: string): Promise<Response | undefined> {
  return arrived.delete(path) ? caches.match(path) : undefined;
}

/** The worker says that an answer came in. */
export function hasArrived(path: string): void {
  said.set(path, performance.now());
  catchUp(path);
}

function catchUp(path: string): void {
  if (!late.delete(path)) return;
  arrived.add(path);
  tell();
}
