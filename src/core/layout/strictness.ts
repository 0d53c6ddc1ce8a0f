import { makeWindow } from '@/core/green';
import type { Tolerance } from './element';
import { elementOf, standing, type Layout, type Piece, type Standing } from './layout';
import { settingOf } from './setting';

/** How a start tolerance compares with the hole it guards. */
export interface Strictness {
  gate: Tolerance;
  hole: { left: number; right: number };
  /** Make window over tolerance, both in all: above 1 the gate is stricter than the hole. */
  ratio: number;
  verdict: 'stricter' | 'equal' | 'looser';
  /** Whether every start direction that clears the gate is holed at the intended pace. */
  contained: boolean;
  /** The number to change, and what it would be for the tolerance to equal the make window, m; null when there is none. */
  worth: { field: string; metres: number } | null;
}

/** Ratios this close to 1 are called equal. */
const EQUAL_WITHIN = 0.05;

const total = ({ left, right }: { left: number; right: number }): number => left + right;

/**
 * Compares an element that tests the start line with the make window of its putt.
 *
 * @param layout the layout it stands in
 * @param id which element
 * @returns null when it does not test the start line
 */
export function strictnessOf(layout: Layout, id: string): Strictness | null {
  const element = standing(layout).find((one) => one.id === id);
  const gate = element?.tolerance();
  if (!element || gate?.quantity !== 'start') return null;
  const { left, right } = makeWindow(layout.putt);
  const ratio = total({ left, right }) / total(gate);
  return {
    gate,
    hole: { left, right },
    ratio,
    verdict: Math.abs(ratio - 1) <= EQUAL_WITHIN ? 'equal' : ratio > 1 ? 'stricter' : 'looser',
    contained: gate.left <= left && gate.right <= right,
    worth: worthOf(layout, element, total({ left, right })),
  };
}

/** The opening whose whole tolerance is a given angle, found by halving: a wider opening is never stricter. */
function worthOf(layout: Layout, element: Standing, wanted: number): Strictness['worth'] {
  const harder = element.harder().find(({ by }) => by === 'gap');
  const piece = layout.elements.find(({ id }) => id === element.id);
  const limits = piece && elementOf(piece.kind).fields.find(({ name }) => name === harder?.field);
  if (!harder || !piece || limits?.type !== 'length') return null;
  const field: string = harder.field;
  const tolerance = toleranceBy(layout, piece);
  let [low, high] = [limits.min, limits.max];
  if (tolerance({ [field]: low }) > wanted || tolerance({ [field]: high }) < wanted) return null;
  while (high - low > 1e-8) {
    const middle = (low + high) / 2;
    if (tolerance({ [field]: middle }) < wanted) low = middle;
    else high = middle;
  }
  return { field, metres: (low + high) / 2 };
}

/** The whole tolerance of a piece with some of its numbers changed. */
export function toleranceBy(
  { putt, player }: Layout,
  { kind, params }: Piece,
): (change: object) => number {
  const setting = settingOf(putt, player);
  const element = elementOf(kind);
  return (change) => {
    const tolerance = element.tolerance({ ...params, ...change } as Piece['params'], setting);
    return tolerance ? total(tolerance) : NaN;
  };
}

/** What one measurement does to a tolerance. */
export interface Sensitivity {
  name: string;
  label: string;
  /** What it is easily off by, m. */
  error: number;
  kind: 'along' | 'across' | 'putt' | 'speed' | 'spot';
  /** Greatest change of the tolerance to one side, rad or m. */
  change: number;
}

/**
 * Which measurement of an element matters most: each is off by what a careful coach is off by, one at a time.
 *
 * @param layout the layout it stands in
 * @param id which element
 * @returns the weightiest first; none when it has no tolerance
 */
export function sensitivityOf(layout: Layout, id: string): Sensitivity[] {
  const element = standing(layout).find((one) => one.id === id);
  const planned = element?.tolerance();
  if (!element || !planned) return [];
  const setting = settingOf(layout.putt, layout.player);
  return element
    .measures()
    .map(({ name, label, error, kind, metres, as }) => {
      const changes = [-error, error].flatMap((off) => {
        const changed = elementOf(element.kind).tolerance(as(metres + off), setting);
        return changed
          ? [Math.abs(changed.left - planned.left), Math.abs(changed.right - planned.right)]
          : [];
      });
      return { name, label, error, kind, change: Math.max(0, ...changes) };
    })
    .sort((a, b) => b.change - a.change);
}

/**
 * The comparison in words: "Stricter than the hole, ×1.4".
 *
 * @param result from {@link strictnessOf}
 */
export function strictnessWords({ verdict, ratio, contained }: Strictness): {
  verdict: string;
  meaning: string;
} {
  const meaning = contained
    ? 'Every putt that passes here at this pace is holed.'
    : 'A putt can pass here and still miss the hole.';
  switch (verdict) {
    case 'equal':
      return { verdict: 'As strict as the hole', meaning };
    case 'stricter':
      return { verdict: `Stricter than the hole, ×${ratio.toFixed(1)}`, meaning };
    case 'looser':
      return { verdict: `Looser than the hole, ×${ratio.toFixed(1)}`, meaning };
  }
}
