import { z } from 'zod';

const count = (min: number, max: number) => z.number().int().min(min).max(max);

/** Nobody is stuck all evening: a rule ends here whatever happened. */
export const capSchema = z.object({
  putts: count(5, 300).default(60),
  minutes: count(2, 120).default(25),
});

const tier = z.object({
  stations: count(1, 12),
  need: count(1, 10),
  of: count(1, 10),
});

/** When a drill is done, as data; the counting follows it. */
export const ruleSchema = z
  .discriminatedUnion('type', [
    z.object({ type: z.literal('open') }),
    z.object({ type: z.literal('putts'), putts: count(1, 200) }),
    z.object({ type: z.literal('quota'), passes: count(1, 200) }),
    z.object({ type: z.literal('row'), length: count(2, 50) }),
    z.object({
      type: z.literal('sets'),
      sets: count(1, 20),
      of: count(2, 20),
      restart: z.enum(['at once', 'at the end']),
    }),
    z.object({ type: z.literal('stations'), need: count(1, 10), of: count(1, 10) }),
    z.object({ type: z.literal('tiers'), tiers: z.array(tier).min(1).max(6) }),
    z.object({ type: z.literal('record') }),
    z.object({
      type: z.literal('points'),
      total: count(1, 100),
      short: count(-5, 10),
      past: count(-5, 10),
      holed: count(-5, 10),
    }),
    z.object({ type: z.literal('zone'), length: count(1, 50) }),
    z.object({ type: z.literal('perfect') }),
    z.object({ type: z.literal('ladder'), up: count(1, 10), down: count(1, 10) }),
    z.object({ type: z.literal('cost'), holes: count(1, 36) }),
    z.object({ type: z.literal('guess'), putts: count(1, 50) }),
    z.object({ type: z.literal('timed'), minutes: count(1, 60) }),
    z.object({ type: z.literal('assessment'), putts: count(1, 100) }),
  ])
  .refine((rule) => !('need' in rule) || rule.need <= rule.of, {
    message: 'More are needed than are played',
    path: ['need'],
  });

export type Rule = z.infer<typeof ruleSchema>;
export type Cap = z.infer<typeof capSchema>;

const times = (number: number, one: string, many = `${one}s`): string =>
  number === 1 ? `one ${one}` : `${number} ${many}`;

/**
 * A rule as a coach says it: "4 sets of 5; a miss starts the set again at once".
 *
 * @param rule a rule its schema accepts
 */
export function ruleWords(rule: Rule): string {
  switch (rule.type) {
    case 'open':
      return 'counted until you finish';
    case 'putts':
      return `${times(rule.putts, 'putt')}, counted`;
    case 'quota':
      return `until ${rule.passes} have passed`;
    case 'row':
      return `${rule.length} in a row, or start again`;
    case 'sets':
      return `${rule.sets} sets of ${rule.of}, all must pass; a miss starts the set again ${rule.restart}`;
    case 'stations':
      return `${rule.need} of ${rule.of} at each station; one that fails sends back to the first`;
    case 'tiers':
      return rule.tiers
        .map(({ stations, need, of }) => `${times(stations, 'station')} at ${need} of ${of}`)
        .join(', then ');
    case 'record':
      return 'round the stations until the first miss: the longest row is the record';
    case 'points':
      return `to ${rule.total} points: short ${rule.short}, past ${rule.past}, holed ${rule.holed}`;
    case 'zone':
      return `${rule.length} in the zone in a row, or start again`;
    case 'perfect':
      return 'until one putt is right in everything';
    case 'ladder':
      return `a rung up after ${rule.up} passed in a row, one down after ${rule.down} missed`;
    case 'cost':
      return `${rule.holes} holes; a miss is putted again from a putter length farther, and every putt counts`;
    case 'guess':
      return `${rule.putts} putts; say where it ends before you look`;
    case 'timed':
      return `as many as pass in ${rule.minutes} minutes`;
    case 'assessment':
      return `${rule.putts} putts, cold, each once, no second try`;
  }
}
