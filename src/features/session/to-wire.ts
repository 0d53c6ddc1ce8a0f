import type { RunRecord } from '@/data';
import type { WireRun } from './wire';

/** A run as it goes to a screen. */
export const toWire = ({ putts, marks }: Pick<RunRecord, 'putts' | 'marks'>): WireRun => ({
  putts: putts.map(({ at, undoneAt, filled, ...putt }) => ({
    ...putt,
    filled: [...filled],
    at: at.toISOString(),
    undone: undoneAt !== null,
  })),
  marks: marks.map(({ at, ...mark }) => ({ ...mark, at: at.toISOString() })),
});
