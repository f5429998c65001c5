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
