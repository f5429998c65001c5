import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { House } from '../../resources/js/api/client';

const enter = vi.fn();
vi.mock('../../resources/js/shell/enter', () => ({ enter }));

const ME = { user: { id: 'maren' }, group: { id: 'crew' } };
const FAULT = 'This e-mail address and password do not belong together.';

/** What the server answers by address, and what it was asked; without an answer there is no network. */
let answers: Record<string, { status: number; body?: unknown }>;
let asked: string[];

const house = (more: Partial<House> = {}): { status: number; body: House } => ({
  status: 200,
  body: { house: 'demo', signed_in: false, hosts: false, needs_setup: false, today: '2026-11-24', ...more },
});

beforeEach(() => {
  localStorage.clear();
  enter.mockReset();
  vi.resetModules();
  document.body.innerHTML = '<div id="app"><p>before</p></div>';
  document.cookie = 'XSRF-TOKEN=word';
  window.history.replaceState(null, '', '/crew');
  asked = [];
  answers = { '/api/house': house() };
  window.matchMedia ??= () => ({ matches: false }) as MediaQueryList;
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    asked.push(`${init?.method ?? 'GET'} ${path}`);
    const answer = answers[path];
    if (!answer) throw new TypeError('Failed to fetch');
    const response = new Response(answer.status === 204 ? null : JSON.stringify(answer.body ?? {}), answer);
    Object.defineProperty(response, 'url', { value: `http://127.0.0.1${path}` });
    return Promise.resolve(response);
  });
});

/** A busy machine takes its time. */
const soon = <Found>(ask: () => Found): Promise<Found> => vi.waitFor(ask, { timeout: 30_000 });

const start = (): Promise<unknown> => import('../../resources/js/main');
const find = <Found extends HTMLElement>(css: string): Found => {
  const found = document.querySelector<Found>(css);
  if (!found) throw new Error(`There is no ${css}.`);
  return found;
};
const door = (): Promise<HTMLInputElement> => soon(() => find<HTMLInputElement>('input[type=email]'));

async function signIn(): Promise<void> {
  find<HTMLInputElement>('#email').value = 'maren@gullwick.example';
  find<HTMLInputElement>('#password').value = 'lantern-tail-77';
  find<HTMLFormElement>('form').requestSubmit();
  await soon(() => expect(asked).toContain('POST /api/sign-in'));
}

describe('who comes to the door', () => {
  it('finds the sign-in where nobody is signed in, and the app only behind it', async () => {
    await start();
    await door();
    expect(document.body.textContent).not.toContain('before');
    expect([...document.querySelectorAll('label')].map((one) => [one.textContent, one.htmlFor])).toEqual([
      ['E-mail', 'email'],
      ['Password', 'password'],
    ]);
    expect(enter).not.toHaveBeenCalled();
    answers['/api/sign-in'] = { status: 200, body: ME };
    await signIn();
    await soon(() => expect(enter).toHaveBeenCalledOnce());
    expect(enter.mock.calls[0]).toEqual([find('#app'), { me: ME, house: { ...house().body, signed_in: true } }]);
  });

  it.each([
    ['somebody is signed in', house({ signed_in: true })],
    ['the house is empty', house({ needs_setup: true })],
  ])('goes straight in where %s', async (_, answer) => {
    answers['/api/house'] = answer;
    await start();
    await soon(() => expect(enter).toHaveBeenCalledWith(find('#app'), { house: answer.body }));
    expect(document.querySelector('form')).toBeNull();
  });

  it('lets the app say what is wrong where there is no answer', async () => {
    answers = {};
    await start();
    await soon(() => expect(enter).toHaveBeenCalledWith(find('#app'), {}));
  });

  it.each(['/join', '/reset', '/phone'])('asks nobody at %s', async (path) => {
    window.history.replaceState(null, '', path);
    await start();
    await soon(() => expect(enter).toHaveBeenCalledWith(find('#app'), {}));
    expect(asked).toEqual([]);
  });

  it('says what was wrong, keeps what was typed, and takes another try', async () => {
    await start();
    await door();
    answers['/api/sign-in'] = { status: 422, body: { message: FAULT, errors: [{ field: '/email', message: FAULT }] } };
    await signIn();
    await soon(() => expect(find('[role=alert]').textContent).toBe(FAULT));
    expect(find<HTMLInputElement>('#email').value).toBe('maren@gullwick.example');
    expect(find<HTMLButtonElement>('button').disabled).toBe(false);
    delete answers['/api/sign-in'];
    find<HTMLFormElement>('form').requestSubmit();
    await soon(() => expect(find('[role=alert]').textContent).toContain('No connection'));
    expect(enter).not.toHaveBeenCalled();
  });

  it('takes an old refusal back while it asks again, and lets one try again where the app does not come', async () => {
    await start();
    await door();
    answers['/api/sign-in'] = { status: 422, body: { message: FAULT, errors: [{ field: '/email', message: FAULT }] } };
    await signIn();
    await soon(() => expect(find('[role=alert]').hidden).toBe(false));
    answers['/api/sign-in'] = { status: 200, body: ME };
    enter.mockImplementationOnce(() => {
      throw new TypeError('The app did not come');
    });
    find<HTMLFormElement>('form').requestSubmit();
    expect(find('[role=alert]').hidden).toBe(true);
    await soon(() => expect(find('[role=alert]').textContent).toBe('The app did not come'));
    expect(find<HTMLButtonElement>('button').disabled).toBe(false);
    find<HTMLFormElement>('form').requestSubmit();
    await soon(() => expect(enter).toHaveBeenCalledTimes(2));
  });

  it.each([
    ['the same person', 'maren crew', ['group', 'keeping', 'knots'], []],
    ['somebody else', 'wren crew', [], ['left']],
    ['the same person of another group', 'maren other', [], ['left']],
    ['somebody who was never here', null, [], []],
  ])('leaves what was kept here to %s, where a session ran out', async (_, whose, left, heard) => {
    // The other tabs show whoever was here before.
    const told: string[] = [];
    vi.stubGlobal(
      'BroadcastChannel',
      class {
        postMessage = (word: string): void => void told.push(word);
      },
    );
    const names = new Set(['group', 'keeping', 'knots']);
    vi.stubGlobal('caches', {
      delete: (name: string) => Promise.resolve(names.delete(name)),
      has: (name: string) => Promise.resolve(names.has(name)),
    });
    if (whose !== null) localStorage.setItem('compadre-kept-of', whose);
    localStorage.setItem('compadre-group-kept', '1');
    await start();
    await door();
    answers['/api/sign-in'] = { status: 200, body: ME };
    await signIn();
    await soon(() => expect(enter).toHaveBeenCalledOnce());
    expect([...names].sort()).toEqual(left);
    expect(told).toEqual(heard);
    expect(localStorage.getItem('compadre-kept-of')).toBe('maren crew');
    expect(localStorage.getItem('compadre-group-kept')).toBe(left.length === 0 ? null : '1');
    vi.unstubAllGlobals();
  });

  it.each([
    ['demo', false],
    ['group', true],
  ] as const)('says in a %s where its sign-in is, or does not', async (kind, hidden) => {
    answers['/api/house'] = house({ house: kind });
    await start();
    await door();
    await soon(() => expect(find('form p:last-child').hidden).toBe(hidden));
  });
});

describe('who signed out without a network', () => {
  beforeEach(() => localStorage.setItem('compadre-leaving', 'yes'));

  it('finds the sign-in before anything is asked, and is signed out once the server hears of it', async () => {
    answers = { '/api/house': house({ signed_in: true }) };
    await start();
    await door();
    await soon(() => expect(asked).toEqual(['POST /api/sign-out']));
    // Not told: what the server thinks of who is signed in does not count.
    expect(enter).not.toHaveBeenCalled();
    expect(localStorage.getItem('compadre-leaving')).toBe('yes');
    answers['/api/sign-out'] = { status: 204 };
    window.dispatchEvent(new Event('online'));
    await soon(() => expect(localStorage.getItem('compadre-leaving')).toBeNull());
    await soon(() => expect(asked.at(-1)).toBe('GET /api/house'));
  });

  it('stays, once somebody has signed in again', async () => {
    answers = { '/api/sign-in': { status: 200, body: ME } };
    await start();
    await door();
    await signIn();
    await soon(() => expect(enter).toHaveBeenCalledWith(find('#app'), { me: ME }));
    expect(localStorage.getItem('compadre-leaving')).toBeNull();
  });
});
