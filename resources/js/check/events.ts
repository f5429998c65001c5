import type { Schemas } from '../api/client';
import { eveningToday } from '../outbox/evenings';
import { keep, store } from '../outbox/store';
import { answerTo, noteKept, sync } from '../outbox/sync';
import { uuid7 } from '../outbox/uuid7';
import { ofHere, signedIn } from '../outbox/who';
import { words } from '../words';

type NewEvent = Schemas['NewCheckEvent'];
export type Answer = Schemas['CheckAnswer'];

/** Someone who just came along: on this device at once, and sent before any check. */
export async function walkIn(name: string, meeting: string | null): Promise<string> {
  const id = uuid7();
  await store.walkIns.add({
    id,
    name: name.trim(),
    meeting: meeting ?? (await eveningToday()),
    state: 'waiting',
    ...ofHere(),
  });
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
  // Of an evening begun here the server's sheets know nothing yet.
  const meeting = draft.meeting ?? (await eveningToday());
  await keep((device, seq) => ({
    id,
    seq,
    state: 'waiting',
    ...ofHere(),
    who,
    ...(me ? { of: me.user.name } : {}),
    verdict: draft.kind === 'used' ? words.check.used.kept : words.verdicts[provisional.verdict],
    event: {
      ...draft,
      ...(meeting === null ? {} : { meeting }),
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
