import type { Tree } from '../resources/js/words/tree';

export function asked(message: string): Map<string, 'string' | 'number'>;
export function language(name: string): Record<string, Tree>;
export function languages(): string[];
export function faults(english: Tree, other: Tree): string[];
export function missing(english: Tree, other: Tree): string[];
export function typeOf(tree: Tree): string;
