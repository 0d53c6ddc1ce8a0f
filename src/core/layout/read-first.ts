import { z } from 'zod';
import { HOLE_RADIUS, type Putt } from '@/core/green';
import { defineElement, type Evidence, type Outcome } from './element';
import type { Fitting } from '@/core/people';
import { settingOf, type Setting } from './setting';
import type { Spot } from './spot';

/** What is said of a break, in hole widths from the middle of the hole. */
const SAID = [
  { cups: 0.25, words: 'Inside' },
  { cups: 0.5, words: 'Edge' },
  { cups: 1, words: '½ cup' },
  { cups: 1.5, words: '1 cup' },
  { cups: 2, words: '1½ cups' },
  { cups: 2.5, words: '2 cups' },
  { cups: 3.5, words: '3 cups' },
  { cups: 4.5, words: '4 cups' },
] as const;

/** Everything that can be said: straight, then to either side from the hole outwards; right positive. */
const READS = [
  { cups: 0, words: 'Straight', side: 'middle' as const, id: 'straight' },
  ...(['left', 'right'] as const).flatMap((side) =>
    SAID.map((one) => ({
      ...one,
      cups: side === 'left' ? -one.cups : one.cups,
      side,
      id: `${side} ${one.cups}`,
    })),
  ),
];

/** A break smaller than this, in hole widths, has no share that can be told. */
export const LEAST_BREAK = 0.4;

/** Where the putt has to start, in hole widths right of the middle of the hole. */
const trueCups = ({ putt, aim }: Pick<Setting, 'putt' | 'aim'>): number =>
  (putt.distance * Math.tan(aim.direction)) / (2 * HOLE_RADIUS);

/** How much of the green the picture of a read shows past the hole, and short of it at most, m. */
export const READ_PICTURE = { short: 0.9, past: 0.25 };

/** To either side: more than any read that has a key, and the same for every slope, so that it tells nothing. */
export const readAside = (distance: number): number => Math.max(0.65, 0.12 * distance);

/**
 * What a player should say of a putt: where it has to start, in hole widths right of the middle of the hole.
 *
 * @param layout where the putt is made
 */
export const trueReadOf = ({ putt, player }: { putt: Putt; player: Fitting }): number =>
  trueCups(settingOf(putt, player));

/** Runs past or short of the hole that are still reckoned with, m: a ball that does not get there has no read. */
const OWN_PAST = { least: 0.05, most: 3 };

/**
 * What a player should say of a putt who sends it at a pace of their own.
 *
 * @param layout where the putt is made
 * @param pace how far they send it beyond the way meant, as a share of that way, short negative
 * @returns hole widths right of the middle of the hole; at the pace meant where the slope cannot hold theirs
 * @example trueReadAtPace(layout, 0.12) // a tenth firmer, a little less break
 */
export function trueReadAtPace(
  { putt, player }: { putt: Putt; player: Fitting },
  pace: number,
): number {
  const way = putt.distance + putt.past;
  const past = Math.min(Math.max(putt.past + pace * way, OWN_PAST.least), OWN_PAST.most);
  try {
    return trueReadOf({ putt: { ...putt, past }, player });
  } catch (error) {
    if (error instanceof RangeError) return trueReadOf({ putt, player });
    throw error;
  }
}

/**
 * How a read looks that was touched on the picture.
 *
 * @param layout where the putt is made
 * @param spot as pointed at
 * @returns hole widths right of the middle of the hole
 */
export const readShown = ({ putt, player }: { putt: Putt; player: Fitting }, spot: Spot): number =>
  readAt(spot, settingOf(putt, player)).cups;

/**
 * What may have been meant by what was said: all that is nearer to it than to anything else.
 *
 * @param id as logged
 * @returns hole widths right of the middle of the hole; null where nothing of the kind can be said
 */
function readMeant(id: string): { from: number; to: number } | null {
  const sorted = READS.toSorted((a, b) => a.cups - b.cups);
  const at = sorted.findIndex((one) => one.id === id);
  const { [at - 1]: below, [at]: here, [at + 1]: above } = sorted;
  if (!here) return null;
  return {
    from: below ? (below.cups + here.cups) / 2 : -Infinity,
    to: above ? (here.cups + above.cups) / 2 : Infinity,
  };
}

/** What a finger is off by on the picture of a read, m. */
const TOUCH = 0.015;
/** Nearer to the ball than this share of the way a spot says too little of where the ball is to start. */
const LEAST_ALONG = 0.2;

/** The start that goes over a spot, in hole widths right of the middle of the hole, and its error. */
function readAt({ along, across }: Spot, { putt }: Setting): { cups: number; error: number } {
  const reach = putt.distance / Math.max(along, LEAST_ALONG * putt.distance) / (2 * HOLE_RADIUS);
  return { cups: across * reach, error: TOUCH * reach };
}

const nearest = (cups: number): string =>
  READS.reduce((best, one) => (Math.abs(one.cups - cups) < Math.abs(best.cups - cups) ? one : best))
    .id;

/** What the player takes the break to be, said before the ball is struck. */
export const readFirst = defineElement({
  kind: 'readFirst',
  name: 'Read first',
  about: 'The player calls the read before the putt, to tell a misread from a poor stroke.',
  trains: 'reading',
  traits: { byEye: true, spread: true, asksRead: true },
  schema: z.object({}),
  fields: [],
  defaults: () => ({}),
  check: () => [],
  places: () => [],
  tolerance: () => null,
  outcomes: (_params, setting): Outcome[] => {
    const right = nearest(trueCups(setting));
    return READS.map(({ id, words, side }) => ({
      id,
      label: side === 'middle' ? words : `${words} ${side}`,
      detail: '',
      side,
      passes: id === right,
      at: null,
    }));
  },
  evidence: (said, _params, setting): Evidence[] => {
    const meant = readMeant(said);
    const cups = trueCups(setting);
    if (!meant || Math.abs(cups) < LEAST_BREAK) return [];
    const [lower, upper] = [meant.from / cups, meant.to / cups].sort((a, b) => a - b);
    return [{ quantity: 'other', id: 'reading', lower: lower!, upper: upper! }];
  },
  pointing: {
    on: 'read',
    outcome: (spot, _params, setting) => nearest(readAt(spot, setting).cups),
    says: () => [],
    reads: (spot, _params, setting) => {
      const cups = trueCups(setting);
      if (Math.abs(cups) < LEAST_BREAK) return [];
      const said = readAt(spot, setting);
      return [{ quantity: 'reading', value: said.cups / cups, error: said.error / Math.abs(cups) }];
    },
    within: (_params, { putt }) => ({
      along: putt.distance + READ_PICTURE.past,
      across: readAside(putt.distance),
    }),
    spotOf: ({ read = 1 }, setting) => ({
      along: setting.putt.distance,
      across: read * trueCups(setting) * 2 * HOLE_RADIUS,
    }),
  },
  meets: ({ read = 1 }, _params, setting) => nearest(read * trueCups(setting)),
  draw: () => [],
  checklist: () => [
    'The player calls the read before stepping in: which side, and how far from the edge.',
  ],
  kit: () => [],
  cautions: () => [],
});
