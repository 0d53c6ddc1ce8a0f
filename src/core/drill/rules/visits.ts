import { machine } from './machine';

interface Visit {
  /** The station that is on, from 0. */
  at: number;
  played: number;
  passed: number;
  /** How often it went back. */
  backs: number;
}

export interface Stage {
  need: number;
  of: number;
  /** Where a failed station goes back to. */
  backTo: number;
}

/** One station after the other, each left as soon as its fate is sealed. */
export function visited<R>(stagesOf: (rule: R, stations: number) => Stage[], back: string) {
  return machine<R, Visit>({
    start: () => ({ at: 0, played: 0, passed: 0, backs: 0 }),
    next: (state, putt, rule, { stations }) => {
      const stage = stagesOf(rule, stations)[state.at];
      if (!stage) return state;
      const played = state.played + 1;
      const passed = state.passed + Number(putt.passed);
      if (passed >= stage.need) return { ...state, at: state.at + 1, played: 0, passed: 0 };
      const left = stage.of - played;
      if (passed + left >= stage.need) return { ...state, played, passed };
      return { at: stage.backTo, played: 0, passed: 0, backs: state.backs + 1 };
    },
    done: ({ at }, rule, { stations }) => at >= stagesOf(rule, stations).length,
    words: ({ at, played, passed, backs }, rule, { stations }) => {
      const stages = stagesOf(rule, stations);
      const stage = stages[at];
      if (!stage) {
        return {
          count: String(at),
          of: `of ${stages.length} stations`,
          line: backs > 0 ? `sent back ${backs}×` : 'no station failed',
        };
      }
      return {
        count: String(passed),
        of: `of ${stage.need} needed, ${played} of ${stage.of} played`,
        line: [`station ${at + 1} of ${stages.length}`, back, backs > 0 && `sent back ${backs}×`]
          .filter(Boolean)
          .join(' · '),
      };
    },
    station: ({ at }) => at,
    bare: ({ at, played, passed }) => ({ at, played, passed }),
  });
}
