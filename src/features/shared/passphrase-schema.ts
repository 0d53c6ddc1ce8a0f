import { z } from 'zod';

/** A passphrase that is chosen, typed twice. */
export const passphraseSchema = z
  .object({
    passphrase: z
      .string()
      .min(12, 'Use at least 12 characters: four unrelated words are easy to remember.')
      .max(200, 'A passphrase has at most 200 characters.'),
    again: z.string(),
  })
  .refine(({ passphrase, again }) => passphrase === again, {
    path: ['again'],
    message: 'The two passphrases differ.',
  });
