import type { Schemas } from '../api/client';

export const FAMILIES = ['stopper', 'loop', 'hitch', 'bend', 'binding', 'lashing', 'ornament'] as const;
export type Family = (typeof FAMILIES)[number];

/** The knots of a family whose names or purpose hold every word typed. */
export function matching(knots: Schemas['KnotAbout'][], family: Family | null, text: string): Schemas['KnotAbout'][] {
  const typed = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  return knots.filter((knot) => {
    const said = [...knot.names, knot.purpose].join(' ').toLowerCase();
    return (family === null || knot.family === family) && typed.every((word) => said.includes(word));
  });
}
