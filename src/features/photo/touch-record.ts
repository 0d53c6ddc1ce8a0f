import { z } from 'zod';
import { NO_REPEATS, type Repeats } from '@/core/photo';

const PLACE = 'dirigo-touches';
const repeatsSchema = z.object({
  count: z.number().int().nonnegative(),
  squares: z.number().nonnegative(),
});

/** How far apart points lay that were touched twice on this device until now; none where it keeps nothing. */
export function touchRecord(): Repeats {
  try {
    return repeatsSchema.parse(JSON.parse(localStorage.getItem(PLACE) ?? 'null'));
  } catch {
    return NO_REPEATS;
  }
}

/** Keeps the repeats of this device; a browser that keeps nothing asks for two again. */
export function keepTouchRecord(repeats: Repeats): void {
  try {
    localStorage.setItem(PLACE, JSON.stringify(repeats));
  } catch {
    // Storage is full or refused: the next photo starts from what is usual.
  }
}
