import type { Putt } from '@/core/green';
import { standingTolerance, type BallGate, type BallGateInput } from './ball-gate';
import { layoutSchema, type Layout } from './layout';
import { ELEMENTS } from './register';
import { settingOf } from './setting';

/** A ball mark and one ball gate on a straight putt. */
export function ballGateLayout(putt: Putt, gate: BallGateInput): Layout {
  return layoutSchema.parse({
    putt,
    elements: [
      { id: 'ball', kind: 'ballMark', params: ELEMENTS.ballMark.defaults(putt) },
      { id: 'gate', kind: 'ballGate', params: gate },
    ],
  });
}

/** The first ball gate of a layout, or null when it has none. */
export function ballGateOf(layout: Layout): BallGate | null {
  const gate = layout.elements.find((element) => element.kind === 'ballGate');
  return gate?.kind === 'ballGate' ? gate.params : null;
}

/**
 * The first ball gate of a layout as it is played, and what another gap or distance would let through there; null when it
 * has none.
 */
export function gateNowOf(layout: Layout): GateNow | null {
  const gate = ballGateOf(layout);
  if (!gate) return null;
  const setting = settingOf(layout.putt, layout.player);
  return {
    ...gate,
    putt: layout.putt.distance,
    toleranceOf: (gap, distance) =>
      standingTolerance({ ...gate, gap, distance, offset: 0 }, setting),
  };
}

/** A ball gate and the putt it stands on. */
export interface GateNow {
  gap: number;
  distance: number;
  shank: number;
  /** Ball to hole, m. */
  putt: number;
  toleranceOf(gap: number, distance: number): { left: number; right: number };
}
