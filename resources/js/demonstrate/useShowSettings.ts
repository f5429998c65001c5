import { useState } from 'react';

export const VIEWS = ['learner', 'across', 'behind', 'left'] as const;
export type View = (typeof VIEWS)[number];

export type ShowSettings = { view: View; story: boolean; nextView: () => void; toggleLeft: () => void; toggleStory: () => void };

function kept(): View {
  const view = sessionStorage.getItem('show-view');
  return VIEWS.find((one) => one === view) ?? 'learner';
}

/** How the room is shown a knot; it stays so for the meeting. */
export function useShowSettings(): ShowSettings {
  const [view, setView] = useState<View>(kept);
  const [story, setStory] = useState(() => sessionStorage.getItem('show-story') === 'yes');
  const look = (next: View): void => {
    sessionStorage.setItem('show-view', next);
    setView(next);
  };
  return {
    view, story,
    nextView: () => look(VIEWS[(VIEWS.indexOf(view) + 1) % VIEWS.length] ?? 'learner'),
    toggleLeft: () => look(view === 'left' ? 'learner' : 'left'),
    toggleStory: () => setStory((now) => {
      sessionStorage.setItem('show-story', now ? 'no' : 'yes');
      return !now;
    }),
  };
}
