import { useEffect, useState } from 'react';

/** While a handle is dragged, the server is asked as often as a hand can tell. */
const PAUSE = 60;

/** A text, once it has stood still for a moment. */
export function useSettled(text: string): string {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const later = window.setTimeout(() => setSettled(text), PAUSE);
    return () => clearTimeout(later);
  }, [text]);
  return settled;
}
