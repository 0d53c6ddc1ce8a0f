import { saveText } from '@/ui/save-text';
import { toSend, type BegunHere } from './begun';
import { loggedOf } from './device';

/** Saves a session that the server will not take, with all that was logged of it, as a file. */
export async function saveRefused(session: BegunHere): Promise<void> {
  const runs = await Promise.all(
    session.runs.map(async (run) => ({ ...run, ...(await loggedOf(run.id)) })),
  );
  const text = JSON.stringify({ ...toSend(session), student: session.name, runs }, null, 2);
  saveText(`session-${session.startedAt.slice(0, 10)}.json`, text, 'application/json');
}
