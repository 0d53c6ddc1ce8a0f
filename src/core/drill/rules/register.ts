import { z } from 'zod';
import { assessment } from './assessment';
import { cost } from './cost';
import { guess } from './guess';
import { ladder } from './ladder';
import type { Machine } from './machine';
import { open } from './open';
import { perfect } from './perfect';
import { points } from './points';
import { putts } from './putts';
import { quota } from './quota';
import { newSpot } from './new-spot';
import { record } from './record';
import { row } from './row';
import type { RuleKind, RuleTraits } from './rule-kind';
import { sets } from './sets';
import { stations } from './stations';
import { tiers } from './tiers';
import { timed } from './timed';
import { trial } from './trial';
import { zone } from './zone';

/** Every rule, in the order in which they are offered. A new one is its file and a line here. */
export const RULES = {
  open,
  putts,
  quota,
  row,
  sets,
  stations,
  tiers,
  record,
  newSpot,
  points,
  zone,
  perfect,
  ladder,
  cost,
  guess,
  timed,
  assessment,
  trial,
} as const;

/** When a drill is done, as data; the counting follows it. */
export type Rule = {
  [Type in keyof typeof RULES]: z.infer<(typeof RULES)[Type]['schema']>;
}[keyof typeof RULES];

// The register's rules, of which each schema accepts just its own.
export const ruleSchema = z.discriminatedUnion(
  'type',
  Object.values(RULES).map(({ schema }) => schema) as never,
) as unknown as z.ZodType<Rule, Rule>;

/** What is known of a rule's kind; each takes just the numbers of its own, which the rule's schema has paired. */
const kindOf = ({ type }: Rule): RuleKind<Rule, unknown> =>
  RULES[type] as unknown as RuleKind<Rule, unknown>;

/** The machine of a rule. */
export const machineOf = (rule: Rule): Machine<Rule, unknown> => kindOf(rule).machine;

/** What the program goes by of a rule. */
export const ruleTraits = (rule: Rule): RuleTraits => kindOf(rule).traits;

/** What a coach should know of a rule's numbers; null for nothing. */
export const ruleNote = (rule: Rule): string | null => kindOf(rule).note?.(rule) ?? null;

/**
 * A rule as it is begun: with an order of its own, where chance has a part in it.
 *
 * @param lot any whole number from 0, drawn anew each time
 * @returns null where the rule is begun as it stands
 */
export const ruleDrawn = (rule: Rule, lot: number): Rule | null =>
  kindOf(rule).draw?.(rule, lot) ?? null;

/** A lot from what is new each time: a run's own id. */
export const lotOf = (id: string): number => parseInt(id.replaceAll('-', '').slice(0, 8), 16);

/** The clock of a rule that has one, minutes. */
export const ruleMinutes = (rule: Rule): number | null => kindOf(rule).minutes?.(rule) ?? null;

/**
 * A rule as a coach says it: "4 sets of 5; a miss starts the set again at once".
 *
 * @param rule a rule its schema accepts
 */
export const ruleWords = (rule: Rule): string => kindOf(rule).words(rule);
