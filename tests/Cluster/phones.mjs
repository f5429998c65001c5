// Simulated phones that send checks as the outbox does: in order, each batch again and again until it is answered, under the same ids.
// They say what was answered, a line of JSON each. "page PATH" looks at a page and says with what it was answered; "reset" and
// "gap" measure how long none of them was answered; "end" has them send what they still have, and say how it went.
//   node phones.mjs PHONES PASSWORD ORIGIN ADDRESS...
// Phone n talks to address n, over and over; all of them to the house that people know as ORIGIN.
import { randomUUID } from 'node:crypto';
import { createInterface } from 'node:readline';

const [phones, password, origin, ...addresses] = process.argv.slice(2);
const KNOTS = ['square-knot', 'bowline', 'sheet-bend', 'fishermans-knot', 'figure-eight-loop'];
const EMAIL = 'maren@gullwick.example';
let stops = false;
const figures = { acknowledged: 0, refused: [], statuses: {}, longest_gap_s: 0, sent: 0 };
let last = Date.now();

const say = (line) => process.stdout.write(`${JSON.stringify(line)}\n`);
const sleep = (ms) => new Promise((done) => setTimeout(done, ms));

class Session {
  cookies = new Map();
  constructor(address) {
    this.address = address;
  }

  async ask(method, path, body) {
    const response = await fetch(this.address + path, {
      method,
      headers: {
        Accept: 'application/json',
        Origin: origin,
        Referer: `${origin}/`,
        Cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
        'X-XSRF-TOKEN': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? ''),
        ...(body ? { 'Content-Type': 'application/json' } : {}),
      },
      body: body ? JSON.stringify(body) : undefined,
      signal: AbortSignal.timeout(20_000),
    });
    for (const cookie of response.headers.getSetCookie()) {
      const [name, value] = cookie.split(';')[0].split(/=(.*)/s);
      // Whoever comes without a session is given a new one: a phone keeps its own.
      if (!this.settled) this.cookies.set(name, value);
    }
    return { status: response.status, text: await response.text() };
  }

  async signIn() {
    await this.ask('GET', '/sanctum/csrf-cookie');
    const answer = await this.ask('POST', '/api/sign-in', { email: EMAIL, password });
    if (answer.status !== 200) throw new Error(`sign-in at ${this.address}: ${answer.status} ${answer.text}`);
    this.settled = true;
  }
}

const pick = (list) => list[Math.floor(Math.random() * list.length)];

async function phone(number, session, learners) {
  let seq = 0;
  while (!stops) {
    const batch = Array.from({ length: 1 + Math.floor(Math.random() * 3) }, () => ({
      id: randomUUID(),
      schema: 1,
      kind: 'result',
      learner: pick(learners),
      knot: pick(KNOTS),
      device: `phone-${number}`,
      device_seq: ++seq,
      observed_at: new Date().toISOString(),
      tying: Math.random() < 0.8 ? 'yes' : 'no',
      dressing: 'yes',
      tail: 'yes',
      how: 'attested',
      prompts: 0,
    })).map((event) => (event.tying === 'no' ? { ...event, dressing: 'not_looked', tail: 'not_looked' } : event));
    figures.sent += batch.length;
    await send(session, batch);
    await sleep(Math.random() * 60);
  }
}

async function send(session, batch) {
  for (;;) {
    let status = 'unreached';
    let text = '';
    try {
      ({ status, text } = await session.ask('POST', '/api/check-events', {
        sent_at: new Date().toISOString(),
        events: batch,
      }));
    } catch {
      // No network, for all a phone knows.
    }
    figures.statuses[status] = (figures.statuses[status] ?? 0) + 1;
    if (status === 200) {
      const now = Date.now();
      figures.longest_gap_s = Math.max(figures.longest_gap_s, (now - last) / 1000);
      last = now;
      figures.acknowledged += batch.length;
      say({ ids: batch.map(({ id }) => id) });
      return;
    }
    // What a phone can make nothing of, it shows: it must be words.
    let words = null;
    try {
      words = JSON.parse(text).message;
    } catch {
      // Not even JSON.
    }
    if (status !== 'unreached' && (status !== 503 || typeof words !== 'string')) {
      figures.refused.push({ status, text: text.slice(0, 400) });
      return;
    }
    await sleep(200 + Math.random() * 300);
  }
}

const sessions = await Promise.all(
  addresses.map(async (address) => {
    const session = new Session(address);
    await session.signIn();
    return session;
  }),
);
// Who comes along is told of by all at once: the same one by each, as by two phones that were handed the same list; then another of the
// same name by each.
const walkIns = [];
async function walkIn(learners) {
  walkIns.push(...learners.map(({ id }) => id));
  const told = await Promise.all(
    sessions.map((session, number) => session.ask('POST', '/api/walk-ins', { learners: [learners[number]] })),
  );
  for (const { status, text } of told) if (status !== 201) figures.refused.push({ status, text: text.slice(0, 400) });
}
for (let number = 1; number <= 20; number++) {
  const same = { id: randomUUID(), name: `Walker ${number}` };
  await walkIn(sessions.map(() => same));
  await walkIn(sessions.map(() => ({ id: randomUUID(), name: `Namesake ${number}` })));
}
say({ walk_ins: walkIns });
const asked = await sessions[0].ask('GET', '/api/crew');
if (asked.status !== 200) throw new Error(`the crew: ${asked.status} ${asked.text}`);
const crew = JSON.parse(asked.text);
const learners = crew.learners.map(({ id }) => id);
createInterface({ input: process.stdin }).on('line', async (line) => {
  const [what, path] = line.split(' ');
  if (what === 'page') say({ page: (await sessions[0].ask('GET', path)).status });
  else if (what === 'reset') figures.longest_gap_s = 0;
  else if (what === 'gap') say({ gap: figures.longest_gap_s });
  else stops = true;
});
last = Date.now();
say({ began: learners.length });
await Promise.all(
  Array.from({ length: Number(phones) }, (_, number) => phone(number, sessions[number % sessions.length], learners)),
);
say({ figures });
process.exit(0);
