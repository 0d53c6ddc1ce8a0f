import { z } from 'zod';
import { counted } from './putts';
import { count, defineRule } from './rule-kind';

/** A cold test: each putt once, no second try. */
export const assessment = defineRule(
  z.object({ type: z.literal('assessment'), putts: count(1, 100) }),
  {
    name: 'cold test',
    first: { type: 'assessment', putts: 10 },
    fields: [{ field: 'putts', label: 'Putts' }],
    words: ({ putts }) => `${putts} putts, no warm-up, one try each`,
    traits: { cold: true, counts: true },
    machine: counted(' · no warm-up, one try each'),
  },
);
