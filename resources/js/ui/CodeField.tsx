import type { InputHTMLAttributes } from 'react';
import { TextField } from './Field';

/** A code that is typed off a screen or a card. */
export function CodeField(field: { label: string; fault: string | undefined } & InputHTMLAttributes<HTMLInputElement>) {
  return <TextField autoComplete="off" autoCapitalize="characters" spellCheck={false} required {...field} />;
}
