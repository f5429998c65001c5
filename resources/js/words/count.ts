import { number } from './format';

/** So many of a thing, one of it or several. */
export const count = (n: number, one: string, many: string): string => `${number(n)} ${n === 1 ? one : many}`;
