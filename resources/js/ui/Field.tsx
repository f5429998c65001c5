import {
  type InputHTMLAttributes,
  type ReactNode,
  type SelectHTMLAttributes,
  type TextareaHTMLAttributes,
  useId,
} from 'react';
import { LOOKS } from './looks';
import { words } from '../words';
import * as limits from '../api/limits';

type About = { label: string; hint?: string | undefined; fault?: string | undefined };

function Labelled({
  label,
  hint,
  fault,
  children,
}: About & { children: (ids: { id: string; 'aria-describedby'?: string; 'aria-invalid'?: true }) => ReactNode }) {
  const id = useId();
  const more = fault ?? hint;
  return (
    <div className={LOOKS.field}>
      <label htmlFor={id} className={LOOKS.label}>
        {label}
      </label>
      {children({
        id,
        ...(more ? { 'aria-describedby': `${id}-more` } : {}),
        ...(fault ? { 'aria-invalid': true } : {}),
      })}
      {more && (
        <p id={`${id}-more`} className={fault ? 'font-semibold text-notyet' : 'text-sm text-soft'}>
          {more}
        </p>
      )}
    </div>
  );
}

export function TextField({ label, hint, fault, ...rest }: About & InputHTMLAttributes<HTMLInputElement>) {
  return (
    <Labelled label={label} hint={hint} fault={fault}>
      {(ids) => <input {...rest} {...ids} className={LOOKS.box} />}
    </Labelled>
  );
}

/** A password to be set: as long as the server asks, in the words that say so. */
export function NewPasswordField(
  props: Pick<About, 'hint' | 'fault'> & { label?: string; value: string; onText: (text: string) => void },
) {
  const { label = words.signIn.password, onText, ...rest } = props;
  return (
    <TextField
      label={label}
      type="password"
      autoComplete="new-password"
      required
      {...limits.Password}
      onChange={(event) => onText(event.target.value)}
      {...rest}
    />
  );
}

export function AreaField({ label, hint, fault, ...rest }: About & TextareaHTMLAttributes<HTMLTextAreaElement>) {
  return (
    <Labelled label={label} hint={hint} fault={fault}>
      {(ids) => <textarea {...rest} {...ids} className={LOOKS.box} />}
    </Labelled>
  );
}

/** What may be picked, with what it is called. */
export const optionsOf = <T extends string>(names: Record<T, string>): [T, string][] =>
  Object.entries(names) as [T, string][];

/** One of a few; `onPick` is told which, as it stands in the options. */
export function SelectField<T extends string>({
  label,
  hint,
  fault,
  options,
  onPick,
  ...rest
}: About &
  SelectHTMLAttributes<HTMLSelectElement> & {
    options: readonly (readonly [T, string])[];
    onPick?: (value: T) => void;
  }) {
  return (
    <Labelled label={label} hint={hint} fault={fault}>
      {(ids) => (
        <select
          {...(onPick && {
            onChange: (event) => onPick(event.target.value as T),
          })}
          {...rest}
          {...ids}
          className={LOOKS.box}
        >
          {options.map(([value, name]) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}
