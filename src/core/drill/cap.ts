import { z } from 'zod';
import { count } from './rules';

/** Nobody is stuck all evening: a rule ends here whatever happened. */
export const capSchema = z.object({
  putts: count(5, 300).default(60),
  minutes: count(2, 120).default(25),
});

export type Cap = z.infer<typeof capSchema>;
