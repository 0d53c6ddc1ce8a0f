import type { z } from 'zod';
import type { Putt } from '@/core/green';
import type { LengthKind } from '@/core/units';
import type { Setting } from './setting';
import type { Spot } from './spot';

export type { Setting, Spot };

export type Side = 'left' | 'right';

/** Something a coach puts on the green, where the tape finds it. */
export interface Place {
  /** Unique within its element. */
  id: string;
  /** Words for the tape list: "left tee". */
  name: string;
  /** Letter on the drawing, when it has one. */
  label?: string;
  at: Spot;
}

/** A distance to check once all is placed: the gap across two tees. */
export interface Check {
  name: string;
  /** The places it lies between. */
  between: [string, string];
  metres: number;
}

/** Start directions that an element lets pass: from `left` radians left of the line to `right` radians right of it. */
export interface Tolerance {
  left: number;
  right: number;
}

/** One thing that can happen at an element on a putt. */
export interface Outcome {
  id: string;
  /** Word on the button: "Clear". */
  label: string;
  /** What it means: "through the gate". */
  detail: string;
  /** Which side it stands on, or `middle`. */
  side: Side | 'middle';
  /** Whether the putt did what the element asks. */
  passes: boolean;
  /** Where to touch the drawing for it. */
  at: Spot;
}

/** What one outcome says of the player: a quantity lay between two bounds. */
export interface Evidence {
  quantity: 'start';
  /** Radians, right positive; -Infinity when unbounded. */
  lower: number;
  /** Radians, right positive; Infinity when unbounded. */
  upper: number;
}

/** One thing to draw, in metres on the green; the drawing knows how each is inked. */
export type Mark =
  | { type: 'ball'; at: Spot }
  | { type: 'hole'; at: Spot; radius: number }
  | { type: 'tee'; id: string; label: string; side: Side; at: Spot }
  | { type: 'line'; role: 'start' | 'past' | 'tier'; from: Spot; to: Spot; label?: string }
  | { type: 'midpoint'; at: Spot }
  | {
      type: 'wedge';
      role: 'gate' | 'hole';
      from: Spot;
      until: number;
      /** Of the middle it opens from, rad, right positive. */
      direction: number;
      left: number;
      right: number;
    }
  | { type: 'curve'; points: Spot[] }
  | { type: 'aim'; at: Spot; beside: number; cups: number; direction: number }
  | { type: 'fall'; grade: number; falls: number }
  | {
      type: 'dimension';
      from: number;
      to: number;
      /** What a tape shows between them; along the start line a little more than along the line to the hole. */
      metres: number;
      kind: LengthKind;
      row: number;
    };

export interface KitItem {
  name: string;
  count: number;
}

/** Something wrong with the numbers: an error stops the layout, a warning does not. */
export interface Finding {
  severity: 'error' | 'warning';
  /** Parameter at fault. */
  field: string;
  /** Sentence template, with lengths given as `{name}` and printed in the coach's units. */
  message: string;
  lengths: Record<string, { metres: number; kind: LengthKind }>;
}

/** One number a coach sets, for the form. */
export interface Field<Params> {
  name: keyof Params & string;
  label: string;
  /** To start an error with: "The gap". */
  what: string;
  hint?: string;
  kind: LengthKind;
  min: number;
  max: number;
}

/** A ball as it really left, for simulated players: radians from the line, right positive. */
export interface Launch {
  direction: number;
}

/**
 * A layout element: one file that says everything the program needs to know of it.
 * The form, the drawing, the tape list, the logging buttons and the scoring follow from it.
 */
export interface Element<Params> {
  kind: string;
  /** Name a coach reads. */
  name: string;
  /** The parameters and their limits, SI. */
  schema: z.ZodType<Params>;
  /** The numbers a coach may set, in the order of asking. */
  fields: Field<Params>[];
  /** A sensible first set of numbers for a putt. */
  defaults(putt: Putt): Params;
  /** What is wrong or unwise here, beyond what the schema refuses. */
  check(params: Params, setting: Setting): Finding[];
  /** Where its parts go. */
  places(params: Params, setting: Setting): Place[];
  /** What to measure once they stand. */
  checks(params: Params, setting: Setting): Check[];
  /** Start directions it lets pass, or null when it tests none. */
  tolerance(params: Params, setting: Setting): Tolerance | null;
  /** What can happen at it, commonest first; none when nothing is logged. */
  outcomes(params: Params, setting: Setting): Outcome[];
  /** What an outcome says of the player. */
  evidence(outcome: string, params: Params, setting: Setting): Evidence[];
  /** Which outcome a ball really meets, or null when it has none. */
  meets(launch: Launch, params: Params, setting: Setting): string | null;
  /** How it is drawn. */
  draw(params: Params, setting: Setting): Mark[];
  kit(params: Params): KitItem[];
  cautions(params: Params): string[];
}

/** Keeps an element's parameter type while checking it against the interface. */
export function defineElement<Kind extends string, Params>(
  element: Element<Params> & { kind: Kind },
): Element<Params> & { kind: Kind } {
  return element;
}
