'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { v4 } from 'uuid';
import type { Outcomes } from '@/core/layout';
import { merge, together, unacknowledged } from './merge';
import { discard, drain, enqueue, keepTold, lastTold, pendingEvents } from './queue';
import { puttsAnswer, type PuttsAnswer, type WireEvent, type WirePutt } from './wire';

/** Whether what was logged is on the server. */
export type Saving =
  | { state: 'opening' }
  | { state: 'saved' }
  | { state: 'waiting'; since: 'now' | 'offline' }
  | { state: 'refused'; code: string; message: string };

/** How often other screens' putts are asked for, and a server that does not answer is tried again, ms. */
const EVERY = 4000;

async function send(runId: string, events: WireEvent[]): Promise<PuttsAnswer> {
  const response = await fetch(`/api/runs/${runId}/putts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ events }),
    signal: AbortSignal.timeout(10_000),
  });
  return puttsAnswer.parse(await response.json());
}

/**
 * A run as it is being logged. A putt is shown at once, kept on this device before anything else, and sent in
 * order until the server acknowledges it.
 *
 * @param runId the run
 * @param initial the server's putts when the page was made
 * @param onOthers told how many putts came from another screen
 */
export function useRun(runId: string, initial: WirePutt[], onOthers: (count: number) => void) {
  const [saved, setSaved] = useState(initial);
  const [pending, setPending] = useState<WireEvent[]>([]);
  const [saving, setSaving] = useState<Saving>({ state: 'opening' });
  const [finished, setFinished] = useState(false);
  const [entering, setEntering] = useState(0);
  const known = useRef(new Set(initial.map(({ id }) => id)));
  const others = useRef(onOthers);
  // Logged on this screen and not seen at the server yet: what the queue does not hold yet must not vanish meanwhile.
  const logged = useRef<WireEvent[]>([]);
  useEffect(() => {
    others.current = onOthers;
  });

  const flush = useCallback(async (): Promise<boolean> => {
    try {
      const answer = await drain(runId, (events) => send(runId, events));
      const left = await pendingEvents(runId);
      if (!answer.ok) {
        setPending(together(left, logged.current));
        setSaving({ state: 'refused', code: answer.code, message: answer.message });
        return false;
      }
      const news = answer.putts.filter(({ id }) => !known.current.has(id));
      news.forEach(({ id }) => known.current.add(id));
      if (news.length > 0) others.current(news.length);
      setSaved(answer.putts);
      void keepTold(runId, answer.putts);
      logged.current = unacknowledged(logged.current, answer.putts);
      setPending(together(left, logged.current));
      setFinished(answer.finished);
      setSaving(left.length === 0 ? { state: 'saved' } : { state: 'waiting', since: 'now' });
      return left.length === 0;
    } catch {
      setSaving({ state: 'waiting', since: 'offline' });
      return false;
    }
  }, [runId]);

  useEffect(() => {
    // A page kept on the device knows only what the server told when it was kept.
    void lastTold(runId).then((told) => {
      told.forEach(({ id }) => known.current.add(id));
      setSaved((before) => (told.length > before.length ? told : before));
    });
    void pendingEvents(runId).then((left) => {
      left.forEach(({ id }) => known.current.add(id));
      setPending(left);
      void flush();
    });
    const again = setInterval(() => void flush(), EVERY);
    const wake = () => void flush();
    window.addEventListener('online', wake);
    return () => {
      clearInterval(again);
      window.removeEventListener('online', wake);
    };
  }, [runId, flush]);

  const add = useCallback(
    (event: WireEvent) => {
      known.current.add(event.id);
      logged.current = [...logged.current, event];
      setPending((before) => [...before, event]);
      setSaving((before) =>
        before.state === 'saved' ? { state: 'waiting', since: 'now' } : before,
      );
      setEntering((count) => count + 1);
      void enqueue(runId, event).then(() => {
        setEntering((count) => count - 1);
        return flush();
      });
    },
    [runId, flush],
  );

  const putts = merge(saved, pending).filter(({ undone }) => !undone);
  const last = putts.at(-1);
  return {
    putts,
    saving,
    finished,
    unsaved: pending.length,
    /** Logged, and not on this device's disk yet: for a moment. */
    entering,
    flush,
    log: (outcomes: Outcomes) =>
      add({ type: 'putt', id: v4(), outcomes, at: new Date().toISOString() }),
    undo: last && (() => add({ type: 'undo', id: last.id, at: new Date().toISOString() })),
    discard: async () => {
      await discard(runId);
      logged.current = [];
      await flush();
    },
  };
}
