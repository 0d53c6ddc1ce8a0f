import { z } from 'zod';
import { aimFor, type Putt, type Tier } from '@/core/green';
import { defineElement, finding, type Setting } from './element';
import { turned, type Spot } from './spot';

const LIMITS = {
  count: { min: 2, max: 12 },
  step: { min: 0.1, max: 4 },
  balls: { min: 1, max: 20 },
} as const;

const schema = z.object({
  /** Round the hole at one distance, in a line, each farther away, or all round, near and far. */
  shape: z.enum(['round', 'ladder', 'scattered']),
  count: z.number().int().min(LIMITS.count.min).max(LIMITS.count.max),
  /** From one to the next in a ladder, m. */
  step: z.number().min(LIMITS.step.min).max(LIMITS.step.max),
  /** Putts from one before the next, where the drill's rule does not send the player on. */
  balls: z.number().int().min(LIMITS.balls.min).max(LIMITS.balls.max).default(1),
  /** What each lies near, in order, between commas: "rope rack, bollard"; those without a name go by their number. */
  names: z
    .string()
    .trim()
    .max(200, 'The names are too long: use 200 characters or fewer.')
    .default(''),
});

export type Stations = z.infer<typeof schema>;

/**
 * What a station is called.
 *
 * @param station from 0
 * @returns as the coach named it; null where it has no name
 * @example stationName({ ...stations, names: 'rope rack, bollard' }, 1) // 'bollard'
 */
export const stationName = ({ names, count }: Stations, station: number): string | null =>
  names.split(',')[station % count]?.trim() || null;

/** Scattered spots: no two alike in side or distance, however many there are; the first is the ball mark. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const [NEAREST, FARTHEST] = [0.6, 1.6];
const FIRST = (1 - NEAREST) / (FARTHEST - NEAREST);

/**
 * Where a station lies, seen from the putt of the first.
 *
 * @param params stations
 * @param distance of the first putt, m
 * @param station from 0
 */
export function stationSpot(
  { shape, count, step }: Stations,
  distance: number,
  station: number,
): PuttSpot {
  const at = station % count;
  if (shape === 'ladder') return { distance: distance + at * step, bearing: 0 };
  if (shape === 'scattered') {
    const far = NEAREST + (FARTHEST - NEAREST) * ((at * GOLDEN + FIRST) % 1);
    return { distance: distance * far, bearing: halfTurn(2 * Math.PI * at * GOLDEN) };
  }
  return { distance, bearing: halfTurn((2 * Math.PI * at) / count) };
}

/** An angle from -π to π. */
export const halfTurn = (angle: number): number => Math.atan2(Math.sin(angle), Math.cos(angle));

/** Where a ball lies: how far from the hole, m, and how far round it from the ball mark, rad. */
export interface PuttSpot {
  distance: number;
  bearing: number;
}

/** A putt's planes seen from a ball that lies farther back, or nearer, on the same line. */
function tiersFrom({ slope, tiers }: Putt, back: number, distance: number) {
  const moved = tiers.map((tier): Tier => ({ ...tier, from: tier.from + back }));
  const under = moved.filter(({ from }) => from <= 0).at(-1);
  return {
    slope: under ? under.slope : slope,
    tiers: moved.filter(({ from }) => from > 0 && from < distance),
  };
}

/** The putt from a spot: round the hole the fall turns, on the same line the planes stay where they are. */
export function puttFrom(putt: Putt, { distance, bearing }: PuttSpot): Putt {
  if (bearing === 0 && distance === putt.distance) return putt;
  if (bearing === 0) {
    return { ...putt, distance, ...tiersFrom(putt, distance - putt.distance, distance) };
  }
  // Which plane lies under a ball elsewhere round the hole is not known but for the one at the hole.
  const slope = putt.tiers.at(-1)?.slope ?? putt.slope;
  return {
    ...putt,
    distance,
    slope: { ...slope, falls: halfTurn(slope.falls - bearing) },
    tiers: [],
  };
}

/** Whether any start gets there at the putt's pace: a steep slope cannot hold every one. */
export function canBeAimed(putt: Putt): boolean {
  const key = JSON.stringify(putt);
  const known = aimed.get(key);
  if (known !== undefined) return known;
  let can = true;
  try {
    aimFor(putt);
  } catch {
    can = false;
  }
  if (aimed.size >= MOST_KEPT) aimed.clear();
  aimed.set(key, can);
  return can;
}

/** What was found lately: every putt asks again where it was made. */
const aimed = new Map<string, boolean>();
const MOST_KEPT = 5000;

/** Where the balls lie, on the line from the first ball to the hole. */
function spots(params: Stations, { putt }: Setting): Spot[] {
  return Array.from({ length: params.count }, (_, index) => {
    const { distance, bearing } = stationSpot(params, putt.distance, index);
    const { along, across } = turned({ along: -distance, across: 0 }, bearing);
    return { along: along + putt.distance, across };
  });
}

/** The same layout at several spots. */
export const stations = defineElement({
  kind: 'stations',
  name: 'Stations',
  about: 'Repeats the same layout at several spots, round the hole or each farther away.',
  trains: 'set-up',
  traits: { spread: true, elsewhere: true },
  stations: (params) => params,
  schema,
  fields: [
    {
      type: 'choice',
      name: 'shape',
      label: 'Arrangement',
      options: [
        { value: 'round', label: 'round the hole' },
        { value: 'ladder', label: 'each farther away' },
        { value: 'scattered', label: 'all round, near and far' },
      ],
    },
    {
      type: 'number',
      name: 'count',
      label: 'Number of stations',
      what: 'A station count',
      ...LIMITS.count,
      step: 1,
    },
    {
      type: 'length',
      name: 'step',
      label: 'Step between stations',
      when: { field: 'shape', is: ['ladder'] },
      what: 'A step between stations',
      kind: 'along',
      ...LIMITS.step,
    },
    {
      type: 'number',
      name: 'balls',
      label: 'Putts per station',
      what: 'A putt count',
      ...LIMITS.balls,
      step: 1,
    },
    {
      type: 'text',
      name: 'names',
      label: 'Station names, in order',
      hint: 'what each is near, separated by commas: rope rack, bollard, gate',
      max: 200,
    },
  ],
  defaults: (): Stations => ({ shape: 'round', count: 4, step: 0.3048, balls: 1, names: '' }),
  check: (params, { putt }) => {
    const last = stationSpot(params, putt.distance, params.count - 1);
    const held = Array.from({ length: params.count }, (_, at) =>
      canBeAimed(puttFrom(putt, stationSpot(params, putt.distance, at))),
    ).indexOf(false);
    if (last.distance <= 40 && held >= 0) {
      return [
        finding(
          'error',
          'count',
          `No putt from station ${held + 1} can stop at the hole, because the slope there cannot hold the pace. Choose a gentler slope or a shorter putt.`,
        ),
      ];
    }
    return last.distance > 40
      ? [
          finding(
            'error',
            'count',
            'The last station would be {last} from the hole: use {most} or less.',
            {
              last: { metres: last.distance, kind: 'putt' },
              most: { metres: 40, kind: 'putt' },
            },
          ),
        ]
      : [];
  },
  // The first is the ball mark. Spots are on the green, not on the start line: turned back so that the layout's turn undoes it.
  places: (params, setting) =>
    spots(params, setting)
      .slice(1)
      .map((at, index) => ({
        id: `station ${index + 2}`,
        name: [`station ${index + 2}`, stationName(params, index + 1)].filter(Boolean).join(', '),
        at: turned(at, -setting.aim.direction),
        station: true as const,
      })),
  tolerance: () => null,
  outcomes: () => [],
  evidence: () => [],
  meets: () => null,
  draw: () => [],
  kit: ({ count }) => [{ item: 'marker', count: count - 1 }],
  cautions: () => [],
});
