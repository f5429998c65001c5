import { useState } from 'react';
import type { Schemas } from '../api/client';
import { words } from '../words/en';
import { ApiProblem } from '../api/client';
import { type Answer, type Draft, record } from './events';
import { lookUp } from './lookUp';

type CheckSheet = Schemas['CheckSheet'];
type Row = CheckSheet['rows'][number];

export type Last = { text: string; next: string; undo: { id: string; row: Row } | null };

/** Records checks one by one and keeps the ones that can still be taken back, newest last. */
export function useChecks(sheet: CheckSheet) {
  const [busy, setBusy] = useState<string | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [done, setDone] = useState<{ id: string; row: Row }[]>([]);
  const [last, setLast] = useState<Last | null>(null);

  const attempt = async (row: Row, draft: Draft): Promise<(Answer & { provisional: boolean }) | null> => {
    setBusy(row.id);
    setError(null);
    try {
      return await record(draft, row.name, lookUp(sheet, draft));
    } catch (fault) {
      // The device could not even keep it: storage is full or closed.
      setError(fault instanceof ApiProblem ? fault : new Error(words.sync.full));
      return null;
    } finally {
      setBusy(null);
    }
  };

  const common = (row: Row) => ({ learner: row.id, knot: sheet.knot.id, meeting: sheet.meeting?.id ?? null });

  const send = async (row: Row, draft: Omit<Draft, 'learner' | 'knot' | 'meeting'>): Promise<void> => {
    const answer = await attempt(row, { ...draft, ...common(row) });
    if (!answer) return;
    const entry = { id: answer.id, row };
    setDone((now) => [...now.slice(-9), entry]);
    setLast({ text: words.check.saved(row.name, words.verdicts[answer.verdict]), next: answer.provisional ? `${answer.next} ${words.sync.provisional}` : answer.next, undo: entry });
  };

  /** One tap attests every part that applies. */
  const pass = (row: Row): Promise<void> =>
    send(row, {
      kind: 'result', tying: 'yes', dressing: sheet.knot.has_dressing ? 'yes' : 'not_applicable', tail: sheet.knot.has_tail ? 'yes' : 'not_applicable', how: 'attested', prompts: 0,
    });

  const undo = async (): Promise<void> => {
    const target = last?.undo;
    if (!target) return;
    const answer = await attempt(target.row, { kind: 'retract', target: target.id, ...common(target.row) });
    if (!answer) return;
    const rest = done.filter((entry) => entry.id !== target.id);
    setDone(rest);
    setLast({ text: words.check.undone(target.row.name), next: '', undo: rest[rest.length - 1] ?? null });
  };

  return { busy, error, last, pass, send, undo };
}
