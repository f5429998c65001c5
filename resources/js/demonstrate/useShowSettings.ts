import { useState } from 'react';

export type ShowSettings = { left: boolean; story: boolean; toggleLeft: () => void; toggleStory: () => void };

/** How the room is shown a knot; it stays so for the meeting. */
export function useShowSettings(): ShowSettings {
  const [left, setLeft] = useState(() => sessionStorage.getItem('show-left') === 'yes');
  const [story, setStory] = useState(() => sessionStorage.getItem('show-story') === 'yes');
  const keep = (key: string, value: boolean): boolean => {
    sessionStorage.setItem(key, value ? 'yes' : 'no');
    return value;
  };
  return {
    left, story,
    toggleLeft: () => setLeft((now) => keep('show-left', !now)),
    toggleStory: () => setStory((now) => keep('show-story', !now)),
  };
}
