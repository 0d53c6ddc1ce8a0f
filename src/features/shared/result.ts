/** Messages by field path. */
export type FieldErrors = Record<string, string>;

/** What a server action answers. */
export type ActionResult<T> =
  { ok: true; value: T } | { ok: false; message: string; fields: FieldErrors };
