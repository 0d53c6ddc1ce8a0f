import { libraryDrill, type Manner } from '@/core/drill';
import type { Layout } from '@/core/layout';
import { quantityOf } from '@/core/quantity';
import { dice } from 'tests/player/player';
import { scoreHistory, type LoggedSession } from '.';

const W = 0.83;
const DAY = new Date('2026-05-03T10:00:00Z');

interface Known {
  bias: number;
  spread: number;
}

/** A drill of stops with its numbers changed. */
function stops(back: number): Layout {
  const { layout } = libraryDrill('stroke-ratio')!;
  return {
    ...layout,
    elements: layout.elements.map((one) =>
      one.kind === 'strokeStops' ? { ...one, params: { ...one.params, back } } : one,
    ) as Layout['elements'],
  };
}

const idOf = ({ elements }: Layout, kind: string) =>
  elements.find((element) => element.kind === kind)!.id;

/** What a coach presses who sees how far a head went. */
const pressed = (layout: Layout, back: number, through: number): string => {
  const { params } = layout.elements.find(({ kind }) => kind === 'strokeStops')!;
  const { back: stop, ratio } = params as { back: number; ratio: number };
  if (back > stop) return 'back';
  return through < stop * ratio ? 'short through' : 'within';
};

/** Strokes at several stops, as a player with lengths of their own makes them. */
function session(back: Known, through: Known, seed: number, putts: number): LoggedSession {
  const random = dice(seed);
  const runs = [0.16, 0.19, 0.22, 0.26].map((stop) => {
    const layout = stops(stop);
    const id = idOf(layout, 'strokeStops');
    return {
      layout,
      putts: Array.from({ length: putts }, () => {
        const [b, f] = [back, through].map(({ bias, spread }) => bias + spread * random.normal());
        return { outcomes: { [id]: pressed(layout, b!, f!) } };
      }),
    };
  });
  return { id: 'one', at: DAY, runs };
}

const one = (sessions: LoggedSession[], quantity: string) =>
  scoreHistory(sessions, W).at(-1)!.alone[quantity]!;

describe('length of stroke', () => {
  const { putt } = stops(0.2);
  const usual = {
    back: quantityOf('backLength').middle!(putt),
    through: quantityOf('throughLength').middle!(putt),
  };

  it('is, for 10 ft on a usual green, some 20 cm back and half as long again through', () => {
    expect(usual.back).toBeGreaterThan(0.18);
    expect(usual.back).toBeLessThan(0.23);
    expect(usual.through).toBeCloseTo(1.5 * usual.back, 12);
  });

  it('is told by stops within its intervals eight times in ten, for players of any length', () => {
    const random = dice(4);
    const players = 80;
    let [inBack, inThrough, windows] = [0, 0, 0];
    for (let player = 0; player < players; player++) {
      const bias = 0.03 * random.normal();
      const spread = 0.03 * Math.exp(0.4 * random.normal());
      const through = {
        bias: 0.06 * random.normal(),
        spread: 0.05 * Math.exp(0.4 * random.normal()),
      };
      const played = session(
        { bias: usual.back + bias, spread },
        { bias: usual.through + through.bias, spread: through.spread },
        100 + player,
        20,
      );
      const [told] = scoreHistory([played], W);
      const within = (value: number, { low, high }: { low: number; high: number }) =>
        value >= low && value <= high;
      if (within(bias, told!.alone.backLength!.bias)) inBack += 1;
      if (within(through.bias, told!.alone.throughLength!.bias)) inThrough += 1;
      if (within(spread, told!.alone.backLength!.spread)) windows += 1;
    }
    for (const inside of [inBack, inThrough, windows]) {
      expect(inside / players).toBeGreaterThan(0.68);
      expect(inside / players).toBeLessThan(0.95);
    }
  });

  it('says nothing of the start line or the pace, and nothing of it is said by another gate', () => {
    const { alone } = scoreHistory(
      [session({ bias: 0.2, spread: 0.02 }, { bias: 0.3, spread: 0.04 }, 7, 10)],
      W,
    )[0]!;
    const gate = libraryDrill('straight-gate')!.layout;
    const putts = Array.from({ length: 20 }, () => ({
      outcomes: { [idOf(gate, 'ballGate')]: 'clear' },
    }));
    const other = scoreHistory([{ id: 'two', at: DAY, runs: [{ layout: gate, putts }] }], W)[0]!;
    const none = scoreHistory([{ id: 'none', at: DAY, runs: [{ layout: gate, putts: [] }] }], W);
    expect(none).toEqual([]);
    expect(other.alone.backLength).toBeUndefined();
    expect(alone.backLength).toBeDefined();
    expect(other.basis.throughLength ?? 0).toBe(0);
  });

  it('is told by a follow stop where the putt was struck as usual, and not where it was to stop short', () => {
    const { layout, manners } = libraryDrill('pop-stroke')!;
    expect(manners).toEqual(['stopped']);
    const id = idOf(layout, 'followStop');
    const { ahead } = layout.elements.find((element) => element.id === id)!.params as {
      ahead: number;
    };
    const told = (outcome: string, manner: Manner) => {
      const putts = Array.from({ length: 12 }, () => ({ outcomes: { [id]: outcome }, manner }));
      return scoreHistory([{ id: 'one', at: DAY, runs: [{ layout, putts }] }], W)[0]?.alone
        .throughLength;
    };
    expect(told('short', 'stopped')).toBeUndefined();
    const [short, long] = [told('short', 'usual')!, told('touched', 'usual')!];
    const against = quantityOf('throughLength').middle!(layout.putt);
    expect(short.bias.middle + against).toBeLessThan(ahead);
    expect(long.bias.middle + against).toBeGreaterThan(ahead);
  });
});

describe('the edge of a wedge', () => {
  const { layout } = libraryDrill('equator-club')!;
  const id = idOf(layout, 'equator');
  const zone = idOf(layout, 'paceZone');
  const putted = (height: number, manner: Manner, seed = 3, putts = 30): LoggedSession => {
    const random = dice(seed);
    const all = Array.from({ length: putts }, () => {
      const at = height + 0.003 * random.normal();
      const seen = Math.abs(at) <= 0.004 ? 'rolled' : at < 0 ? 'hopped' : 'skidded';
      return { outcomes: { [id]: seen, [zone]: 'short' }, manner };
    });
    return { id: 'one', at: DAY, runs: [{ layout, putts: all }] };
  };

  it('is told of putts with a wedge, low where the ball hops, and to the millimetre over some', () => {
    for (const height of [-0.003, 0, 0.003]) {
      const { bias } = one([putted(height, 'wedge')], 'edge');
      expect(Math.abs(bias.middle - height)).toBeLessThan(0.0015);
    }
  });

  it('says nothing of the player’s own stroke, and neither does the pace of such a putt', () => {
    const [told] = scoreHistory([putted(0, 'wedge')], W);
    expect(Object.keys(told!.basis).filter((quantity) => told!.basis[quantity]! > 0)).toEqual([
      'edge',
    ]);
    // Short thirty times: said of the pace where they were struck as usual.
    expect(one([putted(0, 'usual')], 'pace').bias.high).toBeLessThan(0);
  });

  it('is told of no other putt that is struck otherwise', () => {
    expect(scoreHistory([putted(0, 'eyes closed')], W)).toEqual([]);
  });
});
