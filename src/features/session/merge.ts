import type { WireEvent, WirePutt } from './wire';

/**
 * What the screen shows: the server's putts, then those it does not have yet, with every taking back applied.
 * An event that the server already has changes nothing.
 *
 * @param saved as the server last told it
 * @param pending as logged here, in order
 */
export function merge(saved: WirePutt[], pending: WireEvent[]): WirePutt[] {
  const putts = new Map(saved.map((putt) => [putt.id, putt]));
  for (const event of pending) {
    const known = putts.get(event.id);
    if (event.type === 'putt' && !known) {
      putts.set(event.id, {
        id: event.id,
        outcomes: event.outcomes,
        at: event.at,
        undone: false,
      });
    }
    if (event.type === 'undo' && known) putts.set(event.id, { ...known, undone: true });
  }
  return [...putts.values()];
}

/** The events that the server's putts do not show yet. */
export function unacknowledged(events: WireEvent[], saved: WirePutt[]): WireEvent[] {
  const putts = new Map(saved.map((putt) => [putt.id, putt]));
  return events.filter(({ type, id }) => {
    const known = putts.get(id);
    return type === 'putt' ? !known : !known?.undone;
  });
}

/** What is kept on the device, and after it what was logged here a moment ago and is still on its way there. */
export function together(kept: WireEvent[], logged: WireEvent[]): WireEvent[] {
  const here = new Set(kept.map(({ type, id }) => `${type} ${id}`));
  return [...kept, ...logged.filter(({ type, id }) => !here.has(`${type} ${id}`))];
}
