import { ApiProblem, call } from '../api/client';

const LEAVING = 'compadre-leaving';

/** The other tabs of this browser: what they show goes where nobody is signed in any more, or somebody else is. */
export const otherTabs = new BroadcastChannel('compadre');

/** Whether somebody signed out here without a network, and the server has not heard of it yet. */
export const isLeaving = (): boolean => localStorage.getItem(LEAVING) !== null;

export const beginLeaving = (): void => localStorage.setItem(LEAVING, 'yes');

export const stay = (): void => localStorage.removeItem(LEAVING);

/** Tells the server of a sign-out it has not heard of. */
export async function tellLeft(): Promise<void> {
  if (!isLeaving()) return;
  const told = await call('POST', '/api/sign-out').then(
    () => true,
    (fault: unknown) => fault instanceof ApiProblem && fault.status === 401,
  );
  if (told) stay();
}

/** When somebody last signed out here: a page from before that is shown again, by the way back, is not shown. */
const LEFT = 'compadre-left';
const opened = Date.now();

/** Leaves this page with nothing on it: browsers keep pages as they were, names and all. */
export function clearPage(): void {
  localStorage.setItem(LEFT, String(Date.now()));
  document.body.replaceChildren();
  window.location.replace('/');
}

/** A page that the browser kept from before a sign-out clears itself the moment it is shown again. */
export function watchTheWayBack(): void {
  window.addEventListener('pageshow', (event) => {
    if (event.persisted && Number(localStorage.getItem(LEFT) ?? 0) > opened) clearPage();
  });
}
