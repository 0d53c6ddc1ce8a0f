import 'server-only';
import { Problem, isDamage, openReader, type CoachPrincipal, type Database } from '@/data';
import { WORKS, type WorkName } from './works';

/** One work, as it is handed over. */
export interface Order {
  name: WorkName;
  principal: CoachPrincipal;
  asked: unknown;
}

/** What comes back: errors lose their kind from process to process. */
export type Outcome =
  | { ok: true; value: unknown }
  | { ok: false; problem: Pick<Problem, 'code' | 'message'> }
  | { ok: false; damage: string }
  | { ok: false; failed: string };

const [, , file] = process.argv;
let opened: Promise<Database> | undefined;

/** Does a work, with a connection of this process's own that only reads. */
async function work({ name, principal, asked }: Order): Promise<Outcome> {
  try {
    const database = await (opened ??= openReader(file!));
    return { ok: true, value: await WORKS[name](database, principal, asked as never) };
  } catch (error) {
    if (error instanceof Problem) {
      return { ok: false, problem: { code: error.code, message: error.message } };
    }
    if (isDamage(error)) return { ok: false, damage: String(error) };
    return { ok: false, failed: error instanceof Error ? (error.stack ?? '') : String(error) };
  }
}

process.on('message', (order: Order) => void work(order).then((outcome) => process.send!(outcome)));
// Who asked is no more.
process.on('disconnect', () => process.exit());
