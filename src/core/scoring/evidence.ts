import { measuredOff, type Evidence, type Layout, type Piece, type Standing } from '@/core/layout';
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
  const evidence = element.evidence(outcome);
  const edges = evidence.map(edgesOf);
  const by = edges.map((row) => row.map(() => 0));
  for (const wider of measuredOff(element, piece)) {
    const there = wider.evidence(outcome).map(edgesOf);
    // Where it says other things when it is a little off, nothing can be said of how they move.
    if (there.some((row, i) => row.length !== edges[i]?.length)) continue;
    edges.forEach((row, i) =>
      row.forEach((edge, j) => {
        const move = (there[i]?.[j] ?? edge) - edge;
        if (Number.isFinite(move)) by[i]![j] = together(by[i]![j]!, move);
      }),
    );
  }
  const placed = { evidence, by };
  kept.set(outcome, placed);
  return placed;
}

/** Two independent moves as one, to the side of the larger. */
const together = (a: number, b: number): number =>
  Math.hypot(a, b) * Math.sign(Math.abs(a) >= Math.abs(b) ? a : b);
