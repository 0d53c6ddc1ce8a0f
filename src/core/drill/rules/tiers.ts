import { z } from 'zod';
import { count, defineRule, times } from './rule-kind';
import { visited, type Stage } from './visits';

const tier = z.object({ stations: count(1, 12), need: count(1, 10), of: count(1, 10) });

/** Stations in tiers of their own numbers; one that fails sends back to the first of its tier. */
export const tiers = defineRule(
  z.object({ type: z.literal('tiers'), tiers: z.array(tier).min(1).max(6) }),
  {
    name: 'stations in tiers',
    first: {
      type: 'tiers',
      tiers: [
        { stations: 2, need: 3, of: 3 },
        { stations: 2, need: 2, of: 3 },
        { stations: 2, need: 1, of: 3 },
      ],
    },
    fields: [],
    words: (rule) =>
      rule.tiers
        .map(({ stations, need, of }) => `${times(stations, 'station')} needing ${need} of ${of}`)
        .join(', then '),
    traits: { presses: true },
    machine: visited((rule) => {
      const stages: Stage[] = [];
      for (const { stations: many, need, of } of rule.tiers) {
        const backTo = stages.length;
        for (let index = 0; index < many; index++) stages.push({ need, of, backTo });
      }
      return stages;
    }, 'a failed station sends you back to the first of its tier'),
  },
);
