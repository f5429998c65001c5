import type { Schemas } from '../api/client';
import { SIDE as LOOKED_AT } from '../drawing/look';

export const RADIAN = Math.PI / 180;

export type Turn = { yaw: number; pitch: number };

/** The side that pictures begin from, in radians; here a top that comes toward one counts the other way. */
export const SIDE: Turn = { yaw: LOOKED_AT.yaw * RADIAN, pitch: -LOOKED_AT.pitch * RADIAN };

/** A side in degrees, as a phone says it. */
export const inRadians = ({ yaw, pitch }: Turn): Turn => ({ yaw: yaw * RADIAN, pitch: pitch * RADIAN });

export type Shown = Turn & { roll: number };

/** The side it is looked at from, as the room has chosen it, and turned from there. */
export function sideOf(view: Schemas['Knot']['view'], side: Turn): Shown {
  return {
    yaw: view === 'behind' ? side.yaw + Math.PI : view === 'left' ? -side.yaw : side.yaw,
    pitch: side.pitch,
    roll: view === 'across' ? Math.PI : 0,
  };
}

/** Radians for a finger's way across the picture. */
const SWEEP = 2.2 * Math.PI;

/** Where a finger has turned it to, that was put down on it. */
export function swept(
  start: { x: number; y: number; from: Turn },
  at: { clientX: number; clientY: number },
  wide: number,
): Turn {
  return {
    yaw: start.from.yaw + ((at.clientX - start.x) / wide) * SWEEP,
    pitch: upright(start.from.pitch - ((at.clientY - start.y) / wide) * SWEEP),
  };
}

/** Its top is not turned past the eye. */
export const upright = (pitch: number): number => Math.max(-1.5, Math.min(1.5, pitch));
