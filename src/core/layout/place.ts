import { z } from 'zod';
import { PUTT_RANGE } from '@/core/green';
import { elementOf, type Layout } from './layout';
import type { Spot } from './spot';
import {
  canBeAimed,
  halfTurn,
  puttFrom,
  stationName,
  stationSpot,
  type Stations,
} from './stations';

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

/** The ball mark of the layout itself. */
export const ownPlace = ({ putt }: Layout): PuttPlace => ({
  station: 0,
  again: 0,
  spot: { distance: putt.distance, bearing: 0 },
});

const stationsOf = ({ elements }: Layout): Stations | null => {
  for (const { kind, params } of elements) {
    const stations = elementOf(kind).stations?.(params);
    if (stations) return stations;
  }
  return null;
};

/** What a station of a layout is called; null where nobody named it. */
export const stationNamed = (layout: Layout, station: number): string | null => {
  const stations = stationsOf(layout);
  return stations && stationName(stations, station);
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

/**
 * A layout where one of its putts was made: the same elements before another ball.
 *
 * @param layout as it stands at its ball mark
 * @param place of the putt
 * @returns null when nobody can tell where the putt was made, or no aim gets there from it
 */
export function layoutAt(layout: Layout, { spot }: PuttPlace): Layout | null {
  if (!spot) return null;
  const putt = puttFrom(layout.putt, spot);
  if (putt === layout.putt) return layout;
  return canBeAimed(putt) ? { ...layout, putt } : null;
}

/** Places as something to group by: where the ball lay. */
export const spotKey = ({ spot }: PuttPlace): string =>
  spot ? `${spot.distance.toFixed(3)} ${spot.bearing.toFixed(4)}` : 'unknown';
