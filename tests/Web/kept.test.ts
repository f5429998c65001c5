import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { call } from '../../resources/js/api/client';
import { hasArrived, onArrival } from '../../resources/js/api/kept';

const asked: { path: string; cache: RequestCache | undefined }[] = [];
let keeps = false;
let told = 0;

beforeEach(() => {
  asked.length = 0;
  keeps = false;
  told = 0;
  onArrival(() => told++);
  document.cookie = 'XSRF-TOKEN=given';
  vi.useFakeTimers({ toFake: ['performance', 'setTimeout', 'clearTimeout'] });
  vi.stubGlobal('fetch', (path: string, request: RequestInit) => {
    asked.push({ path, cache: request.cache });
    return Promise.resolve(Response.json({ from: 'the server' }, { headers: keeps ? { 'X-Kept': 'yes' } : {} }));
  });
  vi.stubGlobal('caches', { match: () => Promise.resolve(Response.json({ from: 'the worker' })) });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('waits for the server after something was written, and only then', async () => {
  await call('GET', '/api/crew');
  await call('PUT', '/api/group', { body: {} });
  await call('GET', '/api/crew');
  vi.advanceTimersByTime(31_000);
  await call('GET', '/api/crew');
  expect(asked.map((one) => one.cache)).toEqual(['default', undefined, 'reload', 'default']);
});

it('asks again where something was written while the answer was on its way', async () => {
  let asked = 0;
  let rigs = 0;
  const waiting: (() => void)[] = [];
  vi.stubGlobal('fetch', async (_: string, request: RequestInit) => {
    if (request.method === 'PUT') return Response.json({ rigs: ++rigs });
    const seen = rigs;
    if (++asked === 1) await new Promise<void>((done) => waiting.push(done));
    return Response.json({ rigs: seen });
  });
  const meeting = call('GET', '/api/course');
  await vi.waitUntil(() => waiting.length > 0);
  await call('PUT', '/api/group', { body: {} });
  waiting.shift()?.();
  expect(await meeting).toEqual({ rigs: 1 });
  expect(asked).toBe(2);
  // Without a network in between, the answer there is.
  asked = 0;
  const other = call('GET', '/api/course');
  await vi.waitUntil(() => waiting.length > 0);
  await call('PUT', '/api/group', { body: {} });
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
  waiting.shift()?.();
  expect(await other).toEqual({ rigs: 1 });
});

it('does not ask again for all the drawings', async () => {
  const sent: string[] = [];
  vi.stubGlobal('fetch', async (path: string, request: RequestInit) => {
    sent.push(path);
    if (request.method === 'GET') await call('PUT', '/api/group', { body: {} });
    return Response.json({ answers: [], whole: true });
  });
  await call('GET', '/api/knots-to-keep', { params: { query: { part: 'left' } } });
  expect(sent).toEqual(['/api/knots-to-keep?part=left', '/api/group']);
});

it('gives no answer that came in late before something was written', async () => {
  keeps = true;
  await call('GET', '/api/crew');
  keeps = false;
  hasArrived('/api/crew');
  await call('PUT', '/api/group', { body: {} });
  expect(await call('GET', '/api/crew')).toEqual({ from: 'the server' });
});

it('takes what came in late for an answer that was a kept one, once', async () => {
  hasArrived('/api/course');
  expect(told).toBe(0);
  keeps = true;
  await call('GET', '/api/crew');
  keeps = false;
  hasArrived('/api/learners/1');
  expect(told).toBe(0);
  hasArrived('/api/crew');
  expect(told).toBe(1);
  expect(await call('GET', '/api/crew')).toEqual({ from: 'the worker' });
  expect(await call('GET', '/api/crew')).toEqual({ from: 'the server' });
  hasArrived('/api/crew');
  expect(told).toBe(1);
});

it('catches up where somebody else was answered by the server meanwhile', async () => {
  keeps = true;
  await call('GET', '/api/badges');
  keeps = false;
  await call('GET', '/api/badges');
  expect(told).toBe(0);
  hasArrived('/api/badges');
  expect(told).toBe(1);
});

it('catches up where the answer overtook the kept one', async () => {
  hasArrived('/api/me');
  keeps = true;
  await call('GET', '/api/me');
  expect(told).toBe(0);
  vi.advanceTimersByTime(1_000);
  expect(told).toBe(1);
  // Long before, it was another answer.
  vi.advanceTimersByTime(60_000);
  await call('GET', '/api/me');
  vi.advanceTimersByTime(1_000);
  expect(told).toBe(1);
});
