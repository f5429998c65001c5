import { spacePicture } from '../api/queries';
import type { Schemas } from '../api/client';
import { RADIAN, SIDE, sideOf, type Turn } from './sides';

/** A knot in space as a picture that the server drew: for paper, and for screens that cannot turn it. */
export function SpaceImage({
  knot,
  view,
  side = SIDE,
  shown,
  ink = 'colour',
  text = '',
  className = '',
}: {
  knot: { id: string; method: string | null };
  view: Schemas['Knot']['view'];
  side?: Turn;
  shown: { tightness: number } | { step: number };
  ink?: 'colour' | 'grey';
  text?: string;
  className?: string;
}) {
  // The server draws for the right hand: seen in a mirror, what is turned to the right is turned to the left.
  const mirrored = view === 'left';
  const { yaw, pitch, roll } = sideOf(view, side);
  return (
    <img
      alt={text}
      className={`object-contain ${className}`}
      style={{ transform: mirrored ? 'scaleX(-1)' : roll === 0 ? undefined : 'rotate(180deg)' }}
      src={spacePicture(knot, (mirrored ? -yaw : yaw) / RADIAN, -pitch / RADIAN, shown, ink)}
    />
  );
}
