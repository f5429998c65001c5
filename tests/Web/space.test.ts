import { describe, expect, it } from 'vitest';
import { readFileSync } from 'node:fs';
import {
  boundsAt,
  boundsOf,
  framesOf,
  heightAt,
  type InSpace,
  normalsOf,
  placesOf,
} from '../../resources/js/space/decode';
import { reachIn } from '../../resources/js/space/reach';

type Kept = { objects: InSpace['objects']; ropes: string[]; frames: number[][][] };

const kept = JSON.parse(readFileSync('packs/space/sheet-bend/tucked.json', 'utf8')) as Kept;
const knot: InSpace = {
  knot: 'sheet-bend',
  method: 'tucked',
  pulled: null,
  parts: 1000,
  objects: kept.objects,
  frames: kept.frames,
  ropes: kept.ropes.map((id, number) => ({
    id,
    points: (kept.frames[0]?.[number]?.length ?? 0) / 3,
    length: 40,
    comes: [],
    runs_on: [true, false],
  })),
};

describe('ropes in space', () => {
  it('adds steps up to places, and mirrors them for the left hand', () => {
    expect([...placesOf([1000, 2000, -500, 0, 500, 500], 1000, false)]).toEqual([1, 2, -0.5, 1, 2.5, 0]);
    expect([...placesOf([1000, 2000, -500, 250, 500, 500], 1000, true)]).toEqual([-1, 2, -0.5, -1.25, 2.5, 0]);
  });

  it('finds directions square to the rope that turn little from point to point', () => {
    for (const steps of kept.frames[7] ?? []) {
      const places = placesOf(steps, 1000, false);
      const normals = normalsOf(places);
      const of = (from: Float32Array, k: number): number[] => [...from.subarray(k * 3, k * 3 + 3)];
      const dot = (a: number[], b: number[]): number => a.reduce((sum, value, axis) => sum + value * (b[axis] ?? 0), 0);
      for (let k = 1; k < places.length / 3 - 1; k++) {
        const along = of(places, k + 1).map((value, axis) => value - (of(places, k - 1)[axis] ?? 0));
        expect(Math.abs(dot(of(normals, k), along)) / Math.hypot(...along)).toBeLessThan(1e-5);
        expect(Math.hypot(...of(normals, k))).toBeCloseTo(1, 5);
        expect(dot(of(normals, k), of(normals, k - 1))).toBeGreaterThan(0.5);
      }
    }
  });

  it('gives every frame as many points, with the share of the rope up to each', () => {
    const ropes = framesOf(knot, false);
    expect(ropes.map((rope) => rope.id)).toEqual(kept.ropes);
    for (const rope of ropes) {
      expect(rope.points).toHaveLength(rope.count * 4 * knot.frames.length);
      for (let frame = 0; frame < knot.frames.length; frame++) {
        expect(rope.points[frame * rope.count * 4 + 3]).toBe(0);
        expect(rope.points[(frame + 1) * rope.count * 4 - 1]).toBeCloseTo(1, 5);
      }
    }
  });

  it('keeps all of a knot within the room it says, however it is turned', () => {
    const ropes = framesOf(knot, false);
    const bounds = boundsOf(ropes, knot.frames.length);
    bounds.forEach((room, frame) => {
      const { x, y, z, round } = room;
      for (const rope of ropes) {
        for (let k = frame * rope.count * 4; k < (frame + 1) * rope.count * 4; k += 4) {
          const [px = 0, py = 0, pz = 0] = [0, 1, 2].map((axis) => rope.points[k + axis] ?? 0);
          expect(Math.hypot(px - x, pz - z)).toBeLessThan(round);
          // Turned by any yaw, and its top toward one or away.
          for (const [yaw, pitch] of [
            [0, 0],
            [0.7, 0.42],
            [2.1, -0.9],
            [4, 1.57],
          ] as const) {
            const deep = (px - x) * -Math.sin(yaw) + (pz - z) * Math.cos(yaw);
            expect(Math.abs((py - y) * Math.cos(pitch) - deep * Math.sin(pitch))).toBeLessThan(heightAt(room, pitch));
          }
        }
      }
    });
    // The ends of a bar are within it too.
    const bar = { kind: 'pole', from: [-30, 0, 0], to: [30, 0, 0], radius: 3 } as InSpace['objects'][number];
    const wider = boundsOf(ropes, knot.frames.length, [bar])[0];
    expect(wider?.round).toBeGreaterThanOrEqual(30);
    expect(bounds[0]?.round).toBeLessThan(30);
    const [first, second] = bounds;
    expect(boundsAt(bounds, 0.25).round).toBeCloseTo(0.75 * (first?.round ?? 0) + 0.25 * (second?.round ?? 0), 5);
    expect(boundsAt(bounds, bounds.length - 1)).toEqual(bounds.at(-1));
  });

  it('says how far a rope has come in shares of it', () => {
    const ropes = [
      { id: 'a', points: 10, length: 20, comes: [], runs_on: [true, false] },
      { id: 'b', points: 10, length: 10, comes: [], runs_on: [true, false] },
    ];
    expect(reachIn({ ropes }, { reach: { a: 5 }, far: {} })).toEqual({
      a: { reach: 0.25, far: 2 },
      b: { reach: 1, far: 2 },
    });
    // Tied doubled: laid from both sides, until they meet.
    expect(reachIn({ ropes }, { reach: { a: 5, b: 8 }, far: { a: 15, b: 8 } })).toEqual({
      a: { reach: 0.25, far: 0.75 },
      b: { reach: 1, far: 2 },
    });
  });

  it('lays a lashing turn by turn, as it was built', () => {
    const ropes = [
      {
        id: 'a',
        points: 10,
        length: 20,
        comes: [
          [0, 0],
          [5, 0.5],
          [20, 1],
        ],
        runs_on: [false, false],
      },
    ];
    const reached = (at: number): number | undefined => reachIn({ ropes }, { reach: { a: at }, far: {} }).a?.reach;
    expect([2.5, 5, 12.5, 20].map(reached)).toEqual([0.25, 0.5, 0.75, 1]);
  });
});
