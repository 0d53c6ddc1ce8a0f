import { DEFAULT_PUTT, type Putt } from '@/core/green';
import {
  DEFAULT_SHANK,
  ELEMENTS,
  layoutSchema,
  makeLadder,
  type Counts,
  type ElementKind,
  type Layout,
  type LadderBy,
} from '@/core/layout';
import { drillDetails, type DrillDetails, type DrillValues } from '../drill';
import type { Manner } from '../manner';
import type { z } from 'zod';

/** A built-in drill, under a name that never changes. */
export interface LibraryDrill extends DrillValues {
  key: string;
}

interface Part {
  kind: ElementKind;
  params?: object;
}

export interface Entry extends Omit<
  z.input<typeof drillDetails>,
  'ladder' | 'purpose' | 'skills' | 'steps' | 'judge' | 'when' | 'whenNot' | 'rule'
> {
  key: string;
  name: string;
  purpose: string;
  skills: DrillDetails['skills'];
  when: string;
  whenNot: string;
  steps: string[];
  judge: string;
  rule: DrillDetails['rule'];
  /** Ball to hole, m. */
  putt: number;
  /** Run past the hole, m; 45 cm unless told. */
  past?: number;
  slope?: Putt['slope'];
  parts: Part[];
  counts?: Counts;
  /** What makes the rungs harder. */
  ladder: LadderBy;
  /** From the roomiest to the strictest rung and how many, where the drill's words say so; m. */
  rungs?: { roomy: number; strict: number; count: number };
}

/** Rungs of a built-in ladder. */
const RUNGS = 6;

/** Rounds to what any tape shows: 1 mm for a gap, 1 cm for a distance, 5 cm for a putt. */
const byTape = (metres: number, by: LadderBy): number => {
  const perMetre = by === 'gap' ? 1000 : by === 'distance' ? 100 : 20;
  return Math.round(metres * perMetre) / perMetre;
};

/** A built-in drill from what is said of it. */
export function entry({
  key,
  name,
  putt,
  past,
  slope,
  parts,
  counts,
  ladder,
  rungs,
  ...details
}: Entry): LibraryDrill {
  const here: Putt = {
    ...DEFAULT_PUTT,
    distance: putt,
    ...(past !== undefined && { past }),
    ...(slope && { slope }),
  };
  const layout: Layout = layoutSchema.parse({
    putt: here,
    counts,
    elements: [
      { id: 'ball', kind: 'ballMark', params: ELEMENTS.ballMark.defaults(here) },
      ...parts.map(({ kind, params }, index) => ({
        id: `${kind}${index + 1}`,
        kind,
        params: { ...(ELEMENTS[kind].defaults(here) as object), ...params },
      })),
    ],
  });
  return {
    ...drillDetails.parse({
      ...details,
      ladder: makeLadder(layout, ladder, rungs?.count ?? RUNGS, byTape, rungs),
    }),
    key,
    name,
    layout,
  };
}

export const ballGate = (distance: number, gap: number, more: object = {}): Part => ({
  kind: 'ballGate',
  params: { distance, gap, shank: DEFAULT_SHANK, ...more },
});
export const putterGate = (
  clearance: number,
  place: 'level' | 'behind' | 'ahead' = 'level',
  by = 0,
): Part => ({ kind: 'putterGate', params: { place, by, clearance } });
export const aid = (name: string): Part => ({ kind: 'bodyAid', params: { aid: name } });
export const watch = (
  question: string,
  good: string,
  bad: string,
  miss: 'none' | 'early look' = 'none',
): Part => ({
  kind: 'watch',
  params: { question, good, bad, miss },
});
export const zone = (shape: 'band' | 'limit' | 'half circle' | 'edge', depth: number): Part => ({
  kind: 'paceZone',
  params: { shape, depth },
});
export const hole: Part = { kind: 'hole' };
/** The same manner for so many balls in a row. */
export const inRow = (count: number, manner: Manner): Manner[] => Array<Manner>(count).fill(manner);
