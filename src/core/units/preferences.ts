import { z } from 'zod';
import { FOOT, INCH } from './constants';
import { formatLength, FEET_FROM } from './format-length';
import { DEFAULT_OWN, type TapeUnit } from './parse-length';

/** What is believed of a coach's own measures, m. */
export const OWN_RANGE = {
  step: { min: 0.3, max: 1.3 },
  putter: { min: 0.5, max: 1.5 },
  club: { min: 0.8, max: 1.4 },
} as const;

/** Which system a coach uses for long things (putts, gate distances) and for short ones (gaps, putters). */
export const unitPreferences = z.object({
  long: z.enum(['imperial', 'metric']),
  short: z.enum(['imperial', 'metric']),
  /** The coach's own step, putter and club, m. */
  own: z
    .object({
      step: z.number().min(OWN_RANGE.step.min).max(OWN_RANGE.step.max).default(DEFAULT_OWN.step),
      putter: z
        .number()
        .min(OWN_RANGE.putter.min)
        .max(OWN_RANGE.putter.max)
        .default(DEFAULT_OWN.putter),
      club: z.number().min(OWN_RANGE.club.min).max(OWN_RANGE.club.max).default(DEFAULT_OWN.club),
    })
    .default(DEFAULT_OWN),
});

export type UnitPreferences = z.infer<typeof unitPreferences>;

/** Feet for the putt, millimetres for the gap: what most coaches mix. */
export const DEFAULT_UNITS: UnitPreferences = {
  long: 'imperial',
  short: 'metric',
  own: DEFAULT_OWN,
};

/**
 * What is being measured: a putt, a green speed (told to a tenth of a foot), a place along the putt, a small thing across it, or the spot of a
 * tee's middle across it, which lies on half millimetres.
 */
export type LengthKind = 'putt' | 'speed' | 'along' | 'across' | 'spot';

/** The unit a bare number is read in for this kind of length. */
export function bareUnit(kind: LengthKind, units: UnitPreferences): TapeUnit {
  switch (kind) {
    case 'putt':
    case 'speed':
      return units.long === 'imperial' ? 'ft' : 'm';
    case 'along':
      return units.long === 'imperial' ? 'in' : 'cm';
    case 'across':
    case 'spot':
      return units.short === 'imperial' ? 'in' : 'mm';
  }
}

/**
 * Prints a length as this coach reads it.
 *
 * @param metres length in metres, 0 or more
 * @param kind what is being measured
 * @param units the coach's systems
 * @example showLength(0.4572, 'along', DEFAULT_UNITS) // "18 in"
 */
export function showLength(metres: number, kind: LengthKind, units: UnitPreferences): string {
  if (kind === 'spot' && units.short === 'metric') return `${Math.round(metres * 2000) / 2} mm`;
  if (kind === 'across' || kind === 'spot') {
    return formatLength(metres, units.short === 'imperial' ? 'in' : 'mm');
  }
  if (kind === 'speed') {
    return units.long === 'imperial'
      ? `${Number((metres / FOOT).toFixed(1))} ft`
      : formatLength(metres, 'm');
  }
  if (units.long === 'imperial') {
    return formatLength(metres, kind === 'putt' || metres >= FEET_FROM ? 'ft' : 'in');
  }
  return formatLength(metres, kind === 'putt' || metres >= 1 ? 'm' : 'cm');
}

/**
 * Prints a length that is only reckoned, to what an eye can tell: half an inch or a centimetre, above a foot an inch.
 *
 * @param metres length in metres, 0 or more
 * @param units the coach's systems
 */
export function roughLength(metres: number, units: UnitPreferences): string {
  if (units.long === 'metric') {
    return metres >= 1 ? formatLength(metres, 'm') : `${Math.round(metres * 100)} cm`;
  }
  const step = metres >= FOOT ? INCH : INCH / 2;
  return formatLength(Math.round(metres / step) * step, metres >= FEET_FROM ? 'ft' : 'in');
}

/**
 * The nearest length this coach can set with a tape across the line: 1 mm or 1/16 in.
 *
 * @param metres length in metres, 0 or more
 * @param units the coach's systems
 * @param way round to the nearest step, or down or up to one
 */
export function settable(
  metres: number,
  units: UnitPreferences,
  way: 'nearest' | 'down' | 'up' = 'nearest',
): number {
  const step = acrossStep(units);
  const round = { nearest: Math.round, down: Math.floor, up: Math.ceil }[way];
  return round(metres / step) * step;
}

/**
 * The nearest length this coach can set with a tape along the line: 1 cm or half an inch.
 *
 * @param metres length in metres, 0 or more
 * @param units the coach's systems
 */
export function settableAlong(metres: number, units: UnitPreferences): number {
  const step = units.long === 'imperial' ? INCH / 2 : 0.01;
  return Math.round(metres / step) * step;
}

/** The finest step a tape shows across the line, in metres: 1 mm or 1/16 in. */
export function acrossStep(units: UnitPreferences): number {
  return units.short === 'imperial' ? 0.0254 / 16 : 0.001;
}
