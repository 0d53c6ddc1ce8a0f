import type { Putt } from '@/core/drill';
import { layoutAt, traitsOf, trueReadOf, type Layout } from '@/core/layout';
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
}

/** What is seen of breaks: of all, and by the side to which the ball has to start, and by up and down. */
export interface ReadingTold {
  all: ReadShare;
  /** Only those of which there are enough; the largest difference first. */
  parts: { name: string; share: ReadShare }[];
}

interface ReadMade {
  layout: Layout;
  putt: Putt;
  /** Where the putt has to start, hole widths right of the middle of the hole. */
  cups: number;
  /** Rise over run along the putt, uphill positive. */
  climb: number;
}

/** Fewer reads than this tell nothing, of all and of a part. */
const ENOUGH = { all: 8, part: 6 };
/** Flatter than this along the putt is neither up nor down. */
const LEVEL = 0.004;

/** Every read that was said, without what became of the ball. */
function readsOf(sessions: readonly LoggedSession[]): ReadMade[] {
  return sessions.flatMap(({ runs }) =>
    runs.flatMap(({ layout, putts }) => {
      const asked = layout.elements.find(({ kind }) => traitsOf(kind).asksRead);
      if (!asked) return [];
      return putts.flatMap(({ outcomes, place, manner }): ReadMade[] => {
        const said = outcomes[asked.id];
        const there = place ? layoutAt(layout, place) : layout;
        if (said === undefined || !there) return [];
        const { grade, falls } = there.putt.slope;
        return [
          {
            layout,
            putt: {
              outcomes: { [asked.id]: said },
              ...(place && { place }),
              ...(manner && { manner }),
            },
            cups: trueReadOf(there),
            climb: -grade * Math.cos(falls),
          },
        ];
      });
    }),
  );
}

/** The share that a player sees, as the ruler has it, from some of their reads. */
function shareOf(reads: readonly ReadMade[]): ReadShare {
  const layouts = [...new Set(reads.map(({ layout }) => layout))];
  const runs = layouts.map((layout) => ({
    layout,
    putts: reads.flatMap((read) => (read.layout === layout ? [read.putt] : [])),
  }));
  const { belief, basis } = beliefOfRuns(runs);
  const { low, middle, high } = scoreOf(pointsOf(belief, 'reading', DEFAULT_FACE_SHARE)).bias;
  return { low: 1 + low, middle: 1 + middle, high: 1 + high, reads: basis.reading ?? 0 };
}

/**
 * How much of the break a player sees, of all reads and by side, up and down: the bias of the quantity reading, each time from
 * the prior by those reads alone. A putt that hardly breaks says nothing of it.
 *
 * @param sessions what was logged
 * @returns null with fewer than 8 reads that say something
 * @example tellReading(sessions)?.all.middle // 0.62
 */
export function tellReading(sessions: readonly LoggedSession[]): ReadingTold | null {
  const reads = readsOf(sessions);
  const all = shareOf(reads);
  if (all.reads < ENOUGH.all) return null;
  const parts = [
    { name: 'left to right', of: reads.filter(({ cups }) => cups < 0) },
    { name: 'right to left', of: reads.filter(({ cups }) => cups > 0) },
    { name: 'uphill', of: reads.filter(({ climb }) => climb > LEVEL) },
    { name: 'downhill', of: reads.filter(({ climb }) => climb < -LEVEL) },
  ]
    .map(({ name, of }) => ({ name, share: shareOf(of) }))
    .filter(({ share }) => share.reads >= ENOUGH.part)
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
