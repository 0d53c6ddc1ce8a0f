import type { Putt } from '@/core/drill';
import { libraryDrill } from '@/core/drill';
import type { LoggedSession } from '@/core/scoring';
import { DEGREE } from '@/core/units';
import { dice, type Dice } from '../../../tests/player/player';
import { relationWords, relationsOf } from './relations';

const { layout } = libraryDrill('straight-gate')!;
const TRACKED = {
  rise: [2 * DEGREE, 1 * DEGREE],
  loft: [3 * DEGREE, 1 * DEGREE],
  timeBack: [0.65, 0.04],
  timeThrough: [0.32, 0.02],
  wristBend: [-10 * DEGREE, 2.5 * DEGREE],
  wristTurn: [1 * DEGREE, 2 * DEGREE],
  leadFoot: [0.55, 0.03],
} as const;

/** Sessions of a player whose wrist goes with the start line by a correlation, and whose everything wanders by the day. */
function sessionsOf(random: Dice, tie: number, sessions = 4, each = 20): LoggedSession[] {
  return Array.from({ length: sessions }, (_, day) => {
    const shift = random.normal();
    const putts = Array.from({ length: each }, (): Putt => {
      const start = random.normal();
      const measured = Object.fromEntries(
        Object.entries(TRACKED).map(([id, [middle, spread]]) => {
          const r = id === 'wristBend' ? tie : 0;
          const z = r * start + Math.sqrt(1 - r * r) * random.normal();
          return [id, { value: middle + spread * (z + shift), by: 'a sensor' }];
        }),
      );
      const line = { value: (0.3 + start + shift) * DEGREE, by: 'a sensor' };
      const strike = { value: 0.004 * random.normal(), by: 'a sensor' };
      return { outcomes: {}, measured: { ...measured, start: line, strike } };
    });
    return { id: `${day}`, at: new Date(Date.UTC(2026, 0, 1 + day)), runs: [{ layout, putts }] };
  });
}

const PLAYERS = 240;

test('of players of whom nothing goes together at most one in twenty is told that something does', () => {
  let told = 0;
  for (let player = 0; player < PLAYERS; player++) {
    told += Number(relationsOf(sessionsOf(dice(1000 + player), 0), 0.92).length > 0);
  }
  // One in twenty, and three standard errors of it.
  expect(told / PLAYERS).toBeLessThan(0.05 + 3 * Math.sqrt((0.05 * 0.95) / PLAYERS));
});

test('a relation that is there is found, on its pair alone, with its size inside the interval four times in five', () => {
  let [found, held, others] = [0, 0, 0];
  for (let player = 0; player < 120; player++) {
    const all = relationsOf(sessionsOf(dice(9000 + player), 0.5), 0.92);
    const own = all.find(({ done, tracked }) => done === 'start' && tracked === 'wristBend');
    others += Number(all.length > Number(!!own));
    if (!own) continue;
    found += 1;
    // Halves of two normals that go together by r: r σ (2 φ(0) / ½).
    const truth = 0.5 * 2.5 * DEGREE * 2 * Math.sqrt(2 / Math.PI);
    held += Number(truth >= own.difference.low && truth <= own.difference.high);
    expect(own.putts).toBe(80);
  }
  expect(found).toBeGreaterThan(90);
  expect(others / 120).toBeLessThan(0.1);
  // Who is told of is chosen by the size, and so a little too large: the interval holds a little less than it says.
  expect(held / found).toBeGreaterThan(0.7);
});

test('a shift from session to session is no relation', () => {
  const shifted = sessionsOf(dice(5), 0, 8, 10).map((session, day) => ({
    ...session,
    runs: session.runs.map((run) => ({
      ...run,
      putts: run.putts.map((putt) => ({
        ...putt,
        measured: {
          ...putt.measured,
          start: { value: putt.measured!.start!.value + 3 * day * DEGREE, by: 'a sensor' },
          loft: { value: putt.measured!.loft!.value + 3 * day * DEGREE, by: 'a sensor' },
        },
      })),
    })),
  }));
  expect(relationsOf(shifted, 0.92)).toEqual([]);
});

test('fewer than sixty putts say nothing, however clear they seem', () => {
  expect(relationsOf(sessionsOf(dice(1), 0.95, 2, 29), 0.92)).toEqual([]);
  expect(relationsOf(sessionsOf(dice(1), 0.95, 3, 20), 0.92)).toHaveLength(1);
});

test('is said in the words of the hand', () => {
  const [relation] = relationsOf(sessionsOf(dice(1), 0.95, 3, 20), 0.92);
  expect(relationWords(relation!, 'right').sentence).toMatch(
    /^Pushes come when the lead wrist bend differs by \d\.\d° \(bowed; 80 % interval \d\.\d° to \d\.\d°\)\.$/,
  );
  expect(relationWords(relation!, 'left').sentence).toMatch(/^Pulls come/);
});
