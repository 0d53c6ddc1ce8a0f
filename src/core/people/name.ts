import { z } from 'zod';

/** Characters that show nothing, or turn what follows them round: no name has them. */
const UNSEEN = /[\p{Cc}\u200b\u202a-\u202e\u2060-\u2069\ufeff]/u;

/**
 * A name as it is typed: one line of at most 80 letters that all can be seen. For the border only, so that a name which was
 * kept before can still be read.
 *
 * @param empty what is said when there is none
 * @example nameSchema('A green needs a name.').parse(' Lock green ') // "Lock green"
 */
export const nameSchema = (empty = 'Enter a name.') =>
  z
    .string()
    .trim()
    .min(1, empty)
    .max(80, 'The name is too long: use at most 80 characters.')
    .refine(
      (name) => !UNSEEN.test(name),
      'The name contains characters that cannot be seen. Remove them.',
    );
