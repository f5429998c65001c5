import { expect, it, vi } from 'vitest';
import { call, type House, type Schemas } from '../../resources/js/api/client';
import { enter } from '../../resources/js/shell/enter';

vi.mock('../../resources/js/shell/Inside', () => ({ Inside: () => 'The crew' }));
// What the first page does not need has not been fetched yet.
vi.mock('../../resources/js/shell/start', () => new Promise(() => undefined));

const HOUSE: House = { house: 'group', signed_in: true, hosts: false, needs_setup: false, today: '2026-11-24' };
const ME = { user: { id: 'maren' }, group: { time_zone: 'UTC' }, ahead: [] } as unknown as Schemas['Me'];

it('hears that an answer came in late from the very first page on', async () => {
  window.matchMedia ??= () => ({ matches: false }) as MediaQueryList;
  document.body.innerHTML = '<div id="app"></div>';
  const asked: string[] = [];
  vi.stubGlobal('fetch', (path: string) => {
    asked.push(path);
    return Promise.resolve(Response.json(ME, { headers: path === '/api/crew' ? { 'X-Kept': 'yes' } : {} }));
  });
  enter(document.getElementById('app') as HTMLElement, { house: HOUSE, me: ME });
  await vi.waitFor(() => expect(document.body.textContent).toContain('The crew'), { timeout: 20_000 });
  await call('GET', '/api/crew');
  expect(asked).toEqual(['/api/crew']);
  const worker = new BroadcastChannel('compadre-answers');
  worker.postMessage('/api/crew');
  await vi.waitFor(() => expect(asked).toContain('/api/me'), { timeout: 20_000 });
  worker.close();
});
