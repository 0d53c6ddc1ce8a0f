import { z } from 'zod';
import { formatLength } from './format-length';
import { parseLength, type LengthUnit, type OwnMeasures, type TapeUnit } from './parse-length';

export interface LengthLimits {
  /** What is measured, to start a sentence with: "The gap". */
  what: string;
  /** Smallest length allowed, in metres. */
  min: number;
  /** Greatest length allowed, in metres. */
  max: number;
  /** The unit of a bare number. */
  bare: TapeUnit;
  /** The coach's step, putter and club, m. */
  own?: OwnMeasures;
}

/**
 * A Zod schema from what a coach types to metres. Its messages name the value and what is allowed.
 *
 * @param limits what is measured, its limits in metres, and the unit of a bare number
 */
export function lengthSchema({ what, min, max, bare, own }: LengthLimits) {
  return z.string().transform((text, context) => {
    const parsed = parseLength(text, bare, own);
    if (!parsed.ok) {
      context.addIssue({ code: 'custom', message: parsed.message });
      return z.NEVER;
    }
    if (parsed.metres < min || parsed.metres > max) {
      const unit = isTapeUnit(parsed.unit) ? parsed.unit : bare;
      const show = (metres: number) => formatLength(metres, unit);
      context.addIssue({
        code: 'custom',
        message: `${what} of ${text.trim()} is ${parsed.metres < min ? 'too small' : 'too large'}: use ${show(min)} to ${show(max)}.`,
      });
      return z.NEVER;
    }
    return parsed.metres;
  });
}

const TAPE: readonly string[] = ['ft', 'in', 'm', 'cm', 'mm'] satisfies TapeUnit[];
const isTapeUnit = (unit: LengthUnit): unit is TapeUnit => TAPE.includes(unit);
