import type { Putt } from '@/core/green';
import type { BallGateInput } from './ball-gate';
import type { Gate } from './element';
import { elementOf, layoutSchema, type Layout } from './layout';
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

/** A ball mark and a gate as they are first offered, for a new drill. */
export const firstLayout = (putt: Putt): Layout =>
  ballGateLayout(putt, ELEMENTS.ballGate.defaults(putt));

/** A hole alone, for putts of which nothing that stood there is known. */
export const holeLayout = (putt: Putt): Layout =>
  layoutSchema.parse({
    putt,
    counts: 'hole',
    elements: [{ id: 'hole', kind: 'hole', params: ELEMENTS.hole.defaults(putt) }],
  });

/** The first gate of a layout as it is planned, and the piece that it is; null when it has none. */
export function ballGateOf({ elements }: Layout): (Gate & { id: string }) | null {
  for (const { id, kind, params } of elements) {
    const gate = elementOf(kind).gate?.(params);
    if (gate) return { ...gate, id };
  }
  return null;
}

/**
 * The first gate of a layout as it is played, and what another gap or distance would let through there; null when it has
 * none.
 */
export function gateNowOf(layout: Layout): GateNow | null {
  const gate = ballGateOf(layout);
  if (!gate) return null;
  const setting = settingOf(layout.putt, layout.player);
  return {
    ...gate,
    putt: layout.putt.distance,
    toleranceOf: (gap, distance) => gate.toleranceOf(gap, distance, setting),
  };
}

/** A gate and the putt it stands on. */
export interface GateNow extends Omit<Gate, 'toleranceOf'> {
  /** Ball to hole, m. */
  putt: number;
  toleranceOf(gap: number, distance: number): { left: number; right: number };
}
