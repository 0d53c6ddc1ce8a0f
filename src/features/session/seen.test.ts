import { libraryDrill } from '@/core/drill';
import { LIBRARY } from '@/core/drill';
import { allAsIntended, outcomesProblem, pointsProblem, standing } from '@/core/layout';
import {
  asksSeveral,
  pointAt,
  puttOf,
  touchOutcome,
  touchParts,
  touchTee,
  touchedTees,
  type Seen,
} from './seen';
import { leastHeight } from './tees-part';

const layoutOf = (key: string) => libraryDrill(key)!.layout;
const three = layoutOf('three-in-one');
const limit = layoutOf('limit-line');
const lane = layoutOf('six-tee-lane');
const element = (layout: typeof three, kind: string) =>
  standing(layout).find((one) => one.kind === kind)!;
const outcomes = (seen: Seen) => puttOf(seen).outcomes;

describe('one picture to touch', () => {
  it('has the head, the gate and the green in the order of the ball', () => {
    const parts = touchParts(three);
    expect(parts.gates.map(({ kind }) => kind)).toEqual(['putterGate', 'ballGate']);
    expect(parts.rest.map(({ kind }) => kind)).toEqual(['paceZone']);
    expect(parts.keys).toEqual([]);
    expect(touchParts(limit).rest.map(({ kind }) => kind)).toEqual(['paceZone', 'hole']);
  });

  it('gathers only where several things are asked, or more can happen than keys can say', () => {
    expect(asksSeveral(three)).toBe(true);
    expect(asksSeveral(layoutOf('straight-gate'))).toBe(false);
    expect(asksSeveral(layoutOf('box-gate'))).toBe(false);
    expect(asksSeveral(lane)).toBe(true);
  });

  it('has room for every tee of every drill, none over another', () => {
    for (const { layout } of LIBRARY) {
      for (const gate of touchParts(layout).gates) {
        expect(leastHeight(gate, 'up')).toBeGreaterThanOrEqual(26 + 44);
        expect(leastHeight(gate, 'along')).toBeGreaterThanOrEqual(26 + 3 * 44);
      }
    }
  });

  it('takes back a tee that is touched again', () => {
    const gate = element(three, 'ballGate');
    const left = touchTee(three, {}, gate, 'left');
    expect(outcomes(left)).toEqual({ [gate.id]: 'left' });
    expect(touchTee(three, left, gate, 'left')).toEqual({});
    // A ball touches one tee of its gate: the other takes its place.
    expect(outcomes(touchTee(three, left, gate, 'right'))).toEqual({ [gate.id]: 'right' });
  });

  it('gathers the tees of a lane, and knows what they come to', () => {
    const box = element(lane, 'boxGate');
    const one = touchTee(lane, {}, box, 'back right');
    const two = touchTee(lane, one, box, 'level right');
    const all = touchTee(lane, two, box, 'front left');
    expect(outcomes(all)).toEqual({ [box.id]: 'back right, level right, front left' });
    expect(touchedTees(box, all)).toEqual(['back right', 'level right', 'front left']);
    expect(outcomes(touchTee(lane, all, box, 'level right'))).toEqual({
      [box.id]: 'back right, front left',
    });
    const clear = touchOutcome(lane, all, box, 'clear');
    expect(touchedTees(box, clear)).toEqual([]);
  });
});

describe('what cannot be true of one putt', () => {
  const zone = element(limit, 'paceZone');
  const hole = element(limit, 'hole');

  it('is taken back by what is touched after it: short and holed', () => {
    const short = touchOutcome(limit, {}, zone, 'short');
    const holed = touchOutcome(limit, short, hole, 'holed');
    expect(outcomes(holed)).toEqual({ [zone.id]: 'in', [hole.id]: 'holed' });
    expect(outcomes(touchOutcome(limit, holed, zone, 'short'))[hole.id]).not.toBe('holed');
  });

  it('never comes of any two touches, in any order', () => {
    for (const a of [zone, hole]) {
      for (const b of [zone, hole]) {
        for (const one of a.outcomes()) {
          for (const other of b.outcomes()) {
            const seen = touchOutcome(limit, touchOutcome(limit, {}, a, one.id), b, other.id);
            if (Object.keys(seen).length === 0) continue;
            expect(outcomesProblem(limit, outcomes(seen))).toBeNull();
          }
        }
      }
    }
  });

  it('takes what leaves no doubt, and leaves open what does', () => {
    expect(outcomes(touchOutcome(limit, {}, hole, 'short'))).toEqual({
      [hole.id]: 'short',
      [zone.id]: 'short',
    });
    // Past on the left may be in the zone or beyond it.
    expect(outcomes(touchOutcome(limit, {}, hole, 'left'))).toEqual({ [hole.id]: 'left' });
  });

  it('is one touch on the green for the zone and the hole', () => {
    const { distance } = limit.putt;
    const past = pointAt(limit, {}, zone, { along: distance + 0.4, across: -0.3 });
    expect(outcomes(past)).toEqual({ [zone.id]: 'in', [hole.id]: 'left' });
    const holed = pointAt(limit, past, zone, { along: distance, across: 0.01 });
    expect(puttOf(holed)).toEqual({
      outcomes: { [zone.id]: 'in', [hole.id]: 'holed' },
      points: {},
    });
  });
});

describe('all as it should be', () => {
  it('fills what was not touched, keeps what was, and is true of one putt', () => {
    for (const { key, layout } of LIBRARY) {
      const all = allAsIntended(layout);
      // What a player reads is said by the player alone.
      const logged = standing(layout).filter(
        (one) => one.outcomes().length > 0 && !one.traits.asksRead,
      );
      if (logged.length === 0) continue;
      expect([key, outcomesProblem(layout, all)]).toEqual([key, null]);
      expect(Object.keys(all)).toHaveLength(logged.length);
    }
    const gate = element(three, 'ballGate');
    expect(allAsIntended(three, { [gate.id]: 'left' })[gate.id]).toBe('left');
  });

  it('never says holed beside a ball that was short', () => {
    const zone = element(limit, 'paceZone');
    const all = allAsIntended(limit, { [zone.id]: 'short' });
    expect(outcomesProblem(limit, all)).toBeNull();
    expect(all[element(limit, 'hole').id]).not.toBe('holed');
  });
});

describe('a routine that is timed', () => {
  const { layout } = libraryDrill('routine-kept')!;
  const element = standing(layout).find(({ pointing }) => pointing?.on === 'clock')!;

  it('keeps its time whatever is said of it, and loses it only with what was said', () => {
    const timed = pointAt(layout, {}, element, { along: 14.2, across: 0 });
    expect(timed[element.id]).toEqual({ outcome: 'kept', spot: { along: 14.2, across: 0 } });
    const hurried = touchOutcome(layout, timed, element, 'hurried');
    expect(hurried[element.id]).toEqual({ outcome: 'hurried', spot: { along: 14.2, across: 0 } });
    const { outcomes, points } = puttOf(hurried);
    expect(pointsProblem(layout, outcomes, points)).toBeNull();
    expect(pointsProblem(layout, outcomes, { [element.id]: { along: 61, across: 0 } })).toMatch(
      /^61 s is too long for the .*outine: use 60 s or less\.$/,
    );
    expect(element.pointing!.reads({ along: 14.2, across: 0 })).toEqual([
      { quantity: 'routineTime', value: 14.2, error: 0.3 },
    ]);
  });

  it('is only asked where the drill asks for it', () => {
    const ticked = {
      ...layout,
      elements: layout.elements.map((piece) =>
        piece.id === element.id ? { ...piece, params: { ...piece.params, told: 'kept' } } : piece,
      ),
    } as typeof layout;
    expect(standing(ticked).find(({ id }) => id === element.id)!.pointing).toBeNull();
  });
});
