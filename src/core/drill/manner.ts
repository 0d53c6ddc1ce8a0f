import { z } from 'zod';

/** How a putt was struck. */
interface Told {
  /** As it stands on the screen: "ball 3 of 4: eyes closed". */
  label: string;
  /** What the player does, for a coach who asks. */
  about: string;
  /** Whether such a putt says what the player can do now. */
  usual: boolean;
}

/** All manners; a new one is a line here. */
export const MANNERS = {
  usual: { label: 'as usual', about: 'The player makes their own stroke.', usual: true },
  routine: {
    label: 'full routine',
    about: 'The player goes through the full routine, as on the course.',
    usual: true,
  },
  'lead hand': { label: 'lead hand only', about: 'The trail hand is off the grip.', usual: false },
  'trail hand': { label: 'trail hand only', about: 'The lead hand is off the grip.', usual: false },
  'eyes closed': {
    label: 'eyes closed',
    about: 'The player sets up with eyes open, then closes them.',
    usual: false,
  },
  'at the hole': {
    label: 'looking at the hole',
    about: 'The eyes are on the hole during the stroke.',
    usual: false,
  },
  push: {
    label: 'no backswing',
    about: 'The face rests against the ball, then pushes it.',
    usual: false,
  },
  'heavy ball': {
    label: 'heavy ball',
    about: 'The ball is heavier than the one used in play.',
    usual: false,
  },
  hovering: { label: 'hovering', about: 'The head is off the ground at address.', usual: false },
  coin: { label: 'ball on a coin', about: 'The ball sits on a coin.', usual: false },
  wedge: {
    label: 'with a wedge',
    about: 'The edge of a wedge meets the ball at its equator.',
    usual: false,
  },
  stopped: {
    label: 'short follow-through',
    about: 'The head is stopped just past the ball.',
    usual: false,
  },
  guided: { label: 'guided', about: 'The head runs along a rail or a board.', usual: false },
  practice: {
    label: 'practice stroke',
    about: 'The stroke is tried out and does not count.',
    usual: false,
  },
  simulated: {
    label: 'simulated',
    about: 'From a simulated instrument. It never changes a score.',
    usual: false,
  },
} as const satisfies Record<string, Told>;

export type Manner = keyof typeof MANNERS;
export const MANNER_IDS = Object.keys(MANNERS) as [Manner, ...Manner[]];
export const mannerSchema = z.enum(MANNER_IDS);

/** Whether a putt of this manner says what the player can do now; one of which nothing is told was struck as usual. */
export const isUsual = (manner: Manner | undefined): boolean => MANNERS[manner ?? 'usual'].usual;

/**
 * How the next ball of a drill is struck: its manners in turn, from the first ball to the last and again.
 *
 * @param manners of a drill, ball by ball; none when every one is struck as usual
 * @param putt how many were made before it
 * @example mannerAt(['at the hole', 'usual'], 3) // 'usual'
 */
export const mannerAt = (manners: readonly Manner[], putt: number): Manner =>
  manners[putt % Math.max(1, manners.length)] ?? 'usual';

/**
 * The ball of a drill of several manners, in words; null where every ball is struck as usual.
 *
 * @example mannerWords(['at the hole', 'usual', 'eyes closed', 'routine'], 2) // 'ball 3 of 4: eyes closed'
 */
export function mannerWords(manners: readonly Manner[], putt: number): string | null {
  if (manners.every((one) => one === 'usual')) return null;
  const { label } = MANNERS[mannerAt(manners, putt)];
  if (new Set(manners).size === 1) return label;
  return `ball ${(putt % manners.length) + 1} of ${manners.length}: ${label}`;
}
