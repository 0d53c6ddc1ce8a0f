import { z } from 'zod';
import { toDegrees, toRadians } from './angles';

const ANGLE = /^(\d+(?:[.,]\d+)?)\s*(°|deg|degrees?)?$/;

/**
 * A Zod schema from an angle as a coach types it ("70", "70.5°") to radians. A bare number is degrees.
 *
 * @param limits what is measured, to start a sentence with, and its limits in rad
 */
export function angleSchema({ what, min, max }: { what: string; min: number; max: number }) {
  return z.string().transform((text, context) => {
    const typed = text.trim();
    const refuse = (message: string) => {
      context.addIssue({ code: 'custom', message });
      return z.NEVER;
    };
    const part = ANGLE.exec(typed.toLowerCase());
    if (!part) return refuse(`“${typed.slice(0, 24)}” is not an angle. Type an angle such as 70°.`);
    const angle = toRadians(Number(part[1]!.replace(',', '.')));
    if (angle < min - 1e-9 || angle > max + 1e-9) {
      const show = (radians: number) => `${Math.round(toDegrees(radians))}°`;
      return refuse(`${what} of ${typed} is out of range: use ${show(min)} to ${show(max)}.`);
    }
    return angle;
  });
}
