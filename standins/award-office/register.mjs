import {
  closeSync,
  existsSync,
  fsyncSync,
  ftruncateSync,
  mkdirSync,
  openSync,
  readFileSync,
  renameSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';

/**
 * What the office knows, in a file with one line for each thing that happened. A line is on the disk before anybody is told of it; one that a
 * crash cut short never happened.
 */
export class Register {
  /** The latest entry of each award, by client and award. */
  #latest = new Map();
  /** Answers by client and idempotency key. */
  #answers = new Map();
  #forgotten = new Set();
  #receipts = 0;
  #path;
  #file;

  constructor(folder) {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    this.#path = join(folder, 'register.ndjson');
    const text = existsSync(this.#path) ? readFileSync(this.#path, 'utf8') : '';
    const whole = text.slice(0, text.lastIndexOf('\n') + 1);
    this.#file = openSync(this.#path, 'a', 0o600);
    ftruncateSync(this.#file, Buffer.byteLength(whole));
    for (const line of whole.split('\n')) if (line !== '') this.#apply(JSON.parse(line));
  }

  nextReceipt(ahead) {
    return `R-${String(this.#receipts + 1 + ahead).padStart(6, '0')}`;
  }

  of(client, award) {
    return this.#latest.get(`${client} ${award}`);
  }

  isForgotten(client, award) {
    return this.#forgotten.has(`${client} ${award}`);
  }

  answered(client, key) {
    return this.#answers.get(`${client} ${key}`);
  }

  /** Of all that was answered before that moment. */
  forgetKeys(before) {
    for (const [key, { at }] of this.#answers) if (at < before) this.#answers.delete(key);
  }

  /** One list, with all that became of it. */
  list(client, key, hash, entries, answer) {
    this.#write({ what: 'list', client, key, hash, entries, answer });
  }

  takeBack(client, award) {
    this.#write({ what: 'taken_back', client, award });
  }

  forget(client, award) {
    this.#write({ what: 'forgotten', client, award });
    this.#strip(client, award);
  }

  #write(line) {
    writeSync(this.#file, `${JSON.stringify(line)}\n`);
    fsyncSync(this.#file);
    this.#apply(line);
  }

  #apply(line) {
    if (line.what === 'list') {
      for (const entry of line.entries) {
        this.#latest.set(`${line.client} ${entry.award}`, { ...entry, key: line.key });
        if (entry.receipt !== null) this.#receipts = Math.max(this.#receipts, Number(entry.receipt.slice(2)));
      }
      this.#answers.set(`${line.client} ${line.key}`, { hash: line.hash, answer: line.answer, at: Date.now() });
    } else if (line.what === 'taken_back') {
      const entry = this.#latest.get(`${line.client} ${line.award}`);
      if (entry) entry.state = 'taken_back';
    } else if (line.what === 'forgotten') {
      this.#latest.delete(`${line.client} ${line.award}`);
      this.#forgotten.add(`${line.client} ${line.award}`);
    }
  }

  /** The store written anew with nothing in it of that award but its id; in one go, so that a crash leaves the old or the new. */
  #strip(client, award) {
    const lines = readFileSync(this.#path, 'utf8')
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line));
    for (const line of lines) {
      if (line.what !== 'list' || line.client !== client) continue;
      line.entries = line.entries.map((entry) =>
        entry.award === award
          ? { award, state: entry.state, receipt: entry.receipt, requirement: null, reason: null }
          : entry,
      );
    }
    const part = openSync(`${this.#path}.part`, 'w', 0o600);
    writeSync(part, lines.map((line) => `${JSON.stringify(line)}\n`).join(''));
    fsyncSync(part);
    closeSync(part);
    renameSync(`${this.#path}.part`, this.#path);
    closeSync(this.#file);
    this.#file = openSync(this.#path, 'a', 0o600);
  }
}
