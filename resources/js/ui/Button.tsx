import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  plain: 'border border-line bg-card hover:bg-wash',
  signal: 'bg-signal text-on-signal hover:brightness-110',
  right: 'bg-right text-on-right hover:brightness-110',
  quiet: 'hover:bg-wash',
};

export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type="button"
      {...rest}
      className={`inline-flex min-h-12 items-center justify-center gap-2 rounded-lg px-4 font-semibold disabled:opacity-50 ${LOOKS[look]} ${className}`}
    />
  );
}
