import { z } from 'zod';
import { BALL_DIAMETER, HOLE_RADIUS } from '@/core/green';
import {
  ballGate,
  DEFAULT_SHANK,
  gateWedge,
  LEAST_AIR,
  standingEvidence,
  standingMet,
  standingTolerance,
  type BallGate,
} from './ball-gate';
import { CAUTIONS } from './cautions';
import { defineElement, finding, type Evidence, type Setting } from './element';

const GAP = { min: BALL_DIAMETER + 0.0001, max: 0.2 };
/** The tees stand this far before the front edge of the cup, m. */
const BEFORE = 0.03;
/** A ball that dies farther than this from the hole's middle has not been through, m. */
const SHORT = HOLE_RADIUS + BEFORE;

const schema = z.object({
  /** Inner gap between the tees, m. */
  gap: z.number().min(GAP.min).max(GAP.max),
  /** Diameter of a tee's shank, m. */
  shank: z.number().min(0.002).max(0.012),
});

type HoleGate = z.infer<typeof schema>;

/** The ball gate that it is: on the curve, square to it, just before the cup. */
const asBallGate = (params: HoleGate, { hole }: Setting): BallGate => ({
  ...params,
  distance: Math.max(0.1, hole.along - HOLE_RADIUS - BEFORE),
  offset: 0,
  made: 'tees',
  on: 'curve',
});

/** Two tees at the cup: only entries through the middle count. */
export const holeGate = defineElement({
  kind: 'holeGate',
  name: 'Hole gate',
  about: 'Two tees stand at the hole, so that only putts through its middle count.',
  trains: 'start',
  traits: { showsLine: true, twoTees: true },
  schema,
  fields: [
    {
      type: 'length',
      name: 'gap',
      label: 'Gap at the hole',
      what: 'A gap',
      kind: 'across',
      ...GAP,
    },
    {
      type: 'length',
      name: 'shank',
      label: 'Tee width',
      what: 'A tee width',
      kind: 'across',
      min: 0.002,
      max: 0.012,
    },
  ],
  defaults: (): HoleGate => ({ gap: 0.085, shank: DEFAULT_SHANK }),
  check: ({ gap }) =>
    gap - BALL_DIAMETER < LEAST_AIR
      ? [
          finding(
            'warning',
            'gap',
            'Total clearance at the hole is only {air}: a putt that goes through is mostly luck.',
            {
              air: { metres: gap - BALL_DIAMETER, kind: 'across' },
            },
          ),
        ]
      : [],
  places: (params, setting) => ballGate.places(asBallGate(params, setting), setting),
  checks: ({ gap }) => [{ name: 'between the tees', between: ['left', 'right'], metres: gap }],
  tolerance: (params, setting) => standingTolerance(asBallGate(params, setting), setting),
  outcomes: (params, setting) => [
    ...ballGate.outcomes(asBallGate(params, setting), setting),
    {
      id: 'short',
      label: 'Short',
      detail: 'of the gate',
      side: 'middle',
      passes: false,
      at: null,
      ends: ['short'],
    },
  ],
  evidence: (outcome, params, setting): Evidence[] => {
    const gets = setting.paceOf(-SHORT);
    if (outcome === 'short') return [{ quantity: 'pace', lower: -Infinity, upper: gets }];
    const said = standingEvidence(outcome, asBallGate(params, setting), setting);
    // What was seen at the gate also says that the ball got there.
    return said.length > 0 ? [...said, { quantity: 'pace', lower: gets, upper: Infinity }] : [];
  },
  meets: (launch, params, setting) =>
    setting.restOf(launch.pace ?? 0) < -SHORT
      ? 'short'
      : standingMet(launch, asBallGate(params, setting), setting),
  draw: (params, setting) => {
    const gate = asBallGate(params, setting);
    return [
      gateWedge(standingTolerance(gate, setting), setting),
      ...ballGate.draw(gate, setting).filter(({ type }) => type === 'tee'),
    ];
  },
  grips: (params, setting) => {
    const gate = asBallGate(params, setting);
    return ballGate.grips!(gate, setting).flatMap((grip) =>
      grip.id === 'gate'
        ? []
        : [{ ...grip, move: (to) => ({ ...params, gap: grip.move(to).gap }) }],
    );
  },
  measures: (params) => [
    {
      name: 'gap',
      label: 'Gap at the hole',
      kind: 'across',
      metres: params.gap,
      error: 0.002,
      decides: 'opening',
      as: (gap) => ({ ...params, gap }),
    },
  ],
  harder: () => [{ by: 'gap', field: 'gap', roomy: 0.1, strict: 0.052 }],
  kit: () => [{ item: 'tee', count: 2 }],
  cautions: () => [...CAUTIONS.tees],
});
