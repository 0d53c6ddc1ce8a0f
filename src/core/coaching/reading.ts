import type { Putt } from '@/core/drill';
import { layoutAt, traitsOf, trueReadAtPace, trueReadOf, type Layout } from '@/core/layout';
import {
  DEFAULT_FACE_SHARE,
  beliefOfRuns,
  pointsOf,
  scoreOf,
  type LoggedSession,
} from '@/core/scoring';

/** How much of the break a player sees, with its 80 % interval; shares of the true break. */
export interface ReadShare {
  low: number;
  middle: number;
  high: number;
  reads: number;
  /** Surely not the whole break: 95 % of what is known lies to one side of it. */
  misread: boolean;
}

/** What is seen of breaks: of all, and by the side to which the ball has to start, and by up and down. */
export interface ReadingTold {
  all: ReadShare;
  /** What of the break a putt at the player's own pace leaves, over that at the pace meant; null where they are the same. */
  ownPace: number | null;
  /** Only those of which there are enough; the largest difference first. */
  parts: { name: string; share: ReadShare }[];
  /** The part that differs most from the whole, where they surely differ; both share the green. */
  apart: { name: string; share: ReadShare } | null;
}

interface ReadMade {
  layout: Layout;
  putt: Putt;
  /** Where the putt has to start, hole widths right of the middle of the hole. */
  cups: number;
  /** The same at the player's own pace. */
  ownCups: number;
  /** Rise over run along the putt, uphill positive. */
  climb: number;
}

/** Fewer reads than this tell nothing, of all and of a part. */
const ENOUGH = { all: 8, part: 6 };
export const READS_ENOUGH = ENOUGH.all;
/** Surer than this that a share is not the whole break it is told. */
const SURE = 0.95;
/** Flatter than this along the putt is neither up nor down. */
const LEVEL = 0.004;

/** Every read that was said, without what became of the ball. */
function readsOf(sessions: readonly LoggedSession[], pace: number): ReadMade[] {
  return sessions.flatMap(({ runs }) =>
    runs.flatMap(({ layout, putts }) => {
      const asked = layout.elements.find(({ kind }) => traitsOf(kind).asksRead);
      if (!asked) return [];
      return putts.flatMap(({ outcomes, points = {}, place, manner }): ReadMade[] => {
        const said = outcomes[asked.id];
        const there = place ? layoutAt(layout, place) : layout;
        if (said === undefined || !there) return [];
        const { grade, falls } = there.putt.slope;
        return [
          {
            layout,
            putt: {
              outcomes: { [asked.id]: said },
              ...(points[asked.id] && { points: { [asked.id]: points[asked.id]! } }),
              ...(place && { place }),
              ...(manner && { manner }),
            },
            cups: trueReadOf(there),
            ownCups: trueReadAtPace(there, pace),
            climb: -grade * Math.cos(falls),
          },
        ];
      });
    }),
  );
}

/**
 * The share that a player sees, as the ruler has it, from some of their reads.
 *
 * @param exact takes the green to be as it was measured: what it is off by, all reads on it share
 */
function shareOf(reads: readonly ReadMade[], exact = false): ReadShare {
  const layouts = [...new Set(reads.map(({ layout }) => layout))];
  const runs = layouts.map((layout) => ({
    layout,
    putts: reads.flatMap((read) => (read.layout === layout ? [read.putt] : [])),
  }));
  const { belief, basis } = beliefOfRuns(runs, DEFAULT_FACE_SHARE, { exact });
  const points = pointsOf(belief, 'reading', DEFAULT_FACE_SHARE);
  const { low, middle, high } = scoreOf(points).bias;
  const under = points.bias.filter((bias) => bias < 0).length / points.bias.length;
  return {
    low: 1 + low,
    middle: 1 + middle,
    high: 1 + high,
    reads: basis.reading ?? 0,
    misread: Math.max(under, 1 - under) > SURE,
  };
}

/**
 * How much of the break a player sees, of all reads and by side, up and down: the bias of the quantity reading, each time from
 * the prior by those reads alone. A putt that hardly breaks says nothing of it.
 *
 * @param sessions what was logged
 * @param pace how far the player's putts run beyond the way meant, as a share of it, short negative
 * @returns null with fewer than 8 reads that say something
 * @example tellReading(sessions)?.all.middle // 0.62
 */
export function tellReading(sessions: readonly LoggedSession[], pace = 0): ReadingTold | null {
  const reads = readsOf(sessions, pace);
  const all = shareOf(reads);
  if (all.reads < ENOUGH.all) return null;
  const kinds = [
    { name: 'left-to-right', of: reads.filter(({ cups }) => cups < 0) },
    { name: 'right-to-left', of: reads.filter(({ cups }) => cups > 0) },
    { name: 'uphill', of: reads.filter(({ climb }) => climb > LEVEL) },
    { name: 'downhill', of: reads.filter(({ climb }) => climb < -LEVEL) },
  ];
  const parts = kinds
    .map(({ name, of }) => ({ name, share: shareOf(of) }))
    .filter(({ share }) => share.reads >= ENOUGH.part)
    .sort((a, b) => Math.abs(b.share.middle - all.middle) - Math.abs(a.share.middle - all.middle));
  const whole = shareOf(reads, true);
  const apart =
    parts.find(({ name }) => {
      const share = shareOf(kinds.find((kind) => kind.name === name)!.of, true);
      return share.low > whole.high || share.high < whole.low;
    }) ?? null;
  return { all, parts, apart, ownPace: ownPaceOf(reads) };
}

/** Own pace that changes the break by less than this share is as good as the pace meant. */
const SAME_BREAK = 0.05;

/** How much of the break is left at the player's own pace, over all the breaks that were read. */
function ownPaceOf(reads: readonly ReadMade[]): number | null {
  const sum = (of: (read: ReadMade) => number) =>
    reads.reduce((total, read) => total + Math.abs(of(read)), 0);
  const meant = sum(({ cups }) => cups);
  if (meant === 0) return null;
  const left = sum(({ ownCups }) => ownCups) / meant;
  return Math.abs(left - 1) < SAME_BREAK ? null : left;
}

const percent = (share: number): number => Math.round(100 * share);

/**
 * Reading in words: "sees 62 % of the break".
 *
 * @param told by {@link tellReading}
 * @returns what follows a player's name, and what it rests on
 */
export function readingWords({ all, parts, apart, ownPace }: ReadingTold): {
  sentence: string;
  basis: string;
} {
  const sees = all.misread
    ? `sees ${percent(all.middle)} % of the break`
    : 'no clear misread of the break';
  const told = apart
    ? `${sees}, but ${percent(apart.share.middle)} % of it on ${apart.name} putts`
    : sees;
  const own =
    ownPace === null
      ? ''
      : `. At the student’s own pace, putts break ${percent(Math.abs(ownPace - 1))} % ${ownPace < 1 ? 'less' : 'more'}; the read is ${percent(all.middle / ownPace)} % of that break`;
  const sentence = `${told}${own}`;
  const each = parts.map(
    ({ name, share }) =>
      `${name} ${percent(share.middle)} % (80 % interval ${percent(share.low)}–${percent(share.high)} %, ${share.reads} reads)`,
  );
  return {
    sentence,
    basis: [
      `Based on ${all.reads} reads. 80 % interval ${percent(all.low)}–${percent(all.high)} % of the true break`,
      ...each,
    ].join('; '),
  };
}
