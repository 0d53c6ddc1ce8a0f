import {
  greenOff,
  measuredOff,
  standing,
  type Evidence,
  type Layout,
  type Piece,
  type Spot,
  type Standing,
} from '@/core/layout';
import { edgesOf } from './terms';

/** Evidence of an outcome, and how each of its bounds moves when the stand is off by one standard deviation, wider. */
export interface Placed {
  evidence: Evidence[];
  by: number[][];
}

const known = new Map<string, Map<string, Placed>>();
/** Elements on putts asked for lately: rolling them on a slope is dear. */
const MOST_KEPT = 3000;

function keptFor(layout: Layout, piece: Piece): Map<string, Placed> {
  const { kind, params, built, builtOff } = piece;
  const key = JSON.stringify([layout.putt, layout.player, kind, params, built, builtOff]);
  const found = known.get(key);
  if (found) return found;
  if (known.size >= MOST_KEPT) known.delete(known.keys().next().value!);
  const made = new Map<string, Placed>();
  known.set(key, made);
  return made;
}

/**
 * What an outcome says, and how that moves with how the element was really set. The gap and the distance are off each by
 * its own, which to either side comes to one thing: the opening is a little wider or narrower than it was meant to be.
 *
 * @param layout where it stands
 * @param element as it is thought to stand
 * @param outcome what happened there
 */
export function placedEvidence(layout: Layout, element: Standing, outcome: string): Placed {
  const piece = layout.elements.find(({ id }) => id === element.id)!;
  const kept = keptFor(layout, piece);
  const found = kept.get(outcome);
  if (found) return found;
  const asSet = measuredOff(element, piece).map((wider) => wider.evidence(outcome));
  const onGreens = onGreenOff(layout, element).map((there) => there.evidence(outcome));
  const placed = moving(element.evidence(outcome), [...asSet, ...onGreens]);
  kept.set(outcome, placed);
  return placed;
}

/** Errors of a finger to either side that bounds of the same variance lie at. */
const BOUNDS = Math.sqrt(3);

/**
 * What a spot that was pointed at says of quantities that no gate tests, as bounds of the same variance as the finger's.
 *
 * @param layout where the element stands
 * @param element at which it was pointed
 * @param spot as pointed at
 * @returns null where it says nothing of them
 */
export function pointedEvidence(layout: Layout, element: Standing, spot: Spot): Placed | null {
  const says = ({ pointing }: Standing): Evidence[] =>
    (pointing?.reads(spot) ?? []).map(({ quantity, value, error }) => ({
      quantity: 'other',
      id: quantity,
      lower: value - BOUNDS * error,
      upper: value + BOUNDS * error,
    }));
  const evidence = says(element);
  if (evidence.length === 0) return null;
  return moving(evidence, onGreenOff(layout, element).map(says));
}

/** What is said, with how its bounds move where the same would be said in other circumstances. */
function moving(evidence: Evidence[], others: Evidence[][]): Placed {
  const edges = evidence.map(edgesOf);
  const by = edges.map((row) => row.map(() => 0));
  for (const other of others) {
    const there = other.map(edgesOf);
    // Where it says other things when it is a little off, nothing can be said of how they move.
    if (there.some((row, i) => row.length !== edges[i]?.length)) continue;
    edges.forEach((row, i) =>
      row.forEach((edge, j) => {
        const move = (there[i]?.[j] ?? edge) - edge;
        if (Number.isFinite(move)) by[i]![j] = together(by[i]![j]!, move);
      }),
    );
  }
  return { evidence, by };
}

/** A read on the green as it may really be; what else stands there is told from the start line, which turns with the green. */
function onGreenOff(layout: Layout, { id, traits }: Standing): Standing[] {
  if (!traits.asksRead) return [];
  return greenOff(layout.putt).flatMap((putt) => {
    try {
      return standing({ ...layout, putt }).find((one) => one.id === id) ?? [];
    } catch (error) {
      // A green that could not hold the putt says nothing of its read.
      if (error instanceof RangeError) return [];
      throw error;
    }
  });
}

/** Two independent moves as one, to the side of the larger. */
const together = (a: number, b: number): number =>
  Math.hypot(a, b) * Math.sign(Math.abs(a) >= Math.abs(b) ? a : b);
