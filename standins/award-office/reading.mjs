/** What may stand in a list, and what the office refuses. */

const DAY = /^\d{4}-\d{2}-\d{2}$/;

export class Unreadable extends Error {
  constructor(field, message) {
    super(message);
    this.field = field;
  }
}

/** @returns {object[]} the awards of a list; throws what cannot be read, with its place */
export function readList(body) {
  if (typeof body?.group !== 'string' || body.group === '')
    throw new Unreadable('/group', 'Say which group it is from.');
  if (!Array.isArray(body.awards) || body.awards.length < 1 || body.awards.length > 100) {
    throw new Unreadable('/awards', 'From 1 to 100 awards.');
  }
  const seen = new Set();
  return body.awards.map((one, index) => {
    const at = `/awards/${index}`;
    if (typeof one?.award !== 'string' || !/^[0-9a-f-]{8,60}$/.test(one.award))
      throw new Unreadable(`${at}/award`, 'An id.');
    if (seen.has(one.award)) throw new Unreadable(`${at}/award`, 'Each award once.');
    seen.add(one.award);
    if (typeof one.learner !== 'string' || one.learner.trim() === '') throw new Unreadable(`${at}/learner`, 'A name.');
    if (
      typeof one.badge?.id !== 'string' ||
      typeof one.badge.name !== 'string' ||
      !Number.isInteger(one.badge.version)
    ) {
      throw new Unreadable(`${at}/badge`, 'Its id, its name and its version.');
    }
    if (!DAY.test(one.decided_on ?? '')) throw new Unreadable(`${at}/decided_on`, 'A day: 2026-11-24.');
    if (typeof one.by_hand !== 'boolean') throw new Unreadable(`${at}/by_hand`, 'true or false.');
    if (!Array.isArray(one.requirements) || one.requirements.length > 200)
      throw new Unreadable(`${at}/requirements`, 'At most 200.');
    for (const [n, part] of one.requirements.entries()) {
      if (typeof part?.name !== 'string' || !(part.met_on === null || DAY.test(part.met_on ?? ''))) {
        throw new Unreadable(`${at}/requirements/${n}`, 'A name, and a day or null.');
      }
    }
    const { award, learner, badge, decided_on, by_hand, requirements } = one;
    return { award, learner, badge, decided_on, by_hand, requirements };
  });
}

/** Why it is refused, with the requirement by name; null where it is taken. */
export function refusal(one) {
  if (one.requirements.length === 0) return { requirement: null, reason: 'No requirement is named.' };
  for (const { name, met_on } of one.requirements) {
    if (met_on === null) return { requirement: name, reason: 'There is no day on which it was met.' };
    if (met_on > one.decided_on)
      return {
        requirement: name,
        reason: `It was met on ${met_on}, after the badge was decided on ${one.decided_on}.`,
      };
  }
  return null;
}
