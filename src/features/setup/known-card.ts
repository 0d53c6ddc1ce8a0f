import 'server-only';
import type { Card } from '@/core/setup';
import { lastCard, listPutters, type Database, type Principal } from '@/data';

/** How a student stood and held it when somebody looked last, and the putters they have. */
export interface KnownCard {
  card: { card: Card; at: string } | null;
  putters: { id: string; name: string }[];
}

/** What of a student's set-up is known, the putter in use first. */
export async function knownCard(
  database: Database,
  principal: Principal,
  studentId: string,
): Promise<KnownCard> {
  const [last, putters] = await Promise.all([
    lastCard(database, principal, studentId),
    listPutters(database, principal, studentId),
  ]);
  return {
    card: last && { card: last.card, at: last.at.toISOString() },
    putters: putters.map(({ id, name }) => ({ id, name })),
  };
}
