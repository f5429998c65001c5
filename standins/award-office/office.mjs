import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import { Faults } from './faults.mjs';
import { readList, refusal, Unreadable } from './reading.mjs';
import { Register } from './register.mjs';

const LIFE = 300;
/** No key is forgotten sooner, in milliseconds. */
const REMEMBERED = 2000;
const MOST = 2 * 1024 * 1024;

const { values: asked } = parseArgs({
  options: {
    store: { type: 'string' },
    port: { type: 'string', default: '8425' },
    client: { type: 'string', multiple: true, default: [] },
    faults: { type: 'string' },
  },
});
if (!asked.store || asked.client.length === 0) {
  process.stderr.write('node office.mjs --store FOLDER --client ID:SECRET [--port 8425] [--faults FILE]\n');
  process.exit(2);
}

const digest = (text) => createHash('sha256').update(text).digest();
const clients = new Map(
  asked.client.map((one) => [one.slice(0, one.indexOf(':')), digest(one.slice(one.indexOf(':') + 1))]),
);
const register = new Register(asked.store);
const faults = new Faults(asked.faults ? JSON.parse(readFileSync(asked.faults, 'utf8')) : {});
/** Until when a token is good, and whose it is. */
const tokens = new Map();
/** Keys whose lists are being read. */
const reading = new Set();

/** An answer that is not as asked for: its status, what it says, and its headers. */
class Otherwise extends Error {
  constructor(status, body, headers = {}) {
    super(String(status));
    Object.assign(this, { status, body, headers });
  }
}

async function bodyOf(request) {
  const parts = [];
  let length = 0;
  for await (const part of request) {
    length += part.length;
    if (length > MOST) throw new Otherwise(413, { error: 'too_long' });
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}

/** RFC 6749, 4.4. */
async function token(request) {
  const form = new URLSearchParams(await bodyOf(request));
  const basic = /^Basic (.+)$/i.exec(request.headers.authorization ?? '');
  const pair = basic
    ? Buffer.from(basic[1], 'base64').toString('utf8')
    : `${form.get('client_id') ?? ''}:${form.get('client_secret') ?? ''}`;
  const [id, secret] = [pair.slice(0, pair.indexOf(':')), pair.slice(pair.indexOf(':') + 1)].map(decodeURIComponent);
  const known = clients.get(id);
  if (!known || !timingSafeEqual(known, digest(secret))) {
    throw new Otherwise(401, { error: 'invalid_client' }, { 'WWW-Authenticate': 'Basic realm="award office"' });
  }
  if (form.get('grant_type') !== 'client_credentials') throw new Otherwise(400, { error: 'unsupported_grant_type' });
  const made = randomBytes(24).toString('base64url');
  tokens.set(made, { client: id, until: Date.now() + LIFE * 1000 });
  return [200, { access_token: made, token_type: 'Bearer', expires_in: LIFE }];
}

function signedIn(request) {
  const held = /^Bearer (.+)$/i.exec(request.headers.authorization ?? '')?.[1];
  const found = held === undefined ? undefined : tokens.get(held);
  if (!found || found.until < Date.now())
    throw new Otherwise(401, { error: 'invalid_token' }, { 'WWW-Authenticate': 'Bearer error="invalid_token"' });
  return { client: found.client, end: () => tokens.delete(held) };
}

async function list(request, fault) {
  const { client, end } = signedIn(request);
  const key = request.headers['idempotency-key'] ?? '';
  if (!/^[\x21-\x7e]{8,80}$/.test(key))
    throw new Otherwise(400, { error: 'no_key', message: 'An Idempotency-Key of 8 to 80 signs.' });
  if (reading.has(`${client} ${key}`)) throw new Otherwise(409, { error: 'being_read' }, { 'Retry-After': '1' });
  reading.add(`${client} ${key}`);
  try {
    const text = await bodyOf(request);
    const hash = digest(text).toString('hex');
    if (fault.slow) await new Promise((done) => setTimeout(done, faults.asked.slow_ms));
    const before = register.answered(client, key);
    if (before) {
      if (before.hash !== hash) throw new Otherwise(422, { error: 'key_reused' });
      return [200, before.answer];
    }
    const awards = readList(parsed(text));
    const cut = fault.half || fault.ended ? awards.slice(0, Math.floor(awards.length / 2)) : awards;
    const [entries, answer] = decided(client, cut);
    register.list(client, key, hash, entries, answer);
    if (fault.ended) {
      end();
      throw new Otherwise(401, { error: 'invalid_token' });
    }
    return [200, answer];
  } finally {
    reading.delete(`${client} ${key}`);
  }
}

function parsed(text) {
  try {
    return JSON.parse(text);
  } catch {
    throw new Unreadable('', 'This is no JSON.');
  }
}

function decided(client, awards) {
  const entries = [];
  const receipts = [];
  const refused = [];
  for (const one of awards) {
    const why = register.isForgotten(client, one.award)
      ? { requirement: null, reason: 'It was forgotten, and is not taken again.' }
      : refusal(one);
    if (why === null) {
      const receipt = register.nextReceipt(receipts.length);
      receipts.push({ award: one.award, receipt });
      entries.push({ ...one, state: 'taken', receipt, requirement: null, reason: null });
    } else {
      refused.push({ award: one.award, ...why });
      entries.push({ award: one.award, state: 'refused', receipt: null, ...why });
    }
  }
  return [entries, { receipts, refused }];
}

function known(request, address) {
  const { client } = signedIn(request);
  const ids = (address.searchParams.get('ids') ?? '').split(',').filter(Boolean);
  if (ids.length < 1 || ids.length > 100) throw new Otherwise(400, { error: 'ids', message: 'From 1 to 100 ids.' });
  const awards = ids
    .map((id) => register.of(client, id))
    .filter(Boolean)
    .map(({ award, state, receipt, requirement, reason, key }) => ({
      award,
      state,
      receipt,
      requirement,
      reason,
      key,
    }));
  return [200, { awards }];
}

function takeBack(request, award) {
  const { client } = signedIn(request);
  const entry = register.of(client, award);
  if (!entry || entry.state === 'refused') throw new Otherwise(404, { error: 'unknown_award' });
  if (entry.state !== 'taken_back') register.takeBack(client, award);
  return [204, null];
}

function forget(request, award) {
  const { client } = signedIn(request);
  if (!register.isForgotten(client, award)) register.forget(client, award);
  return [204, null];
}

async function answerTo(request, address, fault) {
  const path = `${request.method} ${address.pathname}`;
  if (path === 'POST /token') return token(request);
  if (path === 'POST /lists') return list(request, fault);
  if (path === 'GET /awards') return known(request, address);
  const one = /^\/awards\/([0-9a-f-]{8,60})(\/taken-back)?$/.exec(address.pathname);
  if (one && request.method === 'PUT' && one[2]) return takeBack(request, one[1]);
  if (one && request.method === 'DELETE' && !one[2]) return forget(request, one[1]);
  throw new Otherwise(404, { error: 'nothing_here' });
}

/** Faults are set without any, so that they can always be ended. */
async function setFaults(request) {
  if (request.method === 'PUT') faults.set(parsed(await bodyOf(request)));
  return [200, faults.asked];
}

/** The same award named twice in each list of an answer. */
const doubled = (body) =>
  Object.fromEntries(
    Object.entries(body).map(([name, value]) => [name, Array.isArray(value) ? [...value, ...value] : value]),
  );

createServer(async (request, response) => {
  const address = new URL(request.url, 'http://office');
  const isOfFaults = address.pathname === '/faults';
  const fault = isOfFaults ? {} : faults.draw();
  let status;
  let body;
  let headers = {};
  try {
    if (fault.down) throw new Otherwise(503, { error: 'down' });
    if (fault.busy) throw new Otherwise(429, { error: 'busy' }, { 'Retry-After': '1' });
    if (fault.slow && address.pathname !== '/lists')
      await new Promise((done) => setTimeout(done, faults.asked.slow_ms));
    [status, body] = isOfFaults ? await setFaults(request) : await answerTo(request, address, fault);
  } catch (error) {
    if (error instanceof Otherwise) ({ status, body, headers } = error);
    else if (error instanceof Unreadable) [status, body] = [422, { error: error.message, field: error.field }];
    else [status, body] = isOfFaults ? [422, { error: error.message }] : [500, { error: 'fault' }];
  }
  if (fault.forgets && request.method === 'POST') register.forgetKeys(Date.now() - REMEMBERED);
  if (fault.lost) {
    request.socket.destroy();
    return;
  }
  const text = body === null ? '' : JSON.stringify(fault.twice && status === 200 ? doubled(body) : body);
  response.writeHead(status, {
    'Content-Type': 'application/json',
    'Content-Length': Buffer.byteLength(text),
    ...headers,
  });
  response.end(text, () => {
    if (fault.twice)
      request.socket.write(
        `HTTP/1.1 ${status} OK\r\nContent-Type: application/json\r\nContent-Length: ${Buffer.byteLength(text)}\r\n\r\n${text}`,
      );
  });
}).listen(Number(asked.port), '127.0.0.1', () =>
  process.stdout.write(`The award office is at http://127.0.0.1:${asked.port}\n`),
);

for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => process.exit(0));
