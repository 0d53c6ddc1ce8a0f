import { z } from 'zod';
import { HOLE_RADIUS, type Putt } from '@/core/green';
import { defineElement, type Evidence, type Outcome } from './element';
import type { Fitting } from '@/core/people';
import { settingOf, type Setting } from './setting';

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
const TOLD = 0.4;

/** Where the putt has to start, in hole widths right of the middle of the hole. */
const trueCups = ({ putt, aim }: Pick<Setting, 'putt' | 'aim'>): number =>
  (putt.distance * Math.tan(aim.direction)) / (2 * HOLE_RADIUS);

/**
 * What a player should say of a putt: where it has to start, in hole widths right of the middle of the hole.
 *
 * @param layout where the putt is made
 */
export const trueReadOf = ({ putt, player }: { putt: Putt; player: Fitting }): number =>
  trueCups(settingOf(putt, player));

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

const nearest = (cups: number): string =>
  READS.reduce((best, one) => (Math.abs(one.cups - cups) < Math.abs(best.cups - cups) ? one : best))
    .id;

/** What the player takes the break to be, said before the ball is struck. */
export const readFirst = defineElement({
  kind: 'readFirst',
  name: 'Read first',
  about: 'The read, said before the putt: tells a misread from a poor stroke.',
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
    if (!meant || Math.abs(cups) < TOLD) return [];
    const [lower, upper] = [meant.from / cups, meant.to / cups].sort((a, b) => a - b);
    return [{ quantity: 'other', id: 'reading', lower: lower!, upper: upper! }];
  },
  meets: ({ read = 1 }, _params, setting) => nearest(read * trueCups(setting)),
  draw: () => [],
  checklist: () => [
    'The player says the read before stepping in: which side, and how far from the edge.',
  ],
  kit: () => [],
  cautions: () => [],
});
