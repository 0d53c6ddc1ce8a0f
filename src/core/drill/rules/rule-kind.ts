import { z } from 'zod';
import type { Machine } from './machine';

/** A whole number of a rule, with its limits. */
export const count = (min: number, max: number) => z.number().int().min(min).max(max);

/** "one putt", "3 putts". */
export const times = (number: number, one: string): string =>
  number === 1 ? `one ${one}` : `${number} ${one}s`;

/** What the program goes by where it would else have to know a rule. */
export interface RuleTraits {
  /** No putt ends it: the coach does, or its own clock. */
  endless?: true;
  /** Nothing is asked for: it has neither a goal nor a cap. */
  free?: true;
  /** So many putts and no more is asked: that it was completed says all of it. */
  counts?: true;
  /** A miss costs something. */
  presses?: true;
  /** A missed ball is putted again from near where it stopped. */
  fromRest?: true;
  /** Played against each other, in turn. */
  game?: true;
  /** The player says what happened before looking. */
  guesses?: true;
  /** It moves up and down the ladder by itself. */
  climbs?: true;
  /** A test, cold: nothing is tried twice. */
  cold?: true;
  /** Two things are compared: it is played through, and told at its end. */
  compares?: true;
}

/** A number, a choice or a name that a coach sets. */
export type RuleField = { field: string; label: string } & (
  | { options?: undefined; text?: undefined }
  | { options: readonly { value: string; label: string }[]; text?: undefined }
  /** A few words of the coach's own. */
  | { options?: undefined; text: true }
);

/** When a drill is done: one file that says everything the program needs to know of it. */
export interface RuleKind<R, S> {
  schema: z.ZodType<R>;
  /** How a coach chooses it: "so many in a row". */
  name: string;
  /** A first set of its numbers. */
  first: R;
  fields: readonly RuleField[];
  /** As a coach says it: "5 in a row, or start again". */
  words(rule: R): string;
  /** What a coach should know before choosing these numbers. */
  note?(rule: R): string;
  /** The rule as it is begun, where chance has a part in it. */
  draw?(rule: R, lot: number): R;
  traits: RuleTraits;
  /** Its own clock, minutes. */
  minutes?(rule: R): number;
  machine: Machine<R, S>;
}

/** Keeps a rule's types while checking it. */
export const defineRule = <Schema extends z.ZodObject, S>(
  schema: Schema,
  rest: Omit<RuleKind<z.infer<Schema>, S>, 'schema'>,
): Omit<RuleKind<z.infer<Schema>, S>, 'schema'> & { schema: Schema } => ({ schema, ...rest });
