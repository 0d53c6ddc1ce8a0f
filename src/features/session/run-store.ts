import type { Putt, RunMark } from '@/core/drill';
import { merge, together, unacknowledged, withNews } from './merge';
import type { SetAside } from './queue';
import type {
  Correction,
  RunAnswer,
  WireEvent,
  WireMark,
  WirePosition,
  WirePutt,
  WireRun,
} from './wire';

/** Whether what was logged is on the server. */
export type Saving =
  | { state: 'opening' }
  | { state: 'saved' }
  | { state: 'waiting'; since: 'now' | 'offline' | 'server'; message?: string }
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
  /** Whether the device keeps what is logged; otherwise it is in this page only until it is sent. */
  kept: boolean;
  /** What the server would not take, each with its reason. */
  aside: SetAside[];
}

/** Where a run's events are kept and where they go. */
export interface RunPorts {
  enqueue(runId: string, event: WireEvent): Promise<void>;
  pending(runId: string): Promise<WireEvent[]>;
  /** Sends what is pending, one sender at a time over all tabs, and forgets what was acknowledged. */
  drain(runId: string, send: (events: WireEvent[]) => Promise<RunAnswer>): Promise<RunAnswer>;
  deviceKeeps(): boolean;
  setAllAside(runId: string, message: string): Promise<void>;
  asideOf(runId: string): Promise<SetAside[]>;
  forgetAside(runId: string): Promise<void>;
  keepTold(runId: string, run: WireRun): Promise<void>;
  lastTold(runId: string): Promise<WireRun | null>;
  /** The server has no such run for who is here. */
  gone(runId: string): void;
  /** There is no signal: asks the browser to send what waits once there is one, even when no page is open. */
  sendLater(): void;
  send(runId: string, events: WireEvent[], since: WirePosition | null): Promise<RunAnswer>;
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
  /** Logs a putt; returns its id. */
  log(putt: Putt): string;
  /** Undoes a putt. */
  undo(puttId: string): void;
  /** Finishes the session, once everything that was logged before has been sent. */
  finish(): void;
  correct(puttId: string, correction: Correction): void;
  mark(mark: RunMark): void;
  /** Sets aside what the server will not take; it is kept until it is forgotten. */
  setAside(): Promise<void>;
  forgetAside(): Promise<void>;
}

/**
 * A run as it is being logged. A putt is shown at once, kept on this device before anything else, and sent in
 * order until the server acknowledges it.
 *
 * @param runId the run
 * @param initial the server's when the page was made
 * @param tell how many putts came from another screen, and how many of here came in after the session was finished elsewhere
 * @param ports where things are kept and sent
 */
export function runStore(
  runId: string,
  initial: WireRun,
  tell: { others(count: number): void; late(count: number): void },
  ports: RunPorts,
): RunStore {
  let saved = initial;
  let pending: WireEvent[] = [];
  // Logged on this screen and not seen at the server yet: what the queue does not hold yet must not vanish meanwhile.
  let logged: WireEvent[] = [];
  let saving: Saving = { state: 'opening' };
  let finished = false;
  let entering = 0;
  let position: WirePosition | null = null;
  let aside: SetAside[] = [];
  const keptAgain = new Set<WireEvent>();
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
      kept: ports.deviceKeeps(),
      aside,
    };
  };
  let view = look();
  const show = () => {
    view = look();
    listeners.forEach((listener) => listener());
  };

  /** What the server tells: news of other screens, what it has of this one, and what it would not take. */
  const take = (answer: Extract<RunAnswer, { ok: true }>) => {
    const news = answer.putts.filter(({ id }) => !known.has(id));
    news.forEach(({ id }) => known.add(id));
    // What an instrument read says so where it is shown.
    const others = news.filter(({ measured }) => Object.keys(measured).length === 0);
    if (others.length > 0) tell.others(others.length);
    if (answer.late > 0) tell.late(answer.late);
    const changed = answer.whole || answer.putts.length > 0 || answer.marks.length > 0;
    saved = withNews(saved, answer);
    position = answer.position;
    finished = answer.finished;
    // A device that will not keep it tells so by itself.
    if (changed) void ports.keepTold(runId, saved).catch(() => undefined);
    const refused = new Set(answer.refused.map(({ type, id }) => `${type} ${id}`));
    logged = unacknowledged(logged, saved).filter(
      ({ type, id }) => !refused.has(`${type} ${id}`) && !(type === 'finish' && finished),
    );
  };

  /** Keeps again what was on the device, is there no more, and never reached the server: somebody has emptied it. */
  const keepAgain = async (left: WireEvent[]): Promise<boolean> => {
    if (entering > 0) return false;
    const there = new Set(left.map(({ type, id }) => `${type} ${id}`));
    const gone = logged.filter(
      (event) => !there.has(`${event.type} ${event.id}`) && !keptAgain.has(event),
    );
    for (const event of gone) {
      keptAgain.add(event);
      await ports.enqueue(runId, event);
    }
    return gone.length > 0;
  };

  const flush = async (): Promise<boolean> => {
    let refused = false;
    try {
      const answer = await ports.drain(runId, async (events) => {
        const told = await ports.send(runId, events, position);
        if (told.ok) {
          take(told);
          refused ||= told.refused.length > 0;
        }
        return told;
      });
      if (refused) aside = await ports.asideOf(runId);
      const left = await ports.pending(runId);
      pending = together(left, logged);
      if (!answer.ok) {
        saving = refusal(answer);
        if (answer.code === 'not-found') ports.gone(runId);
        show();
        return false;
      }
      if (await keepAgain(left)) return await flush();
      saving = pending.length === 0 ? { state: 'saved' } : { state: 'waiting', since: 'now' };
      show();
      return left.length === 0;
    } catch {
      ports.sendLater();
      saving = { state: 'waiting', since: 'offline' };
      show();
      return false;
    }
  };

  const add = (made: WireEvent) => {
    const event = finished && made.type !== 'finish' ? { ...made, knowing: true } : made;
    known.add(event.id);
    logged = [...logged, event];
    pending = [...pending, event];
    if (saving.state === 'saved') saving = { state: 'waiting', since: 'now' };
    entering += 1;
    show();
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
      aside = await ports.asideOf(runId);
      show();
      await flush();
    },
    flush,
    log: (putt) => {
      const made = stamp();
      add({ type: 'putt', ...made, ...putt });
      return made.id;
    },
    undo: (puttId) => add({ type: 'undo', id: puttId, at: ports.now() }),
    finish: () => add({ type: 'finish', ...stamp() }),
    correct: (puttId, correction) => add({ type: 'change', ...stamp(), puttId, correction }),
    mark: (mark) => add({ type: 'mark', ...stamp(), mark }),
    setAside: async () => {
      const reason = saving.state === 'refused' ? saving.message : '';
      await ports.setAllAside(runId, reason);
      logged = [];
      aside = await ports.asideOf(runId);
      await flush();
    },
    forgetAside: async () => {
      await ports.forgetAside(runId);
      aside = [];
      show();
    },
  };
}

/** Why the server did not take what was sent: its own trouble is waited for, anything else is told. */
function refusal({ code, message }: Extract<RunAnswer, { ok: false }>): Saving {
  return code === 'server' || code === 'database'
    ? { state: 'waiting', since: 'server', message }
    : { state: 'refused', code, message };
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
