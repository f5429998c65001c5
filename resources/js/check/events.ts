import type { Schemas } from '../api/client';
import { keep, store } from '../outbox/store';
import { signedIn } from '../outbox/lines';
import { answerTo, noteKept, sync } from '../outbox/sync';
import { words } from '../words/en';

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

/** Someone who just came along: on this device at once, and sent before any check. */
export async function walkIn(name: string, meeting: string | null): Promise<string> {
  const id = uuid7();
  await store.walkIns.add({ id, name: name.trim(), meeting, state: 'waiting' });
  void sync();
  return id;
}

export type Draft = Omit<NewEvent, 'id' | 'schema' | 'by' | 'device' | 'device_seq' | 'observed_at'>;

/** How long the answer of the server is waited for before the device's own is shown, in milliseconds. */
const PATIENCE = 2_500;

/**
 * Keeps a check event on the device, then sends it. Where no answer comes in time, what the device looked up stands until the
 * server has derived it.
 */
export async function record(
  draft: Draft,
  who: string,
  provisional: Pick<Answer, 'verdict' | 'next'>,
  patience = PATIENCE,
): Promise<Answer & { provisional: boolean }> {
  const id = uuid7();
  const me = signedIn();
  await keep((device, seq) => ({
    id,
    seq,
    state: 'waiting',
    who,
    ...(me ? { of: me.user.name } : {}),
    verdict: draft.kind === 'used' ? words.check.used.kept : words.verdicts[provisional.verdict],
    event: {
      ...draft,
      ...(me ? { by: me.user.id } : {}),
      id,
      schema: 1,
      device,
      device_seq: seq,
      observed_at: new Date().toISOString(),
    },
  }));
  await noteKept();
  const answer = await answerTo(id, patience);
  return answer === null ? { id, level: null, ...provisional, provisional: true } : { ...answer, provisional: false };
}
