'use client';

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { v4 } from 'uuid';
import { holdOpen } from './open-runs';
import {
  asideOf,
  deviceKeeps,
  drain,
  enqueue,
  forgetAside,
  forgetTold,
  keepTold,
  lastTold,
  pendingEvents,
  setAllAside,
} from './queue';
import { runStore, watched, type RunPorts, type RunStore, type RunView } from './run-store';
import { sendEvents } from './send';
import { useWays } from './ways';
import type { WireRun } from './wire';

/** How often other screens' putts are asked for, and a server that does not answer is tried again, ms. */
const EVERY = 4000;

/** Background sync, where the browser has it; the types of the platform leave it out. */
type SyncRegistration = ServiceWorkerRegistration & {
  sync?: { register(tag: string): Promise<void> };
};

const PORTS: Omit<RunPorts, 'send' | 'enqueue' | 'pending' | 'drain' | 'setAllAside'> = {
  deviceKeeps,
  asideOf,
  forgetAside,
  keepTold,
  lastTold,
  gone: (runId) => {
    void forgetTold(runId).catch(() => undefined);
    navigator.serviceWorker?.controller?.postMessage({ refused: window.location.href });
  },
  sendLater: () =>
    void navigator.serviceWorker?.ready
      .then((worker) => (worker as SyncRegistration).sync?.register('dirigo-send'))
      // Not every browser can, and some ask first.
      .catch(() => undefined),
  newId: v4,
  now: () => new Date().toISOString(),
};

/**
 * The runs of a screen, each kept and sent while the screen is open, whichever of them is in front.
 *
 * @param runs by id, as the server told them when the page was made
 * @param tell how many putts came from another screen, and how many came in late
 */
export function useRuns(
  runs: { id: string; run: WireRun }[],
  tell: Parameters<typeof runStore>[2],
): RunStore[] {
  const { sendTo, live, apart, sender } = useWays();
  const ids = runs.map(({ id }) => id).join(' ');
  // Made once for the runs of a page: what the server tells later comes by way of the stores.
  const { owner } = sender;
  const ports: RunPorts = {
    ...PORTS,
    enqueue: (runId, event) => enqueue(runId, event, sender),
    pending: (runId) => pendingEvents(runId, owner),
    drain: (runId, send) => drain(runId, send, owner),
    setAllAside: (runId, message) => setAllAside(runId, message, owner),
    send: async (runId, events, since) => {
      await apart?.before(runId);
      return sendEvents(sendTo(runId), events, since, owner);
    },
  };
  const make = () => ({
    ids,
    stores: runs.map(({ id, run }) => runStore(id, run, tell, ports)),
  });
  const [made, setMade] = useState(make);
  const current = made.ids === ids ? made : make();
  if (current !== made) setMade(current);
  const { stores } = current;
  useEffect(() => {
    const flush = () => stores.forEach((store) => void store.flush());
    const held = stores.map(({ runId }) => holdOpen(runId));
    stores.forEach((store) => void store.open());
    // While nothing waits, nothing is asked: the server tells what is new.
    const again = setInterval(() => {
      for (const store of stores) {
        const { saving, unsaved } = store.view();
        if (saving.state !== 'saved' || unsaved > 0) void store.flush();
      }
    }, EVERY);
    const seen = () => document.visibilityState === 'visible' && flush();
    window.addEventListener('online', flush);
    document.addEventListener('visibilitychange', seen);
    const heard = live ? new EventSource(live) : null;
    heard?.addEventListener('message', ({ data }) => {
      void stores.find(({ runId }) => runId === data)?.flush();
    });
    // What was told while the connection was away, and whether there is a server at all.
    heard?.addEventListener('open', flush);
    heard?.addEventListener('error', flush);
    return () => {
      held.forEach((release) => release());
      heard?.close();
      clearInterval(again);
      window.removeEventListener('online', flush);
      document.removeEventListener('visibilitychange', seen);
    };
  }, [stores, live]);
  return stores;
}

/** The runs as they stand now, in the order of their stores. */
export function useRunViews(stores: RunStore[]): RunView[] {
  const { subscribe, views } = useMemo(() => watched(stores), [stores]);
  return useSyncExternalStore(subscribe, views, views);
}
