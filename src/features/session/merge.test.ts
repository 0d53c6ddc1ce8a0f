import fc from 'fast-check';
import { merge, together, unacknowledged, withNews } from './merge';
import type { WireEvent, WirePutt, WireRun } from './wire';

const putt = (id: string, outcome = 'clear'): WireEvent => ({
  type: 'putt',
  id,
  outcomes: { gate: outcome },
  at: '',
});
const undo = (id: string): WireEvent => ({ type: 'undo', id, at: '' });
const change = (id: string, puttId: string, correction: object): WireEvent => ({
  type: 'change',
  id,
  puttId,
  correction,
  at: '',
});
const pause = (id: string): WireEvent => ({ type: 'mark', id, mark: { type: 'pause' }, at: '' });
const saved = (id: string, more: Partial<WirePutt> = {}): WirePutt => ({
  id,
  outcomes: { gate: 'clear' },
  points: {},
  guess: null,
  measured: {},
  filled: [],
  place: { station: 0, again: 0, spot: null },
  manner: 'usual',
  note: '',
  leftOut: false,
  at: '',
  undone: false,
  changes: [],
  ...more,
});
const run = (...putts: WirePutt[]): WireRun => ({ putts, marks: [] });

describe('what the server tells anew', () => {
  const answer = (whole: boolean, ...putts: WirePutt[]) => ({
    ok: true as const,
    ...{ finished: false, whole, late: 0, refused: [], marks: [], putts },
    position: { lineage: 1, revision: 1 },
  });

  it('is laid over what was known', () => {
    const known = run(saved('a'), saved('b'));
    const { putts } = withNews(known, answer(false, saved('b', { note: 'new' }), saved('c')));
    expect(putts.map(({ id, note }) => `${id} ${note}`)).toEqual(['a ', 'b new', 'c ']);
  });

  it('takes the place of it after a restore: no putt of before stays in sight', () => {
    const { putts } = withNews(run(saved('a'), saved('b')), answer(true, saved('c')));
    expect(putts.map(({ id }) => id)).toEqual(['c']);
  });
});

describe('merge', () => {
  it('shows the server first, then what is pending', () => {
    const shown = merge(run(saved('a')), [putt('b'), pause('p')]);
    expect(shown.putts.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(shown.marks.map(({ mark }) => mark.type)).toEqual(['pause']);
  });

  it('takes back putts of either kind and keeps them as taken back', () => {
    const shown = merge(run(saved('a')), [putt('b'), undo('a'), undo('b')]);
    expect(shown.putts.map(({ undone }) => undone)).toEqual([true, true]);
  });

  it('corrects what is said, leaves the rest, and not again what the server has corrected', () => {
    const events = [
      putt('b'),
      change('c', 'b', { note: 'loose tee' }),
      change('d', 'a', { leftOut: true }),
    ];
    const { putts } = merge(run(saved('a', { note: 'first' })), events);
    expect(putts[0]).toMatchObject({ leftOut: true, note: 'first', changes: ['d'] });
    expect(putts[1]).toMatchObject({
      leftOut: false,
      note: 'loose tee',
      outcomes: { gate: 'clear' },
    });
    const later = saved('a', { changes: ['d'], leftOut: false });
    expect(merge(run(later), [change('d', 'a', { leftOut: true })]).putts).toEqual([later]);
  });

  it('is not changed by events that the server already has', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            id: fc.constantFrom('a', 'b', 'c'),
            does: fc.constantFrom('putt', 'undo', 'change', 'pause'),
          }),
        ),
        (steps) => {
          // A putt can only be taken back or corrected once it has been logged.
          const logged = new Set<string>();
          const events = steps.flatMap(({ id, does }, index) => {
            if (does === 'pause') return [pause(`p${index}`)];
            if (does === 'undo') return logged.has(id) ? [undo(id)] : [];
            if (does === 'change')
              return logged.has(id) ? [change(`c${index}`, id, { note: `n${index}` })] : [];
            logged.add(id);
            return [putt(id)];
          });
          const once = merge(run(), events);
          expect(merge(once, events)).toEqual(once);
          expect(unacknowledged(events, once)).toEqual([]);
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
    expect(unacknowledged(logged, run(saved('a')))).toEqual([putt('b'), undo('a')]);
    const all = run(saved('a', { undone: true }), saved('b'));
    expect(unacknowledged(logged, all)).toEqual([]);
  });

  it('keeps the last putt the last, so that undo takes back that one', () => {
    // The queue was read before the last putt had come into it.
    const shown = merge(run(saved('a')), together([putt('b')], [putt('b'), putt('c')]));
    expect(shown.putts.at(-1)!.id).toBe('c');
  });
});
