import { z } from 'zod';
import { defineElement } from './element';

/** Within so much of the middle of the ball an edge makes it roll at once, m: a working figure. */
const ROLLS_WITHIN = 0.004;

const schema = z.object({});

/** The edge of a wedge against the middle of the ball: what the ball does tells how high it was met. */
export const equator = defineElement({
  kind: 'equator',
  name: 'Wedge on the equator',
  about:
    'Strike the middle of the ball with the edge of a wedge, and see whether it rolls, hops or skids.',
  trains: 'strike',
  traits: { byEye: true, spread: true },
  schema,
  fields: [],
  defaults: () => ({}),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: () => [
    {
      id: 'rolled',
      label: 'Rolled',
      detail: 'at once, no hop',
      side: 'middle',
      passes: true,
      at: null,
    },
    {
      id: 'hopped',
      label: 'Hopped',
      detail: 'edge too low',
      side: 'middle',
      passes: false,
      at: null,
    },
    {
      id: 'skidded',
      label: 'Clicked thin',
      detail: 'edge too high',
      side: 'middle',
      passes: false,
      at: null,
    },
  ],
  evidence: (outcome) => {
    const [lower, upper] = {
      rolled: [-ROLLS_WITHIN, ROLLS_WITHIN],
      hopped: [-Infinity, -ROLLS_WITHIN],
      skidded: [ROLLS_WITHIN, Infinity],
    }[outcome] ?? [-Infinity, Infinity];
    return [{ quantity: 'other', id: 'edge', lower: lower!, upper: upper! }];
  },
  meets: ({ edge = 0 }) => {
    if (Math.abs(edge) <= ROLLS_WITHIN) return 'rolled';
    return edge < 0 ? 'hopped' : 'skidded';
  },
  draw: () => [],
  kit: () => [],
  cautions: () => [],
});
