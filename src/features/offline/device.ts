import type { DBSchema } from 'idb';
import { z } from 'zod';
import { emptyPhotos } from '../photo/kept-photos';
import { emptyTold, lastTold, pendingEvents } from '../session/queue';
import { merge } from '../session/merge';
import type { WireRun } from '../session/wire';
import { deviceDatabase } from '../shared/device-database';
import type { BegunHere } from './begun';
import { begunSession, keptSchema, type Kept } from './wire';

interface DeviceSchema extends DBSchema {
  /** By the link of a student's own page; the empty one is a coach's. */
  kept: { key: string; value: unknown };
  begun: { key: string; value: unknown };
}

const begunHere = begunSession.extend({
  home: z.string(),
  name: z.string(),
  owner: z.string().optional(),
  ownerName: z.string().optional(),
  sent: z.string().nullable(),
  refused: z.string().nullable(),
  theirs: z.string().nullable(),
});

const { open } = deviceDatabase<DeviceSchema>('dirigo-kept', 1, (database) => {
  database.createObjectStore('kept');
  database.createObjectStore('begun');
});

/** What this device keeps to work with no server; null for nothing, or nothing that can be read. */
export async function keptHere(home: string): Promise<Kept | null> {
  const value = await (await open()).get('kept', home);
  const parsed = keptSchema.safeParse(value);
  return parsed.success ? parsed.data : null;
}

/** Keeps it, in place of what was kept before. */
export async function keepHere(home: string, kept: Kept): Promise<void> {
  await (await open()).put('kept', kept, home);
}

/** The sessions that were begun on this device and are not all on the server, for whomever, the newest last. */
export async function allBegun(): Promise<BegunHere[]> {
  const all = await (await open()).getAll('begun');
  return all
    .flatMap((value) => {
      const parsed = begunHere.safeParse(value);
      return parsed.success ? [parsed.data] : [];
    })
    .sort((a, b) => a.startedAt.localeCompare(b.startedAt) || a.place - b.place);
}

/** Those of them that were begun as a coach, or on a student's own page. */
export const begunOf = async (home: string): Promise<BegunHere[]> =>
  (await allBegun()).filter((session) => session.home === home);

/** Keeps sessions that were begun here, all of them or none. */
export async function keepBegunHere(sessions: readonly BegunHere[]): Promise<void> {
  const transaction = (await open()).transaction('begun', 'readwrite');
  await Promise.all([
    ...sessions.map((session) => transaction.store.put(session, session.id)),
    transaction.done,
  ]);
}

/** Changes a session as it is kept now, not as a screen knew it; nothing where it is there no more. */
export async function changeBegun(
  id: string,
  change: (session: BegunHere) => BegunHere | null,
): Promise<void> {
  const transaction = (await open()).transaction('begun', 'readwrite');
  const parsed = begunHere.safeParse(await transaction.store.get(id));
  if (parsed.success) {
    const next = change(parsed.data);
    await (next ? transaction.store.put(next, id) : transaction.store.delete(id));
  }
  await transaction.done;
}

/** What was logged of a run, as far as this device knows. */
export async function loggedOf(runId: string): Promise<WireRun> {
  const told = await lastTold(runId);
  return merge(told ?? { putts: [], marks: [] }, await pendingEvents(runId));
}

/**
 * Empties this device of all that it keeps of people: what it worked from with no server, what the server told, photos, pages. What
 * was logged and is not on the server yet stays until it is.
 */
export async function emptyDevice(): Promise<void> {
  await (await open()).clear('kept').catch(() => undefined);
  await emptyTold().catch(() => undefined);
  await emptyPhotos().catch(() => undefined);
  if (!('caches' in globalThis)) return;
  for (const name of await caches.keys()) {
    if (name.startsWith('dirigo-pages-')) await caches.delete(name);
  }
}
