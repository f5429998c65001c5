import { useId } from 'react';

/** In em of the page: how far the rope lies from the edge, how thick it is, and how long one turn of its lay. */
const EDGE = 1.9;
const THICK = 0.72;
const LAY = 0.62;

const COIL = `${EDGE + THICK / 2 - 1.3}em`;

const CORNERS = [
  { left: COIL, top: COIL },
  { right: COIL, top: COIL },
  { left: COIL, bottom: COIL },
  { right: COIL, bottom: COIL },
];

/** A laid rope round a page, with a coil at each corner. */
export function RopeFrame({ colour }: { colour: string }) {
  const id = useId();
  const sides = [
    { x: EDGE, y: EDGE, width: `calc(100% - ${2 * EDGE}em)`, height: `${THICK}em`, lay: `${id}-across` },
    {
      x: EDGE,
      y: `calc(100% - ${EDGE + THICK}em)`,
      width: `calc(100% - ${2 * EDGE}em)`,
      height: `${THICK}em`,
      lay: `${id}-across`,
    },
    { x: EDGE, y: EDGE, width: `${THICK}em`, height: `calc(100% - ${2 * EDGE}em)`, lay: `${id}-down` },
    {
      x: `calc(100% - ${EDGE + THICK}em)`,
      y: EDGE,
      width: `${THICK}em`,
      height: `calc(100% - ${2 * EDGE}em)`,
      lay: `${id}-down`,
    },
  ];
  const place = (at: number | string): string => (typeof at === 'number' ? `${at}em` : at);
  return (
    <div aria-hidden className="pointer-events-none absolute inset-0">
      <svg className="absolute size-0">
        <defs>
          <Lay id={`${id}-across`} colour={colour} turn={0} />
          <Lay id={`${id}-down`} colour={colour} turn={90} />
        </defs>
      </svg>
      {sides.map(({ x, y, width, height, lay }, n) => (
        <svg key={n} className="absolute" style={{ left: place(x), top: place(y), width, height }}>
          <rect width="100%" height="100%" fill={`url(#${lay})`} />
        </svg>
      ))}
      {CORNERS.map((corner, n) => (
        <svg key={n} viewBox="-11 -11 22 22" className="absolute size-[2.6em]" style={corner}>
          <circle r="10.2" fill="#fff" />
          {[8.4, 4.6].map((radius) => (
            <g key={radius}>
              <circle r={radius} fill="none" stroke={colour} strokeWidth="3.2" />
              <circle r={radius} fill="none" stroke="#fff" strokeWidth="2" strokeDasharray="1.5 1.1" opacity="0.62" />
            </g>
          ))}
          <circle r="1.7" fill={colour} />
        </svg>
      ))}
    </div>
  );
}

/** Strands that lie aslant across the rope. */
function Lay({ id, colour, turn }: { id: string; colour: string; turn: number }) {
  // A pattern counts in pixels of the page: 16 to an em of the usual type, and whole turns look whole at any size.
  const long = LAY * 16;
  const wide = THICK * 16;
  return (
    <pattern
      id={id}
      width={long}
      height={wide}
      patternUnits="userSpaceOnUse"
      patternTransform={turn === 0 ? undefined : `rotate(${turn}) scale(1 -1)`}
    >
      <rect width={long} height={wide} fill={colour} />
      <path
        d={`M${-long * 0.2} ${wide} C${long * 0.2} ${wide} ${long * 0.4} 0 ${long * 0.9} 0`}
        stroke="#fff"
        strokeWidth={long * 0.34}
        fill="none"
        opacity="0.72"
      />
      <path
        d={`M${long * 0.8} ${wide} C${long * 1.2} ${wide} ${long * 1.4} 0 ${long * 1.9} 0`}
        stroke="#fff"
        strokeWidth={long * 0.34}
        fill="none"
        opacity="0.72"
      />
    </pattern>
  );
}
