/**
 * What the device says about what is not on the server yet: checks, what else was noted of the evening, and checks that
 * somebody else tapped here, which wait for them.
 */
export type SyncState = Counts & { trouble: 'none' | 'network' | 'sign-in' | 'moved' };

export type Counts = { waiting: number; notes: number; refused: number; others: Others };
export type Others = { count: number; names: string[] };

/** All that can happen to it. */
export type SyncEvent =
  | { is: 'counted'; counts: Counts }
  /** All that could go went. Until then the device says what was wrong the last time: nothing comes and goes with each try. */
  | { is: 'sent' }
  /** Nobody is signed in here, or not any more. */
  | { is: 'shut' }
  /** The group lives in another house: what waits is to be brought there as a file. */
  | { is: 'moved' }
  /** There was no network, or the server was not well. */
  | { is: 'lost' };

export const atRest: SyncState = { waiting: 0, notes: 0, refused: 0, others: { count: 0, names: [] }, trouble: 'none' };

export function after(state: SyncState, event: SyncEvent): SyncState {
  switch (event.is) {
    case 'counted':
      return { ...event.counts, trouble: state.trouble };
    case 'sent':
      return { ...state, trouble: 'none' };
    case 'shut':
      return { ...state, trouble: 'sign-in' };
    case 'moved':
      return { ...state, trouble: 'moved' };
    case 'lost':
      return { ...state, trouble: 'network' };
  }
}
