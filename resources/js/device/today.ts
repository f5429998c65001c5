import type { Schemas } from '../api/client';
import { dayIn } from '../api/time';

/** As it is today: without a network, what was answered days ago still knows of tonight's meeting. */
export function meToday(me: Schemas['Me']): Schemas['Me'] {
  const today = dayIn(me.group.time_zone);
  return today === me.today ? me : { ...me, today, tonight: me.ahead.find((one) => one.date === today)?.id ?? null };
}
