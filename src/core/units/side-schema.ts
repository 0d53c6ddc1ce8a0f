import { z } from 'zod';
import { lengthSchema, type LengthLimits } from './length-schema';
import { showLength, type LengthKind, type UnitPreferences } from './preferences';

/**
 * A Zod schema from a length with its side as a coach types it ("4 mm left", "0") to metres, right positive.
 *
 * @param limits of the length on either side
 * @param sides words for what is below and above nothing
 */
export function sideSchema(
  limits: LengthLimits,
  [below, above]: readonly [below: string, above: string] = ['left', 'right'],
) {
  const length = lengthSchema(limits);
  const sided = new RegExp(`^(.*?)\\s*(${below}|${above})$`);
  return z.string().transform((text, context) => {
    const typed = text.trim().toLowerCase();
    const part = sided.exec(typed);
    const parsed = length.safeParse(part ? part[1] : typed);
    const message = parsed.success
      ? part || parsed.data === 0
        ? null
        : `Add the side: ${typed} ${below} or ${typed} ${above}.`
      : parsed.error.issues[0]!.message;
    if (message) {
      context.addIssue({ code: 'custom', message });
      return z.NEVER;
    }
    return (parsed.data ?? 0) * (part?.[2] === below ? -1 : 1);
  });
}

/**
 * Prints a length with its side: "4 mm left"; nothing aside is "0 mm".
 *
 * @param metres right positive
 * @param sides words for what is below and above nothing
 */
export function showSide(
  metres: number,
  kind: LengthKind,
  units: UnitPreferences,
  [below, above]: readonly [below: string, above: string] = ['left', 'right'],
): string {
  const shown = showLength(Math.abs(metres), kind, units);
  return shown.startsWith('0 ') ? shown : `${shown} ${metres < 0 ? below : above}`;
}
