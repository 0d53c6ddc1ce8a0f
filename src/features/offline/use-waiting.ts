'use client';

import { useEffect, useState } from 'react';
import { allAside, onQueueChange, waitingRuns, type WaitingRun } from '../session/queue';

/** What waits on this device, and what the server refused. */
export interface DeviceQueue {
  runs: WaitingRun[];
  refused: number;
}

/** Reads what waits on this device, and again whenever that changes; null before it was read. */
export function useWaiting(): DeviceQueue | null {
  const [queue, setQueue] = useState<DeviceQueue | null>(null);
  useEffect(() => {
    let ended = false;
    const read = async () => {
      const [runs, aside] = await Promise.all([waitingRuns(), allAside()]);
      if (!ended) setQueue({ runs, refused: aside.length });
    };
    const stop = onQueueChange(() => void read());
    void read();
    return () => {
      ended = true;
      stop();
    };
  }, []);
  return queue;
}

/** Returns how many putts wait in all. */
export const puttsWaiting = (runs: readonly WaitingRun[]): number =>
  runs.reduce((sum, { putts }) => sum + putts, 0);
