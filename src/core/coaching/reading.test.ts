import { layoutAt, standing, stationPlace, trueReadOf, type Layout } from '@/core/layout';
import { libraryDrill } from '@/core/drill';
import { breakWords } from '@/core/green';
import { currentScores, DEFAULT_FACE_SHARE, type LoggedSession } from '@/core/scoring';
import { chance } from '@/core/simulate';
import { shoot } from 'tests/player/green';
import { readingWords, tellReading } from '.';

const { layout } = libraryDrill('read-first')!;
const id = layout.elements.find(({ kind }) => kind === 'readFirst')!.id;

/** What can be said, in hole widths from the middle, as the key's name says it. */
const keys = standing(layout)
  .find((element) => element.id === id)!
  .outcomes()
  .map((outcome) => {
    const [side, cups] = outcome.id.split(' ');
    return { id: outcome.id, cups: cups ? Number(cups) * (side === 'left' ? -1 : 1) : 0 };
  });

/** How far off the green is from what was measured of it: rise over run, and m of roll. */
interface Off {
  grade: number;
  speed: number;
}
const EXACT: Off = { grade: 0, speed: 0 };
const someGreen = (normal: () => number): Off => ({
  grade: 0.003 * normal(),
  speed: 0.3 * normal(),
});

/** Hole widths right of the middle that a putt has to start at on the green as it really is, by the general solver. */
function cupsOn({ putt }: Layout, { grade, speed }: Off): number {
  const { distance, past, greenSpeed, slope } = putt;
  const green = { distance, past, greenSpeed: greenSpeed + speed };
  const { direction } = shoot({ ...green, grade: slope.grade + grade, falls: slope.falls });
  return (distance * Math.tan(direction)) / 0.108;
}

/** A player who sees a share of each break, and says the nearest that can be said. */
function sessionOf(
  putts: number,
  share: (cups: number) => number,
  touched?: () => number,
  off = EXACT,
): LoggedSession {
  const stations = Array.from({ length: 4 }, (_, i) => {
    const place = stationPlace(layout, i);
    const there = layoutAt(layout, place)!;
    return { place, there, cups: cupsOn(there, off) };
  });
  const made = Array.from({ length: putts }, (_, i) => {
    const { place, there, cups } = stations[i % 4]!;
    const seen = share(cups) * cups;
    const said = keys.reduce((best, one) =>
      Math.abs(one.cups - seen) < Math.abs(best.cups - seen) ? one : best,
    );
    const spot = { along: there.putt.distance, across: (seen + (touched?.() ?? 0)) * 0.108 };
    const shown = standing(there).find((element) => element.id === id)!.pointing!;
    return {
      outcomes: { [id]: touched ? shown.outcome(spot) : said.id },
      ...(touched && { points: { [id]: spot } }),
      place,
      manner: 'usual' as const,
    };
  });
  return { id: 's', at: new Date(0), runs: [{ layout, putts: made }] as never };
}

describe('reading', () => {
  it('takes the true read from the putt it was: 8 ft on 2 %, by the start line of the design', () => {
    // 8.07 in beside the hole at 18 in past, 4.25 in a hole width: 1.899 of them. The library's putt runs 45 cm past.
    expect(Math.abs(trueReadOf(layout))).toBeCloseTo(8.07 / 4.252, 1);
    expect(breakWords(trueReadOf(layout))).toMatch(/1\.4 cups outside the right edge/);
  });

  it('finds how much of the break is seen, of players whose share is known', () => {
    const { normal } = chance(5);
    let [held, all] = [0, 0];
    for (let player = 0; player < 150; player += 1) {
      const share = 1 + 0.3 * normal();
      const sees = () => share + 0.12 * normal();
      const told = tellReading([sessionOf(24, sees, undefined, someGreen(normal))])!;
      // Half the stations hardly break; what was said of them has no share.
      expect(told.all.reads).toBeGreaterThanOrEqual(12);
      held += Number(told.all.low <= share && share <= told.all.high);
      all += 1;
    }
    expect(held / all).toBeGreaterThan(0.7);
    expect(held / all).toBeLessThan(0.93);
  });

  it.each([0.5, 0.8, 1.2])('puts on the ruler what the words say, of one who sees %d', (share) => {
    const { normal } = chance(11);
    const sessions = [sessionOf(48, () => share + 0.15 * normal())];
    const told = tellReading(sessions)!.all;
    const { bias } = currentScores(sessions, DEFAULT_FACE_SHARE)!.scores.reading!;
    expect(Math.abs(1 + bias.middle - told.middle)).toBeLessThan(0.03);
    expect(Math.abs(bias.high - bias.low - (told.high - told.low))).toBeLessThan(0.06);
  });

  it('says which side is misread, and how sure', () => {
    const told = tellReading([sessionOf(48, (cups) => (cups < 0 ? 0.3 : 0.8))])!;
    const { sentence, basis } = readingWords(told);
    expect(sentence).toMatch(
      /^sees \d\d % of the break, but \d+ % of it on (left-to-right|right-to-left) putts$/,
    );
    expect(basis).toMatch(
      /\d+ reads\. 80 % interval \d+–\d+ % of the true break; (left|right|up|down)/,
    );
    const right = readingWords(tellReading([sessionOf(24, () => 1)])!);
    expect(right.sentence).toBe('no clear misread of the break');
  });

  it('takes a read that was touched on the picture for what it is, finer than its key', () => {
    const { normal } = chance(11);
    let [held, all, keyed, touched] = [0, 0, 0, 0];
    for (let player = 0; player < 150; player += 1) {
      const share = 1 + 0.3 * normal();
      const sees = () => share + 0.04 * normal();
      // A finger is off by 15 mm of a hole of 108.
      const off = someGreen(normal);
      const told = tellReading([sessionOf(24, sees, () => (0.015 / 0.108) * normal(), off)])!.all;
      const said = tellReading([sessionOf(24, sees, undefined, off)])!.all;
      held += Number(told.low <= share && share <= told.high);
      all += 1;
      touched += told.high - told.low;
      keyed += said.high - said.low;
    }
    expect(held / all).toBeGreaterThan(0.7);
    expect(held / all).toBeLessThan(0.93);
    // The green is off for both; the finger is finer than the keys.
    expect(touched).toBeLessThan(keyed);
  });

  it('reads a spot on the way by the line that goes over it, and a flat putt not at all', () => {
    const { pointing } = standing(layout).find((element) => element.id === id)!;
    const { distance } = layout.putt;
    const [far, near] = [1, 0.75].map((share) =>
      pointing!.reads({ along: share * distance, across: share * 0.2 }),
    );
    expect(far![0]!.value).toBeCloseTo(near![0]!.value, 9);
    expect(near![0]!.error / far![0]!.error).toBeCloseTo(4 / 3, 9);
    const flat = { ...layout, putt: { ...layout.putt, slope: { grade: 0, falls: 0 } } };
    const level = standing(flat).find((element) => element.id === id)!.pointing!;
    expect(level.reads({ along: distance, across: 0.2 })).toEqual([]);
    expect(level.outcome({ along: distance, across: 0.02 })).toBe('right 0.25');
  });

  it('tells what the breaks are at the player’s own pace, as a general solver finds them', () => {
    const told = tellReading([sessionOf(24, () => 0.6)], 0.25)!;
    const { putt } = layout;
    const green = (past: number) => ({
      distance: putt.distance,
      greenSpeed: putt.greenSpeed,
      grade: putt.slope.grade,
      falls: putt.slope.falls,
      past,
    });
    const own = Math.tan(shoot(green(putt.past + 0.25 * (putt.distance + putt.past))).direction);
    const meant = Math.tan(shoot(green(putt.past)).direction);
    expect(told.ownPace).toBeCloseTo(own / meant, 2);
    expect(readingWords(told).sentence).toMatch(
      /^sees \d\d % of the break.*\. At the student’s own pace, putts break \d+ % less; the read is \d\d % of that break$/,
    );
    expect(tellReading([sessionOf(24, () => 0.6)], 0.01)!.ownPace).toBeNull();
  });

  it('says nothing of a few reads, or of none', () => {
    expect(tellReading([])).toBeNull();
    expect(tellReading([sessionOf(6, () => 1)])).toBeNull();
    expect(tellReading([{ ...sessionOf(24, () => 1), runs: [] }])).toBeNull();
  });
});
