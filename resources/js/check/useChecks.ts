import { useRef, useState } from 'react';
import { words } from '../words';
import { ApiProblem } from '../api/client';
import { signedIn } from '../outbox/who';
import { type Answer, type Draft, record } from './events';

/** Whom and what a check is about. */
export type Subject = { learner: string; name: string; knot: string; meeting: string | null };
export type Parts = Omit<Draft, 'learner' | 'knot' | 'meeting'>;
export type Provisional = Pick<Answer, 'verdict' | 'next'>;

type Done = { id: string; subject: Subject };
export type Last = { text: string; next: string; undo: Done | null };

/** How many checks can still be taken back with a tap. */
const UNDONE = 10;
const KEPT = 'compadre-undo';

/** What can be taken back is whoever tapped it's to take back. */
function keptDone(): Done[] {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEPT) ?? 'null') as { by: string | undefined; done: Done[] } | null;
    return kept !== null && kept.by === signedIn()?.user.id ? kept.done : [];
  } catch {
    return [];
  }
}

/** Records checks one by one and keeps the last ones that can be taken back, newest last, also over a reload. */
export function useChecks() {
  const [busy, setBusy] = useState<string | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [kept] = useState(keptDone);
  // Quick hands tap before the last answer is here: each adds to what the others have left, not to what it saw when it was tapped.
  const done = useRef(kept);
  const [last, setLast] = useState<Last | null>(() => {
    const undo = kept.at(-1);
    return undo ? { text: words.check.lastOne({ name: undo.subject.name }), next: '', undo } : null;
  });

  const keepDone = (now: Done[]): void => {
    sessionStorage.setItem(KEPT, JSON.stringify({ by: signedIn()?.user.id, done: now }));
    done.current = now;
  };

  const attempt = async (
    subject: Subject,
    parts: Parts,
    provisional: Provisional,
  ): Promise<(Answer & { provisional: boolean }) | null> => {
    setBusy(`${subject.learner} ${subject.knot}`);
    setError(null);
    try {
      const { name, ...about } = subject;
      return await record({ ...parts, ...about }, name, provisional);
    } catch (fault) {
      // The device could not even keep it: storage is full or closed.
      setError(fault instanceof ApiProblem ? fault : new Error(words.sync.full));
      return null;
    } finally {
      setBusy(null);
    }
  };

  const send = async (subject: Subject, parts: Parts, provisional: Provisional): Promise<string | null> => {
    const answer = await attempt(subject, parts, provisional);
    if (!answer) return null;
    const entry = { id: answer.id, subject };
    keepDone([...done.current.slice(1 - UNDONE), entry]);
    setLast({
      text: words.check.saved({ name: subject.name, verdict: words.verdicts[answer.verdict] }),
      next: answer.provisional ? `${answer.next} ${words.sync.provisional}` : answer.next,
      undo: entry,
    });
    return answer.id;
  };

  const takeBack = (entry: Done) =>
    attempt(entry.subject, { kind: 'retract', target: entry.id }, { verdict: 'incomplete', next: '' });

  /** The same check, seen closer: what was recorded first is taken back. */
  const replace = async (
    id: string,
    subject: Subject,
    parts: Parts,
    provisional: Provisional,
  ): Promise<string | null> => {
    if (!(await takeBack({ id, subject }))) return null;
    keepDone(done.current.filter((entry) => entry.id !== id));
    return send(subject, parts, provisional);
  };

  const undo = async (): Promise<void> => {
    const target = last?.undo;
    if (!target || !(await takeBack(target))) return;
    const rest = done.current.filter((entry) => entry.id !== target.id);
    keepDone(rest);
    setLast({ text: words.check.undone({ name: target.subject.name }), next: '', undo: rest[rest.length - 1] ?? null });
  };

  return { busy, error, last, send, replace, undo };
}

export type Checks = ReturnType<typeof useChecks>;

/** One tap attests every part that applies. */
export function cleanPass(knot: { has_dressing: boolean; has_tail: boolean }): Parts & { kind: 'result' } {
  return {
    kind: 'result',
    tying: 'yes',
    dressing: knot.has_dressing ? 'yes' : 'not_applicable',
    tail: knot.has_tail ? 'yes' : 'not_applicable',
    how: 'attested',
    prompts: 0,
  };
}
