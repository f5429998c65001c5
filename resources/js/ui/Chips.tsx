type Chip = { id: string; name: string };

/** Some of many, each at a tap; what cannot be chosen says why. */
export function Chips<One extends Chip>({
  of,
  chosen,
  onChange,
  why = () => null,
}: {
  of: One[];
  chosen: Set<string>;
  onChange: (chosen: Set<string>) => void;
  why?: (one: One) => string | null;
}) {
  const toggle = (id: string): void => {
    const now = new Set(chosen);
    if (!now.delete(id)) now.add(id);
    onChange(now);
  };
  return (
    <ul className="flex max-h-60 flex-wrap gap-2 overflow-y-auto">
      {of.map((one) => (
        <li key={one.id}>
          <button
            type="button"
            aria-pressed={chosen.has(one.id) && why(one) === null}
            disabled={why(one) !== null}
            onClick={() => toggle(one.id)}
            className="min-h-12 rounded-lg border-2 border-line bg-card px-3 font-semibold disabled:border-dashed disabled:text-soft aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-card"
          >
            {one.name}
            {why(one) !== null && <span className="font-normal"> {why(one)}</span>}
          </button>
        </li>
      ))}
    </ul>
  );
}
