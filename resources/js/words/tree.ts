/** A file of words: messages, in groups and lists. */
export type Tree = string | readonly Tree[] | { readonly [key: string]: Tree };

/** One file over another: what the upper one lacks is as in the lower one. */
export function over(lower: Tree, upper: Tree | undefined): Tree {
  if (upper === undefined) return lower;
  if (typeof lower === 'string' || typeof upper === 'string' || isList(lower) || isList(upper)) return upper;
  return Object.fromEntries(Object.entries(lower).map(([key, one]) => [key, over(one, upper[key])]));
}

/** The same file, each of its messages changed. */
export function changed(tree: Tree, change: (message: string) => string): Tree {
  if (typeof tree === 'string') return change(tree);
  if (isList(tree)) return tree.map((one) => changed(one, change));
  return Object.fromEntries(Object.entries(tree).map(([key, one]) => [key, changed(one, change)]));
}

export const isList = (tree: Tree): tree is readonly Tree[] => Array.isArray(tree);
