import { createContext, use } from 'react';
import type { Schemas } from '../api/client';
import { dayIn } from '../api/time';

export type Me = Schemas['Me'];

/** As it is today: without a network, what was answered days ago still knows of tonight's meeting. */
export function meToday(me: Me): Me {
  const today = dayIn(me.group.time_zone);
  return today === me.today ? me : { ...me, today, tonight: me.ahead.find((one) => one.date === today)?.id ?? null };
}

export const MeContext = createContext<Me | null>(null);

/** Who is signed in. Only for screens behind the sign-in. */
export function useMe(): Me {
  const me = use(MeContext);
  if (!me) throw new Error('This screen is only for people who are signed in.');
  return me;
}
