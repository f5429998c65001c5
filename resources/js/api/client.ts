import { cameLate, noteKept, noteWritten, patience } from './kept';
import type { components } from './schema';
import { noteTime } from './time';

export type Schemas = components['schemas'];
export type House = {
  house: 'demo' | 'group' | 'test';
  signed_in: boolean;
  hosts: boolean;
  needs_setup: boolean;
  today: string;
};
export type Fault = Schemas['Problem']['errors'][number];

/** Said when the server answers that this device was signed out from elsewhere; whoever comes to listen late is told too. */
export const signedOutElsewhere = {
  listeners: new Set<() => void>(),
  wasSaid: false,
  listen(listener: () => void): void {
    this.listeners.add(listener);
    if (this.wasSaid) listener();
  },
  say(): void {
    this.wasSaid = true;
    for (const listener of this.listeners) listener();
  },
};

/** An answer that was not what was hoped for, with the server's own words. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly faults: Fault[],
  ) {
    super(message);
  }

  /** The server's word on one field, by the end of its pointer. */
  about(field: string): string | undefined {
    return this.faults.find((fault) => fault.field === field || fault.field.startsWith(`${field}/`))?.message;
  }
}

function token(): string | null {
  const found = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie);
  return found?.[1] ? decodeURIComponent(found[1]) : null;
}

/** Whose pages are shown here: what is written from them is for no other group, should another have been opened meanwhile. */
let shownGroup: string | null = null;

export const showGroup = (id: string): void => void (shownGroup = id);

async function send(method: string, path: string, body: unknown, more: Record<string, string>): Promise<Response> {
  const headers: Record<string, string> = { Accept: 'application/json', ...more };
  if (method !== 'GET') {
    if (!token()) await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' });
    headers['X-XSRF-TOKEN'] = token() ?? '';
    if (shownGroup !== null) headers['X-Group'] = shownGroup;
  }
  if (body !== undefined) headers['Content-Type'] = 'application/json';
  const request: RequestInit = { method, headers, credentials: 'same-origin' };
  if (body !== undefined) request.body = JSON.stringify(body);
  if (method !== 'GET') return fetch(path, request);
  const response = (await cameLate(path)) ?? (await fetch(path, { ...request, cache: patience() }));
  noteKept(path, response);
  return response;
}

/** One call to the server. A stale security token is renewed once. */
export async function call<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<T> {
  let response: Response;
  try {
    response = await send(method, path, body, headers);
    if (response.status === 419) {
      await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' });
      response = await send(method, path, body, headers);
    }
  } catch {
    throw new ApiProblem(0, 'No connection to Compadre. Nothing was sent; try again when you are back in range.', []);
  }
  noteTime(response);
  if (method !== 'GET' && response.ok) noteWritten();
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  const problem = answer as Partial<Schemas['Problem']> | null;
  if (response.status === 401 && problem?.errors?.some((fault) => fault.field === '/device')) signedOutElsewhere.say();
  throw new ApiProblem(
    response.status,
    problem?.message ?? 'Something went wrong on the server. Nothing was written.',
    problem?.errors ?? [],
  );
}
