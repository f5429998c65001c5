import type { ButtonHTMLAttributes } from 'react';
import { LOOKS as PARTS } from './looks';

const LOOKS = {
  plain: 'border border-line bg-card hover:bg-wash',
  signal: PARTS.signal,
  right: 'bg-right text-on-right hover:brightness-110',
  quiet: 'hover:bg-wash',
};

export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS }) {
  return <button type="button" {...rest} className={`${PARTS.button} ${LOOKS[look]} ${className}`} />;
}
