import { z } from 'zod';
import { formatLength } from './format-length';
import { parseLength, type LengthUnit } from './parse-length';

export interface LengthLimits {
  /** What is measured, to start a sentence with: "The gap". */
  what: string;
  /** Smallest length allowed, in metres. */
  min: number;
  /** Greatest length allowed, in metres. */
  max: number;
  /** The unit of a bare number. */
  bare: LengthUnit;
}

/**
 * A Zod schema from what a coach types to metres. Its messages name the value and what is allowed.
 *
 * @param limits what is measured, its limits in metres, and the unit of a bare number
 */
export function lengthSchema({ what, min, max, bare }: LengthLimits) {
  return z.string().transform((text, context) => {
    const parsed = parseLength(text, bare);
    if (!parsed.ok) {
      context.addIssue({ code: 'custom', message: parsed.message });
      return z.NEVER;
    }
    if (parsed.metres < min || parsed.metres > max) {
      const show = (metres: number) => formatLength(metres, parsed.unit);
      context.addIssue({
        code: 'custom',
        message: `${what} of ${text.trim()} is ${parsed.metres < min ? 'too small' : 'too great'}: ${show(min)} to ${show(max)} is allowed.`,
      });
      return z.NEVER;
    }
    return parsed.metres;
  });
}
