'use client';

import { useCallback, useEffect, useState, type ReactNode } from 'react';
import type { z } from 'zod';
import {
  bareUnit,
  lengthSchema,
  showLength,
  type LengthKind,
  type UnitPreferences,
} from '@/core/units';
import { TextField } from './field';

/** Where fields say what is wrong in them, so that nothing wrong is saved. */
export type Wrong = (name: string, message: string | null) => void;

/** What is wrong on a form, by the name of its field, and where the fields say it. */
export function useWrong(): [wrong: Record<string, string>, onWrong: Wrong] {
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const onWrong = useCallback<Wrong>((name, message) => {
    setWrong((old) => {
      if ((old[name] ?? null) === message) return old;
      const { [name]: _, ...rest } = old;
      return message === null ? rest : { ...rest, [name]: message };
    });
  }, []);
  return [wrong, onWrong];
}

/**
 * A field for something that is typed as it is said. What cannot be read, or is refused, stays in the field with the
 * reason beside it, and the value keeps its last right state.
 */
export function ParsedInput<T>({
  name,
  label,
  hint,
  value,
  show,
  schema,
  onValue,
  onWrong,
  list,
  quiet,
}: {
  /** Unique on the form. */
  name: string;
  label: string;
  hint?: ReactNode;
  value: T;
  show: (value: T) => string;
  schema: z.ZodType<T, string>;
  /** Takes the value; answers why it cannot be, or null. */
  onValue: (value: T) => string | null;
  onWrong: Wrong;
  /** Id of a list of suggestions. */
  list?: string;
  /** Its label is only for those who cannot see the column it stands in. */
  quiet?: boolean;
}) {
  const [typed, setTyped] = useState<{ text: string; error: string | null } | null>(null);
  const error = typed?.error ?? null;
  useEffect(() => {
    onWrong(name, error);
    return () => onWrong(name, null);
  }, [name, error, onWrong]);
  const take = (text: string) => {
    const parsed = schema.safeParse(text);
    const refused = parsed.success ? onValue(parsed.data) : parsed.error.issues[0]!.message;
    setTyped({ text, error: refused });
  };
  return (
    <TextField
      label={label}
      hint={hint}
      list={list}
      quiet={quiet}
      value={typed?.text ?? show(value)}
      onChange={({ target }) => take(target.value)}
      onBlur={() => {
        if (!error) setTyped(null);
      }}
      error={error ?? undefined}
    />
  );
}

/** A length, typed in any unit and shown in the coach's own. */
export function LengthInput({
  what,
  kind,
  min,
  max,
  units,
  ...rest
}: {
  name: string;
  label: string;
  hint?: ReactNode;
  /** To start an error with: "The gap". */
  what: string;
  kind: LengthKind;
  min: number;
  max: number;
  units: UnitPreferences;
  value: number;
  onValue: (metres: number) => string | null;
  onWrong: Wrong;
  quiet?: boolean;
}) {
  return (
    <ParsedInput
      {...rest}
      show={(metres) => showLength(metres, kind, units)}
      schema={lengthSchema({ what, min, max, bare: bareUnit(kind, units), own: units.own })}
    />
  );
}
