import { z } from 'zod';
import { inARow } from './row';
import { count, defineRule } from './rule-kind';

/** So many in the zone in a row, or start again; a holed putt is in it. */
export const zone = defineRule(z.object({ type: z.literal('zone'), length: count(1, 50) }), {
  name: 'putts in the zone in a row',
  first: { type: 'zone', length: 5 },
  fields: [{ field: 'length', label: 'Putts in a row' }],
  words: ({ length }) => `${length} in a row in the zone, or start again`,
  traits: { presses: true },
  machine: inARow(
    ({ passed, rest, holed }) => (rest === null ? passed : rest === 'in' || holed === true),
    'in the zone',
  ),
});
