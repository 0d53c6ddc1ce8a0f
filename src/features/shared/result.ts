import type { z } from 'zod';

/** Messages by field path. */
export type FieldErrors = Record<string, string>;

/** What a server action answers. */
export type ActionResult<T> =
  { ok: true; value: T } | { ok: false; message: string; fields: FieldErrors };

/** Errors by field path ("gate.gap"), the first of each. */
export function fieldErrors(error: z.ZodError): FieldErrors {
  const errors: FieldErrors = {};
  for (const { path, message } of error.issues) errors[path.join('.')] ??= message;
  return errors;
}
