import { z } from 'zod';
import { ladderSchema, layoutSchema } from '@/core/layout';
import { LEVELS, nameSchema } from '@/core/people';
import { mannerSchema } from './manner';
import { capSchema, ruleSchema } from './rule';

/** What a drill trains. */
export const SKILLS = ['start', 'face', 'strike', 'path', 'pace', 'reading', 'pressure'] as const;
export type Skill = (typeof SKILLS)[number];

export const SKILL_WORDS: Record<Skill, string> = {
  start: 'start line',
  face: 'face angle',
  strike: 'strike',
  path: 'path',
  pace: 'pace',
  reading: 'reading',
  pressure: 'pressure',
};

/** What a player misses, in words of their own hand. */
export const MISSES = [
  'push',
  'pull',
  'heel',
  'toe',
  'low on the face',
  'short',
  'long',
  'in-to-out',
  'out-to-in',
  'early look',
  'aim',
  'nerves',
] as const;
export type Miss = (typeof MISSES)[number];

/** Where a drill can be set. */
export const PLACES = ['green', 'busy green', 'carpet', 'home', 'slope'] as const;
export type PlaceKind = (typeof PLACES)[number];

export const PLACE_WORDS: Record<PlaceKind, string> = {
  green: 'practice green',
  'busy green': 'busy green, no free hole',
  carpet: 'carpet indoors',
  home: 'at home',
  slope: 'on a slope',
};

const words = (max: number) => z.string().trim().max(max, `At most ${max} letters.`);
const needed = (max: number) => words(max).min(1, 'Some words are needed.');
const list = (max: number) => z.array(needed(300)).max(max);

/** All a drill says beside its name and its layout. */
export const drillDetails = z.object({
  purpose: words(300).default(''),
  skills: z.array(z.enum(SKILLS)).max(SKILLS.length).default([]),
  /** Misses it is for, and those it makes worse. */
  misses: z.array(z.enum(MISSES)).max(MISSES.length).default([]),
  avoid: z.array(z.enum(MISSES)).max(MISSES.length).default([]),
  school: z.enum(['any', 'arc', 'straight']).default('any'),
  levels: z
    .array(z.enum(LEVELS))
    .max(LEVELS.length)
    .default([...LEVELS]),
  /** Whether it can be putted from a chair. */
  seated: z.enum(['yes', 'adapted', 'no']).default('yes'),
  places: z.array(z.enum(PLACES)).max(PLACES.length).default(['green']),
  minutes: z.number().int().min(1).max(120).default(10),
  dose: words(200).default(''),
  when: words(400).default(''),
  whenNot: words(400).default(''),
  steps: list(12).default([]),
  judge: words(300).default(''),
  errors: list(10).default([]),
  cautions: list(10).default([]),
  /** How each ball is struck, in turn; none when every one is struck as usual. */
  manners: z.array(mannerSchema).max(24).default([]),
  /** From the spots of the layout, or from wherever the player puts each ball. */
  spots: z.enum(['set', 'chosen']).default('set'),
  rule: ruleSchema.default({ type: 'open' }),
  cap: capSchema.default({ putts: 60, minutes: 25 }),
  ladder: ladderSchema.default([]),
});

export type DrillDetails = z.infer<typeof drillDetails>;

/** A whole drill: what it is for, what stands on the green, when it is done, and its ladder. */
export const drillSchema = drillDetails.extend({
  name: nameSchema(),
  layout: layoutSchema,
});

export type DrillValues = z.infer<typeof drillSchema>;

/** The details of a drill that says nothing but what its layout does. */
export const bareDetails = (): DrillDetails => drillDetails.parse({});
