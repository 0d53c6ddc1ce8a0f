import { judge, type Layout, type Outcomes } from '@/core/layout';
import type { RuleGround, RulePutt } from './rules';

/** Spots that a layout is putted from. */
function stationCount({ elements }: Layout): number {
  const found = elements.find((piece) => piece.kind === 'stations');
  return found?.kind === 'stations' ? found.params.count : 1;
}

/**
 * Where a rule is played: the stations of the layout, the rungs of the ladder.
 *
 * @param layout as it is played
 * @param rungs of the drill's ladder
 * @param rung begun on, from 0; null when on none
 */
export const ruleGround = (layout: Layout, rungs: number, rung: number | null): RuleGround => ({
  stations: stationCount(layout),
  rungs: Math.max(1, rungs),
  rung: Math.min(rung ?? 0, Math.max(0, rungs - 1)),
});

const RESTS = ['short', 'in', 'long'] as const;

/** Putts on one layout, those that count, in order. */
export interface RunPutts {
  layout: Layout;
  putts: readonly { outcomes: Outcomes; at: Date }[];
}

/**
 * What a rule needs to know of each putt, from what was logged.
 *
 * @param runs one after the other: the rungs of a ladder are runs on layouts of their own. A clock that jumped back
 * stands still here
 */
export function rulePutts(runs: readonly RunPutts[]): RulePutt[] {
  let began: number | null = null;
  let minutes = 0;
  return runs.flatMap(({ layout, putts }) => {
    const passes = judge(layout);
    const idOf = (kind: string) => layout.elements.find((piece) => piece.kind === kind)?.id ?? '';
    const [hole, zone] = [idOf('hole'), idOf('paceZone')];
    return putts.map(({ outcomes, at }): RulePutt => {
      began ??= at.getTime();
      minutes = Math.max(minutes, (at.getTime() - began) / 60_000);
      const rest = RESTS.find((one) => one === outcomes[zone]) ?? null;
      const holed = outcomes[hole] === undefined ? null : outcomes[hole] === 'holed';
      return { passed: passes(outcomes), holed, rest, minutes };
    });
  });
}
