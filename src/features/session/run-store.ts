import type { Putt, RunMark } from '@/core/drill';
import { merge, together, unacknowledged } from './merge';
import type { Correction, RunAnswer, WireEvent, WireMark, WirePutt, WireRun } from './wire';

/** Whether what was logged is on the server. */
export type Saving =
  | { state: 'opening' }
  | { state: 'saved' }
  | { state: 'waiting'; since: 'now' | 'offline' }
  | { state: 'refused'; code: string; message: string };

/** A run as the screen shows it. */
export interface RunView {
  /** In order, those taken back left away; the ones that do not count are among them. */
  putts: WirePutt[];
  marks: WireMark[];
  saving: Saving;
  /** Finished at the server, by whomever. */
  finished: boolean;
  unsaved: number;
  /** Logged, and not on this device's disk yet: for a moment. */
  entering: number;
}

/** Where a run's events are kept and where they go. */
export interface RunPorts {
  enqueue(runId: string, event: WireEvent): Promise<void>;
  pending(runId: string): Promise<WireEvent[]>;
  /** Sends what is pending, one sender at a time over all tabs, and forgets what was acknowledged. */
  drain(runId: string, send: (events: WireEvent[]) => Promise<RunAnswer>): Promise<RunAnswer>;
  discard(runId: string): Promise<void>;
  keepTold(runId: string, run: WireRun): Promise<void>;
  lastTold(runId: string): Promise<WireRun | null>;
  /** The server has no such run for who is here. */
  gone(runId: string): void;
  send(runId: string, events: WireEvent[]): Promise<RunAnswer>;
  newId(): string;
  now(): string;
}

export interface RunStore {
  runId: string;
  subscribe(listener: () => void): () => void;
  view(): RunView;
  /** Reads what the device has kept; to be called once, before anything is logged. */
  open(): Promise<void>;
  /** Sends what is pending; true when all of it is on the server. */
  flush(): Promise<boolean>;
  log(putt: Putt): void;
  /** Takes the last putt back. */
  undo(): void;
  correct(puttId: string, correction: Correction): void;
  mark(mark: RunMark): void;
  discard(): Promise<void>;
}

/**
 * A run as it is being logged. A putt is shown at once, kept on this device before anything else, and sent in
 * order until the server acknowledges it.
 *
 * @param runId the run
 * @param initial the server's when the page was made
 * @param onOthers told how many putts came from another screen
 * @param ports where things are kept and sent
 */
export function runStore(
  runId: string,
  initial: WireRun,
  onOthers: (count: number) => void,
  ports: RunPorts,
): RunStore {
  let saved = initial;
  let pending: WireEvent[] = [];
  // Logged on this screen and not seen at the server yet: what the queue does not hold yet must not vanish meanwhile.
  let logged: WireEvent[] = [];
  let saving: Saving = { state: 'opening' };
  let finished = false;
  let entering = 0;
  const known = new Set(initial.putts.map(({ id }) => id));
  const listeners = new Set<() => void>();

  const look = (): RunView => {
    const { putts, marks } = merge(saved, pending);
    return {
      putts: putts.filter(({ undone }) => !undone),
      marks,
      saving,
      finished,
      unsaved: pending.length,
      entering,
    };
  };
  let view = look();
  const tell = () => {
    view = look();
    listeners.forEach((listener) => listener());
  };

  const flush = async (): Promise<boolean> => {
    try {
      const answer = await ports.drain(runId, (events) => ports.send(runId, events));
      const left = await ports.pending(runId);
      pending = together(left, logged);
      if (!answer.ok) {
        saving = { state: 'refused', code: answer.code, message: answer.message };
        if (answer.code === 'not-found') ports.gone(runId);
        tell();
        return false;
      }
      const news = answer.putts.filter(({ id }) => !known.has(id));
      news.forEach(({ id }) => known.add(id));
      if (news.length > 0) onOthers(news.length);
      saved = { putts: answer.putts, marks: answer.marks };
      void ports.keepTold(runId, saved);
      logged = unacknowledged(logged, saved);
      pending = together(left, logged);
      finished = answer.finished;
      saving = pending.length === 0 ? { state: 'saved' } : { state: 'waiting', since: 'now' };
      tell();
      return left.length === 0;
    } catch {
      saving = { state: 'waiting', since: 'offline' };
      tell();
      return false;
    }
  };

  const add = (event: WireEvent) => {
    known.add(event.id);
    logged = [...logged, event];
    pending = [...pending, event];
    if (saving.state === 'saved') saving = { state: 'waiting', since: 'now' };
    entering += 1;
    tell();
    void ports.enqueue(runId, event).then(() => {
      entering -= 1;
      return flush();
    });
  };
  const stamp = () => ({ id: ports.newId(), at: ports.now() });

  return {
    runId,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    view: () => view,
    open: async () => {
      // A page kept on the device knows only what the server told when it was kept.
      const told = await ports.lastTold(runId);
      told?.putts.forEach(({ id }) => known.add(id));
      if (told && told.putts.length > saved.putts.length) saved = told;
      pending = together(await ports.pending(runId), logged);
      pending.forEach(({ id }) => known.add(id));
      tell();
      await flush();
    },
    flush,
    log: (putt) => add({ type: 'putt', ...stamp(), ...putt }),
    undo: () => {
      const last = view.putts.at(-1);
      if (last) add({ type: 'undo', id: last.id, at: ports.now() });
    },
    correct: (puttId, correction) => add({ type: 'change', ...stamp(), puttId, correction }),
    mark: (mark) => add({ type: 'mark', ...stamp(), mark }),
    discard: async () => {
      await ports.discard(runId);
      logged = [];
      await flush();
    },
  };
}

/** Several runs watched as one: their views in order, the same list until one of them changes. */
export function watched(stores: readonly RunStore[]) {
  let last: RunView[] = [];
  return {
    subscribe: (listener: () => void) => {
      const leave = stores.map((store) => store.subscribe(listener));
      return () => leave.forEach((one) => one());
    },
    views: (): RunView[] => {
      const now = stores.map((store) => store.view());
      if (now.length !== last.length || now.some((view, index) => view !== last[index])) last = now;
      return last;
    },
  };
}
