import { isUsual, type Putt } from '@/core/drill';
import { layoutAt } from '@/core/layout';
import { normalBelow } from '@/core/numbers';
import type { Hand } from '@/core/people';
import { completed, latents, quantityOf, showAmount } from '@/core/quantity';
import type { Estimate, LoggedSession } from '@/core/scoring';

/** Fewer putts that were measured in both ways say nothing of what goes with what. */
const ENOUGH = 60;
/** How likely it may be that anything is said of a player of whom nothing is so. */
const WRONGLY = 0.05;
/** Correlations of a stroke's parts are mostly small: the spread, in Fisher's z, of what is thought before any putt. */
const USUAL = 0.5;
/** Standard normal at the ends of the middle 80 %. */
const TAIL_AT = 1.2816;
/** The mean of a normal's upper half less that of its lower, in standard deviations. */
const HALVES = 2 * Math.sqrt(2 / Math.PI);

/** What the ball did, and what may go with it. */
const DONE = ['start', 'strike', 'pace'] as const;
export type Done = (typeof DONE)[number];

/** Two quantities that go together from putt to putt. */
export interface Relation {
  /** What the ball did. */
  done: Done;
  /** What went with it. */
  tracked: string;
  /** How much more of it there is on putts of the upper half of what the ball did than on those of the lower, SI. */
  difference: Estimate;
  /** How sure it is that they go together at all, for all that was looked at, 0 to 1. */
  sure: number;
  putts: number;
}

interface Pair {
  x: number;
  y: number;
}

const LINE_PARTS = ['face', 'path'] as const;

/** What was read of one putt, with the start as face and path make it where it was not read itself. */
function valuesOf({ measured }: Putt, faceShare: number): Record<string, number> {
  const all = Object.fromEntries(
    Object.entries(completed(measured ?? {})).map(([id, { value }]) => [id, value]),
  );
  const [face, path] = LINE_PARTS.map((id) => all[id]);
  if (all.start === undefined && face !== undefined && path !== undefined) {
    all.start = faceShare * face + (1 - faceShare) * path;
  }
  return all;
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, one) => sum + one, 0) / values.length;

/**
 * What goes together from putt to putt within a player's sessions: each is taken against its own session's mean, so that
 * neither a change over the weeks nor how an instrument stood is taken for a relation. Correlations are tested by Fisher's z
 * (1921), with as much doubt as there are pairs looked at (Bonferroni), and told shrunk towards none.
 *
 * @param sessions of one player
 * @param faceShare how much of the start direction is the face's
 * @returns the surest first
 * @example relationsOf(sessions, 0.92)[0]?.tracked // "wristBend"
 */
export function relationsOf(sessions: readonly LoggedSession[], faceShare: number): Relation[] {
  const putted = sessions.map(({ runs }) =>
    runs.flatMap(({ putts, layout }) =>
      putts
        .filter(({ manner }) => isUsual(manner))
        .map((putt) => {
          const values = valuesOf(putt, faceShare);
          const there = putt.place ? layoutAt(layout, putt.place) : layout;
          for (const { id, middle } of latents()) {
            if (!middle || values[id] === undefined) continue;
            // Against what was meant there; where nobody knows from where it was putted, nothing was.
            if (there) values[id] -= middle(there.putt);
            else delete values[id];
          }
          return values;
        }),
    ),
  );
  const tracked = latents()
    .filter(({ steers }) => !steers)
    .map(({ id }) => id);
  const looks = DONE.flatMap((done) =>
    tracked.flatMap((id) => {
      const own = putted.map((values) =>
        values.flatMap((one): Pair[] =>
          one[id] !== undefined && one[done] !== undefined ? [{ x: one[id], y: one[done] }] : [],
        ),
      );
      const told = own.filter((pairs) => pairs.length > 1);
      const putts = told.reduce((sum, pairs) => sum + pairs.length, 0);
      return putts >= ENOUGH ? [{ done, id, told, putts }] : [];
    }),
  );
  return looks
    .flatMap(({ done, id, told, putts }) => {
      const relation = relationOf(done, id, told, putts, looks.length);
      return relation && 1 - relation.sure <= WRONGLY ? [relation] : [];
    })
    .sort((a, b) => b.sure - a.sure);
}

function relationOf(
  done: Done,
  tracked: string,
  sessions: readonly Pair[][],
  putts: number,
  looks: number,
): Relation | null {
  const off = sessions.flatMap((pairs) => {
    const [x, y] = [meanOf(pairs.map((one) => one.x)), meanOf(pairs.map((one) => one.y))];
    return pairs.map((one) => ({ x: one.x - x, y: one.y - y }));
  });
  const sum = (of: (pair: Pair) => number) => off.reduce((all, pair) => all + of(pair), 0);
  const [xx, yy, xy] = [sum(({ x }) => x * x), sum(({ y }) => y * y), sum(({ x, y }) => x * y)];
  // Each session's mean was found from its own putts.
  const free = putts - sessions.length - 2;
  if (!(xx > 0) || !(yy > 0) || free < 10) return null;
  const z = Math.atanh(Math.max(-0.9999, Math.min(0.9999, xy / Math.sqrt(xx * yy))));
  const wrong = 2 * (1 - normalBelow(Math.abs(z) * Math.sqrt(free)));
  const variance = 1 / (free + 1 / USUAL ** 2);
  const middle = z * free * variance;
  const scale = HALVES * Math.sqrt(xx / (free + 2));
  const at = (by: number) => scale * Math.tanh(middle + by * Math.sqrt(variance));
  return {
    done,
    tracked,
    difference: { low: at(-TAIL_AT), middle: at(0), high: at(TAIL_AT) },
    sure: Math.max(0, 1 - looks * wrong),
    putts,
  };
}

/**
 * A relation as a coach would say it.
 *
 * @example relationWords(relation, 'right') // "Pushes come with 3.0° (2.1° to 3.8°) more of lead wrist bend, bowed"
 */
export function relationWords(
  { done, tracked, difference, putts }: Relation,
  hand: Hand,
): { sentence: string; basis: string } {
  const { ends, mirrored } = quantityOf(done);
  const { name, ends: sides } = quantityOf(tracked);
  const words = ends(hand);
  const upper = mirrored ? words.left : words.right;
  const spoken: Record<string, string> = {
    push: 'Pushes come',
    pull: 'Pulls come',
    heel: 'Strikes towards the heel come',
    toe: 'Strikes towards the toe come',
    long: 'Long putts come',
  };
  const { low, middle, high } = difference;
  const ordered = [low, high].map(Math.abs).sort((a, b) => a - b) as [number, number];
  const side = middle > 0 ? sides(hand).right : sides(hand).left;
  return {
    sentence: `${spoken[upper] ?? `${upper} comes`} when the ${name.toLowerCase()} differs by ${showAmount(tracked, middle)} (${side}; 80 % interval ${showAmount(tracked, ordered[0])} to ${showAmount(tracked, ordered[1])}).`,
    basis: `${putts} putts`,
  };
}
