import { call, type Schemas } from '../api/client';
import { queryClient } from '../api/queries';

type NewEvent = Schemas['NewCheckEvent'];
export type Answer = Schemas['CheckAnswer'];

/** A UUID of version 7 (RFC 9562): the moment in milliseconds, then chance. */
export function uuid7(now = Date.now()): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  let rest = now;
  for (let n = 5; n >= 0; n -= 1) {
    bytes[n] = rest % 256;
    rest = Math.floor(rest / 256);
  }
  bytes[6] = 0x70 | ((bytes[6] ?? 0) & 0x0f);
  bytes[8] = 0x80 | ((bytes[8] ?? 0) & 0x3f);
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}

/** This device, and the next number of its own count of events. */
function stamp(): { device: string; device_seq: number } {
  let device = localStorage.getItem('compadre-device');
  if (!device) {
    device = uuid7();
    localStorage.setItem('compadre-device', device);
  }
  const seq = Number(localStorage.getItem('compadre-seq') ?? '0') + 1;
  localStorage.setItem('compadre-seq', String(seq));
  return { device, device_seq: seq };
}

export type Draft = Omit<NewEvent, 'id' | 'schema' | 'device' | 'device_seq' | 'observed_at'>;

/** Sends one check event and lets every screen that shows standings ask again. */
export async function record(draft: Draft): Promise<Answer> {
  const event: NewEvent = { ...draft, id: uuid7(), schema: 1, ...stamp(), observed_at: new Date().toISOString() };
  const { results } = await call<{ results: Answer[] }>('POST', '/api/check-events', { sent_at: new Date().toISOString(), events: [event] });
  const answer = results[0];
  if (!answer) throw new Error('The server gave no answer to this check.');
  await Promise.all(['check', 'crew', 'course', 'learner', 'meeting'].map((key) => queryClient.invalidateQueries({ queryKey: [key] })));
  return answer;
}
