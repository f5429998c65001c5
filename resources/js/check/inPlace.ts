type Named = { id: string };

/** In the order in which they stood when somebody began to tap; whoever came since follows. Nothing moves under a thumb. */
export function inPlace<T extends Named>(rows: readonly T[], held: readonly string[] | null): T[] {
  if (held === null) return [...rows];
  const at = (one: T): number => {
    const place = held.indexOf(one.id);
    return place < 0 ? held.length : place;
  };
  return [...rows].sort((one, other) => at(one) - at(other));
}

/** As they stood, also what is not among them any more: that stays where it was, and is done. */
export function withDone<T extends Named>(
  rows: readonly T[],
  held: readonly T[] | null,
): { row: T; isDone: boolean }[] {
  const now = new Set(rows.map((one) => one.id));
  const gone = (held ?? []).filter((one) => !now.has(one.id));
  return inPlace([...rows, ...gone], held && held.map((one) => one.id)).map((row) => ({
    row,
    isDone: !now.has(row.id),
  }));
}
