import type { Translate } from '@/words/translate';
import { MEASURES, type MeasureName, type PhotoReading } from '@/core/photo';
import { roughLength, showDegrees, type UnitPreferences } from '@/core/units';

/** A number of a measure: millimetres for what is small, as tees stand, and the coach's own length for where a ball lies. */
function number(t: Translate, name: MeasureName, value: number, units: UnitPreferences): string {
  if (MEASURES[name].unit === 'angle') return showDegrees(value, 1);
  if (name === 'past' || name === 'aside' || name === 'distance') return roughLength(value, units);
  return t('photo.words.mm', { length: (value * 1000).toFixed(1) });
}

/**
 * What was measured, as a coach says it.
 *
 * @example readingWords('face', { value: 0.03 }, units) // 'Where the face points: 1.7° right of the line'
 */
export function readingWords(
  t: Translate,
  name: MeasureName,
  { value }: Pick<PhotoReading, 'value'>,
  units: UnitPreferences,
): string {
  const { label, sides } = MEASURES[name];
  const side = sides ? ` ${sides[value < 0 ? 1 : 0]}` : '';
  return `${label}: ${number(t, name, Math.abs(value), units)}${side}`;
}

/** How sure that is: its interval, with the side where it goes to both. */
export function certaintyWords(
  t: Translate,
  name: MeasureName,
  { interval: [from, to] }: Pick<PhotoReading, 'interval'>,
  units: UnitPreferences,
): string {
  const { sides } = MEASURES[name];
  const one = (value: number) => number(t, name, Math.abs(value), units);
  if (!sides) return t('photo.words.n80IntervalTo', { one: one(from), one2: one(to) });
  const side = (value: number) => sides[value < 0 ? 1 : 0].split(' ')[0];
  if (from < 0 === to < 0) {
    const [low, high] = [from, to].map(Math.abs).sort((a, b) => a - b);
    return `80 % interval ${one(low!)} to ${one(high!)} ${side(to)}`;
  }
  return `80 % interval ${one(from)} ${side(from)} to ${one(to)} ${side(to)}`;
}
