import { layoutAt, readMeant, standing, traitsOf, trueReadOf } from '@/core/layout';
import { normalBetween } from '@/core/numbers';
import type { LoggedSession } from '@/core/scoring';

/** How much of the break a player sees, with its 80 % interval; shares of the true break. */
export interface ReadShare {
  low: number;
  middle: number;
  high: number;
  reads: number;
}

/** What is seen of breaks: of all, and by the side to which the ball has to start, and by up and down. */
export interface ReadingTold {
  all: ReadShare;
  /** Only those of which there are enough; the largest difference first. */
  parts: { name: string; share: ReadShare }[];
}

interface ReadMade {
  /** Where the putt has to start, and what was said may have meant, hole widths right of the middle of the hole. */
  cups: number;
  from: number;
  to: number;
  /** Rise over run along the putt, uphill positive. */
  climb: number;
}

/** Fewer reads than this tell nothing, of all and of a part. */
const ENOUGH = { all: 8, part: 6 };
/** A break smaller than this, in hole widths, has no share that can be told. */
const TOLD = 0.4;
/** Before anything is known: the share lies around the whole break, its scatter from read to read around a quarter of it. */
const USUAL = { share: 0.35, scatter: 0.25, logScatter: 0.6 };
/** A read in so many is a slip: any key. */
const SLIP = 0.02;
/** About how many things can be said. */
const SAYABLE = 17;
/** Where shares and scatters are looked for. */
const SHARES = Array.from({ length: 151 }, (_, i) => i / 60);
const STEPS = Array.from({ length: 13 }, (_, i) => (i - 6) / 2.4);
/** Flatter than this along the putt is neither up nor down. */
const LEVEL = 0.004;

function readsOf(sessions: readonly LoggedSession[]): ReadMade[] {
  return sessions.flatMap(({ runs }) =>
    runs.flatMap(({ layout, putts }) => {
      if (!layout.elements.some(({ kind }) => traitsOf(kind).asksRead)) return [];
      return putts.flatMap(({ outcomes, place }): ReadMade[] => {
        const there = place ? layoutAt(layout, place) : layout;
        if (!there) return [];
        return standing(there).flatMap((element): ReadMade[] => {
          const said = element.traits.asksRead ? outcomes[element.id] : undefined;
          const meant = said === undefined ? null : readMeant(said);
          const cups = trueReadOf(there);
          if (!meant || Math.abs(cups) < TOLD) return [];
          const { grade, falls } = there.putt.slope;
          return [{ cups, ...meant, climb: -grade * Math.cos(falls) }];
        });
      });
    }),
  );
}

/**
 * The share that a player sees, on a grid of shares and scatters: what is said is evidence of all that is nearer to it than to
 * anything else that could be said, so nothing is made of what was rounded away.
 */
function shareOf(reads: readonly ReadMade[]): ReadShare {
  const same = new Map<string, ReadMade & { count: number }>();
  for (const read of reads) {
    const key = `${read.cups.toFixed(3)} ${read.from}`;
    same.set(key, { ...read, count: (same.get(key)?.count ?? 0) + 1 });
  }
  const logs = SHARES.map((share) =>
    STEPS.map((step) => {
      const scatter = USUAL.scatter * Math.exp(USUAL.logScatter * step);
      const before = -((share - 1) ** 2) / (2 * USUAL.share ** 2) - step ** 2 / 2;
      return [...same.values()].reduce((sum, { cups, from, to, count }) => {
        const [middle, off] = [share * cups, scatter * Math.abs(cups)];
        const said = normalBetween((from - middle) / off, (to - middle) / off);
        return sum + count * Math.log((1 - SLIP) * said + SLIP / SAYABLE);
      }, before);
    }),
  );
  const most = Math.max(...logs.flat());
  const weights = logs.map((row) => row.reduce((sum, one) => sum + Math.exp(one - most), 0));
  const all = weights.reduce((sum, one) => sum + one, 0);
  const below = (part: number) => {
    let sum = 0;
    const at = weights.findIndex((one) => (sum += one) >= part * all);
    return SHARES[at]!;
  };
  return { low: below(0.1), middle: below(0.5), high: below(0.9), reads: reads.length };
}

/**
 * How much of the break a player sees: `said = ρ · true · (1 + noise)`, with ρ normal around 1 before anything is
 * known, and interval-censored by what can be said. A read that has no share, of a putt that hardly breaks, is left out.
 *
 * @param sessions what was logged
 * @returns null with fewer than 8 reads
 * @example tellReading(sessions)?.all.middle // 0.62
 */
export function tellReading(sessions: readonly LoggedSession[]): ReadingTold | null {
  const reads = readsOf(sessions);
  if (reads.length < ENOUGH.all) return null;
  const all = shareOf(reads);
  const parts = [
    { name: 'left to right', of: reads.filter(({ cups }) => cups < 0) },
    { name: 'right to left', of: reads.filter(({ cups }) => cups > 0) },
    { name: 'uphill', of: reads.filter(({ climb }) => climb > LEVEL) },
    { name: 'downhill', of: reads.filter(({ climb }) => climb < -LEVEL) },
  ]
    .filter(({ of }) => of.length >= ENOUGH.part)
    .map(({ name, of }) => ({ name, share: shareOf(of) }))
    .sort((a, b) => Math.abs(b.share.middle - all.middle) - Math.abs(a.share.middle - all.middle));
  return { all, parts };
}

const percent = (share: number): number => Math.round(100 * share);

/** Whether all of an interval lies to one side of the whole break. */
const off = ({ low, high }: ReadShare): boolean => high < 1 || low > 1;

/**
 * Reading in words: "sees 62 % of the break".
 *
 * @param told by {@link tellReading}
 * @returns what follows a player's name, and what it rests on
 */
export function readingWords({ all, parts }: ReadingTold): { sentence: string; basis: string } {
  const sees = off(all)
    ? `sees ${percent(all.middle)} % of the break`
    : 'reads the break right, so far as can be told';
  const apart = parts.find(({ share }) => share.low > all.high || share.high < all.low);
  const sentence = apart ? `${sees}; ${apart.name} it is ${percent(apart.share.middle)} %` : sees;
  const each = parts.map(
    ({ name, share }) =>
      `${name} ${percent(share.middle)} % (${percent(share.low)} to ${percent(share.high)} %, ${share.reads} reads)`,
  );
  return {
    sentence,
    basis: [
      `${all.reads} reads, 80 % interval ${percent(all.low)} to ${percent(all.high)} % of the true break`,
      ...each,
    ].join('; '),
  };
}
