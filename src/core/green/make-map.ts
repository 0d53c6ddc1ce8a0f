import { dropMarginOf } from './drop-margin';
import type { Putt } from './putt';

/** A picture of what is holed: start direction across, start speed up. */
export interface MakeMap {
  /** Start directions of the columns, rad from the line to the hole. */
  directions: Float64Array;
  /** Start speeds of the rows, m/s. */
  speeds: Float64Array;
  /** 1 where holed, row by row. */
  holed: Uint8Array;
}

export interface MapRange {
  directions: [from: number, to: number];
  speeds: [from: number, to: number];
}

const ladder = ([from, to]: [number, number], count: number): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => from + ((to - from) * (i + 0.5)) / count);

/**
 * Holed or not over a field of starts.
 *
 * @param putt distance, green speed and slope (its pace is not used)
 * @param range directions (rad) and speeds (m/s) of the field
 * @param size columns and rows
 */
export function makeMap(
  putt: Putt,
  range: MapRange,
  size: { columns: number; rows: number },
): MakeMap {
  const margin = dropMarginOf(putt);
  const directions = ladder(range.directions, size.columns);
  const speeds = ladder(range.speeds, size.rows);
  const holed = new Uint8Array(size.columns * size.rows);
  let cell = 0;
  for (const speed of speeds) {
    for (const direction of directions) {
      holed[cell++] = Number(margin(speed, direction) >= 0);
    }
  }
  return { directions, speeds, holed };
}
