import { vi } from 'vitest';
import { meQuery, queryClient } from '../../resources/js/api/queries';
import type { NewEvent } from '../../resources/js/outbox/store';

type Asked = { method: string; path: string; body: unknown };

/** Answers the outbox's calls as the server would, keeps what it was sent, and can be told to fail. */
export class FakeServer {
  readonly asked: Asked[] = [];
  readonly events: NewEvent[] = [];
  readonly walkIns = new Set<string>();
  readonly here = new Map<string, boolean>();
  readonly steps: string[] = [];
  /** Evenings it was told of, by their ids; one is on already where it says so. */
  readonly evenings = new Map<string, string>();
  onAlready: string | null = null;
  readonly places: string[] = [];
  /** Learners it knows, besides those who came along. */
  readonly learners = new Set<string>();
  /** Who may send: whoever is signed in. */
  signedIn: string | null = 'maren';
  network = true;
  /** Paths that answer with a status of their own. */
  readonly broken = new Map<RegExp, { status: number; field?: string; message?: string }>();
  /** Called while a request is under way: what it asks for is done, and not answered yet. */
  meanwhile: (asked: Asked) => Promise<void> = () => Promise.resolve();

  start(): this {
    document.cookie = 'XSRF-TOKEN=word';
    vi.stubGlobal('fetch', async (input: string, init?: RequestInit) => {
      const asked = { method: init?.method ?? 'GET', path: input, body: JSON.parse(String(init?.body ?? 'null')) };
      if (!this.network) throw new TypeError('Failed to fetch');
      this.asked.push(asked);
      const { status, body } = this.answer(asked);
      await this.meanwhile(asked);
      const answer = new Response(status === 204 ? null : JSON.stringify(body), { status });
      Object.defineProperty(answer, 'url', { value: `http://127.0.0.1${input}` });
      return answer;
    });
    return this;
  }

  /** Has somebody sign in, whom the device knows of at once. */
  signIn(id: string, group = 'gullwick', zone = 'UTC'): void {
    this.signedIn = id;
    const user = { id, name: id === 'maren' ? 'Maren Holt' : 'Wren Callow' };
    const me = { user, group: { id: group, time_zone: zone }, hand_in: `seal-${id}` };
    queryClient.setQueryData(meQuery.queryKey, me as never);
  }

  paths(): string[] {
    return this.asked.map((one) => `${one.method} ${one.path}`);
  }

  private answer({ method, path, body }: Asked): { status: number; body: unknown } {
    for (const [pattern, { status, field = '', message = 'Not taken.' }] of this.broken) {
      if (pattern.test(path)) return problem(status, field, message);
    }
    if (path === '/api/me') {
      return this.signedIn === null ? problem(401) : { status: 200, body: { user: { id: this.signedIn } } };
    }
    if (this.signedIn === null) return problem(401);
    if (path === '/api/walk-ins') {
      for (const one of (body as { learners: { id: string }[] }).learners) this.walkIns.add(one.id);
      return { status: 201, body: { learners: [] } };
    }
    if (path === '/api/check-events') return this.take((body as { events: NewEvent[] }).events);
    if (path === '/api/tonight') {
      const { id } = body as { id: string };
      if (!this.evenings.has(id)) this.evenings.set(id, this.onAlready ?? id);
      return { status: 201, body: { meeting: { id: this.evenings.get(id) }, roll: [], clock: { blocks: [] } } };
    }
    const placed = /^\/api\/meetings\/(.+)\/(leads|stations)\/(.+)$/.exec(path);
    if (placed) {
      this.places.push(`${placed[1]} ${placed[2]} ${placed[3]} ${JSON.stringify(body)}`);
      return { status: 204, body: null };
    }
    const roll = /^\/api\/meetings\/(.+)\/attendance\/(.+)$/.exec(path);
    if (roll && method === 'PUT') {
      this.here.set(`${roll[1]} ${roll[2]}`, (body as { present: boolean }).present);
      return { status: 204, body: null };
    }
    if (path.endsWith('/run')) {
      this.steps.push((body as { step: string }).step);
      return { status: 200, body: { roll: [], clock: { blocks: [] } } };
    }
    return { status: 404, body: { message: 'Not here.', errors: [] } };
  }

  /** All of them or none, as the real one does it; an event that is known already is answered, and not written twice. */
  private take(events: NewEvent[]): { status: number; body: unknown } {
    for (const [number, event] of events.entries()) {
      if (event.by !== undefined && event.by !== this.signedIn) return problem(422, `/events/${number}/by`);
      if (!this.learners.has(event.learner) && !this.walkIns.has(event.learner)) {
        return problem(422, `/events/${number}/learner`, `No learner ${event.learner}.`);
      }
    }
    for (const event of events) if (!this.events.some((one) => one.id === event.id)) this.events.push(event);
    return {
      status: 200,
      body: { results: events.map(({ id }) => ({ id, level: null, verdict: 'has_it', next: '' })) },
    };
  }
}

const problem = (status: number, field = '', message = 'Not taken.') => ({
  status,
  body: { message, errors: field === '' ? [] : [{ field, value: null, allowed: 'something else', message }] },
});
