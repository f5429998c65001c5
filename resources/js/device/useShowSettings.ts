import { useState } from 'react';
import type { View } from '../api/queries';
import { useMe } from './me';

export const VIEWS = ['learner', 'across', 'behind', 'left'] as const satisfies View[];

export const PACES = [0.5, 1, 2] as const;

export type ShowSettings = {
  view: View;
  story: boolean;
  /** whether knots are shown as ropes in space */
  space: boolean;
  toggleSpace: () => void;
  learnersWords: boolean;
  toggleWords: () => void;
  pace: number;
  nextView: () => void;
  toggleLeft: () => void;
  toggleStory: () => void;
  changePace: (by: number) => void;
};

/** A choice that stays for the meeting: as long as this tab is open. */
function useKept<T extends string>(key: string, allowed: readonly T[], usual: T): [T, (now: T) => void] {
  const [value, setValue] = useState<T>(() => allowed.find((one) => one === sessionStorage.getItem(key)) ?? usual);
  return [
    value,
    (now) => {
      sessionStorage.setItem(key, now);
      setValue(now);
    },
  ];
}

/** The side that this meeting looks from. */
export const keptView = (): View => VIEWS.find((one) => one === sessionStorage.getItem('show-view')) ?? 'learner';

/** How the room is shown a knot; it stays so for the meeting. */
export function useShowSettings(): ShowSettings {
  const [view, look] = useKept('show-view', VIEWS, 'learner');
  const [story, tell] = useKept('show-story', ['yes', 'no'] as const, 'no');
  const [shown, show] = useKept('show-space', ['flat', 'space'] as const, 'flat');
  const [said, speak] = useKept('show-words', ['leaders', 'learners'] as const, useMe().group.words);
  const [pace, walk] = useKept('show-pace', ['0', '1', '2'] as const, '1');
  return {
    view,
    story: story === 'yes',
    space: shown === 'space',
    toggleSpace: () => show(shown === 'space' ? 'flat' : 'space'),
    learnersWords: said === 'learners',
    pace: PACES[Number(pace)] ?? 1,
    nextView: () => look(VIEWS[(VIEWS.indexOf(view) + 1) % VIEWS.length] ?? 'learner'),
    toggleLeft: () => look(view === 'left' ? 'learner' : 'left'),
    toggleWords: () => speak(said === 'learners' ? 'leaders' : 'learners'),
    toggleStory: () => tell(story === 'yes' ? 'no' : 'yes'),
    changePace: (by) => walk((['0', '1', '2'] as const)[Math.max(0, Math.min(2, Number(pace) + by))] ?? '1'),
  };
}
