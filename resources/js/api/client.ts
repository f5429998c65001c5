import createClient, { type ClientPathsWithMethod, type FetchResponse, type MaybeOptionalInit } from 'openapi-fetch';
import { cameLate, lastWritten, noteKept, noteWritten, patience } from './kept';
import type { components, paths } from './schema';
import { noteTime } from './time';

export type Schemas = components['schemas'];

/** What a careless hand leaves in a knot that is tied right. */
export type Untidiness = NonNullable<Schemas['Compared']['untidy_in_space']>['faults'][number];
export type House = Answer<'/api/house', 'GET'>;
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

const noConnection = (): ApiProblem =>
  new ApiProblem(0, 'No connection to Compadre. Nothing was sent; try again when you are back in range.', []);

function token(): string | null {
  const found = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie);
  return found?.[1] ? decodeURIComponent(found[1]) : null;
}

/** Whose pages are shown here: what is written from them is for no other group, should another have been opened meanwhile. */
let shownGroup: string | null = null;

export const showGroup = (id: string): void => void (shownGroup = id);

/** So often a question is asked again where something is written while its answer is on its way. */
const MOST_AGAIN = 3;

/** All drawings at once change with the packs alone, nearly: they are not sent twice over a slow network for a check. */
const STANDS = '/api/knots-to-keep';

async function send(path: string, request: Request, body: string): Promise<Response> {
  const { method } = request;
  const headers: Record<string, string> = { ...Object.fromEntries(request.headers), Accept: 'application/json' };
  if (method !== 'GET') {
    if (!token()) await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' });
    headers['X-XSRF-TOKEN'] = token() ?? '';
    if (shownGroup !== null) headers['X-Group'] = shownGroup;
  }
  const asked: RequestInit = { method, headers, credentials: 'same-origin' };
  if (body !== '') asked.body = body;
  if (method !== 'GET') return fetch(path, asked);
  const ask = () => fetch(path, { ...asked, cache: patience() });
  let before = lastWritten();
  let response = (await cameLate(path)) ?? (await ask());
  // What was asked for before something was written knows nothing of it: whoever waits for it, waits for an answer that does.
  for (let again = 0; lastWritten() !== before && again < MOST_AGAIN && !path.startsWith(STANDS); again++) {
    before = lastWritten();
    response = (await ask().catch(() => null)) ?? response;
  }
  noteKept(path, response);
  return response;
}

/** The answer of the server to what it was asked, where it is one that was hoped for. A stale security token is renewed once. */
async function answered(request: Request): Promise<Response> {
  const { pathname, search } = new URL(request.url);
  const body = await request.text();
  let response: Response;
  try {
    response = await send(pathname + search, request, body);
    if (response.status === 419) {
      await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' });
      response = await send(pathname + search, request, body);
    }
  } catch {
    throw noConnection();
  }
  noteTime(response);
  if (response.ok) {
    if (request.method !== 'GET') noteWritten();
    return response;
  }
  const problem = (await response.json().catch(() => null)) as Partial<Schemas['Problem']> | null;
  if (response.status === 401 && problem?.errors?.some((fault) => fault.field === '/device')) signedOutElsewhere.say();
  throw new ApiProblem(
    response.status,
    problem?.message ?? 'Something went wrong on the server. Nothing was written.',
    problem?.errors ?? [],
  );
}

// It knows whole addresses only; which server they are at is the page's to know.
const client = createClient<paths>({ baseUrl: 'http://house', fetch: answered });

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';
type Asked<P extends keyof paths, M extends Method> = MaybeOptionalInit<paths[P], Lowercase<M>>;
/** Nothing where the answer has no body. */
type Answer<P extends keyof paths, M extends Method> = paths[P][Lowercase<M>] extends infer Operation extends Record<
  string,
  unknown
>
  ? Extract<FetchResponse<Operation, unknown, 'application/json'>, { data: unknown }>['data']
  : never;

/**
 * One call to the server, at an address of the API document: what goes there and what comes back are as it says.
 *
 * @throws ApiProblem where the answer is not what was hoped for, and where there is none
 */
export async function call<M extends Method, P extends ClientPathsWithMethod<typeof client, Lowercase<M>>>(
  method: M,
  path: P,
  ...asked: undefined extends Asked<P, M> ? [Asked<P, M>?] : [Asked<P, M>]
): Promise<Answer<P, M>> {
  try {
    const { data } = await client.request(method.toLowerCase() as Lowercase<M>, path, ...(asked as never));
    return data as Answer<P, M>;
  } catch (error) {
    // Somebody else answered in its place: a hotspot that wants to be signed in to, with a page of its own.
    throw error instanceof SyntaxError ? noConnection() : error;
  }
}
