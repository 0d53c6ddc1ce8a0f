import { existsSync } from 'node:fs';
import { readFile, rename, writeFile } from 'node:fs/promises';
import { z } from 'zod';
import type { Database } from './database';
import { storedTime } from './columns';
import { OWN_ONLY, readRaw, type RawFile } from './raw-file';

/** Tables whose rows let somebody in until they are ended: an ended row never comes back to life. */
export const ENDABLE = ['device', 'link', 'share', 'instrument'] as const;

/** Every table that can let somebody in, and what a restore does with its rows. A test compares this list with the schema. */
export const CREDENTIAL_TABLES = {
  device: 'stays ended once it was ended',
  link: 'stays ended once it was ended or its student was archived',
  share: 'stays ended once it was ended',
  instrument: 'stays ended once it was ended',
  passkey: 'stays removed once it was removed',
  ticket: 'is dropped: it is good for minutes',
  coach: 'keeps the newer passphrase, role and archiving',
} as const;

const coachState = z.object({
  id: z.string(),
  role: z.string(),
  passphrase: z.string().nullable(),
  archivedAt: z.string().nullable(),
  /** When one of these last changed, as far as the history of changes tells. */
  changedAt: z.string(),
});

const credentialState = z.object({
  /** Ids of ended rows, by table. */
  ended: z.object(
    Object.fromEntries(ENDABLE.map((table) => [table, z.array(z.string())])) as Record<
      (typeof ENDABLE)[number],
      z.ZodArray<z.ZodString>
    >,
  ),
  removedPasskeys: z.array(z.string()),
  coaches: z.array(coachState),
});

/** What a database says about who may come in, as far as a restore must not undo it. */
export type CredentialState = z.infer<typeof credentialState>;

const NOTHING: CredentialState = {
  ended: { device: [], link: [], share: [], instrument: [] },
  removedPasskeys: [],
  coaches: [],
};

/** Which rows of a table open nothing any more. */
const ENDED_ROWS: Record<(typeof ENDABLE)[number], string> = {
  device: 'endedAt IS NOT NULL',
  link: `endedAt IS NOT NULL OR studentId IN (SELECT id FROM student WHERE archivedAt IS NOT NULL)`,
  share: 'endedAt IS NOT NULL',
  instrument: 'endedAt IS NOT NULL',
};

const NEVER = '1970-01-01 00:00:00.000 +00:00';

/** The last change of a coach in the history: passphrases included, whose changes name no value. */
const COACH_CHANGED = `(SELECT max(at) FROM event
  WHERE tableName = 'coach' AND rowId = coach.id AND kind <> 'made'
    AND (after LIKE '%"role"%' OR after LIKE '%"archivedAt"%' OR after LIKE '%"passphrase"%'))`;

const textOrNull = (value: unknown): string | null => (value === null ? null : String(value));

/** Reads the state of a file; tables that an older version lacks count as empty. */
async function stateIn({ all }: RawFile): Promise<CredentialState> {
  const tables = new Set(
    (await all(`SELECT name FROM sqlite_master WHERE type = 'table'`)).map(({ name }) => name),
  );
  const idsOf = async (table: string, sql: string): Promise<string[]> =>
    tables.has(table) ? (await all(sql)).map(({ id }) => String(id)) : [];
  const state: CredentialState = {
    ...NOTHING,
    ended: { ...NOTHING.ended },
    removedPasskeys: await idsOf(
      'event',
      `SELECT rowId AS id FROM event WHERE tableName = 'passkey' AND kind = 'removed'`,
    ),
  };
  for (const table of ENDABLE) {
    // Before version 007 a link was its own key and was never ended by an id.
    const hasId =
      tables.has(table) &&
      (await all(`PRAGMA table_info("${table}")`)).some(({ name }) => name === 'id');
    state.ended[table] = hasId
      ? await idsOf(table, `SELECT id FROM "${table}" WHERE ${ENDED_ROWS[table]}`)
      : [];
  }
  if (tables.has('event')) {
    state.coaches = (
      await all(`SELECT id, role, passphrase, archivedAt, ${COACH_CHANGED} AS changedAt FROM coach`)
    ).map(({ id, role, passphrase, archivedAt, changedAt }) => ({
      id: String(id),
      role: String(role),
      passphrase: textOrNull(passphrase),
      archivedAt: textOrNull(archivedAt),
      changedAt: textOrNull(changedAt) ?? NEVER,
    }));
  }
  return state;
}

const union = (a: readonly string[], b: readonly string[]): string[] => [...new Set([...a, ...b])];

/** Joins two states: what was ended in either is ended, and of a coach the newer state counts; the first where both are as new. */
export function mergeCredentials(a: CredentialState, b: CredentialState): CredentialState {
  const coaches = new Map(b.coaches.map((coach) => [coach.id, coach]));
  for (const coach of a.coaches) {
    const other = coaches.get(coach.id);
    if (!other || other.changedAt <= coach.changedAt) coaches.set(coach.id, coach);
  }
  return {
    ended: Object.fromEntries(
      ENDABLE.map((table) => [table, union(a.ended[table], b.ended[table])]),
    ) as CredentialState['ended'],
    removedPasskeys: union(a.removedPasskeys, b.removedPasskeys),
    coaches: [...coaches.values()],
  };
}

const listFile = (path: string): string => `${path}.credentials.json`;

/** What earlier restores noted beside a database: a backup that took its place may not know of it. */
async function notedBeside(path: string): Promise<CredentialState> {
  const text = await readFile(listFile(path), 'utf8').catch(() => '{}');
  try {
    return credentialState.parse(JSON.parse(text));
  } catch {
    return NOTHING;
  }
}

/**
 * Reads what a database, and earlier restores of it, say about who may come in, and notes it beside the database, so that a later
 * restore knows it too.
 *
 * @param path the database that is about to be replaced; closed
 * @returns null when it cannot be read: then nothing is known of what was ended since
 */
export async function readCredentials(path: string): Promise<CredentialState | null> {
  const noted = await notedBeside(path);
  const now = existsSync(path) ? await readRaw(path, stateIn).catch(() => null) : null;
  // An empty file was never a database: it says nothing.
  if (!now || now.coaches.length === 0) return null;
  const state = mergeCredentials(now, noted);
  await writeFile(`${listFile(path)}.part`, JSON.stringify(state), { mode: OWN_ONLY });
  await rename(`${listFile(path)}.part`, listFile(path));
  return state;
}

/**
 * Brings the credentials of a backup that is about to take a database's place to their newer state.
 *
 * @param incoming the backup, opened
 * @param state what is known of the database that it replaces; null for nothing: then all devices, links, instruments, passkeys and
 *   passphrases are ended
 * @param at now
 */
export async function applyCredentials(
  incoming: Database,
  state: CredentialState | null,
  at: Date,
): Promise<void> {
  const { write } = incoming;
  const own = await readRaw(incoming.path, stateIn);
  await incoming.directly(async () => {
    await write.all('DELETE FROM ticket');
    if (!state) {
      for (const table of ['device', 'link', 'instrument'] as const) {
        await write.all(`UPDATE "${table}" SET endedAt = $at WHERE endedAt IS NULL`, {
          $at: storedTime(at),
        });
      }
      await write.all('DELETE FROM passkey');
      await write.all('UPDATE coach SET passphrase = NULL');
      return;
    }
    for (const table of ENDABLE) {
      await write.all(
        `UPDATE "${table}" SET endedAt = $at
          WHERE endedAt IS NULL AND id IN (SELECT value FROM json_each($ids))`,
        { $at: storedTime(at), $ids: JSON.stringify(state.ended[table]) },
      );
    }
    await write.all('DELETE FROM passkey WHERE id IN (SELECT value FROM json_each($ids))', {
      $ids: JSON.stringify(state.removedPasskeys),
    });
    const merged = mergeCredentials(state, own);
    for (const { id, role, passphrase, archivedAt } of merged.coaches) {
      await write.all(
        'UPDATE coach SET role = $role, passphrase = $passphrase, archivedAt = $archivedAt WHERE id = $id',
        { $id: id, $role: role, $passphrase: passphrase, $archivedAt: archivedAt },
      );
    }
    // Somebody must be able to run the academy: without a head coach, its first coach becomes one.
    await write.all(
      `UPDATE coach SET archivedAt = NULL, role = 'head'
        WHERE NOT EXISTS (SELECT 1 FROM coach WHERE role = 'head' AND archivedAt IS NULL)
          AND rowid = (SELECT min(rowid) FROM coach)`,
    );
    await write.all(
      `UPDATE device SET endedAt = $at
        WHERE endedAt IS NULL AND coachId IN (SELECT id FROM coach WHERE archivedAt IS NOT NULL)`,
      { $at: storedTime(at) },
    );
  });
}
