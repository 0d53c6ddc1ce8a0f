import type { z } from 'zod';

/** Messages by field path. */
export type FieldErrors = Record<string, string>;

/** What a server action answers. */
export type ActionResult<T> =
  { ok: true; value: T } | { ok: false; message: string; fields: FieldErrors };

/** Errors by field path ("gate.gap"), the first of each; what was typed of a thing may come beside its id, as `values`. */
export function fieldErrors(error: z.ZodError): FieldErrors {
  const errors: FieldErrors = {};
  for (const { path, message } of error.issues) {
    errors[(path[0] === 'values' ? path.slice(1) : path).join('.')] ??= message;
  }
  return errors;
}
