import type { RunAnswer, WireEvent, WirePutt, WireRun } from './wire';

type EventOf<Type extends WireEvent['type']> = Extract<WireEvent, { type: Type }>;

const asPutt = ({ id, outcomes, points, guess, place, manner, at }: EventOf<'putt'>): WirePutt => ({
  id,
  outcomes,
  points: points ?? {},
  guess: guess ?? null,
  place: place ?? { station: 0, again: 0, spot: null },
  manner: manner ?? 'usual',
  measured: {},
  filled: [],
  note: '',
  leftOut: false,
  at,
  undone: false,
  changes: [],
});

/**
 * What the screen shows: the server's run, then what it does not have yet, with every taking back and every
 * correction applied. An event that the server already has changes nothing.
 *
 * @param saved as the server last told it
 * @param pending as logged here, in order
 */
export function merge(saved: WireRun, pending: WireEvent[]): WireRun {
  const putts = new Map(saved.putts.map((putt) => [putt.id, putt]));
  const marks = new Map(saved.marks.map((mark) => [mark.id, mark]));
  // A touch that the server took as said of a putt that an instrument had read.
  const said = new Set(saved.putts.flatMap(({ changes }) => changes));
  for (const event of pending) {
    switch (event.type) {
      case 'putt':
        if (!putts.has(event.id) && !said.has(event.id)) putts.set(event.id, asPutt(event));
        break;
      case 'undo': {
        const known = putts.get(event.id);
        if (known) putts.set(event.id, { ...known, undone: true });
        break;
      }
      case 'change': {
        const known = putts.get(event.puttId);
        if (!known || known.changes.includes(event.id)) break;
        const changes = [...known.changes, event.id];
        const { outcomes } = event.correction;
        const filled = outcomes
          ? known.filled.filter((one) => outcomes[one] === known.outcomes[one])
          : known.filled;
        putts.set(event.puttId, { ...known, filled, ...given(event.correction), changes });
        break;
      }
      case 'mark':
        if (!marks.has(event.id)) marks.set(event.id, event);
        break;
      case 'finish':
        break;
    }
  }
  return { putts: [...putts.values()], marks: [...marks.values()] };
}

/** A run as it was known, with what the server tells anew. */
export function withNews(known: WireRun, news: Extract<RunAnswer, { ok: true }>): WireRun {
  const { putts, marks } = news;
  if (news.whole) return { putts, marks };
  const laid = <T extends { id: string }>(before: T[], fresh: T[]): T[] => [
    ...new Map([...before, ...fresh].map((one) => [one.id, one])).values(),
  ];
  return { putts: laid(known.putts, putts), marks: laid(known.marks, marks) };
}

/** What a correction says, without what it leaves as it is. */
function given<T extends object>(correction: T): { [K in keyof T]: NonNullable<T[K]> } {
  const said = Object.entries(correction).filter(([, value]) => value !== undefined);
  return Object.fromEntries(said) as { [K in keyof T]: NonNullable<T[K]> };
}

/** The events that the server's run does not show yet. */
export function unacknowledged(events: WireEvent[], saved: WireRun): WireEvent[] {
  const putts = new Map(saved.putts.map((putt) => [putt.id, putt]));
  const marks = new Set(saved.marks.map(({ id }) => id));
  const said = new Set(saved.putts.flatMap(({ changes }) => changes));
  return events.filter((event) => {
    switch (event.type) {
      case 'putt':
        return !putts.has(event.id) && !said.has(event.id);
      case 'undo':
        return !putts.get(event.id)?.undone;
      case 'change':
        return !putts.get(event.puttId)?.changes.includes(event.id);
      case 'mark':
        return !marks.has(event.id);
      case 'finish':
        return true;
    }
  });
}

/** What is kept on the device, and after it what was logged here a moment ago and is still on its way there. */
export function together(kept: WireEvent[], logged: WireEvent[]): WireEvent[] {
  const here = new Set(kept.map(({ type, id }) => `${type} ${id}`));
  return [...kept, ...logged.filter(({ type, id }) => !here.has(`${type} ${id}`))];
}
