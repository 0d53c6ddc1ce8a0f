import type { Putt } from '@/core/green';
import type { Hand } from '@/core/people';
import type { Dimension } from './unit';

/** What is known of a quantity before any putt, and how it wanders; SI. */
export interface Prior {
  /** Standard deviation of the bias, around none. */
  biasSpread: number;
  /** The middle spread of players. */
  middleSpread: number;
  /** Standard deviation of the log of the spread. */
  logSpreadSpread: number;
  /** Standard deviations of a day's step of the bias and of the log of the spread. */
  step: { bias: number; logSpread: number };
  /** Spread of slips: a shanked ball, a wrong touch. */
  slip: number;
  /** What a topped putt has in its place, whatever the player usually does; as usual where left out. */
  topped?: { middle: number; spread: number };
}

/** What an instrument is taken to be where it does not say; one standard deviation, SI. */
export interface Instrument {
  /** Of one reading. */
  error: number;
  /** How far off all readings of one set-up may be, because of how it stands. */
  mount: number;
  /** The same of somebody who looks; as an instrument where left out. */
  look?: number;
  /** The quantity that it reads as far off: an instrument that stands turned is so for all directions. */
  standsAs?: string;
}

/** A miss that its bias makes: what is seen, and what is likely behind it. */
export interface BiasMiss {
  /** As drills say what they are for: "push". */
  id: string;
  /** What drills that are for it call it; its own name where left out. */
  drillsSay?: string;
  /** Where it lies, in this hand: 1 at the higher values, −1 at the lower. */
  side(hand: Hand): 1 | -1;
  /** Beyond this the bias is a miss, SI. */
  least: number;
  /** Putts that must have told of it. */
  putts: number;
  /** What is seen, from the size of the bias in SI. */
  seen(size: number, side: 1 | -1): string;
  cause: string;
  /** Added where another quantity is known to be quiet: its bias within so much, by so many putts. */
  beside?: { quantity: string; within: number; putts: number; words: string };
  /**
   * A part of it that comes before the stroke: what is said before the cause while that was never looked at, and the cause
   * where that part alone makes the miss.
   */
  before?: { quantity: string; putts: number; unseen: string; cause: string };
}

/** How a quantity is practised: drills say that they train it, plans need it, programmes aim at it. */
export interface Training {
  /** Its name within a sentence: "face angle". */
  name: string;
  /** Where in an hour it belongs when it is trained by itself. */
  phase: 'technique' | 'pace' | 'reading';
  /** An eight-in-ten window that a programme usually comes to, in the unit that is shown. */
  usual: number;
}

/**
 * One thing that can be measured or judged of a putt, and all that the program needs to know of it. Values are in SI, right
 * and long positive; a putt's value is told against {@link Quantity.middle}.
 */
export interface Quantity {
  /** Its name in files and in code; letters and digits, never changed. */
  id: string;
  /** Name that a coach reads. */
  name: string;
  /** Letter in formulas. */
  symbol: string;
  /** What it is, in one sentence: the touch on the word. */
  about: string;
  dimension: Dimension;
  /** Places after the point of an amount and of a bias, in the unit that is shown. */
  digits: { amount: number; bias: number };
  /** What lies in the window: "eight in ten {says} ±1°". */
  says: string;
  /** Words at the ends of its ruler, the lower value on the left, in this player's hand. */
  ends(hand: Hand): { left: string; right: string };
  /** The ruler runs the other way: it shows the face, and a head right of the ball meets it on its left. */
  mirrored?: true;
  /** What is intended on a putt; nought where it is left out. */
  middle?(putt: Putt): number;
  /** What a bias is told against, after the word of its end: "steeper than 2°". */
  against?: string;
  /** An eight-in-ten window that is good enough to leave alone, and where that comes from. */
  good: { window: number; source: string };
  /** Under this a bias is not worth a word. */
  nothing: number;
  /** What is known before any putt; none where it is made of other quantities. */
  prior?: Prior;
  /** Its share of the start direction, from the coach's share of the face. */
  startShare?(faceShare: number): number;
  /** It moves the ball by itself: simulated players draw it, and it takes part in what a gate or the hole says. */
  steers?: true;
  /** How a putt is struck that tells of it though it is no usual one: with a wedge. */
  manner?: string;
  /** Stands among the rulers even where no putt has told of it. */
  ruled?: true;
  /** What tells of it: words after "needs …", and a built-in drill where one does. */
  told: { words: string; drill: string | null };
  /** How well an instrument reads it unless it says so itself. */
  instrument: Instrument;
  /** Found from other values of the same putt, where an instrument gives those alone. */
  from?(values: Readonly<Record<string, number>>): number | undefined;
  /** Beyond this no putt goes, from the middle: it is a slip of the instrument or of the file. */
  sane: number;
  /** Left out where no drill trains it. */
  trained?: Training;
  /** Misses that its bias makes. */
  misses?: readonly BiasMiss[];
  /** What spreadsheets call its column, in small letters; a guess takes the longest that fits. */
  columns: readonly string[];
}
