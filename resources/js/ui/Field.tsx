import {
  type InputHTMLAttributes,
  type ReactNode,
  type SelectHTMLAttributes,
  type TextareaHTMLAttributes,
  useId,
} from 'react';

const BOX = 'min-h-12 w-full rounded-lg border border-soft bg-card px-3 py-2 text-ink placeholder:text-soft';

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
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
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
      {(ids) => <input {...rest} {...ids} className={BOX} />}
    </Labelled>
  );
}

export function AreaField({ label, hint, fault, ...rest }: About & TextareaHTMLAttributes<HTMLTextAreaElement>) {
  return (
    <Labelled label={label} hint={hint} fault={fault}>
      {(ids) => <textarea {...rest} {...ids} className={BOX} />}
    </Labelled>
  );
}

export function SelectField({
  label,
  hint,
  fault,
  options,
  ...rest
}: About & SelectHTMLAttributes<HTMLSelectElement> & { options: readonly (readonly [string, string])[] }) {
  return (
    <Labelled label={label} hint={hint} fault={fault}>
      {(ids) => (
        <select {...rest} {...ids} className={BOX}>
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
