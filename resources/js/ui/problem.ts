import { ApiProblem } from '../api/client';
import { signInWords } from '../words/signIn';

/** What went wrong, in one sentence. */
export const problemSentence = (error: unknown): string =>
  error instanceof Error ? error.message : signInWords().unknown;

/** What the server refused, each fault in its own words. */
export const problemLines = (error: unknown): string[] =>
  error instanceof ApiProblem && error.faults.length > 0
    ? error.faults.map((fault) => fault.message)
    : [problemSentence(error)];
