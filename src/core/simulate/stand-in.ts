import { quantityOf, shownUnit, type Line } from '@/core/quantity';
import { DEGREE } from '@/core/units';
import { chance, type Chance } from './random';

/** Instruments that are stood in for, and what each reads. */
export const STAND_INS = {
  putting: {
    name: 'Putting sensor',
    reads: [
      'start',
      'face',
      'path',
      'strike',
      'height',
      'rise',
      'loft',
      'headSpeed',
      'timeBack',
      'timeThrough',
    ],
  },
  wrist: {
    name: 'Wrist sensor',
    reads: [
      'wristBend',
      'wristCock',
      'wristTurn',
      'wristBendChange',
      'wristCockChange',
      'wristTurnChange',
    ],
  },
  plate: { name: 'Balance plate', reads: ['leadFoot'] },
} as const;
export type StandIn = keyof typeof STAND_INS;

/**
 * One stroke of a made-up player, all that the instruments could read of it; SI. The same seed and number make the same
 * stroke, so that several stand-ins read one. Pushes come with a bowed wrist.
 *
 * @param seed whose
 * @param index which stroke, from 0
 * @param headSpeed what the putt asks for, m/s
 */
export function standInStroke(
  seed: number,
  index: number,
  headSpeed = 1.6,
): Record<string, number> {
  const { normal } = chance(seed * 10_007 + index);
  const face = (0.3 + 0.9 * normal()) * DEGREE;
  const path = (1 + 1.5 * normal()) * DEGREE;
  const bend = -8 * DEGREE + 1.8 * face + 1.5 * DEGREE * normal();
  return {
    face,
    path,
    start: 0.92 * face + 0.08 * path,
    strike: 0.002 + 0.004 * normal(),
    height: 0.001 + 0.002 * normal(),
    rise: (1.6 + 0.7 * normal()) * DEGREE,
    loft: (2.6 + 0.6 * normal()) * DEGREE,
    headSpeed: headSpeed * (1 + 0.04 * normal()),
    timeBack: 0.68 + 0.03 * normal(),
    timeThrough: 0.33 + 0.015 * normal(),
    wristBend: bend,
    wristCock: (4 + 1.5 * normal()) * DEGREE,
    wristTurn: (-3 + 2 * normal()) * DEGREE,
    wristBendChange: bend + 9 * DEGREE,
    wristCockChange: 1.2 * DEGREE * normal(),
    wristTurnChange: 1.4 * DEGREE * normal(),
    leadFoot: 0.57 + 0.02 * normal(),
  };
}

/**
 * What a stand-in sends of a stroke: read with its own error, in the units that are shown.
 *
 * @param kind which instrument
 * @param stroke SI
 * @param at when
 * @param error a source of chance for its errors of reading
 * @param turned how far right of the line it stands, rad
 */
export function standInLine(
  kind: StandIn,
  stroke: Readonly<Record<string, number>>,
  { id, at, turned = 0 }: { id: string; at: Date; turned?: number },
  error: Chance,
): Line {
  const values: Line['values'] = {};
  for (const quantity of STAND_INS[kind].reads) {
    const { dimension, instrument } = quantityOf(quantity);
    const { id: unit, si } = shownUnit(dimension);
    const off = ['start', 'face', 'path'].includes(quantity) ? turned : 0;
    const value = stroke[quantity]! + off + instrument.error * error.normal();
    values[quantity] = {
      value: Number((value / si).toFixed(4)),
      unit,
      error: Number((instrument.error / si).toPrecision(3)),
    };
  }
  return { id, at: at.toISOString(), values };
}
