import { ApiProblem } from '../api/client';

/** What is answered where the group has moved to another house: what waits here is kept, and nothing of it is taken. */
const LIVES_ELSEWHERE = 423;

export const hasMoved = (fault: unknown): boolean => fault instanceof ApiProblem && fault.status === LIVES_ELSEWHERE;

/** Whether whoever is signed in may not do this. */
export const isBarred = (fault: ApiProblem): boolean => fault.status === 403;

/** Whether the server will never take this, however often it is sent. */
export const isFinal = (fault: unknown): fault is ApiProblem =>
  fault instanceof ApiProblem && [403, 404, 422].includes(fault.status);

/** Whether the server says that somebody else made the check. */
export const isAnothers = (fault: unknown): boolean =>
  fault instanceof ApiProblem && fault.status === 422 && fault.faults.some((one) => one.field.endsWith('/by'));

/** Whether nobody is signed in here, or may not do this. */
export const isShut = (fault: unknown): fault is ApiProblem =>
  fault instanceof ApiProblem && (fault.status === 401 || fault.status === 403);

/** Whether nothing else would get through either: there is no network, or nobody is signed in. */
export const isForAll = (fault: unknown): boolean =>
  !(fault instanceof ApiProblem) || [0, 401, 419, LIVES_ELSEWHERE].includes(fault.status);

/** Whether the server did not answer, or was not well: what was asked of it may have been done all the same. */
export const isLost = (fault: unknown): boolean =>
  !(fault instanceof ApiProblem) || fault.status === 0 || fault.status >= 500;

/** Whether it is the batch that the server did not take, and one event of it may be why. */
export const isOfTheBatch = (fault: unknown): fault is ApiProblem =>
  fault instanceof ApiProblem &&
  fault.status >= 400 &&
  fault.status < 500 &&
  ![401, 403, 408, 419, LIVES_ELSEWHERE, 429].includes(fault.status) &&
  !isAnothers(fault);

/** The server's words for it. */
export const said = (fault: ApiProblem): string => fault.faults[0]?.message ?? fault.message;
