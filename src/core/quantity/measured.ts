import { z } from 'zod';
import { isQuantity, quantities, quantityOf } from './register';
import { shownUnit } from './unit';

/** One value that an instrument read of a putt, SI. */
export const measuredValueSchema = z.object({
  value: z.number(),
  /** Of this reading, one standard deviation, where the instrument says it. */
  error: z.number().positive().optional(),
  /** The instrument, or the file, that it is from. */
  by: z.string().min(1).max(80),
});
export type MeasuredValue = z.infer<typeof measuredValueSchema>;

/** What was measured of a putt, by quantity. */
export const measuredSchema = z.record(z.string(), measuredValueSchema);
export type MeasuredValues = z.infer<typeof measuredSchema>;

/**
 * Says what is wrong with measured values.
 *
 * @param values SI
 * @returns a sentence, or null
 */
export function measuredProblem(values: MeasuredValues): string | null {
  for (const [id, { value, error }] of Object.entries(values)) {
    if (!isQuantity(id)) {
      const known = quantities().map((one) => one.id);
      return `“${id}” is not a known quantity: use one of ${known.join(', ')}.`;
    }
    const { name, dimension, sane, middle } = quantityOf(id);
    const { symbol, si } = shownUnit(dimension);
    // What is intended moves with the putt; beyond twice as much no putt of any length goes.
    const most = middle ? 2 * sane : sane;
    if (!(Math.abs(value) <= most)) {
      return `${name}: ${(value / si).toPrecision(4)}${symbol} is out of range. Use at most ${(most / si).toPrecision(4)}${symbol} either way.`;
    }
    if (error !== undefined && !(error <= sane)) {
      return `${name}: an error of ${(error / si).toPrecision(4)}${symbol} is too large. Use at most ${(sane / si).toPrecision(4)}${symbol}.`;
    }
  }
  return null;
}

/** The same with what follows from other values: a tempo from two times. */
export function completed(values: MeasuredValues): MeasuredValues {
  const all = { ...values };
  const bare = Object.fromEntries(Object.entries(values).map(([id, { value }]) => [id, value]));
  for (const { id, from } of quantities()) {
    const value = all[id] ? undefined : from?.(bare);
    // From one instrument as well as the values it follows from; the first is named.
    const [first] = Object.values(values);
    if (value !== undefined && Number.isFinite(value) && first) all[id] = { value, by: first.by };
  }
  return all;
}
