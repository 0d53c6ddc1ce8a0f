import { openDB, type DBSchema, type IDBPDatabase, type OpenDBCallbacks } from 'idb';

/** A database of this device's, which opens when it is first asked for, and again when it was taken away. */
export interface DeviceDatabase<Schema extends DBSchema> {
  open(): Promise<IDBPDatabase<Schema>>;
  /** Has it opened anew the next time: it was closed behind the page's back. */
  again(): void;
}

/**
 * A database of this device's. A newer page waits for this one to let go; what was opened and taken away is opened again.
 *
 * @param version of its stores
 * @param upgrade makes them
 */
export function deviceDatabase<Schema extends DBSchema>(
  name: string,
  version: number,
  upgrade: NonNullable<OpenDBCallbacks<Schema>['upgrade']>,
): DeviceDatabase<Schema> {
  let opened: Promise<IDBPDatabase<Schema>> | undefined;
  const again = () => {
    opened = undefined;
  };
  const open = () => {
    opened ??= openDB<Schema>(name, version, {
      upgrade,
      blocking: (_current, _next, event) => {
        (event.target as IDBDatabase).close();
        again();
      },
      terminated: again,
    });
    opened.catch(again);
    return opened;
  };
  return { open, again };
}
