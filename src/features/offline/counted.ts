import type { BegunHere } from './begun';
import { loggedOf } from './device';

/** How many putts of a session count, as far as this device knows. */
export async function counted({ runs }: Pick<BegunHere, 'runs'>): Promise<number> {
  const logged = await Promise.all(runs.map(({ id }) => loggedOf(id)));
  return logged.flatMap(({ putts }) => putts).filter(({ undone, leftOut }) => !undone && !leftOut)
    .length;
}
