import { createContext, use } from 'react';
import type { Schemas } from '../api/client';

export type Me = Schemas['Me'];

export const MeContext = createContext<Me | null>(null);

/** Who is signed in. Only for screens behind the sign-in. */
export function useMe(): Me {
  const me = use(MeContext);
  if (!me) throw new Error('This screen is only for people who are signed in.');
  return me;
}
