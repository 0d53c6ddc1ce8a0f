import { readRaw } from './raw-file';

/** How many rows each table of a database has. */
export type RowCounts = Record<string, number>;

/** Counts the rows of every table of a database file, as it lies there. */
export const rowCounts = (file: string): Promise<RowCounts> =>
  readRaw(file, async ({ all }) => {
    const tables = await all(
      `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name`,
    );
    const counts: RowCounts = {};
    for (const { name } of tables) {
      const [row] = await all(`SELECT COUNT(*) AS rows FROM "${String(name)}"`);
      counts[String(name)] = Number(row!.rows);
    }
    return counts;
  });

/** Names the tables whose number of rows differs: "putt (20, not 0)". Empty when none does. */
export const differences = (is: RowCounts, mustBe: RowCounts): string[] =>
  [...new Set([...Object.keys(is), ...Object.keys(mustBe)])]
    .filter((table) => (is[table] ?? 0) !== (mustBe[table] ?? 0))
    .map((table) => `${table} (${mustBe[table] ?? 0}, not ${is[table] ?? 0})`);
