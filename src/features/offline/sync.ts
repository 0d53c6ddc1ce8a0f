import { drain, pendingEvents } from '../session/queue';
import { sendEvents } from '../session/send';
import type { WireEvent } from '../session/wire';
import type { BegunHere } from './begun';
import { deliver, deliverBegun, type DeliverPorts } from './deliver';
import { dropPhotosBut } from '../photo/kept-photos';
import { begunOf, changeBegun, emptyDevice, keepHere, keptHere } from './device';
import { begunAnswer, keptSchema, type BegunAnswer, type BegunSession } from './wire';

/** A server that does not answer by then is taken for gone, ms. */
const PATIENCE = 10_000;
/** What is kept is made anew after that, ms. */
const FRESH = 10 * 60_000;

/** Where a coach's or a student's device finds what it needs: the paths of the one, or beneath the link of the other. */
export const pathsOf = (home: string) => {
  const under = home === '' ? '' : `/home/${home}`;
  return {
    kept: `${under}/kept`,
    begun: `${under}/begun`,
    shell: `${under}/offline`,
    start: under === '' ? '/' : under,
    putts: (runId: string) =>
      home === '' ? `/api/runs/${runId}/putts` : `/home/${home}/runs/${runId}`,
  };
};

async function sendBegun(
  home: string,
  owner: string | null,
  session: BegunSession,
  finish: boolean,
): Promise<BegunAnswer> {
  const response = await fetch(pathsOf(home).begun, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ session, finish, owner }),
    signal: AbortSignal.timeout(PATIENCE),
  });
  return begunAnswer.parse(await response.json());
}

const portsOf = (home: string, owner: string | null): DeliverPorts => ({
  send: (session, finish) => sendBegun(home, owner, session, finish),
  drained: async (runId) => {
    const send = (events: WireEvent[]) =>
      sendEvents(pathsOf(home).putts(runId), events, null, owner);
    const answer = await drain(runId, send, owner);
    return answer.ok && (await pendingEvents(runId, owner)).length === 0;
  },
});

/** Lays what became of a session beside what was done with it meanwhile. */
const laidOver =
  (was: BegunHere, next: BegunHere | null) =>
  (now: BegunHere): BegunHere | null => {
    const untouched = JSON.stringify(now) === JSON.stringify(was);
    if (untouched || !next) return untouched ? next : now;
    const { sent, refused, theirs, noteWas } = next;
    return { ...now, sent, refused, theirs, noteWas };
  };

/** Has the server know of a run of a session that was begun here, before anything of it is sent. */
export async function introduce(home: string, runId: string): Promise<void> {
  const session = (await begunOf(home)).find(({ runs }) => runs.some(({ id }) => id === runId));
  if (!session) return;
  const next = await deliverBegun(session, portsOf(home, session.owner ?? null));
  if (next !== session) await changeBegun(session.id, laidOver(session, next));
}

/** Sends all that was begun here and is not on the server yet, in order; one that has to wait holds up no other. */
export async function deliverAll(home: string): Promise<void> {
  for (const session of await begunOf(home)) {
    try {
      const next = await deliver(session, portsOf(home, session.owner ?? null));
      if (next !== session) await changeBegun(session.id, laidOver(session, next));
    } catch {
      // It is kept here, and tried again with the next.
    }
  }
}

/** Whether an answer says that what this device may see was revoked: a link, or its sign-in. */
async function isRevoked(response: Response): Promise<boolean> {
  if (![401, 410].includes(response.status)) return false;
  const body = (await response.json().catch(() => null)) as { code?: unknown } | null;
  return body?.code === 'revoked';
}

/** The pages that the worker was asked to keep, by this one. */
const asked = new Set<string>();

/** Keeps a page and what it is made of, so that it opens with no server. */
async function keepShell(path: string): Promise<void> {
  if (asked.has(path) || !('serviceWorker' in navigator)) return;
  asked.add(path);
  const build = document.documentElement.dataset.build ?? 'development';
  await navigator.serviceWorker.register(`/sw.js?build=${encodeURIComponent(build)}`);
  const { active } = await navigator.serviceWorker.ready;
  active?.postMessage({ shell: path });
}

/**
 * Brings up to date what this device keeps to work with no server; who is signed out has it emptied.
 *
 * @param now asks the server whatever is kept
 */
export async function refreshKept(home: string, now = false): Promise<void> {
  const paths = pathsOf(home);
  await keepShell(paths.shell);
  const known = await keptHere(home);
  const age = known ? Date.now() - Date.parse(known.at) : Infinity;
  // What is fresh is made anew only where somebody has changed a student, a drill or a date since.
  const unless = known && !now && age < FRESH ? `?unless=${known.changed}` : '';
  const response = await fetch(`${paths.kept}${unless}`, { signal: AbortSignal.timeout(60_000) });
  if (response.status === 204) return;
  // Only an explicit word empties a device: whoever is refused for any other reason may come back.
  if (await isRevoked(response)) return emptyDevice();
  if (!response.ok) return;
  const kept = keptSchema.safeParse(await response.json());
  if (!kept.success) return;
  // Another is signed in on this device: nothing of the one before stays.
  if (known && known.owner !== kept.data.owner) await emptyDevice();
  await keepHere(home, kept.data);
  // Who was erased goes from here too; a server of an earlier version does not say.
  const { everyone } = kept.data;
  if (everyone.length > 0) await dropPhotosBut(everyone).catch(() => undefined);
}
