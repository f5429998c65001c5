import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../resources/js/api/client';
import { momentOf, wholeAt } from '../../resources/js/drawing/moment';
import { dashFor, numbered, type Strand } from '../../resources/js/drawing/rope';

type Step = Schemas['KnotStep'];
type Drawing = Schemas['Drawing'];

const step = (more: Partial<Step> = {}): Step => ({
  move: 'tuck',
  say: 'Bring the end up.',
  story: null,
  tight: false,
  half: false,
  reach: { rope: 20, cord: 7 },
  moved: { rope: [12, 20] },
  far: {},
  ...more,
});

describe('a step', () => {
  it('travels from where the last one left the rope, and lies there at its end', () => {
    expect(momentOf(step(), 0).reach).toEqual({ rope: 12, cord: 7 });
    expect(momentOf(step(), 0.25).reach).toEqual({ rope: 14, cord: 7 });
    expect(momentOf(step()).reach).toEqual({ rope: 20, cord: 7 });
    expect(momentOf(step({ far: { rope: [30, 26] } }), 0.5).far).toEqual({ rope: 28 });
  });

  it('shows the finished knot, or half-way to it, where it says so', () => {
    const drawing = (name: string): Drawing => ({ name }) as unknown as Drawing;
    const knot = { tight: drawing('tight'), half: drawing('half') };
    expect(wholeAt(knot, step({ tight: true }))).toBe(knot.tight);
    expect(wholeAt(knot, step({ half: true }))).toBe(knot.half);
    expect(wholeAt(knot, step())).toBeNull();
    expect(wholeAt(knot, undefined)).toBeNull();
    expect(wholeAt({ tight: null, half: null }, step({ tight: true }))).toBeNull();
  });
});

describe('a piece of rope', () => {
  const piece = { strand: 'rope', from: 4, to: 10, d: '', gap: null };

  it('is dashed to the stretch that is seen, and not at all where all of it is', () => {
    expect(dashFor(piece, 4, 10)).toBeUndefined();
    expect(dashFor(piece, 0, 12)).toBeUndefined();
    expect(dashFor(piece, 6, 9)).toBe('0 2 3 15');
    expect(dashFor(piece, 6, 5)).toBe('0 2 0 15');
  });

  it('has one of two colours, and wood has none', () => {
    const kinds = ['rope', 'pole', 'tape', 'rope'] as const;
    const strands = kinds.map((kind, n) => ({ id: `s${n}`, kind }) as unknown as Strand);
    expect([...numbered(strands)]).toEqual([
      ['s0', 1],
      ['s2', 2],
      ['s3', 1],
    ]);
  });
});
