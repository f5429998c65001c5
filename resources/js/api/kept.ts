/** After something was written, for so many milliseconds, no answer from before it will do. */
const WRITTEN_FRESH = 30_000;

/** Addresses whose last answer was one the worker had kept, because the server took too long. */
const late = new Set<string>();

/** Of those, the ones whose own answer has come in since: it lies with the worker. */
const arrived = new Set<string>();

let written = -Infinity;

export const noteWritten = (): void => void (written = performance.now());

/** Asks the worker to wait for the server, as long as it takes: it answers from what it has kept only where there is no network. */
export const patience = (): RequestCache => (performance.now() - written < WRITTEN_FRESH ? 'reload' : 'default');

export function noteKept(path: string, response: Response): void {
  if (response.headers.has('X-Kept')) late.add(path);
  else late.delete(path);
}

/** The server's own answer at an address that was answered with a kept one, where it has come in meanwhile. */
export async function cameLate(path: string): Promise<Response | undefined> {
  return arrived.delete(path) ? caches.match(path) : undefined;
}

/** The worker says that an answer came in. Returns whether a page was shown an older one in its place. */
export function hasArrived(path: string): boolean {
  if (late.delete(path)) arrived.add(path);
  return arrived.has(path);
}
