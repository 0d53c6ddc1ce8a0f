import { z } from 'zod';
import { UNITS, lineSchema, quantities } from '@/core/quantity';

/** The schema of a line that an instrument sends, with the quantities that are known and the units of each. */
export const GET = () =>
  Response.json({
    ...z.toJSONSchema(lineSchema, { io: 'input' }),
    title: 'A putt as an instrument sends it, in one line of JSON',
    'x-quantities': Object.fromEntries(
      quantities().map(({ id, name, about, dimension }) => [
        id,
        { name, about, units: [...new Set(UNITS[dimension].map((unit) => unit.id))] },
      ]),
    ),
  });
