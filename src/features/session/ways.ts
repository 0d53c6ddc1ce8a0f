'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, type ReactNode } from 'react';
import type { ActionResult } from '../shared/result';
import type { SwapTo } from './more-menu';
import type { Sender } from './queue';

type Done = Promise<ActionResult<unknown>>;

/** What a logging screen can do, and where it leads: a coach's can do all, a student's at home less. */
export interface Ways {
  /** Where what happens to a run is sent. */
  sendTo(runId: string): string;
  /** For whom what is logged waits on the device until it is sent. */
  sender: Sender;
  /** Where it is heard that something of a run has come in; null where nothing but this screen logs. */
  live: string | null;
  reopen(sessionId: string): Done;
  move(to: { sessionId: string; rung: number }): Done;
  /** Null where it is not the player's to do. */
  swap: ((to: SwapTo & { sessionId: string }) => Done) | null;
  rotate: ((sessionId: string) => Done) | null;
  next: ((sessionId: string) => Done) | null;
  built:
    | ((of: {
        runId: string;
        element: string;
        measured: Record<string, number>;
        off?: Record<string, number>;
      }) => Done)
    | null;
  /** What else stands in the head of a session, and in its menu. */
  head: ReactNode;
  more: ReactNode;
  /** The page of a player, and the one that says what was done; the start when nothing was. */
  player(studentId: string): string;
  review(sessionId: string): string;
  start: string;
  /** Where the screen works with no server: nothing waits for one, and it stays the page it is. */
  apart?: {
    /** Finishes the session on the device, and those of its group; answers with the ids of those that have a putt. */
    finish(): Promise<ActionResult<string[]>>;
    /** Has the server know of a run before anything of it is sent. */
    before(runId: string): Promise<void>;
    go(path: string): void;
    again(): void;
  };
}

/** No default: what a screen can do is given by whoever shows it, so that a student's page holds nothing of a coach's. */
const WaysContext = createContext<Ways | null>(null);
export const WaysProvider = WaysContext.Provider;

export function useWays(): Ways {
  const ways = useContext(WaysContext);
  if (!ways) throw new RangeError('A logging screen must be rendered inside a WaysProvider.');
  return ways;
}

/** How a logging screen goes on: to another page, or to this one as it is now. */
export function useOnward(): { go(path: string): void; again(): void } {
  const router = useRouter();
  const { apart } = useWays();
  return apart ?? { go: (path) => router.push(path), again: () => router.refresh() };
}
