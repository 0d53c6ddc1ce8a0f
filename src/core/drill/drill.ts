import { z } from 'zod';
import { ladderSchema, layoutSchema } from '@/core/layout';
import { LEVELS, nameSchema } from '@/core/people';
import { biasMisses, isQuantity, quantities, quantityOf } from '@/core/quantity';
import { mannerSchema } from './manner';
import { capSchema } from './cap';
import { ruleSchema } from './rules';

/** What drills train besides quantities. */
const OTHER_SKILLS = ['pressure'];
/** What a drill trains: a quantity that is trained, or pressure. */
export type Skill = string;

/** All that drills can train. */
export const skills = (): Skill[] => [
  ...quantities().flatMap(({ id, trained }) => (trained ? [id] : [])),
  ...OTHER_SKILLS,
];

/** The name of a skill within a sentence. */
export const skillWords = (skill: Skill): string =>
  isQuantity(skill) ? (quantityOf(skill).trained?.name ?? skill) : skill;

export const skillSchema = z.string().refine((skill) => skills().includes(skill), {
  error: ({ input }) => `“${String(input)}” is not a skill: use one of ${skills().join(', ')}.`,
});

/** What a player misses besides what a bias makes. */
const OTHER_MISSES = ['early look', 'nerves'];
/** A miss, in words of the player's own hand. */
export type Miss = string;

/** All that drills can be for. */
export const missNames = (): Miss[] => [...biasMisses(), ...OTHER_MISSES];

const missSchema = z.string().refine((miss) => missNames().includes(miss), {
  error: ({ input }) => `“${String(input)}” is not a miss: use one of ${missNames().join(', ')}.`,
});

/** Some of all there are. */
const some = <Item>(schema: z.ZodType<Item, Item>, all: () => unknown[]) =>
  z.array(schema).refine((chosen) => chosen.length <= all().length, {
    error: () => `Choose at most ${all().length}.`,
  });

/** Some things that drills train. */
export const skillsSchema = some(skillSchema, skills);

/** Where a drill can be set. */
export const PLACES = ['green', 'busy green', 'carpet', 'home', 'slope'] as const;
export type PlaceKind = (typeof PLACES)[number];

export const PLACE_WORDS: Record<PlaceKind, string> = {
  green: 'practice green',
  'busy green': 'busy green (no free hole)',
  carpet: 'indoor carpet',
  home: 'at home',
  slope: 'on a slope',
};

const words = (max: number) =>
  z.string().trim().max(max, `This is too long: use at most ${max} characters.`);
const needed = (max: number) => words(max).min(1, 'Enter some text.');
const list = (max: number) => z.array(needed(300)).max(max);

/** All a drill says beside its name and its layout. */
export const drillDetails = z.object({
  purpose: words(300).default(''),
  skills: skillsSchema.default([]),
  /** Misses it is for, and those it makes worse. */
  misses: some(missSchema, missNames).default([]),
  avoid: some(missSchema, missNames).default([]),
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

/** Whether a drill can be done on a floor at home: then the carpet's speed holds. */
export const onFloor = ({ places }: Pick<DrillDetails, 'places'>): boolean =>
  places.includes('home') || places.includes('carpet');

/** A whole drill: what it is for, what stands on the green, when it is done, and its ladder. */
export const drillSchema = drillDetails.extend({
  name: nameSchema(),
  layout: layoutSchema,
});

export type DrillValues = z.infer<typeof drillSchema>;

/** The details of a drill that says nothing but what its layout does. */
export const bareDetails = (): DrillDetails => drillDetails.parse({});
