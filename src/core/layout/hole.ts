import { z } from 'zod';
import { defineElement } from './element';

const schema = z.object({});

/** The hole itself, when it counts. */
export const hole = defineElement({
  kind: 'hole',
  name: 'Hole',
  about: 'Whether it was holed: pressure, and putts that count.',
  trains: 'pace',
  schema,
  fields: [],
  defaults: () => ({}),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: (_params, { hole: at }) => [
    { id: 'holed', label: 'Holed', detail: 'in', side: 'middle', passes: true, at },
    { id: 'short', label: 'Short', detail: 'never there', side: 'middle', passes: false, at: null },
    { id: 'past', label: 'Past', detail: 'missed', side: 'middle', passes: false, at: null },
  ],
  evidence: () => [],
  meets: ({ direction, past }, _params, { putt, hole: at, passes }) => {
    const run = past ?? putt.past;
    if (run < 0) return 'short';
    return Math.abs(passes(direction, at)) < 0.04 ? 'holed' : 'past';
  },
  draw: () => [],
  kit: () => [],
  cautions: () => [],
});
