import type { Phase, Span, Timed } from '@/core/planning';

/** How a drill runs for one player of a plan, in words and numbers for the screen. */
export interface PlayerRunOffer {
  studentId: string;
  /** From 0; null as it is drawn. */
  rung: number | null;
  /** Share of putts that pass. */
  passes: number;
  /** Only an eye can tell what counts: the share is assumed. */
  assumed: boolean;
  /** Why it will hardly end, and what ends it; null when it ends, and for what is only offered. */
  hardly: string | null;
}

/** A drill that a plan can hold, timed for its players. */
export interface Offer extends Timed {
  /** Id of an own drill, or `lib:` and the key of a built-in one. */
  ref: string;
  name: string;
  phase: Phase;
  /** What it trains, in words. */
  trains: string;
  /** Misses of the players that it is for. */
  meets: readonly string[];
  /** Rungs of its ladder in words. */
  rungs: string[];
  players: PlayerRunOffer[];
  span: Span;
  /** Why it does not suit; null when it does. */
  unsuited: string | null;
}

/** A block on the screen. */
export interface PlanItem {
  id: string;
  ref: string;
  rungs: Record<string, number | null>;
  locked: boolean;
  why: string;
}

/** What suits a plan, the blocks of it, and how each runs as it is set. */
export interface Proposal {
  offers: Offer[];
  items: PlanItem[];
  own: Record<string, Offer>;
  /** What the minutes rest on, in words. */
  reckoned: string;
}
