import { useEffect, useRef } from 'react';

type Act =
  | 'next'
  | 'previous'
  | 'first'
  | 'last'
  | 'left'
  | 'view'
  | 'space'
  | 'method'
  | 'wrong'
  | 'story'
  | 'words'
  | 'replay'
  | 'along'
  | 'finished'
  | 'slower'
  | 'faster'
  | 'phone'
  | 'help'
  | 'leave';

export type Acts = Partial<Record<Act, () => void>>;

const KEYS: Record<string, Act> = {
  ArrowRight: 'next',
  ArrowDown: 'next',
  ' ': 'next',
  PageDown: 'next',
  Enter: 'next',
  '.': 'next',
  ArrowLeft: 'previous',
  ArrowUp: 'previous',
  PageUp: 'previous',
  Backspace: 'previous',
  Home: 'first',
  End: 'last',
  l: 'left',
  v: 'view',
  d: 'space',
  m: 'method',
  w: 'wrong',
  s: 'story',
  p: 'words',
  r: 'replay',
  t: 'along',
  f: 'finished',
  '-': 'slower',
  '+': 'faster',
  '=': 'faster',
  c: 'phone',
  '?': 'help',
  Escape: 'leave',
};

/** The stage's keys, presenter remotes among them. A focused control keeps its own Space and Enter. */
export function useKeys(acts: Acts, paused: boolean): void {
  const now = useRef(acts);
  useEffect(() => {
    now.current = acts;
  });
  useEffect(() => {
    if (paused) return undefined;
    const press = (event: KeyboardEvent): void => {
      const act = KEYS[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      const onControl = event.target instanceof HTMLButtonElement && (event.key === ' ' || event.key === 'Enter');
      // A dialog that has just closed has had this key already.
      if (!act || event.defaultPrevented || onControl || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      now.current[act]?.();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [paused]);
}
