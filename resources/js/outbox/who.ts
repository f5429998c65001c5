import type { Schemas } from '../api/client';
import { meQuery, queryClient } from '../api/queries';

/** Who is signed in here, as far as this device knows. */
export const signedIn = (): Schemas['Me'] | null =>
  queryClient.getQueryData<Schemas['Me'] | null>(meQuery.queryKey) ?? null;

/** Of which group it is; what an app of before kept says nothing of that. */
export type OfGroup = { group?: string };

/** Of which group it is, and who noted it. */
export type Noted = OfGroup & { by?: string };

/** Noted now, by whoever is signed in. */
export function noted(): Noted {
  const me = signedIn();
  return me === null ? {} : { group: me.group.id, by: me.user.id };
}

/** Whether somebody else noted it than who is signed in now: what they may not do, the other may. */
export function isOthers(one: Noted): boolean {
  const me = signedIn();
  return me !== null && one.by !== undefined && one.by !== me.user.id;
}

/** Of the group that is open here. */
export function ofHere(): OfGroup {
  const me = signedIn();
  return me === null ? {} : { group: me.group.id };
}

/** Whether it is of the group that is open here: what waits of another stays until that one is. */
export function isOfHere(one: OfGroup): boolean {
  const me = signedIn();
  return one.group === undefined || me === null || one.group === me.group.id;
}
