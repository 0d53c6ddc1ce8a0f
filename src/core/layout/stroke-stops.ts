import { z } from 'zod';
import { sideOfEnd } from '@/core/people';
import { COMMON_RATIO } from '@/core/stroke';
import { defineElement, type Evidence, type Setting } from './element';
import type { Spot } from './spot';

const LIMITS = { back: { min: 0.05, max: 0.7 }, ratio: { min: 0.3, max: 2.5 } } as const;
/** The stops lie this far outside the toe, m: out of the head's and the ball's way. */
const ASIDE = 0.03;

const schema = z.object({
  /** Back stop, behind the ball, m. */
  back: z.number().min(LIMITS.back.min).max(LIMITS.back.max),
  /** Through-stroke over backstroke. */
  ratio: z.number().min(LIMITS.ratio.min).max(LIMITS.ratio.max),
});

type StrokeStops = z.infer<typeof schema>;

function stopAt(along: number, { player }: Setting): Spot {
  const away = player.headLength / 2 + ASIDE;
  return { along, across: sideOfEnd('toe', player.hand) === 'left' ? -away : away };
}

/** Marks for how far back and how far through. */
export const strokeStops = defineElement({
  kind: 'strokeStops',
  name: 'Stroke stops',
  about: 'A back stop and a through stop train stroke length and pace.',
  trains: 'pace',
  traits: { stopsHead: true, byEye: true },
  schema,
  fields: [
    {
      type: 'length',
      name: 'back',
      label: 'Ball to back stop',
      what: 'A distance to the back stop',
      kind: 'along',
      ...LIMITS.back,
    },
    {
      type: 'number',
      name: 'ratio',
      label: 'Through-to-back ratio',
      what: 'A ratio',
      ...LIMITS.ratio,
      step: 0.1,
    },
  ],
  defaults: (): StrokeStops => ({ back: 0.2, ratio: COMMON_RATIO }),
  check: () => [],
  places: ({ back, ratio }, setting) => [
    { id: 'back', name: 'back stop, outside the toe', at: stopAt(-back, setting) },
    { id: 'through', name: 'through stop, outside the toe', at: stopAt(ratio * back, setting) },
  ],
  tolerance: () => null,
  outcomes: ({ back, ratio }, setting) => [
    {
      id: 'within',
      label: 'To both stops',
      detail: 'back and through',
      side: 'middle',
      passes: true,
      at: null,
    },
    {
      id: 'back',
      label: 'Too far back',
      detail: 'past the back stop',
      side: 'middle',
      passes: false,
      at: stopAt(-back, setting),
    },
    {
      id: 'short through',
      label: 'Too short through',
      detail: 'short of the through stop',
      side: 'middle',
      passes: false,
      at: stopAt(ratio * back, setting),
    },
  ],
  evidence: (outcome, { back, ratio }) => {
    const through = ratio * back;
    const of = (id: string, lower: number, upper: number): Evidence => ({
      ...{ quantity: 'other', id, lower, upper },
    });
    // A head that went back past the stop is logged as that, whatever it did then.
    if (outcome === 'back') return [of('backLength', back, Infinity)];
    return [
      of('backLength', -Infinity, back),
      outcome === 'within'
        ? of('throughLength', through, Infinity)
        : of('throughLength', -Infinity, through),
    ];
  },
  backstroke: ({ back }) => back,
  meets: (launch, { back, ratio }) => {
    if ((launch.back ?? 0) > back) return 'back';
    return (launch.through ?? Infinity) < ratio * back ? 'short through' : 'within';
  },
  draw: ({ back, ratio }, setting) =>
    [-back, ratio * back].map((along) => {
      const { across } = stopAt(along, setting);
      return {
        type: 'rod' as const,
        role: 'stop' as const,
        from: { along, across },
        to: { along, across: across + Math.sign(across) * 0.06 },
      };
    }),
  grips: (params, setting) => [
    {
      id: 'back',
      name: 'back stop',
      at: stopAt(-params.back, setting),
      slides: true,
      move: ({ along }) => ({ ...params, back: -along }),
    },
    {
      id: 'through',
      name: 'through stop',
      at: stopAt(params.ratio * params.back, setting),
      slides: true,
      move: ({ along }) => ({ ...params, ratio: Math.round((10 * along) / params.back) / 10 }),
    },
  ],
  kit: () => [{ item: 'book', count: 2 }],
  cautions: () => [],
});
