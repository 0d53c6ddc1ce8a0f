import { libraryDrill } from '@/core/drill';
import { layoutAt, stationPlace, type Layout } from '@/core/layout';
import {
  DEFAULT_FACE_SHARE,
  pointsOf,
  scoreHistory,
  type ByQuantity,
  type LoggedSession,
  type SkillPoints,
} from '@/core/scoring';
import { dice, putt, strike, type Piece, type Truth } from 'tests/player/player';
import { NO_COUNTS, missCause, ownLines, readMisses } from '.';

const W = DEFAULT_FACE_SHARE;
const DEGREE = Math.PI / 180;
const steady: Truth = {
  face: [0, 0.6 * DEGREE],
  path: [0, DEGREE],
  strike: [0, 0.003],
  pace: [0, 0.05],
  height: [0, 0.002],
  faceShare: W,
};
const read = libraryDrill('read-first')!.layout;
/** The same with nobody asking for the read. */
const unread: Layout = {
  ...read,
  elements: read.elements.filter(({ kind }) => kind !== 'readFirst'),
};
const gate = libraryDrill('straight-gate')!.layout;

/** Putts from the two stations that break most, or from one. */
function putted(truth: Truth, layout: Layout, stations: number[], putts: number, seed = 1) {
  const random = dice(seed);
  return {
    layout,
    putts: Array.from({ length: putts }, (_, i) => {
      const place = stationPlace(layout, stations[i % stations.length]!);
      const { distance, greenSpeed, past, slope } = layoutAt(layout, place)!.putt;
      const green = { distance, greenSpeed, past, ...slope };
      const pieces = layout.elements as Piece[];
      const { outcomes } = putt(strike(truth, random), pieces, green, layout.player);
      return { outcomes, place };
    }),
  };
}

const session = (id: string, run: ReturnType<typeof putted>): LoggedSession => ({
  id,
  at: new Date(0),
  runs: [run],
});

const causeOf = (sessions: LoggedSession[]) => {
  const belief = scoreHistory(sessions).at(-1)!.belief.carried;
  return missCause(belief, ownLines(sessions), W, read.player);
};

describe('why putts miss to one side', () => {
  it('names the read of a player who says “straight” on every break and misses low', () => {
    const misreader: Truth = { ...steady, reading: [-1, 0.02] };
    const sessions = [session('one', putted(misreader, read, [0, 2], 16))];
    const found = causeOf(sessions)!;
    expect(found).toMatchObject({ side: 'low', named: 'read', telling: null });
    expect(found.shares.read).toBeGreaterThan(0.95);
  });

  it('names neither read nor stroke where nothing parts them, and asks for the putt that does', () => {
    // From one station and with no read said, a push and a poor read miss alike.
    const pusher: Truth = { ...steady, face: [2.2 * DEGREE, 0.5 * DEGREE] };
    const one = putted(pusher, unread, [0], 24, 3);
    const found = causeOf([session('one', one)]);
    expect(found).toMatchObject({ named: null });
    expect(found!.remain).toContain('read');
    expect(['read-first', 'straight-gate', 'aim-coin']).toContain(found!.telling!.key);
    // Forty putts through a gate show that it starts right: the read is not needed to explain the misses.
    const through = { layout: gate, putts: putted(pusher, gate, [0], 40, 4).putts };
    const parted = causeOf([{ ...session('one', one), runs: [one, through] }])!;
    expect(parted.shares.read).toBeLessThan(0.2);
    expect(parted.remain).toEqual(expect.arrayContaining(['aim', 'stroke']));
  });

  it('is silent of few putts, of putts through a gate, and of a player who misses to no side', () => {
    const few = putted({ ...steady, reading: [-1, 0.02] }, read, [0, 2], 6);
    expect(causeOf([session('one', few)])).toBeNull();
    const through = { layout: gate, putts: putted(steady, gate, [0], 40).putts };
    expect(ownLines([session('one', through)])).toEqual([]);
    const fair = putted({ ...steady, reading: [0, 0.1] }, read, [0, 2], 40, 5);
    expect(causeOf([session('one', fair)])).toBeNull();
  });

  it('prescribes reading, and no stroke drill, to the pure misreader', () => {
    const misreader: Truth = { ...steady, reading: [-1, 0.02] };
    const sessions = [session('one', putted(misreader, read, [0, 2], 16))];
    const [score] = scoreHistory(sessions);
    const found = readMisses({
      hand: 'right',
      school: 'arc',
      points: Object.fromEntries(
        ['start', 'face', 'pace', 'reading'].map((skill) => [
          skill,
          pointsOf(score!.belief.carried, skill, W),
        ]),
      ) as ByQuantity<SkillPoints>,
      basis: score!.basis,
      counts: NO_COUNTS,
      cause: causeOf(sessions),
    });
    expect(found.map(({ id }) => id)).toEqual(['reads too little break']);
    expect(found[0]!.drills.map(({ key }) => key)).toContain('read-first');
  });
});
