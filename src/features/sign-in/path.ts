import { z } from 'zod';

/** A page of this server's own, as a path: never another site's. */
export const pathSchema = z
  .string()
  .max(300)
  .regex(/^\/(?![/\\])[\w\-./?=&%~:+]*$/, 'This is not a Dirigo page.');

/** The page to go to, or the start when it is none of Dirigo's. */
export const pathOr = (path: unknown, otherwise = '/'): string =>
  pathSchema.catch(otherwise).parse(path);
