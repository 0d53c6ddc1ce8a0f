import { tz } from '@date-fns/tz';
import { format } from 'date-fns';
import { literal } from 'sequelize';
import { coachSettings } from '@/core/people';
import type { Database } from './database';

/** Where all that is rendered in this process finds the zone; `src/ui/when.ts` reads it there. */
const ZONE = Symbol.for('dirigo.zone');
const shared = globalThis as typeof globalThis & { [ZONE]?: string };

/**
 * The zone of a book, which all of its coaches go by: the first head coach's. An academy stands in one place.
 *
 * @param anew looks again, after settings were saved
 */
export async function bookZone({ models }: Database, anew = false): Promise<string | null> {
  if (shared[ZONE] && !anew) return shared[ZONE];
  const head = await models.coach.findOne({
    where: { role: 'head', archivedAt: null },
    order: literal('rowid'),
  });
  if (!head) return null;
  shared[ZONE] = coachSettings.parse(head.settings).zone;
  return shared[ZONE];
}

/** A moment on the book's clock, for what is said to a coach from here. */
export const localTime = (at: Date, pattern: string): string =>
  format(at, pattern, shared[ZONE] ? { in: tz(shared[ZONE]) } : {});
