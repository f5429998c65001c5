import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../../resources/js/api/client';
import { clocksApart, dayIn, noteTime, onClock, serverNow } from '../../resources/js/api/time';
import { CARD_MM, fingerMm, keepFinger, keepScale, scaleOf } from '../../resources/js/check/device';
import { uuid7 } from '../../resources/js/outbox/uuid7';
import { inPlace, withDone } from '../../resources/js/check/inPlace';
import { measureOf, toMillimetres, type Unit } from '../../resources/js/check/measure';
import { patrolAt } from '../../resources/js/course/people';
import { namesIn } from '../../resources/js/crew/AddLearners';
import { sieved } from '../../resources/js/crew/sieve';
import { meToday } from '../../resources/js/device/today';
import { matching } from '../../resources/js/knots/finding';
import { withSteps } from '../../resources/js/session/clock';
import { emptyAnswers, stepOf, toRequest, weekly } from '../../resources/js/setup/answers';

beforeEach(() => localStorage.clear());
afterEach(() => vi.useRealTimers());

/** Small whole numbers that follow from a seed: the same each time. */
function seeded(seed: number): (below: number) => number {
  let at = seed;
  return (below) => {
    at = (at * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((at / 2_147_483_648) * below);
  };
}

const answered = (date: string, path = '/api/me', headers: Record<string, string> = {}): Response => {
  const answer = new Response('{}', { headers: { Date: date, ...headers } });
  Object.defineProperty(answer, 'url', { value: `http://127.0.0.1${path}` });
  return answer;
};

describe('the time', () => {
  it('is the server’s, as its last answer told, and kept for when there is no network', () => {
    vi.useFakeTimers({ now: Date.parse('2026-11-24T18:00:00Z') });
    const told = vi.fn();
    const stop = onClock(told);
    noteTime(answered('Tue, 24 Nov 2026 18:00:01 GMT'));
    expect(told).not.toHaveBeenCalled();
    noteTime(answered('Tue, 24 Nov 2026 18:40:00 GMT'));
    expect(new Date(serverNow()).toISOString()).toBe('2026-11-24T18:40:00.000Z');
    expect(clocksApart()).toEqual({
      device: Date.parse('2026-11-24T18:00:00Z'),
      server: Date.parse('2026-11-24T18:40:00Z'),
    });
    expect(localStorage.getItem('compadre-skew')).toBe('2400000');
    vi.advanceTimersByTime(60_000);
    expect(new Date(serverNow()).toISOString()).toBe('2026-11-24T18:41:00.000Z');
    // What was kept here says nothing of the time, nor do drawings that may come from anywhere.
    noteTime(answered('Mon, 23 Nov 2026 10:00:00 GMT', '/api/me', { 'X-Kept': 'yes' }));
    noteTime(answered('Mon, 23 Nov 2026 10:00:00 GMT', '/api/knots/bowline'));
    noteTime(answered('no date'));
    expect(new Date(serverNow()).toISOString()).toBe('2026-11-24T18:41:00.000Z');
    noteTime(answered('Tue, 24 Nov 2026 18:01:00 GMT'));
    expect(clocksApart()).toBeNull();
    expect(told).toHaveBeenCalledTimes(2);
    stop();
  });

  it('is another day in another zone', () => {
    vi.useFakeTimers({ now: Date.parse('2026-11-24T23:30:00Z') });
    noteTime(answered('Tue, 24 Nov 2026 23:30:00 GMT'));
    expect(dayIn('UTC')).toBe('2026-11-24');
    expect(dayIn('Asia/Tokyo')).toBe('2026-11-25');
    expect(dayIn('America/Los_Angeles')).toBe('2026-11-24');
  });

  it('knows tonight’s meeting from an answer of days ago', () => {
    vi.useFakeTimers({ now: Date.parse('2026-11-24T18:30:00Z') });
    noteTime(answered('Tue, 24 Nov 2026 18:30:00 GMT'));
    const me = (today: string): Schemas['Me'] =>
      ({
        today,
        tonight: null,
        group: { time_zone: 'UTC' },
        ahead: [
          { id: 'a', date: '2026-11-24' },
          { id: 'b', date: '2026-12-01' },
        ],
      }) as never;
    expect(meToday(me('2026-11-20'))).toMatchObject({ today: '2026-11-24', tonight: 'a' });
    const same = me('2026-11-24');
    expect(meToday(same)).toBe(same);
  });
});

describe('an id made on the device', () => {
  it('is a UUID of version 7 that sorts by its time', () => {
    const ids = [0, 1, 255, 256, 1_763_000_000_000, 2 ** 47].map((now) => uuid7(now));
    for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
    expect([...ids].sort()).toEqual(ids);
    expect(parseInt(uuid7(1_763_000_000_000).replace('-', '').slice(0, 12), 16)).toBe(1_763_000_000_000);
    expect(new Set(Array.from({ length: 500 }, () => uuid7(7))).size).toBe(500);
  });
});

describe('a length that is typed', () => {
  it.each<[string, Unit, number | null]>([
    ['120', 'mm', 120],
    [' 12,5 ', 'mm', 12.5],
    ['4', 'inches', 101.6],
    ['3', 'finger', 48],
    ['12', 'diameters', 120],
    ['95', 'gauge', 95],
    ['', 'mm', null],
    ['-1', 'mm', null],
    ['twelve', 'mm', null],
    ['1e999', 'mm', null],
  ])('reads %j in %s', (text, unit, expected) => {
    expect(toMillimetres(text, unit, 10)).toBe(expected);
  });

  it('goes by the leader’s own finger and this device’s own screen, once they were measured', () => {
    expect([fingerMm(), scaleOf()]).toEqual([16, null]);
    keepFinger(19);
    expect(toMillimetres('2', 'finger', 10)).toBe(38);
    keepScale(CARD_MM * 4);
    expect(scaleOf()).toEqual({ pixels: 4 });
    expect([measureOf('inches'), measureOf('gauge')]).toEqual(['mm', 'gauge']);
  });
});

describe('rows that are being tapped', () => {
  const of = (...ids: string[]) => ids.map((id) => ({ id }));
  const ids = (rows: { id: string }[]) => rows.map((one) => one.id);

  it('stand as they come until somebody taps, and then as they stood', () => {
    expect(ids(inPlace(of('b', 'a', 'c'), null))).toEqual(['b', 'a', 'c']);
    expect(ids(inPlace(of('c', 'a', 'b'), ['b', 'a', 'c']))).toEqual(['b', 'a', 'c']);
  });

  it('stand so whatever happens meanwhile: some come, some go', () => {
    const random = seeded(11);
    for (let round = 0; round < 300; round += 1) {
      const all = Array.from({ length: 8 }, (_, n) => `l${n}`);
      const some = () => all.filter(() => random(3) > 0).sort(() => random(3) - 1);
      const [held, now] = [some(), some()];
      // The slow way: those who stood there, one by one, then the others.
      const slow = [...held.filter((id) => now.includes(id)), ...now.filter((id) => !held.includes(id))];
      expect(ids(inPlace(of(...now), held))).toEqual(slow);
      const both = withDone(of(...now), of(...held));
      expect(both.map((one) => one.row.id)).toEqual([...held, ...now.filter((id) => !held.includes(id))]);
      expect(both.filter((one) => one.isDone).map((one) => one.row.id)).toEqual(held.filter((id) => !now.includes(id)));
    }
  });
});

describe('whose station it is', () => {
  const roll = [
    { id: 'a', patrol: 'Gulls' },
    { id: 'b', patrol: 'Gulls' },
    { id: 'c', patrol: 'Terns' },
    { id: 'd', patrol: null },
  ];

  it.each([
    [['a', 'b'], 'Gulls'],
    [['a', 'd'], 'Gulls'],
    [['c'], 'Terns'],
    [['a', 'c'], undefined],
    [['d'], undefined],
    [['somebody gone'], undefined],
    [[], undefined],
  ])('of %j is %s', (ids, patrol) => {
    expect(patrolAt(ids, roll)).toBe(patrol);
  });
});

describe('the crew through a sieve', () => {
  const random = seeded(7);
  const knots = ['overhand', 'bowline', 'square-knot', 'clove-hitch'];
  const badges = ['lantern-hand', 'rigger'];
  const crew = (): Schemas['Crew'] =>
    ({
      knots: knots.map((id) => ({ id })),
      badges: badges.map((id) => ({ id, knots: knots.filter(() => random(2) === 0) })),
      learners: Array.from({ length: 6 }, (_, n) => ({
        id: `learner-${n}`,
        // As an answer that a phone kept from before there were any: some say nothing of patrols.
        ...[{}, { patrol: null }, { patrol: 'Gulls' }, { patrol: 'Terns' }][random(4)],
        badges: badges.filter(() => random(2) === 0).map((badge) => ({ badge })),
        wanted: Object.fromEntries(knots.filter(() => random(3) === 0).map((knot) => [knot, 'has_it'])),
        marks: Object.fromEntries(knots.filter(() => random(2) === 0).map((knot) => [knot, { due: random(2) === 0 }])),
      })),
    }) as never;

  it('lets through just those that fit, whatever is asked together', () => {
    for (let round = 0; round < 300; round += 1) {
      const one = crew();
      const badge = ['', ...badges][random(3)] ?? '';
      const needs = ['', ...knots][random(5)] ?? '';
      const due = random(2) === 0;
      const patrol = [undefined, null, 'Gulls', 'Terns'][random(4)];
      const shown = sieved(one, { badge, needs, patrol, due });
      // The slow way: every knot and every learner by itself.
      const asks = one.badges.find((other) => other.id === badge)?.knots;
      const isDue = (learner: number, knot: string): boolean => one.learners[learner]?.marks[knot]?.due ?? false;
      const fit: string[] = [];
      for (const { id } of one.knots) {
        let fits = asks === undefined || asks.includes(id);
        if (needs !== '') fits &&= id === needs;
        if (due) fits &&= one.learners.some((_, n) => isDue(n, id));
        if (fits) fit.push(id);
      }
      expect(shown.knots.map((knot) => knot.id)).toEqual(fit);
      one.learners.forEach((learner, n) => {
        let fits = asks === undefined || learner.badges.some((other) => other.badge === badge);
        if (needs !== '') fits &&= needs in learner.wanted;
        if (patrol === null) fits &&= !learner.patrol;
        if (typeof patrol === 'string') fits &&= learner.patrol === patrol;
        if (due) fits &&= fit.some((knot) => isDue(n, knot));
        expect(shown.learners.includes(learner)).toBe(fits);
      });
    }
  });
});

describe('set-up', () => {
  it('reads names however they were pasted', () => {
    expect(namesIn('Ada P.\n\n  Bram K.\r\nCleo M.')).toEqual(['Ada P.', 'Bram K.', 'Cleo M.']);
  });

  it('puts meetings a week apart, over the end of a year and of summer time', () => {
    expect(weekly('2026-12-22', 3)).toEqual(['2026-12-22', '2026-12-29', '2027-01-05']);
    expect(weekly('2026-10-20', 2)).toEqual(['2026-10-20', '2026-10-27']);
    expect(weekly('not a day', 3)).toEqual([]);
    expect(weekly('2026-01-01', 99)).toHaveLength(52);
    expect(weekly('2026-01-01', -1)).toEqual([]);
  });

  it('sends what was typed, and a badge of one’s own only where knots were ticked', () => {
    const typed = { ...emptyAnswers('2026-11-24'), learners: 'Ada P.\nBram K.', diameter: '8,5', badges: ['rigger'] };
    const plain = toRequest({ ...typed, dates: ['2026-12-08', '2026-12-01'] });
    expect(plain).toMatchObject({
      learners: [{ name: 'Ada P.', age_band: '8-10' }, { name: 'Bram K.' }],
      rope: { diameter_mm: 8.5 },
      badges: [{ badge: 'rigger', due_on: null }],
      meetings: { dates: ['2026-12-01', '2026-12-08'] },
    });
    expect(plain).not.toHaveProperty('own_badges');
    const own = toRequest({ ...typed, ownName: 'Quay Hand', ownKnots: ['bowline'], ownAny: '1', due: '2026-12-22' });
    expect(own.own_badges).toEqual([{ name: 'Quay Hand', knots: ['bowline'], any: 1, due_on: '2026-12-22' }]);
  });

  it.each([
    ['/code', 0],
    ['/group/name', 0],
    ['/leader/email', 1],
    ['/learners/3/name', 2],
    ['/rope/diameter_mm', 3],
    ['/badges/0/badge', 4],
    ['/own_badges/0/name', 4],
    ['/meetings/dates/1', 5],
    ['/anything', 0],
  ])('shows the step that %s belongs to', (field, step) => {
    expect(stepOf(field)).toBe(step);
  });
});

describe('finding a knot', () => {
  const about = (id: string, family: string, purpose: string, ...names: string[]): Schemas['KnotAbout'] =>
    ({ id, family, purpose, names }) as never;
  const knots = [
    about('bowline', 'loop', 'A fixed loop that does not slip.', 'Bowline'),
    about('sheet-bend', 'bend', 'Joins a thin rope to a thick one.', 'Sheet bend', 'Flag bend'),
    about('slip-loop', 'loop', 'A loop that draws tight.', 'Slip loop', 'Noose'),
  ];

  it('takes every word, in any order, from names and purpose', () => {
    expect(matching(knots, null, 'THICK flag').map((one) => one.id)).toEqual(['sheet-bend']);
    expect(matching(knots, null, '  ').map((one) => one.id)).toEqual(['bowline', 'sheet-bend', 'slip-loop']);
    expect(matching(knots, 'loop', 'loop slip').map((one) => one.id)).toEqual(['bowline', 'slip-loop']);
    expect(matching(knots, 'bend', 'noose')).toEqual([]);
  });
});

describe('the clock of a meeting on the device', () => {
  const shown = [
    { kind: 'welcome', knot: null, minutes: 5, why: '', beside: [], learners: [] },
    { kind: 'new', knot: 'bowline', minutes: 20, why: '', beside: [], learners: ['ada'] },
    { kind: 'clear_up', knot: null, minutes: 5, why: '', beside: [], learners: [] },
  ];
  const sheet = { clock: { now: '', started_at: null, ended_at: null, blocks: [] } } as never;
  const at = (minute: number): number => Date.parse('2026-11-24T18:30:00Z') + minute * 60_000;
  type Step = Parameters<typeof withSteps>[1][number];
  const step = (n: number, what: Partial<Step>): Step =>
    ({ n, meeting: 'm', state: 'waiting', at: at(n), ...what }) as Step;
  const states = (steps: Step[]): string[] => withSteps(sheet, steps).clock.blocks.map((one) => one.state);

  it('shows what the server will make of the steps that wait', () => {
    const start = step(0, { step: 'start', shown: shown as never });
    expect(states([start])).toEqual(['running', 'waiting', 'waiting']);
    expect(states([start, step(5, { step: 'next', place: 0 })])).toEqual(['done', 'running', 'waiting']);
    expect(states([start, step(5, { step: 'next', place: 10 })])).toEqual(['running', 'waiting', 'waiting']);
    expect(states([start, step(5, { step: 'skip', place: 10 })])).toEqual(['running', 'skipped', 'waiting']);
    expect(states([start, step(5, { step: 'carry', place: 10 })])).toEqual(['running', 'carried', 'waiting']);
    // Nothing to carry in a block without a knot.
    expect(states([start, step(5, { step: 'carry', place: 0 })])).toEqual(['running', 'waiting', 'waiting']);
    expect(states([start, step(5, { step: 'end' })])).toEqual(['done', 'skipped', 'skipped']);
    expect(states([start, step(5, { step: 'end' }), step(6, { step: 'next', place: 10 })])).toEqual([
      'done',
      'skipped',
      'skipped',
    ]);
    expect(states([{ ...start, state: 'refused' }])).toEqual([]);
  });

  it('halves a block, and never loses a minute of it', () => {
    const start = step(0, { step: 'start', shown: shown as never });
    const blocks = withSteps(sheet, [start, step(1, { step: 'split', place: 10 })]).clock.blocks;
    const halves = blocks.filter((one) => one.knot === 'bowline');
    expect(halves.map((one) => one.planned)).toEqual([10, 10]);
    expect(new Set(blocks.map((one) => one.place)).size).toBe(4);
  });

  it('takes no step before the one it comes after, whatever the device’s clock says meanwhile', () => {
    const start = step(10, { step: 'start', shown: shown as never });
    const back = step(3, { step: 'next', place: 0, at: at(3) });
    const [welcome, lesson] = withSteps(sheet, [start, back]).clock.blocks;
    expect(welcome).toMatchObject({ started_at: '2026-11-24T18:40:00Z', ended_at: '2026-11-24T18:40:00Z' });
    expect(lesson).toMatchObject({ started_at: '2026-11-24T18:40:00Z' });
  });
});
