/** How many of each kind there are, in words: those that there are, one after the other. */
export const counted = <Kind extends string>(
  kinds: readonly Kind[],
  of: Record<Kind, number>,
  say: Record<Kind, (values: { n: number }) => string>,
): string =>
  kinds
    .filter((kind) => of[kind] > 0)
    .map((kind) => say[kind]({ n: of[kind] }))
    .join(', ');
