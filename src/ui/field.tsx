'use client';

import clsx from 'clsx';
import { useId, type ComponentProps, type ReactNode } from 'react';

interface FieldShape {
  label: string;
  hint?: ReactNode;
  error?: string;
  /** Said only to those who cannot see the column it stands in. */
  quiet?: boolean;
}

interface FieldIds {
  id: string;
  'aria-describedby': string | undefined;
  'aria-invalid': boolean;
}

/** A label, its control, and below it the error or else the hint: the one way a form shows what is wrong. */
export function Field({
  label,
  hint,
  error,
  quiet = false,
  children,
}: FieldShape & { children: (ids: FieldIds) => ReactNode }) {
  const id = useId();
  const note = error ?? hint;
  return (
    <div className="grid min-w-0 content-start gap-1">
      <label htmlFor={id} className={quiet ? 'sr-only' : 'cap'}>
        {label}
      </label>
      {children({
        id,
        'aria-describedby': note ? `${id}-note` : undefined,
        'aria-invalid': !!error,
      })}
      {note && (
        <p
          id={`${id}-note`}
          role={error ? 'alert' : undefined}
          className={clsx('max-w-prose text-sm', error ? 'font-[560] text-line' : 'text-ink2')}
        >
          {error && <span aria-hidden>▲ </span>}
          {note}
        </p>
      )}
    </div>
  );
}

const LINE =
  'border-ink w-full min-w-0 border-b-[length:var(--stroke)] bg-transparent px-0.5 py-1.5 text-[1.0625rem] num placeholder:text-ink2 placeholder:font-normal aria-invalid:border-line';

/** A line to write on. */
export function TextField({
  label,
  hint,
  error,
  quiet,
  className,
  ...rest
}: FieldShape & ComponentProps<'input'>) {
  return (
    <Field label={label} hint={hint} error={error} quiet={quiet}>
      {(ids) => <input autoComplete="off" {...rest} {...ids} className={clsx(LINE, className)} />}
    </Field>
  );
}

/** A few lines to write on. */
export function NotesField({
  label,
  hint,
  error,
  className,
  ...rest
}: FieldShape & ComponentProps<'textarea'>) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => (
        <textarea
          rows={4}
          {...rest}
          {...ids}
          className={clsx(
            'w-full border-[length:var(--stroke)] border-ink bg-sheet px-3 py-2 text-[1rem]',
            className,
          )}
        />
      )}
    </Field>
  );
}
