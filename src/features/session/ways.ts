'use client';

import { createContext, useContext } from 'react';
import { nextInPlan } from '../programme/actions';
import type { ActionResult } from '../shared/result';
import { built, finish, move, reopen, rotate, swap } from './actions';
import type { SwapTo } from './more-menu';

type Done = Promise<ActionResult<unknown>>;

/** What a logging screen can do, and where it leads: a coach's can do all, a student's at home less. */
export interface Ways {
  /** Where what happens to a run is sent. */
  sendTo(runId: string): string;
  finish(sessionId: string): Promise<ActionResult<string[]>>;
  reopen(sessionId: string): Done;
  move(to: { sessionId: string; rung: number }): Done;
  /** Null where it is not the player's to do. */
  swap: ((to: SwapTo & { sessionId: string }) => Done) | null;
  rotate: ((sessionId: string) => Done) | null;
  next: ((sessionId: string) => Done) | null;
  built:
    ((of: { runId: string; element: string; measured: Record<string, number> }) => Done) | null;
  /** The page of a player, and the one that says what was done; the start when nothing was. */
  player(studentId: string): string;
  review(sessionId: string): string;
  start: string;
}

const COACH: Ways = {
  sendTo: (runId) => `/api/runs/${runId}/putts`,
  finish,
  reopen,
  move,
  swap,
  rotate,
  next: nextInPlan,
  built,
  player: (studentId) => `/students/${studentId}`,
  review: (sessionId) => `/sessions/${sessionId}/review`,
  start: '/',
};

const WaysContext = createContext(COACH);
export const WaysProvider = WaysContext.Provider;
export const useWays = (): Ways => useContext(WaysContext);
