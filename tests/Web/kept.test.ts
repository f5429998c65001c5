import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { call } from '../../resources/js/api/client';
import { hasArrived } from '../../resources/js/api/kept';

const asked: { path: string; cache: RequestCache | undefined }[] = [];
let keeps = false;

beforeEach(() => {
  asked.length = 0;
  keeps = false;
  document.cookie = 'XSRF-TOKEN=given';
  vi.useFakeTimers({ toFake: ['performance'] });
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
  await call('PUT', '/api/group', {});
  await call('GET', '/api/crew');
  vi.advanceTimersByTime(31_000);
  await call('GET', '/api/crew');
  expect(asked.map((one) => one.cache)).toEqual(['default', undefined, 'reload', 'default']);
});

it('takes what came in late for an answer that was a kept one, once', async () => {
  expect(hasArrived('/api/crew')).toBe(false);
  keeps = true;
  await call('GET', '/api/crew');
  keeps = false;
  expect(hasArrived('/api/learners/1')).toBe(false);
  expect(hasArrived('/api/crew')).toBe(true);
  expect(await call('GET', '/api/crew')).toEqual({ from: 'the worker' });
  expect(await call('GET', '/api/crew')).toEqual({ from: 'the server' });
  expect(hasArrived('/api/crew')).toBe(false);
});
