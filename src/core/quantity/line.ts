import { z } from 'zod';
import { measuredProblem, type MeasuredValues } from './measured';
import { isQuantity, quantities, quantityOf } from './register';
import { UNITS, unitNamed } from './unit';

/** One putt as an instrument sends it: a line of JSON. */
export const lineSchema = z.strictObject({
  /** The instrument's own name of this putt; the same one sent again changes nothing. */
  id: z.string().trim().min(1).max(80),
  /** When the ball was struck; when the line comes in, where it is left out. */
  at: z.iso.datetime({ offset: true }).optional(),
  /** Any of the quantities, each with its unit and, if it is known, its error as one standard deviation in the same unit. */
  values: z.record(
    z.string(),
    z.strictObject({
      value: z.number(),
      unit: z.string().max(20),
      error: z.number().positive().optional(),
    }),
  ),
});
export type Line = z.infer<typeof lineSchema>;

/** What a line says: values in SI, or a sentence saying why it cannot be taken. */
export type ReadLine =
  | { ok: true; id: string; at: Date | null; values: MeasuredValues }
  | { ok: false; id: string | null; message: string };

/**
 * Reads a line that an instrument sent.
 *
 * @param text one line
 * @param by the instrument
 * @example readLine('{"id":"7","values":{"face":{"value":0.4,"unit":"deg"}}}', 'sensor')
 */
export function readLine(text: string, by: string): ReadLine {
  let sent: unknown;
  try {
    sent = JSON.parse(text);
  } catch {
    return {
      ok: false,
      id: null,
      message: 'This line is not valid JSON. It may have been cut off.',
    };
  }
  const named = z.object({ id: z.string() }).safeParse(sent);
  const id = named.data?.id ?? null;
  const parsed = lineSchema.safeParse(sent);
  if (!parsed.success) return { ok: false, id, message: z.prettifyError(parsed.error) };
  const values: MeasuredValues = {};
  for (const [name, { value, unit, error }] of Object.entries(parsed.data.values)) {
    if (!isQuantity(name)) {
      const known = quantities().map((one) => one.id);
      return {
        ok: false,
        id,
        message: `“${name}” is not a known quantity: use one of ${known.join(', ')}.`,
      };
    }
    const { dimension, name: spoken } = quantityOf(name);
    const found = unitNamed(dimension, unit);
    if (!found) {
      const allowed = [...new Set(UNITS[dimension].map((one) => one.id))];
      return {
        ok: false,
        id,
        message: `${spoken}: “${unit}” is not a unit for this quantity. Use one of ${allowed.join(', ')}.`,
      };
    }
    values[name] = {
      value: value * found.si,
      ...(error !== undefined && { error: error * found.si }),
      by,
    };
  }
  if (Object.keys(values).length === 0) {
    return { ok: false, id, message: '“values” is empty: send at least one measurement.' };
  }
  const wrong = measuredProblem(values);
  if (wrong) return { ok: false, id, message: wrong };
  const at = parsed.data.at ? new Date(parsed.data.at) : null;
  return { ok: true, id: parsed.data.id, at, values };
}
