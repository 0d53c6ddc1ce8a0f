import { BALL_DIAMETER, makeWindow } from '@/core/green';
import type { Tolerance } from './element';
import { gapForTolerance, standingTolerance, type BallGate } from './ball-gate';
import type { Putt } from '@/core/green';
import { settingOf, type Setting } from './setting';

/** How a gate compares with the hole it guards. */
export interface Strictness {
  gate: Tolerance;
  hole: Tolerance;
  /** Make window over gate tolerance, both in all: above 1 the gate is stricter than the hole. */
  ratio: number;
  verdict: 'stricter' | 'equal' | 'looser';
  /** Whether every start direction that clears the gate is holed at the intended pace. */
  contained: boolean;
  /** The gap whose tolerance equals the make window, m. */
  worthGap: number;
  /** How much a gap 2 mm too wide opens the gate, to each side, rad. */
  perTwoMillimetres: number;
}

/** Ratios this close to 1 are called equal. */
const EQUAL_WITHIN = 0.05;

/**
 * Compares a ball gate with the make window of its putt.
 *
 * @param gate a ball gate its schema accepts
 * @param putt the putt it stands on
 * @returns tolerances in radians, gaps in m
 */
export function strictness(gate: BallGate, putt: Putt): Strictness {
  const setting = settingOf(putt);
  const tolerance = standingTolerance(gate, setting);
  const { left, right } = makeWindow(putt);
  const ratio = (left + right) / (tolerance.left + tolerance.right);
  const wider = standingTolerance({ ...gate, gap: gate.gap + 0.002 }, setting);
  return {
    gate: tolerance,
    hole: { left, right },
    ratio,
    verdict: Math.abs(ratio - 1) <= EQUAL_WITHIN ? 'equal' : ratio > 1 ? 'stricter' : 'looser',
    contained: tolerance.left <= left && tolerance.right <= right,
    worthGap: Math.max(worthGapOf(gate, (left + right) / 2, setting), BALL_DIAMETER),
    perTwoMillimetres: (wider.left + wider.right - tolerance.left - tolerance.right) / 2,
  };
}

/** The gap whose mean tolerance to each side is a given angle, m. */
function worthGapOf(gate: BallGate, tolerance: number, setting: Setting): number {
  if (gate.on === 'line') return gapForTolerance(tolerance, gate.distance, gate.shank);
  let [low, high] = [BALL_DIAMETER, 1];
  while (high - low > 1e-6) {
    const gap = (low + high) / 2;
    const { left, right } = standingTolerance({ ...gate, gap }, setting);
    if (left + right < 2 * tolerance) low = gap;
    else high = gap;
  }
  return (low + high) / 2;
}

/**
 * The comparison in words: "Stricter than the hole, ×1.4".
 *
 * @param result from {@link strictness}
 */
export function strictnessWords({ verdict, ratio, contained }: Strictness): {
  verdict: string;
  meaning: string;
} {
  const meaning = contained
    ? 'Every putt that clears it at this pace goes in.'
    : 'A putt can clear it and still miss the hole.';
  switch (verdict) {
    case 'equal':
      return { verdict: 'As strict as the hole', meaning };
    case 'stricter':
      return { verdict: `Stricter than the hole, ×${ratio.toFixed(1)}`, meaning };
    case 'looser':
      return { verdict: `Looser than the hole, ×${ratio.toFixed(1)}`, meaning };
  }
}
