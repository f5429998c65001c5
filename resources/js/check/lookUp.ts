import type { Schemas } from '../api/client';
import type { Answer, Draft } from './events';

type CheckSheet = Schemas['CheckSheet'];

/** What a check comes to, looked up in the core's tables: for a device that has no network. */
export function lookUp(
  sheet: CheckSheet,
  draft: Omit<Draft, 'learner' | 'knot' | 'meeting'>,
): Pick<Answer, 'verdict' | 'next'> {
  if (draft.kind !== 'result') return { verdict: 'has_it', next: '' };
  const limits =
    draft.measured_mm === undefined || draft.measured_mm === null
      ? undefined
      : sheet.limits?.[draft.measured_by ?? 'mm'];
  const tail =
    limits && draft.measured_mm !== undefined && draft.measured_mm !== null
      ? byLimits(draft.measured_mm, limits, draft.tail ?? 'not_looked')
      : draft.tail;
  const found =
    sheet.verdicts[
      [draft.tying, draft.dressing, tail, draft.prompts ?? 0, ...(draft.test === 'no' ? ['no'] : [])].join(',')
    ];
  return found ?? { verdict: 'incomplete', next: '' };
}

function byLimits(measured: number, limits: number[], seen: Schemas['Seen']): Schemas['Seen'] {
  const [short = 0, enough = 0] = limits;
  return measured < short ? 'no' : measured > enough ? 'yes' : seen;
}
