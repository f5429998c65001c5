import { groupPicture } from '../api/awards';
import { SpaceImage } from '../space/SpaceImage';
import type { Ink, Look, One } from './print';

/** The group's own picture, as it prints; nothing where it has none. */
export function OwnPicture({ look, ink, className }: { look: Look; ink: Ink; className: string }) {
  if (look.picture === null) return null;
  return (
    <img
      src={groupPicture(look.picture)}
      alt=""
      className={`object-contain ${className} ${ink === 'grey' ? 'grayscale' : ''}`}
    />
  );
}

/** A knot drawn up, as it looks to whoever tied it, as large as its place; nothing where it is not in space. */
export function Tied({ knot, of, ink }: { knot: One['knots'][number]; of: One; ink: Ink }) {
  if (!knot.in_space) return null;
  return (
    <SpaceImage
      knot={knot}
      view={of.view}
      shown={{ tightness: 1 }}
      ink={ink}
      text={knot.name}
      className="absolute inset-0 size-full"
    />
  );
}
