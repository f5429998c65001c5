import { Search } from 'lucide-react';

/** Whether any word of a name begins with what was typed. */
export function startsWith(name: string, typed: string): boolean {
  const letters = typed.trim().toLowerCase();
  return (
    letters === '' ||
    name.toLowerCase().startsWith(letters) ||
    name
      .toLowerCase()
      .split(/[\s-]+/)
      .some((word) => word.startsWith(letters))
  );
}

/** First letters are enough; Enter opens the first that is left. */
export function FindBox({
  label,
  value,
  onChange,
  onEnter,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onEnter?: () => void;
}) {
  return (
    <label className="flex min-h-12 items-center gap-2 rounded-full border border-soft bg-card px-4 focus-within:border-ink">
      <Search aria-hidden className="size-5 shrink-0 text-soft" />
      <input
        aria-label={label}
        placeholder={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            onEnter?.();
          }
          if (event.key === 'Escape') onChange('');
        }}
        className="min-h-11 w-full min-w-0 bg-transparent outline-none placeholder:text-soft"
      />
    </label>
  );
}
