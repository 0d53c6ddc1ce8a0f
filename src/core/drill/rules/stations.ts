import { z } from 'zod';
import { count, defineRule } from './rule-kind';
import { visited } from './visits';

/** So many of so many at each station; one that fails sends back to the first. */
export const stations = defineRule(
  z
    .object({ type: z.literal('stations'), need: count(1, 10), of: count(1, 10) })
    .refine(({ need, of }) => need <= of, {
      message: 'More are needed than are played',
      path: ['need'],
    }),
  {
    name: 'at every station',
    first: { type: 'stations', need: 2, of: 3 },
    fields: [
      { field: 'need', label: 'Needed' },
      { field: 'of', label: 'Of' },
    ],
    words: ({ need, of }) =>
      `${need} of ${of} at each station; one that fails sends back to the first`,
    traits: { presses: true },
    machine: visited(
      ({ need, of }, many) => Array.from({ length: many }, () => ({ need, of, backTo: 0 })),
      'a failed station sends back to the first',
    ),
  },
);
