import { RadioGroup } from 'radix-ui';

/** A few answers side by side, one of them chosen. */
export function Choice<T extends string>({
  label,
  value,
  onChange,
  options,
  tone,
}: {
  label: string;
  value: T;
  onChange: (value: T) => void;
  options: readonly (readonly [T, string])[];
  tone?: Partial<Record<T, string>>;
}) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      onValueChange={(now) => {
        onChange(now as T);
      }}
      className="flex gap-1 rounded-lg bg-wash p-1"
    >
      {options.map(([one, name]) => (
        <RadioGroup.Item
          key={one}
          value={one}
          className={`min-h-12 flex-1 rounded-md px-2 text-[0.95rem] leading-tight font-semibold data-[state=checked]:text-card ${value === one ? (tone?.[one] ?? 'bg-ink') : 'text-ink hover:bg-card'}`}
        >
          {name}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
