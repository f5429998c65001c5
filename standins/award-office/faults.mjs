/** What may go wrong in an office, and how often: drawn by lot, the same lots for the same seed. */

export const FAULTS = ['slow', 'down', 'busy', 'lost', 'twice', 'ended', 'half', 'forgets'];

/** Numbers from 0 to 1 (mulberry32). */
function lots(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

export class Faults {
  #asked;
  #lot;

  constructor(asked = {}) {
    this.set(asked);
  }

  /** Throws a sentence where a rate is none. */
  set({ seed = 1, slow_ms = 1500, rates = {} }) {
    for (const [name, rate] of Object.entries(rates)) {
      if (!FAULTS.includes(name)) throw new Error(`There is no fault "${name}": one of ${FAULTS.join(', ')}.`);
      if (typeof rate !== 'number' || !(rate >= 0 && rate <= 1)) throw new Error(`"${name}" is a number from 0 to 1.`);
    }
    if (!Number.isInteger(seed)) throw new Error('"seed" is a whole number.');
    if (!(slow_ms >= 0 && slow_ms <= 60000)) throw new Error('"slow_ms" is a number from 0 to 60000.');
    this.#asked = { seed, slow_ms, rates };
    this.#lot = lots(seed);
  }

  get asked() {
    return this.#asked;
  }

  /** Which of them befall the next request. */
  draw() {
    const drawn = FAULTS.filter((name) => this.#lot() < (this.#asked.rates[name] ?? 0));
    return Object.fromEntries(drawn.map((name) => [name, true]));
  }
}
