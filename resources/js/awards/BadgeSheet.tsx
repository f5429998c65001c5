import { words } from '../words';
import { OwnPicture, Tied } from './Pictures';
import { type Ink, inked, type Look, type One } from './print';

/** Small badges to cut out: one for each award, as round as a lid. */
export function BadgeSheet({ of, look, ink }: { of: One[]; look: Look; ink: Ink }) {
  return (
    <>
      <p className="mb-[3mm]">{words.awards.cut}</p>
      <ul className="flex flex-wrap content-start gap-[3mm]">
        {of.map((one) => (
          <Disc key={one.id} of={one} look={look} ink={ink} />
        ))}
      </ul>
    </>
  );
}

function Disc({ of, look, ink }: { of: One; look: Look; ink: Ink }) {
  const colour = inked(look, ink);
  const knot = of.knots.find((one) => one.in_space);
  return (
    <li
      className="flex size-[60mm] flex-col items-center justify-center rounded-full border border-dashed border-black p-[2.5mm]"
      data-testid="disc"
    >
      <div
        className="flex size-full flex-col items-center overflow-hidden rounded-full border-[1.4mm] border-double px-[5mm] pt-[4mm] pb-[5mm] text-center"
        style={{ borderColor: colour }}
      >
        <p className="w-[70%] truncate text-[6.5pt]">{look.group}</p>
        <div className="relative min-h-0 w-full flex-1">
          {look.picture === null ? (
            knot && <Tied knot={knot} of={of} ink={ink} />
          ) : (
            <OwnPicture look={look} ink={ink} className="absolute inset-0 size-full" />
          )}
        </div>
        <p className="font-display text-[13pt] leading-[1.05] font-bold" style={{ color: colour }}>
          {of.badge}
        </p>
        <p className="text-[9.5pt] leading-tight font-semibold">{of.learner}</p>
      </div>
    </li>
  );
}
