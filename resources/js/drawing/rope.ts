import type { Schemas } from '../api/client';
import { ARROWS, TIP } from './look';

export type Strand = Schemas['Drawing']['strands'][number];
type Piece = Schemas['Drawing']['pieces'][number];

/** The dash pattern that shows only a stretch of a piece; lengths along the strand, as the core gives them. */
export function dashFor(piece: Piece, from: number, to: number): string | undefined {
  const start = Math.max(0, from - piece.from);
  const length = Math.max(0, to - piece.from - start);
  const whole = piece.to - piece.from;
  return start <= 1e-6 && length >= whole - 1e-6 ? undefined : `0 ${start} ${length} ${whole + 9}`;
}

/** Ropes are numbered for their colours; objects are not. */
export function numbered(strands: Strand[]): Map<string, number> {
  const ropes = strands.filter((strand) => strand.kind === 'rope' || strand.kind === 'tape');
  return new Map(ropes.map((strand, n) => [strand.id, (n % 2) + 1]));
}

const paths = new Map<string, SVGPathElement>();

/** A path element kept only to ask it where a length lies. */
function ruler(d: string): SVGPathElement {
  let path = paths.get(d);
  if (!path) {
    path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
    path.setAttribute('d', d);
    if (paths.size > 400) paths.clear();
    paths.set(d, path);
  }
  return path;
}

type Place = { x: number; y: number; dx: number; dy: number };

/** The point at a length along a path, and the direction there. */
function pointOn(d: string, s: number): Place {
  const path = ruler(d);
  const here = path.getPointAtLength(s);
  const next = path.getPointAtLength(s + 0.05);
  const length = Math.hypot(next.x - here.x, next.y - here.y) || 1;
  return { x: here.x, y: here.y, dx: (next.x - here.x) / length, dy: (next.y - here.y) / length };
}

export const pointAt = (strand: Strand, s: number): Place => pointOn(strand.d, s);

/** Where an end runs on out of the picture, the way into it, and the direction across the strand there. */
export function fadeAt(
  strand: Strand,
  isFar = false,
): { x: number; y: number; angle: number; across: [number, number] } {
  const { x, y, dx, dy } = pointAt(strand, isFar ? strand.length - 0.06 : 0);
  const way = isFar ? -1 : 1;
  return { x, y, angle: (Math.atan2(way * dy, way * dx) * 180) / Math.PI, across: [-dy, dx] };
}

/** The tip of a bight whose two sides have come to these lengths. */
export function tipBetween(strand: Strand, near: number, far: number): string {
  const a = pointAt(strand, near);
  const b = pointAt(strand, far);
  const ahead = TIP * Math.max(1, Math.hypot(b.x - a.x, b.y - a.y));
  return `M${a.x} ${a.y}C${a.x + a.dx * ahead} ${a.y + a.dy * ahead} ${b.x - b.dx * ahead} ${b.y - b.dy * ahead} ${b.x} ${b.y}`;
}

const arrows = new Map<string, string>();

/** Where a length lies takes long to find out, the longer the path: each arrowhead is found once, on its own piece. */
function arrowAt(piece: Piece, s: number): string {
  const key = `${s} ${piece.d}`;
  let found = arrows.get(key);
  if (found === undefined) {
    const { x, y, dx, dy } = pointOn(piece.d, s - piece.from);
    const { back, front } = ARROWS;
    found = `M${x - dx * back - dy * back} ${y - dy * back + dx * back}L${x + dx * front} ${y + dy * front}L${x - dx * back + dy * back} ${y - dy * back - dx * back}`;
    if (arrows.size > 1000) arrows.clear();
    arrows.set(key, found);
  }
  return found;
}

/** Arrowheads along the stretch that moved, those that lie within a part of a piece. */
export function arrowsOn(piece: Piece, moved: number[], from: number, to: number): string {
  const [start = 0, end = 0] = moved;
  const origin = start + ARROWS.first;
  const first = Math.max(0, Math.ceil((from - origin) / ARROWS.apart));
  let path = '';
  for (let s = origin + first * ARROWS.apart; s < Math.min(to, end - ARROWS.last); s += ARROWS.apart)
    path += arrowAt(piece, s);
  return path;
}
