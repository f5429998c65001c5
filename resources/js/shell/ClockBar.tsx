import { useSyncExternalStore } from 'react';
import { clocksApart, onClock } from '../api/time';
import { momentLong } from '../words/format';
import { words } from '../words';

/** Where the device and the group's computer do not agree on the time: neither can know which is wrong, people can. */
export function ClockBar() {
  const apart = useSyncExternalStore(onClock, clocksApart);
  if (apart === null) return null;
  return (
    <p
      role="status"
      className="mb-3 rounded-lg border-2 border-dashed border-soft px-3 py-2 print:hidden"
      data-testid="clocks"
    >
      {words.clocksApart({ device: momentLong(apart.device), computer: momentLong(apart.server) })}
    </p>
  );
}
