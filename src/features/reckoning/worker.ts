import 'server-only';
import { workerData } from 'piscina';
import { Problem, isDamage, openReader, type CoachPrincipal, type Database } from '@/data';
import { WORKS, type WorkName } from './works';

/** One work, as it is handed over. */
export interface Order {
  name: WorkName;
  principal: CoachPrincipal;
  asked: unknown;
}

/** What comes back: errors lose their kind from thread to thread. */
export type Outcome =
  | { ok: true; value: unknown }
  | { ok: false; problem: Pick<Problem, 'code' | 'message'> }
  | { ok: false; damage: string };

const { file } = workerData as { file: string };
let opening: Promise<Database> | undefined;

/** Does a work in this thread, with a connection of its own that only reads. */
export default async function work({ name, principal, asked }: Order): Promise<Outcome> {
  try {
    opening ??= openReader(file);
    const value = await WORKS[name](await opening, principal, asked as never);
    return { ok: true, value };
  } catch (error) {
    if (error instanceof Problem) {
      return { ok: false, problem: { code: error.code, message: error.message } };
    }
    if (isDamage(error)) return { ok: false, damage: String(error) };
    throw error;
  }
}
