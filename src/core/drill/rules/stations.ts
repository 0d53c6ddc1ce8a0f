import { z } from 'zod';
import { count, defineRule } from './rule-kind';
import { visited } from './visits';

/** So many of so many at each station; one that fails sends back to the first. */
export const stations = defineRule(
  z
    .object({ type: z.literal('stations'), need: count(1, 10), of: count(1, 10) })
    .refine(({ need, of }) => need <= of, {
      message: 'Passes needed is more than putts per station: use the same or fewer.',
      path: ['need'],
    }),
  {
    name: 'passes at every station',
    first: { type: 'stations', need: 2, of: 3 },
    fields: [
      { field: 'need', label: 'Passes needed' },
      { field: 'of', label: 'Putts per station' },
    ],
    words: ({ need, of }) =>
      `${need} of ${of} at each station; a failed station sends you back to the first`,
    traits: { presses: true },
    machine: visited(
      ({ need, of }, many) => Array.from({ length: many }, () => ({ need, of, backTo: 0 })),
      'a failed station sends you back to the first',
    ),
  },
);
