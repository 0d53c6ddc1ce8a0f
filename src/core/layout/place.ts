import { z } from 'zod';
import { PUTT_RANGE, type Putt, type Tier } from '@/core/green';
import type { Layout } from './layout';
import type { Spot } from './spot';
import { halfTurn, stationSpot, type Stations } from './stations';

/** Where one putt was made from: which station, how often that ball had been missed, and where it lay. */
export const placeSchema = z.object({
  /** From 0; 0 where there are none. */
  station: z.number().int().min(0).max(40),
  /** How often this ball was missed before, each time put farther from the hole. */
  again: z.number().int().min(0).max(100),
  /** Where it lay; null when nobody can tell. */
  spot: z
    .object({
      /** Ball to the centre of the hole, m. */
      distance: z.number().min(PUTT_RANGE.min).max(PUTT_RANGE.max),
      /** How far round the hole it lies from the ball mark of the layout, rad: the way the line to the hole turns. */
      bearing: z.number().min(-Math.PI).max(Math.PI),
    })
    .nullable(),
});

export type PuttPlace = z.infer<typeof placeSchema>;

/** Where the ball lies of a putt whose place is known. */
export type PuttSpot = NonNullable<PuttPlace['spot']>;

/** The ball mark of the layout itself. */
export const ownPlace = ({ putt }: Layout): PuttPlace => ({
  station: 0,
  again: 0,
  spot: { distance: putt.distance, bearing: 0 },
});

const stationsOf = ({ elements }: Layout): Stations | null => {
  const found = elements.find((piece) => piece.kind === 'stations');
  return found?.kind === 'stations' ? found.params : null;
};

/** Spots that a layout is putted from. */
export const stationCount = (layout: Layout): number => stationsOf(layout)?.count ?? 1;

/**
 * The station of a putt where the rule sends nobody anywhere: so many balls from each, in turn.
 *
 * @param layout what it is played on
 * @param putt how many were made before it
 */
export function stationInTurn(layout: Layout, putt: number): number {
  const stations = stationsOf(layout);
  return stations ? Math.floor(putt / stations.balls) % stations.count : 0;
}

/**
 * The place of a station.
 *
 * @param layout what is played on
 * @param station from 0; beyond the last it begins again
 */
export function stationPlace(layout: Layout, station: number): PuttPlace {
  const stations = stationsOf(layout);
  if (!stations) return ownPlace(layout);
  return { station, again: 0, spot: stationSpot(stations, layout.putt.distance, station) };
}

/**
 * The place of a putt after a miss: a length farther from the hole than where the ball came to rest, on the same side.
 *
 * @param place where the missed putt was made
 * @param rest where it came to rest, seen from that ball along its line to the hole; null when nobody looked
 * @param farther m
 */
export function placeAfter(place: PuttPlace, rest: Spot | null, farther: number): PuttPlace {
  const again = place.again + 1;
  if (!place.spot || !rest) return { ...place, again, spot: null };
  const [along, across] = [rest.along - place.spot.distance, rest.across];
  const distance = Math.hypot(along, across) + farther;
  // A ball before the hole lies at half a turn from the way of the putt.
  const round = distance === farther ? 0 : Math.atan2(across, along) - Math.PI;
  return {
    ...place,
    again,
    spot: {
      distance: Math.min(Math.max(distance, PUTT_RANGE.min), PUTT_RANGE.max),
      bearing: halfTurn(place.spot.bearing + round),
    },
  };
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

/**
 * A layout where one of its putts was made: the same elements before another ball. Round the hole the fall turns with the
 * spot; on the same line the planes stay where they are.
 *
 * @param layout as it stands at its ball mark
 * @param place of the putt
 * @returns null when nobody can tell where the putt was made
 */
export function layoutAt(layout: Layout, { spot }: PuttPlace): Layout | null {
  if (!spot) return null;
  const { putt } = layout;
  const { distance, bearing } = spot;
  if (bearing === 0 && distance === putt.distance) return layout;
  if (bearing === 0) {
    const there = tiersFrom(putt, distance - putt.distance, distance);
    return { ...layout, putt: { ...putt, distance, ...there } };
  }
  // Which plane lies under a ball elsewhere round the hole is not known but for the one at the hole.
  const slope = putt.tiers.at(-1)?.slope ?? putt.slope;
  return {
    ...layout,
    putt: {
      ...putt,
      distance,
      slope: { ...slope, falls: halfTurn(slope.falls - bearing) },
      tiers: [],
    },
  };
}

/** Places as something to group by: where the ball lay. */
export const spotKey = ({ spot }: PuttPlace): string =>
  spot ? `${spot.distance.toFixed(3)} ${spot.bearing.toFixed(4)}` : 'unknown';
