import { libraryDrill, type Putt } from '@/core/drill';
import { standing } from '@/core/layout';
import { quantityOf } from '@/core/quantity';
import { DEGREE } from '@/core/units';
import { dice, type Dice } from '../../../tests/player/player';
import { findingsOf, type LoggedRun } from './cells';
import { instrumentWords, relativeTo } from './instruments';
import { beliefOfRuns, scoreHistory } from './history';
import { latentIds, knownOf } from './latents';
import { model } from './likelihood';
import { scoresOf } from './skills';
import { shifted } from './terms';

const W = 0.92;
const { layout } = libraryDrill('straight-gate')!;
const box = libraryDrill('box-gate')!.layout;
const gateOf = (on = layout) => on.elements.find(({ kind }) => kind === 'ballGate')!;
const gate = gateOf();
const GAP = (gate.params as { gap: number; distance: number }).gap;
const FAR = (gate.params as { gap: number; distance: number }).distance;

/** A straight player whose sensor stands turned; gates are judged by plain geometry here. */
function puttsOf(random: Dice, count: number, turned: number, looked: boolean): Putt[] {
  const clear = (GAP - 0.04267) / 2 / FAR;
  return Array.from({ length: count }, (): Putt => {
    const face = 1.2 * DEGREE * random.normal();
    const path = 1.8 * DEGREE * random.normal();
    const start = W * face + (1 - W) * path;
    const side = start > clear ? 'right' : start < -clear ? 'left' : 'clear';
    return {
      outcomes: looked ? { [gate.id]: side } : {},
      measured: {
        face: { value: face + turned + 0.3 * DEGREE * random.normal(), by: 'rail' },
        path: { value: path + turned + 0.4 * DEGREE * random.normal(), by: 'rail' },
      },
    };
  });
}

const faceOf = (putts: Putt[]) => scoresOf(beliefOfRuns([{ layout, putts }], W).belief, W).face;

test('a sensor that stands turned makes nobody a pusher where gates say otherwise', () => {
  const turned = 1.5 * DEGREE;
  const alone = faceOf(puttsOf(dice(3), 80, turned, false));
  const beside = faceOf(puttsOf(dice(3), 80, turned, true));
  // By itself it cannot be told from a push; how it stands is doubted, and so the interval is wide.
  expect(alone.bias.high - alone.bias.low).toBeGreaterThan(1 * DEGREE);
  expect(Math.abs(beside.bias.middle)).toBeLessThan(0.4 * DEGREE);
  expect(beside.bias.high - beside.bias.low).toBeLessThan(0.8 * (alone.bias.high - alone.bias.low));
});

test('that it stands turned is told, with its side and size, once gates have said otherwise', () => {
  const sessions = (looked: boolean) => [
    {
      id: 'one',
      at: new Date(Date.UTC(2026, 0, 1)),
      runs: [{ layout, putts: puttsOf(dice(3), 80, 1.5 * DEGREE, looked) }],
    },
  ];
  const [beside] = scoreHistory(sessions(true), W);
  const face = beside!.instruments.find(({ quantity }) => quantity === 'face')!;
  expect(face.by).toBe('rail');
  expect(face.off.low).toBeGreaterThan(0.5 * DEGREE);
  expect(face.off.high).toBeGreaterThan(1 * DEGREE);
  expect(face.off.high).toBeLessThan(2 * DEGREE);
  expect(instrumentWords(face)).toMatch(/^rail reads \d\.\d° right of the gates/);
  expect(instrumentWords({ ...face, off: { low: -0.02, middle: 0.01, high: 0.03 } })).toBeNull();
  const [alone] = scoreHistory(sessions(false), W);
  expect(alone!.instruments.map(instrumentWords)).toEqual([null]);
});

test('a sensor tells the spread of few putts better than gates do', () => {
  const putts = puttsOf(dice(4), 20, 0, true);
  const gates = putts.map(({ outcomes }) => ({ outcomes }));
  const width = ({ low, high }: { low: number; high: number }) => Math.log(high / low);
  expect(width(faceOf(putts).spread)).toBeLessThan(0.7 * width(faceOf(gates).spread));
});

test('how a sensor stands lasts from session to session: many of them do not make its turn a push', () => {
  const random = dice(8);
  const sessions = Array.from({ length: 8 }, (_, week) => ({
    id: `${week}`,
    at: new Date(Date.UTC(2026, 0, 1 + 7 * week)),
    runs: [{ layout, putts: puttsOf(random, 30, 0.5 * DEGREE, false) }],
  }));
  const { bias } = scoreHistory(sessions, W).at(-1)!.carried.face;
  // 240 putts would tell the bias of the readings to ±0.1°; how the sensor stands is doubted as in the first session.
  expect(bias.high - bias.low).toBeGreaterThan(0.9 * DEGREE);
});

test('what was filled in from a reading is not believed a second time', () => {
  const putts = puttsOf(dice(5), 30, 0, true);
  const filled = putts.map((putt) => ({ ...putt, filled: [gate.id] }));
  const bare = putts.map(({ measured }) => ({ outcomes: {}, measured }));
  expect(faceOf(filled)).toEqual(faceOf(bare));
});

test('a putt that was filled in says nothing for those where somebody looked, whichever comes first', () => {
  const looked: Putt = { outcomes: { [gate.id]: 'left' } };
  const filled: Putt = { ...looked, filled: [gate.id] };
  for (const putts of [
    [filled, looked, filled, looked],
    [looked, filled, looked, filled],
  ]) {
    const { cells } = findingsOf([{ layout, putts }]);
    expect(cells.map(({ count }) => count)).toEqual([2]);
  }
});

test('the posterior of one quantity is that of plain weighting of the prior', () => {
  const random = dice(12);
  const { mount, error } = quantityOf('rise').instrument;
  const { middle } = quantityOf('rise');
  const values = Array.from({ length: 25 }, () => 1 * DEGREE + 0.8 * DEGREE * random.normal());
  const putts = values.map((value): Putt => ({
    outcomes: {},
    measured: { rise: { value: value + middle!(layout.putt), by: 'rail', error } },
  }));
  const found = scoresOf(beliefOfRuns([{ layout, putts }], W).belief, W).rise!;
  const prior = knownOf('rise');
  const player = dice(77);
  const drawn = Array.from({ length: 60_000 }, () => {
    const bias = prior.biasSpread * player.normal();
    const spread = prior.middleSpread * Math.exp(prior.logSpreadSpread * player.normal());
    const off = mount * player.normal();
    const real = error * Math.exp(0.3 * player.normal());
    const variance = spread ** 2 + real ** 2;
    const log = values.reduce(
      (sum, value) => sum - (value - bias - off) ** 2 / (2 * variance) - Math.log(variance) / 2,
      0,
    );
    return { bias, spread, log };
  });
  const top = drawn.reduce((most, { log }) => Math.max(most, log), -Infinity);
  const weighed = (of: (one: { bias: number; spread: number }) => number) => {
    const sorted = drawn
      .map((one) => ({ value: of(one), weight: Math.exp(one.log - top) }))
      .sort((a, b) => a.value - b.value);
    const all = sorted.reduce((sum, { weight }) => sum + weight, 0);
    return (share: number) => {
      let passed = 0;
      return sorted.find(({ weight }) => (passed += weight) >= share * all)!.value;
    };
  };
  const [bias, spread] = [weighed((one) => one.bias), weighed((one) => one.spread)];
  expect(Math.abs(found.bias.middle - bias(0.5))).toBeLessThan(0.06 * DEGREE);
  expect(Math.abs(found.bias.low - bias(0.1))).toBeLessThan(0.08 * DEGREE);
  expect(Math.abs(found.bias.high - bias(0.9))).toBeLessThan(0.08 * DEGREE);
  expect(Math.abs(found.spread.middle / spread(0.5) - 1)).toBeLessThan(0.04);
  expect(Math.abs(found.spread.low / spread(0.1) - 1)).toBeLessThan(0.06);
  expect(Math.abs(found.spread.high / spread(0.9) - 1)).toBeLessThan(0.06);
});

test('the likelihood of readings beside gates has the slopes that differences of itself have', () => {
  const random = dice(21);
  const strike = (): Putt['measured'] => ({
    strike: { value: 0.004 * random.normal(), by: 'rail' },
    face: { value: 0.02 * random.normal(), by: 'rail' },
    path: { value: 0.03 * random.normal(), by: 'rail' },
    start: { value: 0.02 * random.normal(), by: 'rail' },
    rise: { value: 0.04, by: 'rail' },
  });
  const boxId = box.elements.find(({ kind }) => kind === 'boxGate')!.id;
  const runs: LoggedRun[] = [
    {
      layout,
      putts: ['clear', 'left', 'right'].map((side) => ({
        outcomes: { [gate.id]: side },
        measured: strike(),
      })),
    },
    { layout: box, putts: [{ outcomes: { [boxId]: 'clear' }, measured: strike() }] },
  ];
  const { cells, stands, mounts } = findingsOf(runs);
  // A sensor that stands turned is so for face, path and start alike.
  expect(mounts).toHaveLength(3);
  const { ready, chance, chanceSloped, size } = model(W, stands.length + mounts.length);
  const at = new Float64Array(size).fill(0.2);
  at.set(
    latentIds().flatMap((id) => [0.3 * knownOf(id).biasSpread, Math.log(knownOf(id).middleSpread)]),
  );
  for (const one of cells) {
    const cell = ready(shifted(one, (stand) => stand + mounts.length));
    const slopes = new Float64Array(size);
    const scratch = new Float64Array(size);
    const value = chanceSloped(cell, at, slopes);
    expect(value).toBeCloseTo(chance(cell, at), 12);
    for (let j = 0; j < size; j++) {
      const step = 1e-6;
      const moved = (by: number) => {
        const there = Float64Array.from(at);
        there[j]! += by;
        return chanceSloped(cell, there, scratch);
      };
      const slope = (moved(step) - moved(-step)) / (2 * step);
      expect(Math.abs(slopes[j]! - slope)).toBeLessThan(2e-4 * (value + Math.abs(slope)) + 1e-7);
    }
  }
});

test('a sensor that stands turned is so for all directions, and errs in each by itself', () => {
  const measured = Object.fromEntries(
    ['face', 'path', 'strike'].map((id) => [id, { value: 0.001, by: 'rail' }]),
  );
  const other = { face: { value: 0.001, by: 'another' } };
  const { cells, mounts } = findingsOf([
    {
      layout,
      putts: [
        { outcomes: {}, measured },
        { outcomes: {}, measured: other },
      ],
    },
  ]);
  const all = cells.flatMap(({ terms }) => terms.flatMap((term) => term.measured ?? []));
  const [face, path, strike, others] = [
    ...['face', 'path', 'strike'].map((id) => all.find(({ latent }) => latent === id)!.mount),
    all.filter(({ latent }) => latent === 'face').at(-1)!.mount,
  ] as const;
  expect(path!.stands).toEqual(face!.stands);
  expect(path!.instrument).toBe(face!.instrument);
  expect(path!.errors).not.toBe(face!.errors);
  for (const apart of [strike!, others!]) {
    expect(apart.stands).not.toEqual(face!.stands);
    expect(apart.instrument).not.toBe(face!.instrument);
  }
  expect(mounts).toHaveLength(3);
});

test('what only a sensor tells is relative to it, until a gate has told of the same', () => {
  const read = { outcomes: {}, measured: { face: { value: 0.02, by: 'rail' } } };
  const alone = findingsOf([{ layout, putts: [read, read] }]);
  expect(relativeTo([alone])).toEqual({ face: 'rail', start: 'rail' });
  const gate = layout.elements.find(({ kind }) => kind === 'ballGate')!;
  const checked = findingsOf([{ layout, putts: [read, { outcomes: { [gate.id]: 'clear' } }] }]);
  expect(relativeTo([checked])).toEqual({});
  expect(relativeTo([alone, checked])).toEqual({});
});

test('a sensor that is knocked half-way is found out where a gate stands, and trusted less alone', () => {
  const random = dice(8);
  const session = (gates: boolean, knocked: number) =>
    Array.from({ length: 80 }, (_, i): Putt => {
      const start = 0.012 * random.normal();
      const shown = start + (i < 40 ? 0 : knocked) + 0.004 * random.normal();
      const gate = layout.elements.find(({ kind }) => kind === 'ballGate')!;
      const tolerance = standing(layout)
        .find(({ id }) => id === gate.id)!
        .tolerance()!;
      const met = start > tolerance.right ? 'right' : start < -tolerance.left ? 'left' : 'clear';
      return {
        outcomes: gates ? { [gate.id]: met } : {},
        measured: { face: { value: shown, by: 'rail' } },
      };
    });
  const bias = (gates: boolean, knocked: number) => faceOf(session(gates, knocked)).bias;
  // A gate tells that the face has not turned though the readings did.
  expect(Math.abs(bias(true, 0.02).middle)).toBeLessThan(0.006);
  const wide = bias(false, 0);
  expect(wide.high - wide.low).toBeGreaterThan(0.03);
});
