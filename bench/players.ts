import { layoutAt, standing, type Layout, type PuttPlace } from '@/core/layout';
import {
  DEFAULT_FACE_SHARE,
  knownOf,
  eightInTenWindow,
  type Estimate,
  type Latent,
  type LoggedSession,
} from '@/core/scoring';
import type { Putt } from '@/core/drill';
import {
  EXACT,
  ROUNDING,
  putt,
  strike,
  type Dice,
  type Met,
  type Piece,
  type Placement,
  type Struck,
  type Truth,
} from '../tests/player/player';

/** How wide the players' population is against the prior. */
const NARROW = Number(process.env.NARROW ?? 0.8);

/** Somebody from the population that the prior stands for, a little narrower. */
export function somebody(random: Dice): Truth {
  const draw = (latent: Latent): [number, number] => [
    NARROW * knownOf(latent).biasSpread * random.normal(),
    knownOf(latent).middleSpread *
      Math.exp(NARROW * knownOf(latent).logSpreadSpread * random.normal()),
  ];
  return {
    face: draw('face'),
    path: draw('path'),
    strike: draw('strike'),
    pace: draw('pace'),
    height: draw('height'),
    faceShare: DEFAULT_FACE_SHARE,
  };
}

/** The same player with start and all that makes it narrower or wider. */
export const scaled = (truth: Truth, by: number): Truth => ({
  ...truth,
  face: [truth.face[0] * by, truth.face[1] * by],
  path: [truth.path[0] * by, truth.path[1] * by],
});

/** Bias and spread of the start direction. */
export function startOf({ face, path, faceShare: w, tie = 0 }: Truth): [number, number] {
  const [a, b] = [w * face[1], (1 - w) * path[1]];
  return [w * face[0] + (1 - w) * path[0], Math.sqrt(a * a + b * b + 2 * tie * a * b)];
}

export const windowOf = ([bias, spread]: [number, number]): number =>
  eightInTenWindow(bias, spread);

/** How a coach sets tees: by the tape, a little off, once a stand. */
export const loosely = (random: Dice): Placement => ({
  gap: 0.0015 * random.normal(),
  distance: 0.01 * random.normal(),
});
export const measured = (random: Dice): Placement => ({
  gap: 0.0005 * random.normal(),
  distance: 0.002 * random.normal(),
});

/**
 * One putt of a player as a coach logs it, made at a place of a layout by the independent player.
 *
 * @param off how the tees really stand
 * @param rounded whether the head goes on behind the depth that was measured, rounded
 * @param green how far the green really is from what was measured of it
 */
export function logged(
  truth: Truth,
  layout: Layout,
  place: PuttPlace | null,
  random: Dice,
  off: Placement = EXACT,
  rounded = false,
  green = { grade: 0, speed: 0 },
): { putt: Putt; met: Met; struck: Struck } {
  const there = (place && layoutAt(layout, place)) ?? layout;
  const { distance, greenSpeed, past, slope } = there.putt;
  const struck = strike(truth, random);
  const met = putt(
    struck,
    layout.elements as Piece[],
    {
      distance,
      past,
      greenSpeed: greenSpeed + green.speed,
      grade: slope.grade + green.grade,
      falls: slope.falls,
    },
    rounded
      ? { ...layout.player, rounded, headDepth: layout.player.headDepth / (1 - ROUNDING) }
      : layout.player,
    off,
  );
  return { putt: { outcomes: met.outcomes, ...(place && { place }) }, met, struck };
}

/** Where a ball came to rest as it is touched on a picture: six centimetres off. */
export const touched = ({ rest }: Met, random: Dice) => ({
  along: rest.x + 0.06 * random.normal(),
  across: rest.y + 0.06 * random.normal(),
});

export const many = <T>(count: number, make: (index: number) => T): T[] =>
  Array.from({ length: count }, (_, index) => make(index));

export const session = (
  id: string,
  day: number,
  runs: { layout: Layout; putts: Putt[] }[],
): LoggedSession => ({ id, at: new Date(Date.UTC(2026, 0, 1 + day)), runs });

/** A layout with some numbers of its first element of a kind changed. */
export const changed = (layout: Layout, kind: string, params: object, built?: object): Layout =>
  ({
    ...layout,
    elements: layout.elements.map((piece) =>
      piece.kind === kind
        ? { ...piece, params: { ...piece.params, ...params }, ...(built && { built }) }
        : piece,
    ),
  }) as Layout;

export const idOf = (layout: Layout, kind: string): string =>
  standing(layout).find((one) => one.kind === kind)!.id;

export const holds = ({ low, high }: Estimate, truth: number): number =>
  Number(truth >= low && truth <= high);
export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1]!;
export const percent = (share: number): string => `${Math.round(100 * share)} %`;
export const mean = (values: readonly number[]): number =>
  values.reduce((sum, one) => sum + one, 0) / values.length;
