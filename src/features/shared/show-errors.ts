'use client';

import type { FieldValues, Path, UseFormSetError } from 'react-hook-form';
import { toast } from 'sonner';
import type { ActionResult } from './result';

/**
 * Puts the errors of an action beside their fields, or tells them when they have none.
 *
 * @returns whether the action succeeded
 */
export function showErrors<T, Values extends FieldValues>(
  result: ActionResult<T>,
  setError?: UseFormSetError<Values>,
): result is { ok: true; value: T } {
  if (result.ok) return true;
  const fields = Object.entries(result.fields);
  for (const [path, message] of fields) setError?.(path as Path<Values>, { message });
  if (!setError || fields.length === 0) toast.error(result.message);
  return false;
}
