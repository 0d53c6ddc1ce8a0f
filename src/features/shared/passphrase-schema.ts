import { z } from 'zod';

/** A passphrase that is chosen, typed twice. */
export const passphraseSchema = z
  .object({
    passphrase: z
      .string()
      .min(
        12,
        'The passphrase is too short: use at least 12 characters. Four unrelated words are easy to remember.',
      )
      .max(200, 'The passphrase is too long: use at most 200 characters.'),
    again: z.string(),
  })
  .refine(({ passphrase, again }) => passphrase === again, {
    path: ['again'],
    message: 'The two passphrases do not match.',
  });
