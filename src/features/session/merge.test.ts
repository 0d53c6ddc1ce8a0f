import fc from 'fast-check';
import { merge, together, unacknowledged } from './merge';
import type { WireEvent, WirePutt } from './wire';

const putt = (id: string, outcome = 'clear'): WireEvent => ({
  type: 'putt',
  id,
  outcomes: { gate: outcome },
  at: '',
});
const undo = (id: string): WireEvent => ({ type: 'undo', id, at: '' });
const saved = (id: string): WirePutt => ({
  id,
  outcomes: { gate: 'clear' },
  at: '',
  undone: false,
});

describe('merge', () => {
  it('shows the server first, then what is pending', () => {
    expect(merge([saved('a')], [putt('b')]).map(({ id }) => id)).toEqual(['a', 'b']);
  });

  it('takes back putts of either kind and keeps them as taken back', () => {
    const shown = merge([saved('a')], [putt('b'), undo('a'), undo('b')]);
    expect(shown.map(({ undone }) => undone)).toEqual([true, true]);
  });

  it('is not changed by events that the server already has', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ id: fc.constantFrom('a', 'b', 'c'), back: fc.boolean() })),
        (steps) => {
          // A putt can only be taken back once it has been logged.
          const logged = new Set<string>();
          const events = steps.flatMap(({ id, back }) => {
            if (back) return logged.has(id) ? [undo(id)] : [];
            logged.add(id);
            return [putt(id)];
          });
          const once = merge([], events);
          expect(merge(once, events)).toEqual(once);
        },
      ),
    );
  });
});

describe('what is on its way to the queue', () => {
  it('stays in sight until the server shows it, in the order in which it was logged', () => {
    const logged = [putt('a'), putt('b'), undo('a')];
    expect(together([putt('a')], logged)).toEqual([putt('a'), putt('b'), undo('a')]);
    expect(together(logged, logged)).toEqual(logged);
    expect(unacknowledged(logged, [saved('a')])).toEqual([putt('b'), undo('a')]);
    expect(unacknowledged(logged, [{ ...saved('a'), undone: true }, saved('b')])).toEqual([]);
  });

  it('keeps the last putt the last, so that undo takes back that one', () => {
    // The queue was read before the last putt had come into it.
    const shown = merge([saved('a')], together([putt('b')], [putt('b'), putt('c')]));
    expect(shown.at(-1)!.id).toBe('c');
  });
});
