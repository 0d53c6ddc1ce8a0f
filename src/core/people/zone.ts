import { z } from 'zod';

const isZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
};

/** A time zone by its name in the common list, "Europe/Amsterdam". */
export const zoneSchema = z
  .string()
  .max(60)
  .refine(isZone, {
    error: ({ input }) =>
      `“${String(input)}” is not a known time zone. Use a name such as Europe/Amsterdam.`,
  });

/** The time zone until a coach has said another. */
export const DEFAULT_ZONE = 'Europe/Amsterdam';
