import {
  standing,
  type Direct,
  type Evidence,
  type Layout,
  type Outcomes,
  type Points,
  type Standing,
} from '@/core/layout';

/** Bounds that a quantity lay between, infinite where unbounded. */
export type Bounds = readonly [lower: number, upper: number];

/** What is said of one putt, all of it true at once. */
export interface Term {
  start?: Bounds;
  face?: Bounds;
  /** The head's middle at distances from the ball: `s + y p`. */
  heads: { at: number; bounds: Bounds }[];
  /** Share of the distance intended, less one. */
  pace?: Bounds;
  /** Read off, with the error of reading. */
  direct: Partial<Record<'strike' | 'height' | 'pace', { value: number; error: number }>>;
}

/**
 * Putts of which the same is said. What is said is a sum of terms: a putt that reached the hole and missed it is one that
 * reached it, less those that were holed.
 */
export interface Cell {
  terms: { sign: 1 | -1; term: Term }[];
  count: number;
}

/** A putt as scoring takes it. */
export interface LoggedPutt {
  outcomes: Outcomes;
  points?: Points;
}

/** Putts on one layout. */
export interface LoggedRun {
  layout: Layout;
  putts: readonly LoggedPutt[];
}

const cut = (a: Bounds | undefined, b: Bounds): Bounds =>
  a ? [Math.max(a[0], b[0]), Math.min(a[1], b[1])] : b;

/** Whether anything lies within. */
const open = ([lower, upper]: Bounds): boolean => lower < upper;

/**
 * What one putt says; null when nothing. Gates on one putt are true at once; a ball that a tee has turned can meet what its
 * start would not have, and then only the first thing it met counts.
 */
function cellOf(
  elements: Standing[],
  { outcomes, points = {} }: LoggedPutt,
  paceOf: (metres: number) => number,
  evidenceOf: (element: Standing, outcome: string) => Evidence[],
): Cell | null {
  const term: Term = { heads: [], direct: {} };
  let hole: Extract<Evidence, { quantity: 'hole' }> | null = null;
  for (const element of elements) {
    const outcome = outcomes[element.id];
    if (outcome === undefined) continue;
    const spot = points[element.id];
    const read = (spot && element.pointing ? element.pointing.says(spot) : []).map(settled);
    for (const { quantity, value, error } of read) {
      term.direct[quantity] =
        quantity === 'pace'
          ? { value: paceOf(value), error: paceOf(value + error) - paceOf(value) }
          : { value, error };
    }
    for (const said of evidenceOf(element, outcome)) {
      if (said.quantity === 'hole') hole = said;
      else if (!isRead(said, read)) add(term, said, paceOf);
    }
  }
  if (hole) return withHole(term, hole, paceOf);
  if (!says(term)) return null;
  return { terms: [{ sign: 1, term }], count: 1 };
}

/** A reading to half of its error: what is finer is hardly knowledge, and equal readings are counted together. */
const settled = ({ quantity, value, error }: Direct): Direct => {
  const step = error / 2;
  return { quantity, value: Math.round(value / step) * step, error };
};

/** Whether an outcome only says roughly what was read off. */
const isRead = (said: Evidence, read: Direct[]): boolean =>
  read.some(({ quantity }) =>
    said.quantity === 'head' ? quantity === 'strike' && said.at === 0 : quantity === said.quantity,
  );

function add(
  term: Term,
  said: Exclude<Evidence, { quantity: 'hole' }>,
  paceOf: (metres: number) => number,
): void {
  const bounds: Bounds = [said.lower, said.upper];
  switch (said.quantity) {
    case 'start':
    case 'face': {
      const both = cut(term[said.quantity], bounds);
      if (open(both)) term[said.quantity] = both;
      return;
    }
    case 'pace':
      term.pace = cut(term.pace, [paceOf(said.lower), paceOf(said.upper)]);
      return;
    case 'head':
      term.heads.push({ at: said.at, bounds });
  }
}

/** Errors of a reading beyond which it is not doubted. */
const BEYOND_DOUBT = 5;

/** Holed is one of the slices; missed is at the hole or past it, and none of them. */
function withHole(
  term: Term,
  { holed, slices }: Extract<Evidence, { quantity: 'hole' }>,
  paceOf: (metres: number) => number,
): Cell {
  // A ball seen at rest elsewhere, by far more than the error of seeing, was not in that slice.
  const seen = term.direct.pace;
  const near = ([from, to]: [number, number]): boolean =>
    !seen ||
    (paceOf(from) < seen.value + BEYOND_DOUBT * seen.error &&
      paceOf(to) > seen.value - BEYOND_DOUBT * seen.error);
  const within = slices
    .filter(({ pace }) => near(pace))
    .map(({ pace, start }): Term => ({
      ...term,
      start: cut(term.start, start),
      pace: cut(term.pace, [paceOf(pace[0]), paceOf(pace[1])]),
    }))
    .filter(({ start, pace }) => open(start!) && open(pace!))
    .map((one) => ({ sign: holed ? (1 as const) : (-1 as const), term: one }));
  if (holed && within.length > 0) return { terms: within, count: 1 };
  // What the gate saw and the hole do not agree: luck, which says nothing of the start but that it reached the hole.
  const reached = { ...term, pace: cut(term.pace, [paceOf(0), Infinity]) };
  return { terms: [{ sign: 1, term: reached }, ...(holed ? [] : within)], count: 1 };
}

const says = ({ start, face, heads, pace, direct }: Term): boolean =>
  !!start || !!face || heads.length > 0 || !!pace || Object.keys(direct).length > 0;

/**
 * What the putts of some runs say, those that say the same counted together. Measured numbers of a layout stand in place
 * of the planned ones, since its elements know them.
 *
 * @param runs layouts with what happened on each putt
 */
export function cellsOf(runs: readonly LoggedRun[]): Cell[] {
  const cells = new Map<string, Cell>();
  for (const { layout, putts } of runs) {
    const elements = standing(layout);
    const { distance, past } = layout.putt;
    // Bounds of a zone are metres past the hole; a player's pace is a share of the way.
    const paceOf = (metres: number) => (distance + metres) / (distance + past) - 1;
    const known = new Map<string, Cell | null>();
    const evidence = new Map<string, Evidence[]>();
    const evidenceOf = (element: Standing, outcome: string): Evidence[] => {
      const key = `${element.id} ${outcome}`;
      const found = evidence.get(key) ?? element.evidence(outcome);
      evidence.set(key, found);
      return found;
    };
    for (const putt of putts) {
      const bare = !putt.points || Object.keys(putt.points).length === 0;
      const outcomes = JSON.stringify(putt.outcomes);
      let cell = bare ? known.get(outcomes) : undefined;
      if (cell === undefined) {
        cell = cellOf(elements, putt, paceOf, evidenceOf);
        if (bare) known.set(outcomes, cell);
        if (cell) {
          const key = JSON.stringify(cell.terms, infinities);
          cell = cells.get(key) ?? cell;
          if (cells.get(key) === undefined) {
            cell.count = 0;
            cells.set(key, cell);
          }
          if (bare) known.set(outcomes, cell);
        }
      }
      if (cell) cell.count += 1;
    }
  }
  return [...cells.values()];
}

/** JSON knows no infinity. */
const infinities = (_key: string, value: unknown): unknown =>
  value === Infinity ? 'more' : value === -Infinity ? 'less' : value;

/** Putts that say something of each quantity. */
export interface Basis {
  start: number;
  face: number;
  path: number;
  strike: number;
  pace: number;
  height: number;
}

/** How many putts of some cells say anything of each skill. */
export function basisOf(cells: readonly Cell[]): Basis {
  const basis: Basis = { start: 0, face: 0, path: 0, strike: 0, pace: 0, height: 0 };
  for (const { terms, count } of cells) {
    const all = terms.map(({ term }) => term);
    const some = (test: (term: Term) => unknown) => (all.some(test) ? count : 0);
    const started = some(({ start }) => start);
    basis.start += started;
    basis.face += some(({ start, face }) => start ?? face);
    basis.path += some(({ heads }) => heads.some(({ at }) => at !== 0));
    basis.strike += some(({ heads, direct }) => heads.length > 0 || direct.strike);
    basis.pace += some(({ pace, direct }) => pace ?? direct.pace);
    basis.height += some(({ direct }) => direct.height);
  }
  return basis;
}
