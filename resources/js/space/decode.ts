import type { Schemas } from '../api/client';

export type InSpace = Schemas['KnotInSpace'];

/** A rope's frames one after the other: for each point x, y, z and the share of the rope up to it, and a direction square to the rope. */
export type RopeFrames = {
  id: string;
  count: number;
  points: Float32Array;
  normals: Float32Array;
  /** In rope diameters, drawn up tight. */
  length: number;
  /** Whether it goes on at its start and at its end; an end that does not is a tail. */
  runsOn: readonly [boolean, boolean];
};

/**
 * Where a frame's ropes lie: their middle, how far round the upright through it they reach, and how high they are seen, turned
 * any way about it, with its top toward one by as many angles as there are, from none to straight on.
 */
export type Bounds = { x: number; y: number; z: number; round: number; tops: number[] };

/** Angles between a knot seen upright and from above. */
const TILTS = Array.from({ length: 10 }, (_, k) => (k * Math.PI) / 18);

type Vector = [number, number, number];

/** The points of one rope in one frame, from steps to places; seen in a mirror for the left hand. */
export function placesOf(steps: readonly number[], parts: number, mirrored: boolean): Float32Array {
  const places = new Float32Array(steps.length);
  const at: Vector = [0, 0, 0];
  for (let k = 0; k < steps.length; k++) {
    const axis = k % 3;
    at[axis as 0 | 1 | 2] += (steps[k] ?? 0) / parts;
    places[k] = mirrored && axis === 0 ? -at[0] : at[axis as 0 | 1 | 2];
  }
  return places;
}

/** Directions square to a line that do not twist along it: each is the one before, laid square again. */
export function normalsOf(places: Float32Array): Float32Array {
  const count = places.length / 3;
  const normals = new Float32Array(places.length);
  let normal: Vector = [0, 0, 1];
  for (let k = 0; k < count; k++) {
    const a = Math.max(0, k - 1) * 3;
    const b = Math.min(count - 1, k + 1) * 3;
    const along = unit([0, 1, 2].map((axis) => (places[b + axis] ?? 0) - (places[a + axis] ?? 0)) as Vector);
    if (Math.abs(dot(normal, along)) > 0.99) normal = Math.abs(along[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
    const share = dot(normal, along);
    normal = unit(normal.map((value, axis) => value - share * along[axis as 0 | 1 | 2]) as Vector);
    normals.set(normal, k * 3);
  }
  return normals;
}

/** All ropes of a knot, ready to be drawn. */
export function framesOf(knot: InSpace, mirrored: boolean): RopeFrames[] {
  return knot.ropes.map((rope, number) => {
    const points = new Float32Array(rope.points * 4 * knot.frames.length);
    const normals = new Float32Array(rope.points * 4 * knot.frames.length);
    let length = 0;
    knot.frames.forEach((frame, at) => {
      const places = placesOf(frame[number] ?? [], knot.parts, mirrored);
      const square = normalsOf(places);
      const gone = lengthsOf(places);
      length = gone[gone.length - 1] ?? 0;
      for (let k = 0; k < rope.points; k++) {
        const to = (at * rope.points + k) * 4;
        points.set(places.subarray(k * 3, k * 3 + 3), to);
        points[to + 3] = (gone[k] ?? 0) / Math.max(length, 1e-6);
        normals.set(square.subarray(k * 3, k * 3 + 3), to);
      }
    });
    return {
      id: rope.id,
      count: rope.points,
      points,
      normals,
      length,
      runsOn: [rope.runs_on[0] ?? false, rope.runs_on[1] ?? false],
    };
  });
}

/** How much room each frame takes, with the ends of the bars that ropes are tied to. */
export function boundsOf(
  ropes: readonly RopeFrames[],
  frames: number,
  objects: readonly InSpace['objects'][number][] = [],
): Bounds[] {
  const ends = objects
    .filter(({ kind }) => kind !== 'ring')
    .flatMap(({ from, to, radius }) => [from, to].map((end) => ({ end, radius })));
  return Array.from({ length: frames }, (_, at) => {
    const low: Vector = [Infinity, Infinity, Infinity];
    const high: Vector = [-Infinity, -Infinity, -Infinity];
    const each = (see: (place: Vector, wide: number) => void): void => {
      for (const rope of ropes) {
        for (let k = at * rope.count * 4; k < (at + 1) * rope.count * 4; k += 4) {
          see([rope.points[k] ?? 0, rope.points[k + 1] ?? 0, rope.points[k + 2] ?? 0], 0.7);
        }
      }
      for (const { end, radius } of ends) see([end[0] ?? 0, end[1] ?? 0, end[2] ?? 0], radius);
    };
    each((place) => {
      for (const axis of [0, 1, 2] as const) {
        low[axis] = Math.min(low[axis], place[axis]);
        high[axis] = Math.max(high[axis], place[axis]);
      }
    });
    const [x, y, z] = low.map((from, axis) => (from + high[axis as 0 | 1 | 2]) / 2) as Vector;
    let round = 0;
    const tops = TILTS.map(() => 0);
    each(([px, py, pz], wide) => {
      const off = Math.hypot(px - x, pz - z);
      round = Math.max(round, off + wide);
      TILTS.forEach((tilt, k) => {
        tops[k] = Math.max(tops[k] ?? 0, Math.abs(py - y) * Math.cos(tilt) + off * Math.sin(tilt) + wide);
      });
    });
    return { x, y, z, round, tops };
  });
}

/** How high a frame is seen with its top toward one, or away, by an angle. */
export function heightAt({ tops }: Bounds, pitch: number): number {
  const place = (Math.acos(Math.min(1, Math.abs(Math.cos(pitch)))) / Math.PI) * 18;
  const from = Math.min(TILTS.length - 2, Math.floor(place));
  return (tops[from] ?? 1) + ((tops[from + 1] ?? 1) - (tops[from] ?? 1)) * (place - from);
}

/** Between two frames' rooms. */
export function boundsAt(bounds: readonly Bounds[], place: number): Bounds {
  const from = bounds[Math.floor(place)] ?? { x: 0, y: 0, z: 0, round: 1, tops: TILTS.map(() => 1) };
  const to = bounds[Math.min(bounds.length - 1, Math.floor(place) + 1)] ?? from;
  const share = place - Math.floor(place);
  const mix = (a: number, b: number): number => a + (b - a) * share;
  return {
    x: mix(from.x, to.x),
    y: mix(from.y, to.y),
    z: mix(from.z, to.z),
    round: mix(from.round, to.round),
    tops: from.tops.map((top, k) => mix(top, to.tops[k] ?? top)),
  };
}

function lengthsOf(places: Float32Array): Float32Array {
  const lengths = new Float32Array(places.length / 3);
  for (let k = 1; k < lengths.length; k++) {
    const step = Math.hypot(...[0, 1, 2].map((axis) => (places[k * 3 + axis] ?? 0) - (places[k * 3 - 3 + axis] ?? 0)));
    lengths[k] = (lengths[k - 1] ?? 0) + step;
  }
  return lengths;
}

const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

function unit(v: Vector): Vector {
  const length = Math.hypot(...v);
  return length > 0 ? [v[0] / length, v[1] / length, v[2] / length] : [0, 0, 1];
}
