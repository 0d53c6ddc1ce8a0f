import { z } from 'zod';
import { lengthSchema, type LengthLimits } from './length-schema';
import { showLength, type LengthKind, type UnitPreferences } from './preferences';

const SIDED = /^(.*?)\s*(left|right)$/;

/**
 * A Zod schema from a length with its side as a coach types it ("4 mm left", "0") to metres, right positive.
 *
 * @param limits of the length on either side
 */
export function sideSchema(limits: LengthLimits) {
  const length = lengthSchema(limits);
  return z.string().transform((text, context) => {
    const typed = text.trim().toLowerCase();
    const part = SIDED.exec(typed);
    const parsed = length.safeParse(part ? part[1] : typed);
    const message = parsed.success
      ? part || parsed.data === 0
        ? null
        : `Say which side: ${typed} left, or ${typed} right.`
      : parsed.error.issues[0]!.message;
    if (message) {
      context.addIssue({ code: 'custom', message });
      return z.NEVER;
    }
    return (parsed.data ?? 0) * (part?.[2] === 'left' ? -1 : 1);
  });
}

/**
 * Prints a length with its side: "4 mm left"; nothing aside is "0 mm".
 *
 * @param metres right positive
 */
export function showSide(metres: number, kind: LengthKind, units: UnitPreferences): string {
  const shown = showLength(Math.abs(metres), kind, units);
  return shown.startsWith('0 ') ? shown : `${shown} ${metres < 0 ? 'left' : 'right'}`;
}
