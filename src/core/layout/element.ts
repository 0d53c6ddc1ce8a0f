import type { z } from 'zod';
import type { Putt } from '@/core/green';
import type { KitId } from '@/core/people';
import type { LengthKind } from '@/core/units';
import type { Setting } from './setting';
import type { Spot } from './spot';
import type { Stations } from './stations';

export type { Setting, Spot };

export type Side = 'left' | 'right';

/** Something a coach puts on the green, where the tape finds it. */
export interface Place {
  /** Unique within its element. */
  id: string;
  /** Words for the tape list: "left tee". */
  name: string;
  /** Stands up: the layout letters it on the drawing, and nothing else may stand or roll there. */
  tee?: { radius: number };
  /** Letter on the drawing, given by the layout. */
  label?: string;
  /** A place that balls are putted from: it is measured from the hole, not from the first ball. */
  station?: true;
  at: Spot;
}

/** A distance to check once all is placed: the gap across two tees. */
export interface Check {
  name: string;
  /** The places it lies between. */
  between: [string, string];
  metres: number;
}

/**
 * What an element lets pass, to either side of what is intended. Start, face and path in rad left and right of the line;
 * strike in m of the head's middle left and right of the ball's; pace in m of run short of and beyond the intended one.
 */
export interface Tolerance {
  /** Of the register. */
  quantity: string;
  left: number;
  right: number;
}

/** One thing that can happen at an element on a putt. */
export interface Outcome {
  id: string;
  /** Word on the button: "Clear". */
  label: string;
  /** What it means: "through the gate". A tee's letter is put here by the layout. */
  detail: string;
  /** Which side it stands on, or `middle`. */
  side: Side | 'middle';
  /** Whether the putt did what the element asks. */
  passes: boolean;
  /** Where to touch the drawing for it; null when it has no place. */
  at: Spot | null;
  /** The place that was touched, when it is one tee; or all of them, when there were several. */
  tee?: string;
  tees?: readonly string[];
  /** Where the ball can have ended when this happened, if it tells. */
  ends?: readonly End[];
}

/** Bounds, infinite where unbounded. */
export type Interval = readonly [lower: number, upper: number];

/**
 * The rear edge of a head, which has to pass the same tees as its front edge. It is met at `s + y p + depth (p - f) + lag`:
 * a head that moves along its own axis takes no more room than its length.
 */
export interface RearEdge {
  /** Of the head, from its face to its back, m. */
  depth: number;
  /** How far the arc alone carries the rear edge aside, m, right positive. */
  lag: number;
  /** Between the tees, less the length of the head, m. */
  gap: number;
}

/** What one outcome says of the player: a quantity lay between two bounds. */
export type Evidence =
  | {
      /**
       * Start and face in rad from the line, right positive; pace as a share of the way intended, less one; height on the
       * face above its middle, m.
       */
      quantity: 'start' | 'face' | 'pace' | 'height';
      lower: number;
      upper: number;
    }
  | {
      /** Any quantity with a bias and a spread of its own that nothing else here speaks of, in its own unit. */
      quantity: 'other';
      id: string;
      lower: number;
      upper: number;
    }
  | {
      /** `s + y tan p` in m, right positive: the head's middle at y, its arc taken off. At y = 0 it is the strike. */
      quantity: 'head';
      at: number;
      lower: number;
      upper: number;
      rear?: RearEdge;
    }
  | {
      /** Start and pace together lay in one of these, which do not overlap: what passes depends on both. */
      quantity: 'roll';
      areas: { start: Interval; pace: Interval }[];
    }
  | {
      /** Strike and height on the face together lay in one of these, which do not overlap, m. */
      quantity: 'mark';
      areas: { strike: Interval; height: Interval }[];
    };

/** Where a ball can have ended: in the hole, short of it, or past it. */
export type End = 'holed' | 'short' | 'past';

/**
 * A value read off, with the error of reading it as one standard deviation. Strike as the head's middle right of the
 * ball's and height on the face above its middle, m; pace as m of run past the hole, short negative; start in rad from
 * the line.
 */
export interface Direct {
  quantity: 'strike' | 'height' | 'pace' | 'start';
  value: number;
  error: number;
}

/** A value that an outcome amounts to, as an instrument would read it: with its error as one standard deviation, SI. */
export interface Read {
  quantity: string;
  value: number;
  error: number;
}

/** What can be pointed at on a picture, instead of touching a key. */
export interface Pointing<Params> {
  /**
   * On the green, where the ball came to rest: a spot as the layout has it. On the face, seen from behind: across right of its
   * middle, along above it. For a read, where the ball is to start over: along and beside the line from the ball to the hole.
   * On a clock, along is a time in s.
   */
  on: 'green' | 'face' | 'read' | 'clock';
  /** Whether there is such a picture with these numbers; always where it is left out. */
  shown?(params: Params): boolean;
  /** Half of what counts as the centre of the face, m. */
  middle?(params: Params): Spot;
  /** The outcome that a spot is. */
  outcome(spot: Spot, params: Params, setting: Setting): string;
  /** Other outcomes that a spot may be pointed at for, because they tell what the spot does not. */
  also?: readonly string[];
  /** What it says of the player; the first is what a coach reads off. */
  says(spot: Spot, params: Params, setting: Setting): Direct[];
  /** What it says of quantities that no gate tests, in place of the outcome's evidence of them. */
  reads?(spot: Spot, params: Params, setting: Setting): Read[];
  /** Half of the picture's width and height beyond which nothing can be pointed at, m. */
  within(params: Params, setting: Setting): Spot;
  /** The spot that a putt really makes, for simulated players. */
  spotOf(launch: Launch, setting: Setting): Spot;
}

/** One thing to draw, in metres on the green; the drawing knows how each is inked. */
export type Mark =
  | { type: 'ball'; at: Spot }
  | { type: 'hole'; at: Spot; radius: number }
  | { type: 'tee'; id: string; label: string; side: Side; at: Spot }
  /** A tee without a letter: one of many. */
  | { type: 'peg'; at: Spot }
  | { type: 'coin'; at: Spot; radius: number; label: string }
  | { type: 'head'; at: Spot; length: number; depth: number }
  | { type: 'rod'; from: Spot; to: Spot; role: 'rod' | 'string' | 'chalk' | 'stop' }
  /** Where the ball should come to rest, along the line from the ball. */
  | { type: 'zone'; from: number; to: number; half: number; label: string; round?: boolean }
  | { type: 'line'; role: 'start' | 'past' | 'tier'; from: Spot; to: Spot; label?: string }
  | { type: 'midpoint'; at: Spot }
  /** How often something happened there. */
  | { type: 'tally'; at: Spot; side: Side | 'middle'; passes: boolean; count: number }
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
  /** The roll, where the ball may rest, or the roll of another putt that it is compared with. */
  | { type: 'curve'; role: 'roll' | 'zone' | 'other'; points: Spot[] }
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
  item: KitId;
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

/** One thing a coach sets, for the form. */
export type Field<Params> = {
  name: keyof Params & string;
  label: string;
  hint?: string;
  /** Asked for only when a choice is one of these. */
  when?: { field: keyof Params & string; is: readonly string[] };
} & (
  | {
      type: 'length';
      /** To start an error with: "The gap". */
      what: string;
      kind: LengthKind;
      min: number;
      max: number;
      /** Typed with its side: "4 mm left". */
      sided?: boolean;
    }
  | { type: 'number'; what: string; min: number; max: number; step: number }
  | { type: 'choice'; options: readonly { value: string; label: string }[] }
  | { type: 'text'; max: number }
);

/** A part of an element that can be taken hold of and moved; spots as seen from the start line. */
export interface Grip<Params> {
  id: string;
  name: string;
  at: Spot;
  /** Moves along the line only: it is taken hold of at the dimension string, clear of what stands there. */
  slides?: true;
  move(to: Spot): Params;
}

/** A length that a coach measures once the element stands, and how far off it is easily set. */
export interface Measure<Params> {
  name: string;
  label: string;
  kind: LengthKind;
  metres: number;
  /** What a careful coach is off by, m. */
  error: number;
  /** Of the ball, not of what stands there: it is right by itself where the ball lies on its mark. */
  ofBall?: true;
  /** What it decides of how a stand really is: the opening between tees, or how far along they are. */
  decides?: 'opening' | 'along';
  /** The numbers as they are when it measures so. */
  as(metres: number): Params;
}

/** A number that makes an element stricter, from roomy to strict; SI. */
export interface Harder<Params> {
  /** Makes the opening smaller, or moves it away. */
  by: 'gap' | 'distance';
  field: keyof Params & string;
  roomy: number;
  strict: number;
}

/** A ball as it was really struck, for simulated players: rad and m, right positive. */
export interface Launch {
  /** Start direction from the line. */
  direction: number;
  /** The distance it is sent for against the one intended, less one; as intended when left out. */
  pace?: number;
  face?: number;
  path?: number;
  /** Where the face pointed at address. */
  aim?: number;
  /** The break that was read, as a share of the true one. */
  read?: number;
  /** The head's middle against the ball's, m. */
  strike?: number;
  /** Where on the face the ball was met, above its middle, m. */
  height?: number;
  /** How far the head went back from the ball and past it, m. */
  back?: number;
  through?: number;
  /** Where a wedge's edge met the ball, above its middle, m. */
  edge?: number;
}

/** What the program goes by where it would else have to know a kind. */
export interface Traits {
  /** What it counts as where not all does: the hole, or where the ball comes to rest; a gate where left out. */
  counts?: 'hole' | 'zone';
  /** Stands on every layout, once: where the ball lies. */
  fixed?: true;
  /** Has no middle that another of its kind could not share. */
  spread?: true;
  /** Its places belong to other putts: they are not on the tape of this one. */
  elsewhere?: true;
  /** Its places stand in the way of the head if they stand too near the ball. */
  inHeadsWay?: true;
  /** The head goes between its places. */
  guidesHead?: true;
  /** The head goes no farther than its places. */
  stopsHead?: true;
  /** It is there to be hit: in the ball's way it is no mistake. */
  target?: true;
  /** What it lets through is compared with what the hole takes. */
  proves?: true;
  /** Its first outcomes are through, and at its left and at its right tee. */
  twoTees?: true;
  /** Once it stands, the player sees where the ball is to start. */
  showsLine?: true;
  /** It asks what the break is: the drawing must not tell. */
  asksRead?: true;
  /** Only an eye tells what happened: how often it is right is assumed, not known. */
  byEye?: true;
}

/**
 * A layout element: one file that says everything the program needs to know of it.
 * The form, the drawing, the tape list, the logging buttons, the ladder and the scoring follow from it.
 */
export interface Element<Params> {
  kind: string;
  /** Name a coach reads. */
  name: string;
  /** What it is for, in one line. */
  about: string;
  /** The quantity that it trains, or `set-up`. */
  trains: string;
  /** The parameters and their limits, SI. */
  schema: z.ZodType<Params>;
  /** The things a coach may set, in the order of asking. */
  fields: Field<Params>[];
  /** A sensible first set of numbers for a putt. */
  defaults(putt: Putt): Params;
  /** What is wrong or unwise here, beyond what the schema refuses. */
  check(params: Params, setting: Setting): Finding[];
  /** Where its parts go. */
  places(params: Params, setting: Setting): Place[];
  /** What to measure once they stand. */
  checks?(params: Params, setting: Setting): Check[];
  /** What it lets pass, or null when it tests nothing. */
  tolerance(params: Params, setting: Setting): Tolerance | null;
  /** What can happen at it, commonest first; none when nothing is logged. */
  outcomes(params: Params, setting: Setting): Outcome[];
  /** What an outcome says of the player. */
  evidence(outcome: string, params: Params, setting: Setting): Evidence[];
  /** What an outcome says of quantities that no gate tests, as a reading of them. */
  reads?(outcome: string, params: Params, setting: Setting): Read[];
  /** How far back a stroke goes that does what it asks, m. */
  backstroke?(params: Params): number;
  /** The miss that it looks for; null where it looks for none. */
  looksFor?(params: Params): string | null;
  /** What can be pointed at for it. */
  pointing?: Pointing<Params>;
  /** Which outcome a putt really meets, or null when it has none. */
  meets(launch: Launch, params: Params, setting: Setting): string | null;
  /** How it is drawn. */
  draw(params: Params, setting: Setting): Mark[];
  /** What can be taken hold of on the drawing. */
  grips?(params: Params, setting: Setting): Grip<Params>[];
  /** What is measured once it stands. */
  measures?(params: Params, setting: Setting): Measure<Params>[];
  /** What makes it stricter. */
  harder?(params: Params, setting: Setting): Harder<Params>[];
  /** What must be so before the first putt, where there is nothing to measure. */
  checklist?(params: Params, setting: Setting): string[];
  kit(params: Params): KitItem[];
  cautions(params: Params): string[];
  traits?: Traits;
  /** What is asked where it is logged; its name where left out. */
  asks?(params: Params): string;
  /** Which balls it stops: all that reach it, or those that go beyond its farthest place. */
  stops?(params: Params): 'all' | 'beyond' | null;
  /** The opening that a next gate, a ladder and a player's page go by, m. */
  gate?(params: Params): Gate;
  /** Corners of what of a stroke goes through, to be drawn. */
  region?(params: Params, setting: Setting): StrokePoint[];
  /** The spots that the layout is putted from. */
  stations?(params: Params): Stations;
}

/** A strike (m) and the tangent of a path, right positive. */
export interface StrokePoint {
  strike: number;
  slope: number;
}

/** A ball gate: between the tees, from the ball, and how thick a tee is, m. */
export interface Gate {
  gap: number;
  distance: number;
  shank: number;
  /** What another gap and distance would let through, rad to either side. */
  toleranceOf(gap: number, distance: number, setting: Setting): { left: number; right: number };
}

/** Keeps an element's parameter type while checking it against the interface. */
export function defineElement<Kind extends string, Params>(
  element: Element<Params> & { kind: Kind },
): Element<Params> & { kind: Kind } {
  return element;
}

/** A finding of one sentence about one field. */
export const finding = (
  severity: Finding['severity'],
  field: string,
  message: string,
  lengths: Finding['lengths'] = {},
): Finding => ({ severity, field, message, lengths });
