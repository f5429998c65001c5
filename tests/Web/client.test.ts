import { afterEach, beforeEach, expect, expectTypeOf, it, vi } from 'vitest';
import { ApiProblem, call, type Schemas, showGroup } from '../../resources/js/api/client';

const asked: { method: string; path: string; body: unknown; headers: Headers }[] = [];
const answers: (() => Response)[] = [];
const REFUSED = {
  message: 'The name is taken.',
  errors: [{ field: '/name/0', value: 'Ada', allowed: 'another', message: 'Taken.' }],
};

beforeEach(() => {
  asked.length = answers.length = 0;
  document.cookie = 'XSRF-TOKEN=a%3Db';
  vi.stubGlobal('fetch', (path: string, { method = 'GET', body, headers }: RequestInit) => {
    asked.push({ method, path, body: body ? JSON.parse(body as string) : undefined, headers: new Headers(headers) });
    const answer = answers.shift();
    return answer ? Promise.resolve(answer()) : Promise.reject(new TypeError('Failed to fetch'));
  });
});
afterEach(() => vi.unstubAllGlobals());

/** What a call comes to that is not answered as was hoped for. */
const problemOf = async (one: Promise<unknown>): Promise<ApiProblem> => {
  const problem = await one.catch((error: unknown) => error);
  if (problem instanceof ApiProblem) return problem;
  throw new Error(`It was answered: ${JSON.stringify(problem)}`);
};

it('asks at the address of the document, with what it names put in, and leaves out what is not asked', async () => {
  answers.push(() => Response.json({ knots: [] }));
  const params = { path: { knot: 'a/b c' }, query: { view: 'left', method: 'on the bight & back' } } as const;
  expect(await call('GET', '/api/knots/{knot}', { params })).toEqual({ knots: [] });
  answers.push(() => Response.json({ awards: [] }));
  await call('GET', '/api/certificates', { params: { query: {} } });
  expect(asked.map((one) => [one.method, one.path, one.body])).toEqual([
    ['GET', '/api/knots/a%2Fb%20c?view=left&method=on%20the%20bight%20%26%20back', undefined],
    ['GET', '/api/certificates', undefined],
  ]);
  expect(asked[0]?.headers.has('X-XSRF-TOKEN')).toBe(false);
});

it('sends what it was given, with the token and the group that is shown, and once more where the token was stale', async () => {
  showGroup('the-group');
  answers.push(
    () => Response.json({ message: 'Stale.' }, { status: 419 }),
    () => new Response(null, { status: 204 }),
    () => new Response(null, { status: 204 }),
  );
  const body = { present: true };
  await call('PUT', '/api/meetings/{meeting}/attendance/{learner}', {
    params: { path: { meeting: 'm', learner: 'l' } },
    body,
    headers: { 'X-Remote': 'held' },
  });
  const put = ['PUT', '/api/meetings/m/attendance/l', body];
  expect(asked.map((one) => [one.method, one.path, one.body])).toEqual([
    put,
    ['GET', '/sanctum/csrf-cookie', undefined],
    put,
  ]);
  expect(Object.fromEntries(asked[2]?.headers ?? [])).toEqual({
    accept: 'application/json',
    'content-type': 'application/json',
    'x-group': 'the-group',
    'x-remote': 'held',
    'x-xsrf-token': 'a=b',
  });
});

it('says what the server said of a fault, by field', async () => {
  answers.push(() => Response.json(REFUSED, { status: 422 }));
  const problem = await problemOf(call('DELETE', '/api/ropes/{rope}', { params: { path: { rope: 'r' } } }));
  expect([problem.status, problem.message, problem.about('/name')]).toEqual([422, 'The name is taken.', 'Taken.']);
  answers.push(() => new Response('<h1>Bad gateway</h1>', { status: 502 }));
  const broken = await problemOf(call('GET', '/api/crew'));
  expect([broken.status, broken.faults]).toEqual([502, []]);
});

it('takes no network for that, and somebody else who answers in its place', async () => {
  const away = await problemOf(call('GET', '/api/crew'));
  answers.push(() => new Response('<h1>Welcome to the hall</h1>', { headers: { 'Content-Type': 'text/html' } }));
  const hotspot = await problemOf(call('POST', '/api/learners', { body: { learners: [] } }));
  expect([away.status, hotspot.status, hotspot.message]).toEqual([0, 0, away.message]);
});

it('knows what goes where, and what comes back', () => {
  const never = false as boolean;
  if (never) {
    expectTypeOf(call('GET', '/api/crew')).resolves.toEqualTypeOf<Schemas['Crew']>();
    // Whoever hosts the house has no group, and is told nothing of one.
    const asked = { body: { email: '', password: '' } };
    expectTypeOf(call('POST', '/api/sign-in', asked)).resolves.toEqualTypeOf<Schemas['Me'] | undefined>();
    // @ts-expect-error no such address
    void call('GET', '/api/crews');
    // @ts-expect-error a learner is named
    void call('GET', '/api/learners/{learner}');
    void call('PUT', '/api/meetings/{meeting}/attendance/{learner}', {
      params: { path: { meeting: '', learner: '' } },
      // @ts-expect-error nobody is there a bit
      body: { present: 'a bit' },
    });
  }
  expect(never).toBe(false);
});
