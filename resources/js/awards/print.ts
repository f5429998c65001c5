import type { Schemas } from '../api/client';
import { usual_ink } from '../api/limits';

export type Look = Schemas['Certificates'];
export type One = Look['certificates'][number];
export type Ink = 'colour' | 'grey';

/** Colours that can be read on white paper; any other as dark will do. */
export const COLOURS = ['#11242d', '#1f5673', '#0c6647', usual_ink, '#bd3319', '#743a99'];

/** The colour to print in. */
export const inked = (look: Look, ink: Ink): string => (ink === 'grey' ? '#000000' : (look.colour ?? usual_ink));

/** So many discs of 60 mm go on one page. */
const DISCS = { a4: 12, a5: 6, letter: 12 } as const;

/** Small badges, page by page. */
export function pagesOf(all: One[], paper: keyof typeof DISCS): One[][] {
  const most = DISCS[paper];
  return Array.from({ length: Math.ceil(all.length / most) }, (_, n) => all.slice(n * most, (n + 1) * most));
}
