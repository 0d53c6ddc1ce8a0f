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
  usual: { label: 'as usual', about: 'The player’s own stroke.', usual: true },
  routine: { label: 'full routine', about: 'The whole routine, as on the course.', usual: true },
  'lead hand': { label: 'lead hand only', about: 'Trail hand away.', usual: false },
  'trail hand': { label: 'trail hand only', about: 'Lead hand away.', usual: false },
  'eyes closed': { label: 'eyes closed', about: 'Set up looking, then eyes shut.', usual: false },
  'at the hole': {
    label: 'looking at the hole',
    about: 'Eyes on the hole during the stroke.',
    usual: false,
  },
  push: { label: 'no backswing', about: 'Face against the ball, then pushed.', usual: false },
  'heavy ball': { label: 'heavy ball', about: 'A heavier ball than is played.', usual: false },
  hovering: { label: 'hovering', about: 'The head off the ground at address.', usual: false },
  coin: { label: 'ball on a coin', about: 'The ball sits on a coin.', usual: false },
  wedge: { label: 'with a wedge', about: 'A wedge’s edge at the ball’s equator.', usual: false },
  stopped: {
    label: 'stopped short',
    about: 'The head is stopped just past the ball.',
    usual: false,
  },
  guided: { label: 'guided', about: 'The head runs along a rail or a board.', usual: false },
  practice: { label: 'practice stroke', about: 'Tried out; it does not count.', usual: false },
  simulated: {
    label: 'simulated',
    about: 'Made up by a simulated instrument; it never moves a score.',
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
