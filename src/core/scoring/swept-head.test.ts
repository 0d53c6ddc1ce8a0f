import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { DEGREE } from '@/core/units';
import { dice } from 'tests/player/player';
import { answer, answerSloped, questionsOf } from './question';
import { biasAt, logSpreadAt, standIndex } from './latents';
import { within, type HeadPlace } from './terms';

const FACE_SHARE = 0.92;

/** The probability that a head passed some tees as logged. */
function headChance(heads: HeadPlace[]) {
  const [question] = questionsOf({ heads, direct: {} }, FACE_SHARE);
  return (at: Float64Array, slopes: Float64Array | null): number =>
    slopes ? answerSloped(question!, at, slopes) : answer(question!, at);
}

/** A player: bias and spread of each, m and rad. */
const SKILLED = {
  strike: [0.001, 0.005],
  path: [-0.01, 0.03],
  face: [0.012, 0.02],
} as const;
type Player = Record<keyof typeof SKILLED, readonly [number, number]>;

function parametersOf(player: Player): Float64Array {
  const at = new Float64Array(standIndex(0));
  for (const [latent, [bias, spread]] of Object.entries(player)) {
    at[biasAt(latent)] = bias;
    at[logSpreadAt(latent)] = Math.log(spread);
  }
  return at;
}

/** Pairs of tees that leave a head of some depth so much air on each side. */
const tees = (at: readonly number[], air: number, depth: number): HeadPlace[] =>
  at.map((y) => ({
    at: y,
    bounds: within(-air, air),
    rear: { depth, lag: 0, gap: 2 * air },
  }));

/** How many heads of many pass, each a rectangle that is moved straight on, square to its own face. */
function passing(player: Player, at: readonly number[], air: number, depth: number): number {
  const random = dice(11);
  const draws = 200_000;
  let passed = 0;
  for (let i = 0; i < draws; i++) {
    const [s, p, f] = [player.strike, player.path, player.face].map(
      ([bias, spread]) => bias + spread * random.normal(),
    ) as [number, number, number];
    passed += Number(
      at.every((y) =>
        [0, depth].every((behind) => Math.abs(s + (y + behind) * p - behind * f) <= air),
      ),
    );
  }
  return passed / draws;
}

describe('the chance that a head passes', () => {
  it.each([
    ['a level gate, blade', [0], 0.008, 0.025],
    ['a level gate, deep mallet', [0], 0.008, 0.11],
    ['a box, blade', [-0.076, 0.076], 0.008, 0.025],
    ['a box, mallet', [-0.076, 0.076], 0.008, 0.09],
    ['a lane of three, mallet', [-0.15, 0, 0.15], 0.009, 0.09],
  ] as const)('is that of many simulated ones: %s', (_name, at, air, depth) => {
    const share = passing(SKILLED, at, air, depth);
    const found = headChance(tees(at, air, depth))(parametersOf(SKILLED), null);
    // Three standard errors of 200,000 draws.
    expect(Math.abs(found - share)).toBeLessThan(3 * Math.sqrt((share * (1 - share)) / 200_000));
  });

  it('does not shrink with the depth for a face that follows its path exactly, but does for one that does not', () => {
    const square: Player = { ...SKILLED, path: [0, 1e-6], face: [0, 1e-6] };
    const chance = (player: Player, depth: number) =>
      headChance(tees([0], 0.008, depth))(parametersOf(player), null);
    expect(chance(square, 0.11)).toBeCloseTo(chance(square, 0.025), 4);
    expect(chance(SKILLED, 0.11)).toBeLessThan(chance(SKILLED, 0.025) - 0.05);
  });

  it('sums to one over all that can happen at a pair of tees', () => {
    const at = parametersOf(SKILLED);
    const rear = { depth: 0.09, lag: 0.0005, gap: 0.016 };
    const bounds = [within(-Infinity, -0.008), within(-0.008, 0.008), within(0.008, Infinity)];
    const all = bounds.map((one) => headChance([{ at: 0.1, bounds: one, rear }])(at, null));
    expect(all.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 3);
    // A strike so steady that what passes changes within a millimetre of the rear edge.
    const steady = parametersOf({ ...SKILLED, strike: [0.001, 0.0008], face: [0.08, 0.03] });
    const now = bounds.map((one) => headChance([{ at: 0.1, bounds: one, rear }])(steady, null));
    expect(now.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 3);
  });

  /** What can happen at a pair of tees whose opening is off by 0.75 mm on each side for each unit of their stand. */
  const standing = (air: number, depth: number): HeadPlace[] => {
    const left = { at: -air, by: -0.00075, stand: 0 };
    const right = { at: air, by: 0.00075, stand: 0 };
    const none = (at: number) => ({ at, by: 0, stand: -1 });
    const rear = { depth, lag: 0, gap: 2 * air };
    return [
      { at: 0, bounds: { lower: none(-Infinity), upper: left }, rear },
      { at: 0, bounds: { lower: left, upper: right }, rear },
      { at: 0, bounds: { lower: right, upper: none(Infinity) }, rear },
    ];
  };

  it('sums to one however the tees really stand and however far the head is turned', () => {
    const chances = standing(0.008, 0.11).map((place) => headChance([place]));
    fc.assert(
      fc.property(
        between(-3, 3),
        between(-0.15, 0.15),
        between(-0.05, 0.05),
        between(0.0008, 0.015),
        (stand, path, face, strike) => {
          const player = parametersOf({
            strike: [0.001, strike],
            path: [path, 0.02],
            face: [face, 0.02],
          });
          const at = new Float64Array(standIndex(1));
          at.set(player);
          at[standIndex(0)] = stand;
          const sum = chances.reduce((all, chance) => all + chance(at, null), 0);
          expect(sum).toBeCloseTo(1, 3);
        },
      ),
    );
  });

  it('has the slopes that differences give, by how the tees stand too', () => {
    const at = new Float64Array(standIndex(1));
    at.set(parametersOf({ ...SKILLED, path: [0.09, 0.03] }));
    at[standIndex(0)] = -1.5;
    for (const place of standing(0.008, 0.11)) {
      const chance = headChance([place]);
      const slopes = new Float64Array(at.length);
      chance(at, slopes);
      const moved = (by: number) => {
        const there = at.slice();
        there[standIndex(0)]! += by;
        return chance(there, null);
      };
      const difference = (moved(1e-4) - moved(-1e-4)) / 2e-4;
      expect(slopes[standIndex(0)]!).toBeCloseTo(difference, 4);
    }
  });

  it('has the slopes that differences give', () => {
    const at = parametersOf(SKILLED);
    for (const places of [
      tees([0], 0.008, 0.11),
      tees([-0.076, 0.076], 0.008, 0.09),
      [{ at: 0.1, bounds: within(-Infinity, -0.006), rear: { depth: 0.09, lag: 0, gap: 0.012 } }],
    ]) {
      const chance = headChance(places);
      const slopes = new Float64Array(at.length);
      chance(at, slopes);
      for (const latent of ['strike', 'path', 'face']) {
        for (const place of [biasAt(latent), logSpreadAt(latent)]) {
          const step = 1e-5 * (place === biasAt(latent) ? DEGREE : 1);
          const moved = (by: number) => {
            const there = at.slice();
            there[place]! += by;
            return chance(there, null);
          };
          const difference = (moved(step) - moved(-step)) / (2 * step);
          expect(Math.abs(slopes[place]! - difference)).toBeLessThan(
            1e-4 * (1 + Math.abs(difference)),
          );
        }
      }
    }
  });
});
