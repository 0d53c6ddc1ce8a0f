import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

interface Sets {
  /** Whole sets done. */
  done: number;
  /** Putts of the set that is on, and whether one of them missed. */
  played: number;
  missed: boolean;
  restarts: number;
}

/** Sets that must be perfect: a miss starts the set again, at once or when it has been played to its end. */
export const sets = defineRule(
  z.object({
    type: z.literal('sets'),
    sets: count(1, 20),
    of: count(2, 20),
    restart: z.enum(['at once', 'at the end']),
  }),
  {
    name: 'perfect sets',
    first: { type: 'sets', sets: 4, of: 5, restart: 'at once' },
    fields: [
      { field: 'sets', label: 'Sets' },
      { field: 'of', label: 'Putts per set' },
      {
        field: 'restart',
        label: 'Restart after a miss',
        options: [
          { value: 'at once', label: 'at once' },
          { value: 'at the end', label: 'at the end of the set' },
        ],
      },
    ],
    words: ({ sets: many, of, restart }) =>
      `${many} sets of ${of}, every putt passed; a miss starts the set again ${restart}`,
    traits: { presses: true },
    machine: machine<{ sets: number; of: number; restart: 'at once' | 'at the end' }, Sets>({
      start: () => ({ done: 0, played: 0, missed: false, restarts: 0 }),
      next: (state, { passed }, { of, restart }) => {
        const again = { ...state, played: 0, missed: false, restarts: state.restarts + 1 };
        if (!passed && restart === 'at once') return again;
        const played = state.played + 1;
        const missed = state.missed || !passed;
        if (played < of) return { ...state, played, missed };
        return missed ? again : { ...state, done: state.done + 1, played: 0, missed: false };
      },
      done: ({ done }, rule) => done >= rule.sets,
      words: ({ done, played, missed, restarts }, rule) => ({
        count: String(done >= rule.sets ? done : played),
        of: done >= rule.sets ? `of ${rule.sets} sets` : `of ${rule.of}`,
        line: [
          done < rule.sets && `set ${done + 1} of ${rule.sets}`,
          done >= rule.sets
            ? 'all perfect'
            : missed
              ? 'this set will be repeated'
              : rule.restart === 'at once'
                ? 'a miss starts the set again'
                : 'after a miss, the set is repeated at its end',
          restarts > 0 && `restarted ${restarts}×`,
        ]
          .filter(Boolean)
          .join(' · '),
      }),
      bare: ({ done, played, missed }) => ({ done, played, missed }),
    }),
  },
);
