import type sqlite3 from 'sqlite3';

/** Statements that are kept ready at once. */
const MOST = 200;

/** What may stand for a name in a statement: "$id". */
export type Bound = Record<`$${string}`, string | number | null>;

/**
 * Statements of one connection that are prepared once and used again: for what is asked with every putt, where finding out each
 * time what a query says would cost more than the query.
 */
export class Statements {
  private ready = new Map<string, Promise<sqlite3.Statement>>();

  /** @param connection the one that they belong to, opened when it is needed first */
  constructor(private connection: () => Promise<sqlite3.Database>) {}

  /**
   * The rows that a statement gives.
   *
   * @param sql the statement, the same text each time; what differs is bound by name
   * @param bound the values of its names
   * @throws what SQLite says
   */
  async all<Row>(sql: string, bound: Bound = {}): Promise<Row[]> {
    const statement = await (this.ready.get(sql) ?? this.prepare(sql));
    return new Promise((resolve, reject) =>
      statement.all(bound, (error: Error | null, rows: Row[]) =>
        error ? reject(error) : resolve(rows),
      ),
    );
  }

  private prepare(sql: string): Promise<sqlite3.Statement> {
    const preparing = this.connection().then(
      (connection) =>
        new Promise<sqlite3.Statement>((resolve, reject) => {
          const made: sqlite3.Statement = connection.prepare(sql, (error: Error | null) =>
            error ? reject(error) : resolve(made),
          );
        }),
    );
    const [oldest] = this.ready.keys();
    if (this.ready.size >= MOST && oldest !== undefined) void this.giveUp(oldest);
    this.ready.set(sql, preparing);
    preparing.catch(() => this.ready.delete(sql));
    return preparing;
  }

  private async giveUp(sql: string): Promise<void> {
    const preparing = this.ready.get(sql);
    this.ready.delete(sql);
    const statement = await preparing?.catch(() => undefined);
    await new Promise<void>((resolve) =>
      statement ? statement.finalize(() => resolve()) : resolve(),
    );
  }

  /** Gives them up: a connection with one that is ready does not close. */
  async close(): Promise<void> {
    await Promise.all([...this.ready.keys()].map((sql) => this.giveUp(sql)));
  }
}
