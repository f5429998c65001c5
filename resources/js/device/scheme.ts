export type Scheme = 'light' | 'dark';

const KEY = 'compadre-scheme';

export function currentScheme(): Scheme {
  const kept = localStorage.getItem(KEY);
  if (kept === 'light' || kept === 'dark') return kept;
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

export function applyScheme(): void {
  document.documentElement.dataset['scheme'] = currentScheme();
}

export function toggleScheme(): Scheme {
  const next = currentScheme() === 'dark' ? 'light' : 'dark';
  localStorage.setItem(KEY, next);
  applyScheme();
  return next;
}
